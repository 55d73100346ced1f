import { useRouter, type Href } from 'expo-router';
import { memo, useDeferredValue, useEffect, useState } from 'react';
import { View } from 'react-native';

import type { Origin } from '@/contract/picture';
import { Item } from '@/contract/records';
import { counted, plural } from '@/core/language/plural';
import { shotList } from '@/core/picture/shots';
import { hasLiveCamera } from '@/parts/trade/camera';
import { FilesNotTaken } from '@/parts/trade/FilesNotTaken';
import { KindPicker } from '@/parts/trade/KindPicker';
import { LookUpLine } from '@/parts/trade/LookUpLine';
import { Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { FileButton } from '@/parts/ui/FileButton';
import { LinkRow } from '@/parts/ui/LinkRow';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { unlessExpected } from '@/store/base/faults';
import { editItem } from '@/store/items/items';
import { useKinds } from '@/store/items/kinds';
import { fillInMany } from '@/store/items/many';
import { useIncoming } from '@/store/pictures/incoming';
import { lookForUnsorted, SEVERAL, sortPictures, useSorting } from '@/store/pictures/sorting';

import { HaulPicker } from './HaulPicker';
import { LiveCamera } from './LiveCamera';
import { SharedCard } from './SharedCard';
import { useIntake } from './useIntake';
import { ItsLike } from '../likeness/ItsLike';
import { FindingLine } from '../pictures/FindingLine';
import { FromAddress } from '../pictures/FromAddress';
import { LookingLine } from '../pictures/LookingLine';
import { Readings } from '../pictures/Readings';
import { currentShot, ShotList, type ShotListProps } from '../pictures/ShotList';
import { SmallPictures } from '../pictures/SmallPictures';

type Take = (files: File[], origin: Origin, shows: string, address?: string) => Promise<unknown>;

/** The list for an item that does not exist yet. */
const NOTHING = Item.parse({ id: 'new', code: 'new', author: '', createdAt: 0, updatedAt: 0 });

/** Pictures in, item after item, without leaving the camera. Everything is stored as it happens. */
export function Intake() {
  const [camera, setCamera] = useState(false);
  const [chosen, setChosen] = useState<string | null>(null);
  const intake = useIntake();
  const item = useAttic((s) => (intake.itemId ? s.items[intake.itemId] : undefined));
  // The picture is there at once; what is proposed of it follows bit by bit, keeping no tap waiting.
  const later = useDeferredValue(item);
  const pictures = useAttic((s) => s.pictures);
  const waiting = useWaiting(intake.itemId);
  const spotAsked = useAttic((s) => s.settings.spotAsked);
  const lacksSpot = spotAsked && item?.spot.trim() === '';
  const isBusy = intake.storing + waiting > 0;
  const leftOver = useIncoming((s) => s.notTaken);
  const own = (item?.pictureIds ?? []).flatMap((id) => pictures[id] ?? []);
  const shots = shotList(item ?? NOTHING, own, useKinds());
  const current = currentShot(shots, chosen);
  const last = own.reduce<(typeof own)[number] | undefined>(
    (newest, p) => (!newest || p.addedAt >= newest.addedAt ? p : newest),
    undefined,
  );
  const take: Take = (files, origin, shows, address) => {
    setChosen(null);
    return intake.take(files, { origin, shows, address, showsBy: chosen === null ? 'list' : 'person' });
  };
  const next = () => {
    setChosen(null);
    intake.next();
  };

  return (
    <Page title="Intake">
      {camera ? null : <SharedCard item={item} take={(files) => take(files, 'file', '')} />}
      {camera ? null : <Unsorted />}
      {camera ? null : <HaulPicker />}
      {camera ? null : <WithoutPictures />}
      <Card label="This item">
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <Text variant="heading" style={{ flex: 1 }}>
            {item ? item.code : 'A new item'}
          </Text>
          <HowFar item={item} storing={intake.storing} waiting={waiting} />
        </View>
        {camera ? (
          <LiveCamera
            onPicture={(file) => take([file], 'camera', current?.id ?? '')}
            onClip={(file) => take([file], 'camera', '')}
            onBarcode={intake.takeBarcode}
            onNext={item && !isBusy && !lacksSpot ? next : null}
            onClose={() => setCamera(false)}
          />
        ) : null}
        {last && item ? <FindingLine key={last.id} item={item} picture={last} /> : null}
        {item ? <SmallPictures item={item} size={camera ? 52 : 72} /> : null}
        <ShotList item={item} shots={shots} current={current} onChoose={setChosen} />
        {item ? <LookingLine item={item} /> : null}
        <Proposed item={later?.id === item?.id ? later : undefined} />
        <FilesNotTaken files={[...leftOver, ...intake.notTaken]} kept={intake.kept} />
        {camera ? null : <Sources current={current} take={take} onCamera={() => setCamera(true)} />}
        {item && spotAsked ? <ItsSpot item={item} /> : null}
        {item ? <Onward item={item} camera={camera} isBusy={isBusy || lacksSpot} onNext={next} /> : null}
      </Card>
    </Page>
  );
}

/** Where the person wants no item to be left without its spot. */
function ItsSpot({ item }: { item: Item }) {
  return (
    <Field
      label="Its spot"
      value={item.spot}
      maxLength={60}
      hint={item.spot.trim() === '' ? 'You set it up so that it comes before the next item.' : undefined}
      onChange={(spot) => editItem(item.id, 'spot', { spot })}
    />
  );
}

/** To the next item, or on with this one. */
function Onward(props: { item: Item; camera: boolean; isBusy: boolean; onNext: () => void }) {
  const { item, camera, isBusy, onNext } = props;
  const router = useRouter();
  const leaveFor = (page: Href) => {
    router.navigate(page);
    // Done with here: the next picture begins another item.
    onNext();
  };
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 10 }}>
      {camera ? null : (
        <Button icon="forward" disabled={isBusy} onPress={onNext} style={{ flexGrow: 1 }}>
          Next item
        </Button>
      )}
      <Button
        variant="main"
        icon="readText"
        onPress={() => leaveFor(`/item/${item.id}/says`)}
        style={{ flexGrow: 1 }}
      >
        What the pictures say
      </Button>
      <Button onPress={() => leaveFor(`/item/${item.id}`)} style={{ flexGrow: 1 }}>
        Fill in its sheet
      </Button>
    </View>
  );
}

