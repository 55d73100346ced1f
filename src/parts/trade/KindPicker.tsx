import { useDeferredValue, useMemo, useState } from 'react';
import { View } from 'react-native';

import type { Item, Reading } from '@/contract/records';
import { outlinesOf } from '@/core/kinds/outlines';
import { rankKinds, type KindEvidence, type RankedKind } from '@/core/kinds/rank';
import type { Kind } from '@/core/kinds/spec';
import { findKinds } from '@/core/kinds/suggest';
import { readable } from '@/core/kinds/values';
import { kindWords } from '@/core/reading/kindWords';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { changeKind } from '@/store/items/items';
import { useKinds } from '@/store/items/kinds';
import { usePicturesOf } from '@/store/pictures/usePicturesOf';
import { kindReason } from '@/wording/kinds';

const FEW = 4;
/** Offered while nothing is known and nothing was worked on yet. */
const USUAL = ['jumper', 'coat', 'trousers', 'shirt'];

/**
 * What kind of item it is, in a tap: the likeliest first, by its words, by what was read and by its outline,
 * then the kinds lately worked on; all others by their name or through the tree.
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
  const ranked = useRanked(item);
  const known = (ids: readonly string[]) => ids.flatMap((id) => kinds.get(id) ?? []);
  const quick = known([...new Set([...ranked.map((s) => s.kind), ...USUAL])]).slice(
    0,
    Math.max(FEW, ranked.length),
  );
  const matching = findKinds(words, kinds);
  const chip = (k: Kind) => (
    <Chip key={k.id} on={k.id === item.kind} onPress={() => onChoose(k.id)}>
      {k.name}
    </Chip>
  );
  const reason = ranked[0]?.because.code === 'lately' ? undefined : ranked[0];
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
            >{`${kinds.get(reason.kind)?.name}: ${kindReason(reason.because, kinds)}.`}</Text>
          ) : null}
        </>
      )}
    </View>
  );
}

/** So many are offered. */
const MOST = 6;

/** Every kind's names are looked through: after what was pressed has been answered. */
function useRanked(item: Pick<Item, 'id' | 'title' | 'facts' | 'readings'>): RankedKind[] {
  const kinds = useKinds();
  const now = useAttic((s) => s.items[item.id]);
  const readings = now?.readings ?? item.readings;
  const pictures = usePicturesOf(now ?? NO_PICTURES);
  const lately = useLately();
  const evidence = useMemo((): KindEvidence => {
    const front = pictures.find((p) => p.shows === 'front') ?? pictures.find((p) => p.shows === '');
    const brands = readings.flatMap((r) => (r.field === 'fact:brand' ? r.value : []));
    const makers = [...brands, item.facts.brand ?? '']
      .filter((name) => name !== '')
      .map((name) => name.toLocaleLowerCase('en'));
    const facts = Object.keys(item.facts).map((id) => `fact:${id}`);
    return {
      words: {
        record: wordsOf(readings, 'productLookup'),
        title: item.title,
        label: [readable(item.facts.model ?? ''), ...kindWords(pictures, makers)].join('. '),
      },
      fields: [...new Set([...readings.map((r) => r.field), ...facts])],
      outlines: front?.exam ? outlinesOf(front.exam, front) : [],
      lately,
    };
  }, [item.title, item.facts, readings, pictures, lately]);
  const later = useDeferredValue<KindEvidence>(evidence, NOTHING);
  return useMemo(() => rankKinds(later, kinds, MOST), [later, kinds]);
}

const NO_PICTURES: Pick<Item, 'pictureIds'> = { pictureIds: [] };
const NOTHING: KindEvidence = { words: {}, fields: [], outlines: [], lately: [] };
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
