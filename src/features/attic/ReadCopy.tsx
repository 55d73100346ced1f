import { useState } from 'react';
import { View } from 'react-native';

import { counted, plural } from '@/core/language/plural';
import { Button, Chip, ChipRow } from '@/parts/ui/Button';
import { canReadFolder, FileButton } from '@/parts/ui/FileButton';
import { Notice } from '@/parts/ui/Notice';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { exactly } from '@/parts/ui/time';
import { unlessExpected } from '@/store/base/faults';
import { folderOfCopies, type FolderOfCopies } from '@/store/copies/folderOfCopies';
import { bringBack, CopyTrouble, openCopy, type Brought, type OpenedCopy } from '@/store/copies/readCopy';

import { amounts } from './copyAmounts';

/** A kept copy is looked through, and what is missing here brought back. */
export function ReadCopy() {
  const read = useReading();
  return (
    <Card label="Read a copy">
      <Text variant="heading">Bring back a copy</Text>
      <Text tone="soft">
        Brings back what is missing here. Nothing that is here goes away, and you see what it would do first.
      </Text>
      {read.busy ? (
        <Text figures role="status">
          {read.busy}
        </Text>
      ) : (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 10 }}>
          <FileButton accept=".zip,application/zip" onFiles={([file]) => file && void read.openFile(file)}>
            Choose a copy
          </FileButton>
          {canReadFolder() ? (
            <FileButton folder accept="" onFiles={(files) => void read.openFolder(files)}>
              Choose a folder of copies
            </FileButton>
          ) : null}
        </View>
      )}
      {read.trouble ? <Notice tone="trouble">{read.trouble}</Notice> : null}
      {read.folder && read.folder.copies.length > 1 && !read.busy && !read.brought ? (
        <WhichCopy folder={read.folder} name={read.name} onCopy={(file) => void read.openFile(file, true)} />
      ) : null}
      {read.copy && !read.busy ? (
        <Found
          copy={read.copy}
          theirs={read.theirs}
          onTheirs={read.setTheirs}
          onBring={() => void read.bring()}
        />
      ) : null}
      {read.brought ? <Notice tone="good">{broughtWords(read.brought)}</Notice> : null}
    </Card>
  );
}

/** A copy from its being chosen to its being here. */
function useReading() {
  const [folder, setFolder] = useState<FolderOfCopies | null>(null);
  const [name, setName] = useState('');
  const [copy, setCopy] = useState<OpenedCopy | null>(null);
  const [theirs, setTheirs] = useState(false);
  const [busy, setBusy] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [brought, setBrought] = useState<Brought | null>(null);
  const open = async (file: File, from: FolderOfCopies | null) => {
    setFolder(from);
    setName(file.name);
    setCopy(null);
    setBrought(null);
    setTrouble(null);
    setTheirs(false);
    setBusy('Looking through it …');
    try {
      setCopy(await openCopy(file, from));
    } catch (error) {
      unlessExpected('reading a copy')(error);
      setTrouble(error instanceof CopyTrouble ? error.message : 'It could not be read. Nothing was changed.');
    }
    setBusy(null);
  };
  const openFolder = async (files: File[]) => {
    const chosen = folderOfCopies(files);
    const newest = chosen.copies[0];
    if (newest) return open(newest.file, chosen);
    setFolder(null);
    setCopy(null);
    setBrought(null);
    setTrouble('There is no copy of an attic in this folder. Nothing was changed; choose another one.');
  };
  const bring = async () => {
    if (!copy) return;
    setBusy('Bringing back …');
    try {
      setBrought(
        await bringBack(copy, theirs, (done, of) =>
          setBusy(`Bringing back ${done} of ${counted(of, 'picture')} …`),
        ),
      );
      setCopy(null);
    } catch (error) {
      unlessExpected('reading a copy')(error);
      setTrouble('It stopped on the way. What was brought back is here; read the copy again for the rest.');
    }
    setBusy(null);
  };
  const openFile = (file: File, fromFolder = false) => open(file, fromFolder ? folder : null);
  return { folder, name, copy, theirs, setTheirs, busy, trouble, brought, openFile, openFolder, bring };
}

