import { useDeferredValue, useMemo, useState } from 'react';
import { View } from 'react-native';

import type { Reading, Item } from '@/contract/records';
import type { Kind } from '@/core/kinds/spec';
import { findKinds, suggestKinds, type KindSuggestion, type KindWords } from '@/core/kinds/suggest';
import { readable } from '@/core/kinds/values';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { changeKind } from '@/store/items/items';
import { useKinds } from '@/store/items/kinds';
import { kindReason } from '@/wording/kinds';

const FEW = 4;
/** Offered while nothing is known and nothing was worked on yet. */
const USUAL = ['jumper', 'coat', 'trousers', 'shirt'];

/**
 * What kind of item it is, in a tap: what its words point to, then the kinds lately worked on; all others by
 * their name or through the tree.
 */
export function KindPicker({ item }: { item: Item }) {
  const [choosing, setChoosing] = useState(false);
  const kinds = useKinds();
  const kind = kinds.get(item.kind);
  const choose = (id: string) => {
    changeKind(item.id, id);
    setChoosing(false);
  };
  if (kind && !choosing)
    return (
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <Text variant="strong" style={{ flex: 1 }}>
          {kinds.pathWords(kind.id)}
        </Text>
        <Button variant="quiet" label={`Kind: ${kind.name}. Change`} onPress={() => setChoosing(true)}>
          Another kind
        </Button>
      </View>
    );
  return <KindChooser item={item} onChoose={choose} />;
}

/** Choosing a kind, for an item or for what is to become one. */
export function KindChooser({
  item,
  onChoose,
}: {
  item: Pick<Item, 'id' | 'kind' | 'title' | 'facts' | 'readings'>;
  onChoose: (id: string) => void;
}) {
  const kinds = useKinds();
  const [branch, setBranch] = useState<string | null>(null);
  const [browsing, setBrowsing] = useState(false);
  const [words, setWords] = useState('');
  const lately = useLately();
  const readings = useAttic((s) => s.items[item.id]?.readings) ?? item.readings;
  const pointed = usePointed(
    wordsOf(readings, 'productLookup'),
    item.title,
    `${readable(item.facts.model ?? '')} ${wordsOf(readings, 'picture')}`,
  );
  const known = (ids: readonly string[]) => ids.flatMap((id) => kinds.get(id) ?? []);
  const quick = known([...new Set([...pointed.map((s) => s.kind), ...lately, ...USUAL])]).slice(
    0,
    Math.max(FEW, pointed.length + 2),
  );
  const matching = findKinds(words, kinds);
  const chip = (k: Kind) => (
    <Chip key={k.id} on={k.id === item.kind} onPress={() => onChoose(k.id)}>
      {k.name}
    </Chip>
  );
  const reason = pointed[0];
  return (
    <View style={{ gap: 8 }}>
      {browsing ? (
        <Field label="Find a kind" value={words} maxLength={60} pause={0} onChange={setWords} />
      ) : null}
      {browsing && words.trim() !== '' ? (
        matching.length === 0 ? (
          <Text tone="soft">No kind is called that. Look through the tree, or add one of your own.</Text>
        ) : (
          <ChipRow label="Kinds found">{matching.map(chip)}</ChipRow>
        )
      ) : browsing ? (
        <Branch at={branch} onGo={setBranch} onChoose={onChoose} chosen={item.kind} />
      ) : (
        <>
          <ChipRow label="Kind of item">
            {quick.map(chip)}
            <Chip role="button" on={false} onPress={() => setBrowsing(true)}>
              Other kinds
            </Chip>
          </ChipRow>
          {reason ? (
            <Text
              variant="small"
              tone="soft"
            >{`${kinds.get(reason.kind)?.name}: ${kindReason(reason.because)}.`}</Text>
          ) : null}
        </>
      )}
    </View>
  );
}

/** Every kind's names are looked through: after what was pressed has been answered. */
function usePointed(record: string, title: string, label: string): KindSuggestion[] {
  const kinds = useKinds();
  const words = useMemo(() => ({ record, title, label }), [record, title, label]);
  const later = useDeferredValue<KindWords>(words, {});
  return useMemo(() => suggestKinds(later, kinds), [later, kinds]);
}

function wordsOf(readings: readonly Reading[], from: Reading['from']): string {
  return readings
    .filter((r) => r.from === from)
    .map((r) => r.words)
    .join(' ');
}

/** One level of the tree: a kind with others below it opens, or is chosen as it is. */
function Branch(props: {
  at: string | null;
  chosen: string;
  onGo: (id: string | null) => void;
  onChoose: (id: string) => void;
}) {
  const kinds = useKinds();
  const here = props.at === null ? undefined : kinds.get(props.at);
  const below = kinds.children(here?.id ?? null);
  return (
    <View style={{ gap: 8 }}>
      {here ? (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 8 }}>
          <Button variant="quiet" icon="back" label="Up one level" onPress={() => props.onGo(here.parent)}>
            {here.parent === null ? 'All kinds' : (kinds.get(here.parent)?.name ?? 'Up')}
          </Button>
          <Chip on={props.chosen === here.id} onPress={() => props.onChoose(here.id)}>
            {`${here.name}, no narrower`}
          </Chip>
        </View>
      ) : null}
      <ChipRow label={here ? `Kinds of ${here.name.toLocaleLowerCase('en')}` : 'All kinds'} radio={false}>
        {below.map((k) =>
          kinds.children(k.id).length > 0 ? (
            <Chip
              key={k.id}
              role="button"
              on={false}
              label={`${k.name}: open`}
              onPress={() => props.onGo(k.id)}
            >
              {`${k.name} ›`}
            </Chip>
          ) : (
            <Chip key={k.id} role="button" on={props.chosen === k.id} onPress={() => props.onChoose(k.id)}>
              {k.name}
            </Chip>
          ),
        )}
      </ChipRow>
    </View>
  );
}

function useLately(): string[] {
  const items = useAttic((s) => s.items);
  return useMemo(
    () =>
      [
        ...new Set(
          Object.values(items)
            .filter((t) => t.kind !== '')
            .sort((a, b) => b.updatedAt - a.updatedAt)
            .slice(0, 60)
            .map((t) => t.kind),
        ),
      ].slice(0, FEW),
    [items],
  );
}
