import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { Image, View } from 'react-native';

import type { Item } from '@/contract/records';
import { counted } from '@/core/language/plural';
import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useObjectUrl } from '@/parts/ui/useObjectUrl';
import { unlessExpected } from '@/store/base/faults';
import { dropShared, useShared, type SharedFile } from '@/store/pictures/shared';

/** How many of them are shown. */
const SHOWN = 6;

/**
 * Pictures that another app handed over. They come in when the person says so: any page could have handed
 * them over.
 */
export function SharedCard(props: {
  item: Item | undefined;
  /** Resolves once they are stored. */
  take: (files: File[]) => Promise<unknown>;
}) {
  const { item, take } = props;
  const files = useShared((s) => s.files);
  const [busy, setBusy] = useState(false);
  const { shared } = useLocalSearchParams<{ shared?: string }>();
  if (files.length === 0)
    return shared === '0' ? (
      <Notice tone="caution">
        The shared pictures did not arrive. Have the attic open once, then share them again; nothing was lost
        where they came from.
      </Notice>
    ) : null;
  const drop = () => void dropShared(files).catch(unlessExpected('leaving shared pictures'));
  const into = () => {
    setBusy(true);
    void take(files.map((f) => f.file))
      .then(() => dropShared(files))
      .catch(unlessExpected('taking shared pictures'))
      .finally(() => setBusy(false));
  };
  return (
    <Card label="Shared with the attic">
      <Text variant="heading">{`${counted(files.length, 'picture')} shared with the attic`}</Text>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6, alignItems: 'center' }}>
        {files.slice(0, SHOWN).map((one) => (
          <Small key={one.key} shared={one} />
        ))}
        {files.length > SHOWN ? <Text tone="soft" figures>{`and ${files.length - SHOWN} more`}</Text> : null}
      </View>
      <Button variant="main" icon="pictures" disabled={busy} onPress={into}>
        {item ? `Take into ${item.code}` : 'Take as a new item'}
      </Button>
      <Button variant="quiet" disabled={busy} onPress={drop}>
        Leave them out
      </Button>
    </Card>
  );
}

function Small({ shared }: { shared: SharedFile }) {
  const address = useObjectUrl(shared.file);
  return (
    <Image
      source={address ? { uri: address } : undefined}
      alt=""
      style={{ width: 64, height: 64, borderRadius: 8 }}
    />
  );
}
