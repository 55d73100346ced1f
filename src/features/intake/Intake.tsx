import { useRouter } from 'expo-router';
import { useRef, useState } from 'react';
import { View } from 'react-native';

import type { Origin } from '@/contract/picture';
import { Thing } from '@/contract/records';
import { serialQueue } from '@/core/serialQueue';
import { shotList } from '@/core/picture/shots';
import { FilePress } from '@/parts/FilePress';
import { FilesNotTaken } from '@/parts/FilesNotTaken';
import { Card, Page } from '@/parts/Page';
import { PictureView } from '@/parts/PictureView';
import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { useKinds } from '@/store/kinds';
import { addPictures, type NotTaken } from '@/store/pictures';
import { addBarcode, readPicture } from '@/store/reading';
import { addThing } from '@/store/things';
import { unlessExpected, wordsFor } from '@/store/faults';

import { FindingLine } from '../pictures/FindingLine';
import { Readings } from '../pictures/Readings';
import { currentShot, ShotList } from '../pictures/ShotList';
import { HaulPicker } from './HaulPicker';
import { KindPicker } from '../item/KindPicker';
import { LookUpLine } from '../item/LookUpLine';
import { hasLiveCamera, LiveCamera } from './LiveCamera';

/** The list for a thing that does not exist yet. */
const NOTHING = Thing.parse({ id: 'new', code: 'new', author: '', createdAt: 0, updatedAt: 0 });
/** Shots whose words are read by themselves. */
const READ = new Set(['label', 'mark']);