/** To entering without a picture: by codes, with what was begun so, or several of a kind. */
function WithoutPictures() {
  const router = useRouter();
  const batch = useAttic((s) => s.batches[s.settings.batchId ?? '']);
  return (
    <Card label="Without pictures">
      <LinkRow
        words="Scan codes one after the other"
        more={batch ? `Batch ${batch.name} is at hand` : 'Each is looked up and in stock at once'}
        onPress={() => router.navigate('/scanning')}
      />
      <LinkRow
        words="From another’s listing"
        more="Found there by words or number"
        onPress={() => router.navigate('/starting-point')}
      />
      <LinkRow
        words="Begin several of one kind"
        more="What they share is said once, then each beside its picture"
        onPress={() => {
          fillInMany([]);
          router.navigate('/many');
        }}
      />
    </Card>
  );
}

/** Pictures of several items that wait to be told apart. */
function Unsorted() {
  const router = useRouter();
  const waiting = useSorting((s) => s.sorted.length + s.left + s.kept);
  useEffect(() => {
    void lookForUnsorted().catch(unlessExpected('looking for pictures to be sorted'));
  }, []);
  return waiting === 0 ? null : (
    <Card label="Pictures of several items">
      <LinkRow
        words={plural(
          waiting,
          'A picture waits to be told apart',
          `${waiting} pictures wait to be told apart`,
        )}
        more="Nothing is made of them before you say which belong together"
        onPress={() => router.navigate('/sort')}
      />
    </Card>
  );
}

/** What it may be, and what was read of it. */
const Proposed = memo(function Proposed({ item }: { item: Item | undefined }) {
  return (
    <>
      {item ? <KindPicker item={item} /> : null}
      {item ? <Readings itemId={item.id} /> : null}
      {item ? <LookUpLine item={item} /> : null}
      {item ? <ItsLike item={item} /> : null}
    </>
  );
});

/** How many pictures of an item are stored and still to be read; what is drawn already is not counted. */
function useWaiting(itemId: string | null): number {
  const pictures = useAttic((s) => s.pictures);
  return useIncoming((s) => s.waiting).filter((w) => w.itemId === itemId && !pictures[w.id]).length;
}

/** What is stored of the item, and what not yet. */
function HowFar(props: { item: Item | undefined; storing: number; waiting: number }) {
  const { item, storing, waiting } = props;
  // Drawn is not stored: a reload in between would have to begin again with the file that was chosen.
  const left = useIncoming((s) => s.waiting).some((w) => w.itemId === (item?.id ?? null));
  const isSaved = useAttic((s) => s.savedAt !== null) && !left;
  const hasTrouble = useAttic((s) => s.saveTrouble !== null);
  const drawn = counted(item?.pictureIds.length ?? 0, 'picture');
  const words =
    storing > 0
      ? plural(storing, 'Storing a picture…', `Storing ${storing} pictures…`)
      : waiting > 0
        ? plural(waiting, 'Stored; reading a picture…', `Stored; reading ${waiting} pictures…`)
        : !item
          ? null
          : isSaved
            ? `Saved, ${drawn}`
            : hasTrouble
              ? `Not stored: ${drawn}`
              : `Saving ${drawn}…`;
  if (words === null) return null;
  return (
    <Text tone={storing + waiting === 0 && isSaved ? 'good' : 'soft'} role="status">
      {words}
    </Text>
  );
}

/** Where pictures come from: the live camera, the device's own, or files. */
function Sources(props: { current: ShotListProps['current']; take: Take; onCamera: () => void }) {
  const { current, take, onCamera } = props;
  const router = useRouter();
  const onSeveral = (files: File[]) => {
    void sortPictures(files, 'file').catch(unlessExpected('looking at pictures to be sorted'));
    router.navigate('/sort');
  };
  const shows = current?.id ?? '';
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 10 }}>
      {hasLiveCamera() ? (
        <Button variant="main" icon="camera" onPress={onCamera} style={{ flexGrow: 1 }}>
          Open the camera
        </Button>
      ) : (
        <FileButton
          variant="main"
          icon="camera"
          camera
          accept="image/*"
          onFiles={(files) => take(files, 'camera', shows)}
        >
          Take a picture
        </FileButton>
      )}
      <FileButton
        icon="pictures"
        accept="image/*,video/*"
        onFiles={(files) =>
          files.length >= SEVERAL
            ? onSeveral(files)
            : // Of several files chosen at once only the first can be what the list asks for next.
              take(files, 'file', files.length === 1 || shows === 'front' ? shows : '')
        }
      >
        Choose pictures
      </FileButton>
      <FileButton variant="quiet" icon="pictures" accept="image/*" onFiles={onSeveral}>
        Pictures of several items
      </FileButton>
      <FromAddress onFetched={(file, from) => take([file], from.origin, shows, from.address)} />
    </View>
  );
}
