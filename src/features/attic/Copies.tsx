import { useState } from 'react';
import { View } from 'react-native';

import { listed } from '@/core/language/listed';
import { plural, counted } from '@/core/language/plural';
import { BackTo } from '@/parts/ui/BackTo';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { FileButton } from '@/parts/ui/FileButton';
import { Notice } from '@/parts/ui/Notice';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { agoWords, exactly } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import {
  bringBack,
  CopyTrouble,
  openCopy,
  saveCopy,
  type Brought,
  type OpenedCopy,
} from '@/store/attic/copies';
import { unlessExpected } from '@/store/base/faults';

/** "2 items, 8 pictures and 3 other records" */
function amounts({ items, pictures, others }: { items: number; pictures: number; others: number }): string {
  const said = [
    items > 0 ? counted(items, 'item') : '',
    pictures > 0 ? counted(pictures, 'picture') : '',
    others > 0 ? counted(others, 'other record') : '',
  ].filter(Boolean);
  return listed(said, 'and');
}

/** Everything in the attic as a file to keep elsewhere, and the way back from such a file. */
export function Copies() {
  return (
    <Page title="Backup copy" aside={<BackTo path="/attic" />}>
      <SaveCopy />
      <ReadCopy />
    </Page>
  );
}

function SaveCopy() {
  const copiedAt = useAttic((s) => s.settings.copiedAt);
  const items = useAttic((s) => Object.keys(s.items).length);
  const pictures = useAttic((s) => Object.keys(s.pictures).length);
  const [busy, setBusy] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const save = async () => {
    setTrouble(null);
    setBusy('Copying …');
    try {
      await saveCopy((done, of) => setBusy(`Copying ${done} of ${counted(of, 'file')} …`));
    } catch (error) {
      unlessExpected('saving a copy')(error);
      setTrouble(
        'The copy could not be made: there may be no room for it. Nothing in the attic was changed.',
      );
    }
    setBusy(null);
  };
  return (
    <Card label="Save a copy">
      <Text variant="heading">Save one</Text>
      <Text tone="soft" figures>
        {`All of it in one file: ${amounts({ items, pictures, others: 0 }) || 'an empty attic'}, ` +
          'with everything you wrote, set and decided. It is only in this browser otherwise. Keep ' +
          'the file in another place; it holds what is private, too.'}
      </Text>
      <Text figures>
        {copiedAt === null ? 'None was saved yet.' : `The last one was saved ${agoWords(copiedAt)}.`}
      </Text>
      <Button variant="main" disabled={busy !== null} onPress={() => void save()}>
        {busy ?? 'Save a copy of the attic'}
      </Button>
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
    </Card>
  );
}

function ReadCopy() {
  const [copy, setCopy] = useState<OpenedCopy | null>(null);
  const [theirs, setTheirs] = useState(false);
  const [busy, setBusy] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [brought, setBrought] = useState<Brought | null>(null);
  const open = async ([file]: File[]) => {
    if (!file) return;
    setCopy(null);
    setBrought(null);
    setTrouble(null);
    setTheirs(false);
    setBusy('Looking through it …');
    try {
      setCopy(await openCopy(file));
    } catch (error) {
      setTrouble(error instanceof CopyTrouble ? error.message : 'It could not be read. Nothing was changed.');
    }
    setBusy(null);
  };
  const bring = async (from: OpenedCopy) => {
    setBusy('Bringing back …');
    try {
      setBrought(
        await bringBack(from, theirs, (done, of) =>
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
  return (
    <Card label="Read a copy">
      <Text variant="heading">Read one</Text>
      <Text tone="soft">
        Brings back what is missing here. Nothing that is here goes away, and you see what it would do first.
      </Text>
      {busy ? (
        <Text figures role="status">
          {busy}
        </Text>
      ) : (
        <FileButton accept=".zip,application/zip" onFiles={(files) => void open(files)}>
          Choose a copy
        </FileButton>
      )}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      {copy && !busy ? (
        <Found copy={copy} theirs={theirs} onTheirs={setTheirs} onBring={() => void bring(copy)} />
      ) : null}
      {brought ? <Notice tone="good">{broughtWords(brought)}</Notice> : null}
    </Card>
  );
}

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