/** Pictures in, thing after thing, without leaving the camera. Everything is stored as it happens. */
export function Intake() {
  const router = useRouter();
  const [thingId, setThingId] = useState<string | null>(null);
  const [camera, setCamera] = useState(false);
  const [chosen, setChosen] = useState<string | null>(null);
  const [notTaken, setNotTaken] = useState<NotTaken[]>([]);
  const [kept, setKept] = useState(0);
  const [waiting, setWaiting] = useState(0);
  const [readNote, setReadNote] = useState<string | null>(null);
  const thing = useAttic((s) => (thingId ? s.things[thingId] : undefined));
  const pictures = useAttic((s) => s.pictures);
  // Pictures taken quickly go into the same thing, one after the other.
  const [inTurn] = useState(serialQueue);
  // Which thing that is; null: the next picture begins one.
  const into = useRef<string | null>(null);
  const own = (thing?.pictureIds ?? []).flatMap((id) => pictures[id] ?? []);
  const shots = shotList(thing ?? NOTHING, own, useKinds());
  const current = currentShot(shots, chosen);
  const last = own.reduce<(typeof own)[number] | undefined>(
    (newest, p) => (!newest || p.addedAt >= newest.addedAt ? p : newest),
    undefined,
  );

  const take = (files: File[], origin: Origin, shows: string) => {
    setWaiting((n) => n + files.length);
    setNotTaken([]);
    setKept(0);
    setChosen(null);
    let left = files.length;
    void inTurn(async () => {
      const taken = await addPictures(into.current, files, {
        origin,
        shows,
        onEach: (_, id) => {
          left -= 1;
          setWaiting((n) => n - 1);
          if (id) setThingId((into.current = id));
        },
      });
      setNotTaken((list) => [...list, ...taken.notTaken]);
      setKept((n) => n + files.length - taken.notTaken.length);
      if (taken.thingId && READ.has(shows)) void read(taken.thingId, shows);
    }).catch((error: unknown) => {
      // What came before is stored, and the next ones are taken.
      setWaiting((n) => n - left);
      const why = wordsFor(error, 'taking a picture');
      setKept((n) => n + files.length - left);
      setNotTaken((list) => [...list, ...files.slice(-left).map(({ name }) => ({ name, why }))]);
    });
  };

  const read = async (id: string, shows: string) => {
    const { things, pictures: all } = useAttic.getState();
    const picture = [...(things[id]?.pictureIds ?? [])].reverse().find((p) => all[p]?.shows === shows);
    if (!picture) return;
    setReadNote('Reading the words…');
    const found = await readPicture(id, picture).catch((error: unknown) => {
      unlessExpected('reading words')(error);
      return null;
    });
    setReadNote(
      found === null ? 'The words could not be read just now.' : found === 0 ? 'No words made out.' : null,
    );
  };

  // Of several files chosen at once only the first can be what the list asks for next.
  const chosenFiles = (files: File[]) =>
    take(files, 'file', files.length === 1 || current?.id === 'front' ? (current?.id ?? '') : '');

  const next = () => {
    void inTurn(() => (into.current = null));
    setThingId(null);
    setNotTaken([]);
    setChosen(null);
    setReadNote(null);
  };

  const barcode = (digits: string) => {
    void inTurn(() => {
      into.current ??= addThing();
      addBarcode(into.current, digits);
      setThingId(into.current);
    });
  };

  return (
    <Page title="Intake">
      {camera ? null : <HaulPicker />}
      <Card label="This thing">
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <Words kind="heading" style={{ flex: 1 }}>
            {thing ? thing.code : 'A new thing'}
          </Words>
          {waiting > 0 ? (
            <Words tone="soft" role="status">
              {waiting === 1 ? 'Reading a picture…' : `Reading ${waiting} pictures…`}
            </Words>
          ) : thing ? (
            <Words tone="good" role="status">
              {`Saved, ${thing.pictureIds.length === 1 ? '1 picture' : `${thing.pictureIds.length} pictures`}`}
            </Words>
          ) : null}
        </View>
        {camera ? (
          <LiveCamera
            onPicture={(file) => take([file], 'camera', current?.id ?? '')}
            onClip={(file) => take([file], 'camera', '')}
            onBarcode={barcode}
            onNext={thing && waiting === 0 ? next : null}
            onClose={() => setCamera(false)}
          />
        ) : null}
        {last && thing ? <FindingLine key={last.id} thing={thing} picture={last} /> : null}
        {thing ? (
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}>
            {thing.pictureIds.map((id, i) => (
              <PictureView
                key={id}
                id={id}
                alt={`Picture ${i + 1}`}
                style={{ width: camera ? 52 : 72, height: camera ? 52 : 72 }}
              />
            ))}
          </View>
        ) : null}
        <ShotList thing={thing} shots={shots} current={current} onChoose={setChosen} />
        {thing ? <KindPicker thing={thing} /> : null}
        {readNote ? (
          <Words tone="soft" role="status">
            {readNote}
          </Words>
        ) : null}
        {thing ? <Readings thingId={thing.id} /> : null}
        {thing ? <LookUpLine thing={thing} /> : null}
        <FilesNotTaken files={notTaken} kept={kept} />
        {camera ? null : (
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 10 }}>
            {hasLiveCamera() ? (
              <Press kind="main" icon="camera" onPress={() => setCamera(true)} style={{ flexGrow: 1 }}>
                Open the camera
              </Press>
            ) : (
              <FilePress
                kind="main"
                icon="camera"
                camera
                accept="image/*"
                onFiles={(files) => take(files, 'camera', current?.id ?? '')}
              >
                Take a picture
              </FilePress>
            )}
            <FilePress icon="pictures" accept="image/*,video/*" onFiles={chosenFiles}>
              Choose pictures
            </FilePress>
          </View>
        )}
        {thing ? (
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 10 }}>
            {camera ? null : (
              <Press icon="forward" disabled={waiting > 0} onPress={next} style={{ flexGrow: 1 }}>
                Next thing
              </Press>
            )}
            <Press onPress={() => router.navigate(`/thing/${thing.id}`)} style={{ flexGrow: 1 }}>
              Fill in its sheet
            </Press>
          </View>
        ) : null}
      </Card>
    </Page>
  );
}
