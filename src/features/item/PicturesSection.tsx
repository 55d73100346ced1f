import { useRouter } from 'expo-router';
import { memo, useEffect, useState } from 'react';
import { View } from 'react-native';

import type { Picture, Thing } from '@/contract/records';
import { FilePress } from '@/parts/FilePress';
import { FilesNotTaken } from '@/parts/FilesNotTaken';
import { Notice } from '@/parts/Notice';
import { PictureView } from '@/parts/PictureView';
import { Press, SignPress } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { wordsFor } from '@/store/faults';
import { useAttic } from '@/store/attic';
import {
  addPictures,
  examineMissing,
  removePicture,
  usePictureAddress,
  type NotTaken,
} from '@/store/pictures';
import { readPicture } from '@/store/reading';
import type { Examined } from '@/core/listing/examine';

import { AboutPicture } from '../pictures/AboutPicture';
import { FindingLine } from '../pictures/FindingLine';
import { PictureStrip } from '../pictures/PictureStrip';
import { useDo } from '../shell/useDo';
import { FieldFindings, Section } from './Section';

/** The pictures in the buyers' order; the first is the cover. Drag to reorder. */
export const PicturesSection = memo(function PicturesSection({
  thing,
  findings,
}: {
  thing: Thing;
  findings: readonly Examined[];
}) {
  const [notTaken, setNotTaken] = useState<NotTaken[]>([]);
  const [kept, setKept] = useState(0);
  const [reading, setReading] = useState(0);
  const [shown, setShown] = useState<string | null>(null);
  const pictures = useAttic((s) => s.pictures);
  const large = thing.pictureIds.find((id) => id === shown) ?? thing.pictureIds[0];
  const picture = large ? pictures[large] : undefined;
  const ids = thing.pictureIds.join();
  useEffect(() => {
    void examineMissing(ids === '' ? [] : ids.split(','));
  }, [ids]);
  const take = (files: File[]) => {
    setReading(files.length);
    void addPictures(thing.id, files, {
      origin: 'file',
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
  const position = large ? thing.pictureIds.indexOf(large) + 1 : 0;
  return (
    <Section name="pictures" title="Pictures" summary={`${thing.pictureIds.length} · first is the cover`}>
      {large ? (
        <View>
          {picture?.clip ? (
            <Clip id={large} alt={`Clip, picture ${position} of ${thing.pictureIds.length}`} />
          ) : (
            <PictureView
              id={large}
              alt={`Picture ${position} of ${thing.pictureIds.length}, large`}
              size="full"
              whole
              style={{ width: '100%', aspectRatio: 1 }}
            />
          )}
          <View
            style={{ position: 'absolute', right: 6, top: 6, backgroundColor: '#FFFCF5', borderRadius: 22 }}
          >
            <SignPress
              icon="remove"
              label={`Remove picture ${position}`}
              colour="#2B2721"
              onPress={() => removePicture(thing, large)}
            />
          </View>
        </View>
      ) : null}
      {picture ? <FindingLine key={picture.id} thing={thing} picture={picture} /> : null}
      <PictureStrip thing={thing} shown={large} onShow={setShown} />
      {picture ? (
        <Doings key={`do-${picture.id}`} thing={thing} picture={picture} position={position} />
      ) : null}
      {reading > 0 ? (
        <Words
          tone="soft"
          role="status"
        >{`Reading ${reading === 1 ? 'a picture' : `${reading} pictures`}…`}</Words>
      ) : null}
      <FilesNotTaken files={notTaken} kept={kept} />
      <FilePress icon="add" accept="image/*,video/*" onFiles={take}>
        Add pictures
      </FilePress>
      <FieldFindings examined={findings} field="pictures" />
    </Section>
  );
});

/** What can be done with the picture that is shown large. */
function Doings({ thing, picture, position }: { thing: Thing; picture: Picture; position: number }) {
  const router = useRouter();
  const { busy, trouble, run } = useDo();
  const [found, setFound] = useState<number | null>(null);
  const grow = { flexGrow: 1, paddingHorizontal: 10 } as const;
  const from = picture.made?.from;
  return (
    <View style={{ gap: 8 }}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {picture.made || picture.clip ? null : (
          <Press
            icon="write"
            label={`Clean up picture ${position}`}
            onPress={() => router.navigate(`/thing/${thing.id}/clean/${picture.id}`)}
            style={grow}
          >
            Clean up
          </Press>
        )}
        {picture.clip ? null : (
          <Press
            icon="ruler"
            label={`Measure in picture ${position}`}
            onPress={() => router.navigate(`/thing/${thing.id}/measure/${from ?? picture.id}`)}
            style={grow}
          >
            Measure
          </Press>
        )}
        {picture.made || picture.clip ? null : (
          <Press
            icon="readText"
            label={`Read words in picture ${position}`}
            disabled={busy}
            onPress={() => run(async () => setFound(await readPicture(thing.id, picture.id)))}
            style={grow}
          >
            {busy ? 'Reading…' : 'Read'}
          </Press>
        )}
      </View>
      {found !== null ? (
        <Words tone="soft" role="status">
          {found === 0
            ? 'Nothing new was made out.'
            : `${found === 1 ? 'One reading waits' : `${found} readings wait`} under “What it is”.`}
        </Words>
      ) : null}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <AboutPicture thing={thing} picture={picture} />
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
