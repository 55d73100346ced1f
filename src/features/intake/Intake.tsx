import { useRouter } from 'expo-router';
import { useRef, useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';

import type { Origin } from '@/contract/picture';
import { Item } from '@/contract/records';
import { counted, plural } from '@/core/language/plural';
import { shotList } from '@/core/picture/shots';
import { serialQueue } from '@/core/serialQueue';
import { FilesNotTaken } from '@/parts/trade/FilesNotTaken';
import { KindPicker } from '@/parts/trade/KindPicker';
import { LookUpLine } from '@/parts/trade/LookUpLine';
import { PictureView } from '@/parts/trade/PictureView';
import { Button } from '@/parts/ui/Button';
import { FileButton } from '@/parts/ui/FileButton';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { newId, useAttic } from '@/store/attic/attic';
import { storeDrafts, useDraft } from '@/store/attic/drafts';
import { unlessExpected, wordsFor } from '@/store/base/faults';
import { addItem } from '@/store/items/items';
import { useKinds } from '@/store/items/kinds';
import { useIncoming } from '@/store/pictures/incoming';
import { keepPictures, takeKept, type NotTaken } from '@/store/pictures/pictures';
import { addBarcode, READ_BY_ITSELF, readPicture } from '@/store/pictures/reading';

import { HaulPicker } from './HaulPicker';
import { hasLiveCamera, LiveCamera } from './LiveCamera';
import { FindingLine } from '../pictures/FindingLine';
import { Readings } from '../pictures/Readings';
import { currentShot, ShotList } from '../pictures/ShotList';

/** The item that pictures go to. */
const ItemAtHand = z.string().max(60).nullable();

/** The list for an item that does not exist yet. */
const NOTHING = Item.parse({ id: 'new', code: 'new', author: '', createdAt: 0, updatedAt: 0 });

/** Pictures in, item after item, without leaving the camera. Everything is stored as it happens. */
export function Intake() {
  const router = useRouter();
  // Which item it is outlives a reload; null: the next picture begins one.
  const [itemId, setItemId] = useDraft('intake', ItemAtHand, null);
  const [camera, setCamera] = useState(false);
  const [chosen, setChosen] = useState<string | null>(null);
  const [notTaken, setNotTaken] = useState<NotTaken[]>([]);
  const [kept, setKept] = useState(0);
  const [storing, setStoring] = useState(0);
  const [readNote, setReadNote] = useState<string | null>(null);
  const item = useAttic((s) => (itemId ? s.items[itemId] : undefined));
  const pictures = useAttic((s) => s.pictures);
  const left = useIncoming((s) => s.waiting);
  // What is drawn already is not counted once more.
  const waiting = left.filter((w) => w.itemId === itemId && !pictures[w.id]).length;
  const busy = storing + waiting;
  // Drawn is not stored: a reload in between would have to begin again with the file that was chosen.
  const isSaved = useAttic((s) => s.savedAt !== null) && !left.some((w) => w.itemId === itemId);
  const hasTrouble = useAttic((s) => s.saveTrouble !== null);
  const drawn = counted(item?.pictureIds.length ?? 0, 'picture');
  const leftOver = useIncoming((s) => s.notTaken);
  // Pictures taken quickly go into the same item, one after the other.
  const [inTurn] = useState(serialQueue);
  // The same at once, for pictures that come before the page is drawn again.
  const into = useRef(itemId);
  const atWork = useRef(0);
  const own = (item?.pictureIds ?? []).flatMap((id) => pictures[id] ?? []);
  const shots = shotList(item ?? NOTHING, own, useKinds());
  const current = currentShot(shots, chosen);
  const last = own.reduce<(typeof own)[number] | undefined>(
    (newest, p) => (!newest || p.addedAt >= newest.addedAt ? p : newest),
    undefined,
  );

  const take = (files: File[], origin: Origin, shows: string) => {
    // It was removed meanwhile: what comes now begins another.
    if (atWork.current === 0 && into.current && !useAttic.getState().items[into.current]) into.current = null;
    const id = (into.current ??= newId());
    atWork.current += 1;
    setItemId(id);
    setStoring((n) => n + files.length);
    setNotTaken([]);
    useIncoming.setState({ notTaken: [] });
    setKept(0);
    setChosen(null);
    // Kept at once, and first of all which item it is, whatever is still being worked on; what follows takes
    // its turn.
    const keeping = storeDrafts()
      .then(() => keepPictures(id, files, { origin, shows }))
      .finally(() => setStoring((n) => n - files.length));
    void inTurn(async () => {
      const taken = await takeKept(await keeping);
      setNotTaken((list) => [...list, ...taken.notTaken]);
      setKept((n) => n + files.length - taken.notTaken.length);
      if (taken.itemId && READ_BY_ITSELF.has(shows)) void read(taken.itemId, shows);
    })
      .catch((error: unknown) => {
        const why = wordsFor(error, 'taking a picture');
        setNotTaken((list) => [...list, ...files.map(({ name }) => ({ name, why }))]);
      })
      .finally(() => (atWork.current -= 1));
  };

  const read = async (id: string, shows: string) => {
    const { items, pictures: all } = useAttic.getState();
    const picture = [...(items[id]?.pictureIds ?? [])].reverse().find((p) => all[p]?.shows === shows);
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
    setItemId(null);
    setNotTaken([]);
    setChosen(null);
    setReadNote(null);
  };

  // Done with here: the next picture begins another item.
  const toSheet = () => {
    if (item) router.navigate(`/item/${item.id}`);
    next();
  };

  const barcode = (digits: string) => {
    void inTurn(() => {
      const id = (into.current ??= newId());
      if (!useAttic.getState().items[id]) addItem({ id });
      addBarcode(id, digits);
      setItemId(id);
    });
  };

  return (
    <Page title="Intake">
      {camera ? null : <HaulPicker />}
      <Card label="This item">
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <Text variant="heading" style={{ flex: 1 }}>
            {item ? item.code : 'A new item'}
          </Text>
          {storing > 0 ? (
            <Text tone="soft" role="status">
              {plural(storing, 'Storing a picture…', `Storing ${storing} pictures…`)}
            </Text>
          ) : waiting > 0 ? (
            <Text tone="soft" role="status">
              {plural(waiting, 'Stored; reading a picture…', `Stored; reading ${waiting} pictures…`)}
            </Text>
          ) : item ? (
            <Text tone={isSaved ? 'good' : 'soft'} role="status">
              {isSaved ? `Saved, ${drawn}` : hasTrouble ? `Not stored: ${drawn}` : `Saving ${drawn}…`}
            </Text>
          ) : null}
        </View>
        {camera ? (
          <LiveCamera
            onPicture={(file) => take([file], 'camera', current?.id ?? '')}
            onClip={(file) => take([file], 'camera', '')}
            onBarcode={barcode}
            onNext={item && busy === 0 ? next : null}
            onClose={() => setCamera(false)}
          />
        ) : null}
        {last && item ? <FindingLine key={last.id} item={item} picture={last} /> : null}
        {item ? (
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}>
            {item.pictureIds.map((id, i) => (
              <PictureView
                key={id}
                id={id}
                alt={`Picture ${i + 1}`}
                style={{ width: camera ? 52 : 72, height: camera ? 52 : 72 }}
              />
            ))}
          </View>
        ) : null}
        <ShotList item={item} shots={shots} current={current} onChoose={setChosen} />
        {item ? <KindPicker item={item} /> : null}
        {readNote ? (
          <Text tone="soft" role="status">
            {readNote}
          </Text>
        ) : null}
        {item ? <Readings itemId={item.id} /> : null}
        {item ? <LookUpLine item={item} /> : null}
        <FilesNotTaken files={[...leftOver, ...notTaken]} kept={kept} />
        {camera ? null : (
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 10 }}>
            {hasLiveCamera() ? (
              <Button variant="main" icon="camera" onPress={() => setCamera(true)} style={{ flexGrow: 1 }}>
                Open the camera
              </Button>
            ) : (
              <FileButton
                variant="main"
                icon="camera"
                camera
                accept="image/*"
                onFiles={(files) => take(files, 'camera', current?.id ?? '')}
              >
                Take a picture
              </FileButton>
            )}
            <FileButton icon="pictures" accept="image/*,video/*" onFiles={chosenFiles}>
              Choose pictures
            </FileButton>
          </View>
        )}
        {item ? (
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 10 }}>
            {camera ? null : (
              <Button icon="forward" disabled={busy > 0} onPress={next} style={{ flexGrow: 1 }}>
                Next item
              </Button>
            )}
            <Button onPress={toSheet} style={{ flexGrow: 1 }}>
              Fill in its sheet
            </Button>
          </View>
        ) : null}
      </Card>
    </Page>
  );
}
