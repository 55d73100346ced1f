import { useRouter } from 'expo-router';
import { useRef, useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';

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
import { newId, useAttic } from '@/store/attic';
import { useKinds } from '@/store/kinds';
import { storeDrafts, useDraft } from '@/store/drafts';
import { useIncoming } from '@/store/incoming';
import { keepPictures, takeKept, type NotTaken } from '@/store/pictures';
import { addBarcode, READ_BY_ITSELF, readPicture } from '@/store/reading';
import { addThing } from '@/store/things';
import { unlessExpected, wordsFor } from '@/store/faults';

import { FindingLine } from '../pictures/FindingLine';
import { Readings } from '../pictures/Readings';
import { currentShot, ShotList } from '../pictures/ShotList';
import { HaulPicker } from './HaulPicker';
import { KindPicker } from '../item/KindPicker';
import { LookUpLine } from '../item/LookUpLine';
import { hasLiveCamera, LiveCamera } from './LiveCamera';

/** The thing that pictures go to. */
const ThingAtHand = z.string().max(60).nullable();

/** The list for a thing that does not exist yet. */
const NOTHING = Thing.parse({ id: 'new', code: 'new', author: '', createdAt: 0, updatedAt: 0 });

/** Pictures in, thing after thing, without leaving the camera. Everything is stored as it happens. */
export function Intake() {
  const router = useRouter();
  // Which thing it is outlives a reload; null: the next picture begins one.
  const [thingId, setThingId] = useDraft('intake', ThingAtHand, null);
  const [camera, setCamera] = useState(false);
  const [chosen, setChosen] = useState<string | null>(null);
  const [notTaken, setNotTaken] = useState<NotTaken[]>([]);
  const [kept, setKept] = useState(0);
  const [storing, setStoring] = useState(0);
  const [readNote, setReadNote] = useState<string | null>(null);
  const thing = useAttic((s) => (thingId ? s.things[thingId] : undefined));
  const pictures = useAttic((s) => s.pictures);
  const left = useIncoming((s) => s.waiting);
  // What is drawn already is not counted once more.
  const waiting = left.filter((w) => w.thingId === thingId && !pictures[w.id]).length;
  const busy = storing + waiting;
  // Drawn is not stored: a reload in between would have to begin again with the file that was chosen.
  const isSaved = useAttic((s) => s.savedAt !== null) && !left.some((w) => w.thingId === thingId);
  const hasTrouble = useAttic((s) => s.saveTrouble !== null);
  const drawn = thing?.pictureIds.length === 1 ? '1 picture' : `${thing?.pictureIds.length ?? 0} pictures`;
  const leftOver = useIncoming((s) => s.notTaken);
  // Pictures taken quickly go into the same thing, one after the other.
  const [inTurn] = useState(serialQueue);
  // The same at once, for pictures that come before the page is drawn again.
  const into = useRef(thingId);
  const atWork = useRef(0);
  const own = (thing?.pictureIds ?? []).flatMap((id) => pictures[id] ?? []);
  const shots = shotList(thing ?? NOTHING, own, useKinds());
  const current = currentShot(shots, chosen);
  const last = own.reduce<(typeof own)[number] | undefined>(
    (newest, p) => (!newest || p.addedAt >= newest.addedAt ? p : newest),
    undefined,
  );

  const take = (files: File[], origin: Origin, shows: string) => {
    // It was removed meanwhile: what comes now begins another.
    if (atWork.current === 0 && into.current && !useAttic.getState().things[into.current])
      into.current = null;
    const id = (into.current ??= newId());
    atWork.current += 1;
    setThingId(id);
    setStoring((n) => n + files.length);
    setNotTaken([]);
    useIncoming.setState({ notTaken: [] });
    setKept(0);
    setChosen(null);
    // Kept at once, and first of all which thing it is, whatever is still being worked on; what follows takes its turn.
    const keeping = storeDrafts()
      .then(() => keepPictures(id, files, { origin, shows }))
      .finally(() => setStoring((n) => n - files.length));
    void inTurn(async () => {
      const taken = await takeKept(await keeping);
      setNotTaken((list) => [...list, ...taken.notTaken]);
      setKept((n) => n + files.length - taken.notTaken.length);
      if (taken.thingId && READ_BY_ITSELF.has(shows)) void read(taken.thingId, shows);
    })
      .catch((error: unknown) => {
        const why = wordsFor(error, 'taking a picture');
        setNotTaken((list) => [...list, ...files.map(({ name }) => ({ name, why }))]);
      })
      .finally(() => (atWork.current -= 1));
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
    into.current = null;
    setThingId(null);
    setNotTaken([]);
    setChosen(null);
    setReadNote(null);
  };

  // Done with here: the next picture begins another thing.
  const toSheet = () => {
    if (thing) router.navigate(`/thing/${thing.id}`);
    next();
  };

  const barcode = (digits: string) => {
    void inTurn(() => {
      const id = (into.current ??= newId());
      if (!useAttic.getState().things[id]) addThing({ id });
      addBarcode(id, digits);
      setThingId(id);
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
          {storing > 0 ? (
            <Words tone="soft" role="status">
              {storing === 1 ? 'Storing a picture…' : `Storing ${storing} pictures…`}
            </Words>
          ) : waiting > 0 ? (
            <Words tone="soft" role="status">
              {waiting === 1 ? 'Stored; reading a picture…' : `Stored; reading ${waiting} pictures…`}
            </Words>
          ) : thing ? (
            <Words tone={isSaved ? 'good' : 'soft'} role="status">
              {isSaved ? `Saved, ${drawn}` : hasTrouble ? `Not stored: ${drawn}` : `Saving ${drawn}…`}
            </Words>
          ) : null}
        </View>
        {camera ? (
          <LiveCamera
            onPicture={(file) => take([file], 'camera', current?.id ?? '')}
            onClip={(file) => take([file], 'camera', '')}
            onBarcode={barcode}
            onNext={thing && busy === 0 ? next : null}
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
        <FilesNotTaken files={[...leftOver, ...notTaken]} kept={kept} />
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
              <Press icon="forward" disabled={busy > 0} onPress={next} style={{ flexGrow: 1 }}>
                Next thing
              </Press>
            )}
            <Press onPress={toSheet} style={{ flexGrow: 1 }}>
              Fill in its sheet
            </Press>
          </View>
        ) : null}
      </Card>
    </Page>
  );
}
