import { useRouter } from 'expo-router';
import { useRef, useState } from 'react';
import { View } from 'react-native';

import { FilePress } from '@/parts/FilePress';
import { Notice } from '@/parts/Notice';
import { Card, Page } from '@/parts/Page';
import { PictureView } from '@/parts/PictureView';
import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { addPictures, type NotTaken } from '@/store/pictures';

import { hasLiveCamera, LiveCamera } from './LiveCamera';
import { HaulPicker } from './HaulPicker';

/** Pictures in, thing after thing, without leaving the camera. Everything is stored as it happens. */
export function Intake() {
  const router = useRouter();
  const [thingId, setThingId] = useState<string | null>(null);
  const [camera, setCamera] = useState(false);
  const [notTaken, setNotTaken] = useState<NotTaken[]>([]);
  const [waiting, setWaiting] = useState(0);
  const thing = useAttic((s) => (thingId ? s.things[thingId] : undefined));
  // Pictures taken quickly go into the same thing, one after the other.
  const turn = useRef<Promise<string | null>>(Promise.resolve(null));

  const take = (files: File[], origin: 'camera' | 'file') => {
    setWaiting((n) => n + files.length);
    setNotTaken([]);
    turn.current = turn.current.then(async (before) => {
      const taken = await addPictures(before, files, origin, (_, id) => {
        setWaiting((n) => n - 1);
        if (id) setThingId(id);
      });
      setNotTaken((list) => [...list, ...taken.notTaken]);
      return taken.thingId;
    });
  };

  const next = () => {
    turn.current = Promise.resolve(null);
    setThingId(null);
    setNotTaken([]);
  };

  return (
    <Page title="Intake">
      <HaulPicker />
      <Card label="This thing">
        <View style={{ flexDirection: 'row', alignItems: 'baseline', gap: 8 }}>
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
        {thing ? (
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            {thing.pictureIds.map((id, i) => (
              <PictureView key={id} id={id} alt={`Picture ${i + 1}`} style={{ width: 84, height: 84 }} />
            ))}
          </View>
        ) : (
          <Words tone="soft">
            Front first, with everything that is included; then back, label, every flaw. The thing is saved
            with its first picture.
          </Words>
        )}
        {notTaken.map((n, i) => (
          <Notice key={i} tone="trouble">{`${n.name}: ${n.why} The others were kept.`}</Notice>
        ))}
        {camera ? (
          <LiveCamera onPicture={(file) => take([file], 'camera')} onClose={() => setCamera(false)} />
        ) : (
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
                onFiles={(files) => take(files, 'camera')}
              >
                Take a picture
              </FilePress>
            )}
            <FilePress icon="pictures" accept="image/*" onFiles={(files) => take(files, 'file')}>
              Choose pictures
            </FilePress>
          </View>
        )}
        {thing ? (
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 10 }}>
            <Press icon="forward" disabled={waiting > 0} onPress={next} style={{ flexGrow: 1 }}>
              Next thing
            </Press>
            <Press onPress={() => router.navigate(`/thing/${thing.id}`)} style={{ flexGrow: 1 }}>
              Fill in its sheet
            </Press>
          </View>
        ) : null}
      </Card>
    </Page>
  );
}
