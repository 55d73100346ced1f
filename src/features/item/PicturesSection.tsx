import { useRouter } from 'expo-router';
import { memo, useEffect, useState } from 'react';
import { View } from 'react-native';

import type { Picture, Item } from '@/contract/records';
import { plural } from '@/core/language/plural';
import type { Examined } from '@/core/listing/examine';
import { FilesNotTaken } from '@/parts/trade/FilesNotTaken';
import { PictureView } from '@/parts/trade/PictureView';
import { FieldFindings, Section } from '@/parts/trade/Section';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Button, SignButton } from '@/parts/ui/Button';
import { FileButton } from '@/parts/ui/FileButton';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { wordsFor } from '@/store/base/faults';
import { lookAt } from '@/store/pictures/looking';
import { addPictures, examineMissing, removePicture, type NotTaken } from '@/store/pictures/pictures';
import { usePictureAddress } from '@/store/pictures/usePictureAddress';

import { ItsLike } from '../likeness/ItsLike';
import { AboutPicture } from '../pictures/AboutPicture';
import { FindingLine } from '../pictures/FindingLine';
import { FromAddress, type FetchedFrom } from '../pictures/FromAddress';
import { LookingLine } from '../pictures/LookingLine';
import { PictureStrip } from '../pictures/PictureStrip';

/** The pictures in the buyers' order; the first is the cover. Drag to reorder. */
export const PicturesSection = memo(function PicturesSection({
  item,
  findings,
}: {
  item: Item;
  findings: readonly Examined[];
}) {
  const [notTaken, setNotTaken] = useState<NotTaken[]>([]);
  const [kept, setKept] = useState(0);
  const [reading, setReading] = useState(0);
  const [shown, setShown] = useState<string | null>(null);
  const large = item.pictureIds.find((id) => id === shown) ?? item.pictureIds[0];
  const picture = useAttic((s) => (large ? s.pictures[large] : undefined));
  const ids = item.pictureIds.join();
  useEffect(() => {
    void examineMissing(ids === '' ? [] : ids.split(','));
  }, [ids]);
  const take = (files: File[], from: Partial<FetchedFrom> = {}) => {
    setReading(files.length);
    void addPictures(item.id, files, {
      origin: 'file',
      ...from,
      onEach: (done) => setReading(files.length - done),
    }).then(
      (t) => {
        setNotTaken(t.notTaken);
        setKept(files.length - t.notTaken.length);
      },
      (error: unknown) => {
        setReading(0);
        const why = wordsFor(error, 'taking a picture');
        setNotTaken(files.map(({ name }) => ({ name, why })));
        setKept(0);
      },
    );
  };
  const position = large ? item.pictureIds.indexOf(large) + 1 : 0;
  return (
    <Section
      name="pictures"
      title="Pictures"
      blank
      summary={`${item.pictureIds.length} · first is the cover`}
    >
      {large ? <Large item={item} id={large} /> : null}
      <PictureStrip item={item} shown={large} onShow={setShown} />
      {/* Found only after a while: under the small pictures, so that none moves away under the finger. */}
      {picture ? <FindingLine key={picture.id} item={item} picture={picture} /> : null}
      {picture ? <Doings key={`do-${picture.id}`} item={item} picture={picture} position={position} /> : null}
      {reading > 0 ? (
        <Text
          tone="soft"
          role="status"
        >{`Reading ${plural(reading, 'a picture', `${reading} pictures`)}…`}</Text>
      ) : null}
      <LookingLine item={item} />
      {picture && !picture.clip ? <ItsLike item={item} pictureId={picture.id} /> : null}
      <FilesNotTaken files={notTaken} kept={kept} />
      <FileButton icon="add" accept="image/*,video/*" onFiles={(files) => take(files)}>
        Add pictures
      </FileButton>
      <FromAddress onFetched={(file, from) => take([file], from)} />
      <FieldFindings examined={findings} field="pictures" />
    </Section>
  );
});

function Large({ item, id }: { item: Item; id: string }) {
  const isClip = useAttic((s) => s.pictures[id]?.clip);
  const position = item.pictureIds.indexOf(id) + 1;
  return (
    <View>
      {isClip ? (
        <Clip id={id} alt={`Clip, picture ${position} of ${item.pictureIds.length}`} />
      ) : (
        <PictureView
          id={id}
          alt={`Picture ${position} of ${item.pictureIds.length}, large`}
          size="full"
          whole
          style={{ width: '100%', aspectRatio: 1 }}
        />
      )}
      <View style={{ position: 'absolute', right: 6, top: 6, backgroundColor: '#FFFCF5', borderRadius: 22 }}>
        <SignButton
          icon="remove"
          label={`Remove picture ${position}`}
          colour="#2B2721"
          onPress={() => removePicture(item, id)}
        />
      </View>
    </View>
  );
}

/** What can be done with the picture that is shown large. */
function Doings({ item, picture, position }: { item: Item; picture: Picture; position: number }) {
  const router = useRouter();
  const { busy, trouble, run } = useAsyncAction();
  const [found, setFound] = useState<number | null>(null);
  const grow = { flexGrow: 1, paddingHorizontal: 10 } as const;
  const from = picture.made?.from;
  return (
    <View style={{ gap: 8 }}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {picture.made || picture.clip ? null : (
          <Button
            icon="write"
            label={`Clean up picture ${position}`}
            onPress={() => router.navigate(`/item/${item.id}/clean/${picture.id}`)}
            style={grow}
          >
            Clean up
          </Button>
        )}
        {picture.clip ? null : (
          <Button
            icon="ruler"
            label={`Measure in picture ${position}`}
            onPress={() => router.navigate(`/item/${item.id}/measure/${from ?? picture.id}`)}
            style={grow}
          >
            Measure
          </Button>
        )}
        {picture.made || picture.clip ? null : (
          <Button
            icon="readText"
            label={`Read words in picture ${position}`}
            disabled={busy}
            onPress={() => run(async () => setFound(await lookAt(picture.id)))}
            style={grow}
          >
            {busy ? 'Reading…' : 'Read'}
          </Button>
        )}
      </View>
      {found !== null ? (
        <Text tone="soft" role="status">
          {found === 0
            ? 'Nothing new was made out.'
            : `${plural(found, 'One reading waits', `${found} readings wait`)} under “Kind and specifics”.`}
        </Text>
      ) : null}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <AboutPicture item={item} picture={picture} />
    </View>
  );
}

function Clip({ id, alt }: { id: string; alt: string }) {
  const address = usePictureAddress(id, 'clip');
  return (
    <video
      src={address ?? undefined}
      aria-label={alt}
      controls
      muted
      playsInline
      style={{ width: '100%', aspectRatio: '1', background: '#000', borderRadius: 8 }}
    />
  );
}