/** The copies of a folder, the newest first: a damaged one, or a mistake copied as well, has earlier ones. */
function WhichCopy(props: { folder: FolderOfCopies; name: string; onCopy: (file: File) => void }) {
  const { copies } = props.folder;
  const severalAttics = new Set(copies.map((copy) => copy.tag)).size > 1;
  return (
    <ChipRow label="Which copy">
      {copies.map(({ name, stamp, tag, file }) => (
        <Chip key={name} on={name === props.name} onPress={() => props.onCopy(file)}>
          {severalAttics ? `${stampWords(stamp)} · ${tag}` : stampWords(stamp)}
        </Chip>
      ))}
    </ChipRow>
  );
}

/** "2026-11-28 23:05:01", of a copy's name. */
const stampWords = (stamp: string) =>
  `${stamp.slice(0, 10)} ${stamp.slice(11).replace(/(..)(..)(..)/u, '$1:$2:$3')}`;

interface FoundProps {
  copy: OpenedCopy;
  theirs: boolean;
  onTheirs: (theirs: boolean) => void;
  onBring: () => void;
}

function Found({ copy, theirs, onTheirs, onBring }: FoundProps) {
  const missing = amounts(copy.counts);
  const { codesTwice, same } = copy.beside;
  return (
    <View style={{ gap: 10 }} role="group" aria-label="What the copy holds">
      <Text
        variant="strong"
        figures
      >{`Saved ${exactly(copy.head.at)} by ${copy.head.author || 'somebody'}`}</Text>
      <Text figures>
        {missing === ''
          ? 'Nothing is missing here: ' +
            `${plural(same, 'its one record is', `all its ${same + copy.differing} records are`)} in ` +
            'the attic.'
          : `Missing here: ${missing}.`}
      </Text>
      {copy.differing > 0 ? (
        <>
          <Text figures>
            {plural(
              copy.differing,
              'One record is in both and not the same.',
              `${copy.differing} records are in both and not the same.`,
            )}
          </Text>
          <ChipRow label="What differs">
            <Chip on={!theirs} onPress={() => onTheirs(false)}>
              Leave as it is here
            </Chip>
            <Chip on={theirs} onPress={() => onTheirs(true)}>
              Take it from the copy
            </Chip>
          </ChipRow>
        </>
      ) : null}
      {codesTwice.length > 0 ? (
        <Text tone="trouble" figures>
          {'Another item here has the same code already: ' +
            `${codesTwice.slice(0, 5).join(', ')}${
              codesTwice.length > 5 ? ` and ${codesTwice.length - 5} more` : ''
            }. ` +
            'Give one of the two a new code afterwards, on its sheet.'}
        </Text>
      ) : null}
      {copy.leftOut.map((why) => (
        <Text key={why} tone="trouble" figures>
          {`${why} The rest is whole; the file itself is not changed.`}
        </Text>
      ))}
      {missing !== '' || theirs ? (
        <Button variant="main" onPress={onBring}>
          {missing !== '' ? 'Bring back what is missing' : 'Take what differs from the copy'}
        </Button>
      ) : null}
    </View>
  );
}

function broughtWords({ items, pictures, others, broken, noRoomFor }: Brought): string {
  const back = amounts({ items, pictures, others });
  const said = [back === '' ? 'Nothing was missing.' : `${back} brought back.`];
  if (broken > 0)
    said.push(`${counted(broken, 'picture file')} in the copy could not be read and were left out.`);
  if (noRoomFor > 0)
    said.push(
      `There was no room for the last ${counted(noRoomFor, 'picture')}: make room, and read the copy again.`,
    );
  return said.join(' ');
}
