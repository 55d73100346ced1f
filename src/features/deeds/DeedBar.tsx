import { useRouter } from 'expo-router';
import { useMemo, useState, type ReactNode } from 'react';
import { ScrollView, View } from 'react-native';

import { plural } from '@/core/language/plural';
import { BottomBar } from '@/parts/ui/BottomBar';
import { Button } from '@/parts/ui/Button';
import { useShortcuts } from '@/parts/ui/shortcuts';
import { Text } from '@/parts/ui/Text';
import { fillInMany } from '@/store/items/many';
import { useWide } from '@/theme/theme';

import { Change } from './Change';
import { DEEDS, type Deed } from './deeds';
import { PutAway } from './PutAway';

/** Shown on a phone before "More". */
const FIRST = 1;

/**
 * What can be done with all that is chosen: the same list on a phone and at a desk, at the bottom, in
 * reach of a thumb; at a desk by keys, too.
 */
export function DeedBar(props: {
  chosen: ReadonlySet<string>;
  /** How many could be chosen. */
  of: number;
  onAll: () => void;
  onNone: () => void;
  /** Choosing is over. */
  onDone: () => void;
  children?: ReactNode;
}) {
  const { chosen, of, onAll, onNone, onDone } = props;
  const wide = useWide();
  const { doIt, changing, setChanging, more, setMore } = useDeeds(chosen);
  const none = chosen.size === 0;
  const shown = wide || more ? DEEDS : DEEDS.slice(0, FIRST);
  return (
    <BottomBar label="What to do with those chosen">
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 4 }}>
        <Text variant="strong" figures style={{ flex: 1 }} role="status">
          {plural(chosen.size, '1 chosen', `${chosen.size} chosen`)}
        </Text>
        <Button variant="quiet" onPress={onAll}>{`All ${of}`}</Button>
        <Button variant="quiet" disabled={none} onPress={onNone}>
          None
        </Button>
        <Button variant="quiet" onPress={onDone}>
          Done selecting
        </Button>
      </View>
      {props.children}
      {none ? (
        <Text tone="soft">Tap items in the list, then say here what is done with them.</Text>
      ) : changing ? (
        <ScrollView
          // Else the first tap after typing would only leave the field.
          keyboardShouldPersistTaps="handled"
          style={{ maxHeight: 420 }}
          contentContainerStyle={{ gap: 8 }}
        >
          {changing.does.type === 'putAway' ? (
            <PutAway chosen={chosen} onBack={() => setChanging(null)} />
          ) : (
            <Change
              key={changing.id}
              chosen={chosen}
              begin={changing.does.type === 'change' ? changing.does : undefined}
              onBack={() => setChanging(null)}
            />
          )}
        </ScrollView>
      ) : (
        <ScrollView keyboardShouldPersistTaps="handled" style={{ maxHeight: wide ? undefined : 380 }}>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            {shown.map((deed) => (
              <DeedButton key={deed.id} deed={deed} wide={wide} onPress={() => doIt(deed)} />
            ))}
            {wide ? null : (
              <Button onPress={() => setMore(!more)} style={{ flexGrow: 1 }}>
                {more ? 'Fewer' : 'More…'}
              </Button>
            )}
          </View>
        </ScrollView>
      )}
    </BottomBar>
  );
}

function useDeeds(chosen: ReadonlySet<string>) {
  const router = useRouter();
  const wide = useWide();
  const [changing, setChanging] = useState<Deed | null>(null);
  const [more, setMore] = useState(false);
  const doIt = (deed: Deed) => {
    if (chosen.size === 0) return;
    if (deed.does.type !== 'page') return setChanging(deed);
    fillInMany([...chosen]);
    router.navigate(deed.does.to);
  };
  const keys = useMemo(() => (wide && chosen.size > 0 ? DEEDS : []), [wide, chosen.size]);
  useShortcuts(keys.map((deed) => ({ key: deed.key, words: deed.words, act: () => doIt(deed) })));
  return { doIt, changing, setChanging, more, setMore };
}

function DeedButton({ deed, wide, onPress }: { deed: Deed; wide: boolean; onPress: () => void }) {
  const isFirst = deed.id === 'list';
  return (
    <Button
      variant={isFirst ? 'main' : 'plain'}
      icon={deed.icon}
      label={deed.words}
      onPress={onPress}
      style={
        wide
          ? { minHeight: 44, paddingVertical: 4, paddingHorizontal: 12 }
          : { flexGrow: 1, flexBasis: '44%', paddingHorizontal: 8 }
      }
    >
      {wide ? `${deed.words}  ${deed.key.toUpperCase()}` : deed.words}
    </Button>
  );
}
