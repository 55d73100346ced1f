import type { Item } from '@/contract/records';
import { answersOf, toggled } from '@/core/kinds/values';
import { SIZE_SYSTEMS, sizesElsewhere, type SizeSystem, type Wearer } from '@/core/measure/sizes';
import { Chip, ChipRow } from '@/parts/ui/Button';
import { Text } from '@/parts/ui/Text';
import { setFact } from '@/store/items/items';
import { useKinds } from '@/store/items/kinds';

/** What the label's size is about elsewhere: suggestions with their source, taken over by a tap. */
export function SizeElsewhere({ item }: { item: Item }) {
  const kinds = useKinds();
  const { size, sizeSystem, department } = item.facts;
  const root = kinds.get(item.kind)?.path[0];
  const system = SIZE_SYSTEMS.find((s) => s === sizeSystem);
  const spec = kinds.fact(item.kind, 'sizeElsewhere');
  if (!spec || !size || !system || (root !== 'clothes' && root !== 'footwear')) return null;
  const wearer: Wearer | null = department === 'Women' || department === 'Men' ? department : null;
  const found = wearer ? sizesElsewhere({ worn: root, wearer, system, size }) : [];
  if (found.length === 0)
    return (
      <Text variant="small" tone="soft">
        {whyNot(system, wearer)}
      </Text>
    );
  const taken = item.facts.sizeElsewhere ?? '';
  return (
    <>
      <ChipRow label="Same size elsewhere" radio={false}>
        {found.map(({ words }) => (
          <Chip
            key={words}
            role="button"
            on={answersOf(taken).includes(words)}
            label={`Elsewhere about: ${words}`}
            onPress={() => setFact(item.id, spec, toggled(taken, words))}
          >
            {`≈ ${words}`}
          </Chip>
        ))}
      </ChipRow>
      <Text variant="small" tone="soft">
        {`Only a suggestion, ${[...new Set(found.map((f) => f.source))].join('; ')}. Makers differ: ` +
          'the tape decides.'}
      </Text>
    </>
  );
}

function whyNot(system: SizeSystem, wearer: Wearer | null): string {
  if (!wearer) return 'Sizes elsewhere are suggested once it is said whether it is for women or men.';
  return system === 'EU' && wearer === 'Women'
    ? 'EU alone says too little for women’s clothes: German, French and Italian sizes differ.'
    : 'Nothing is suggested for this size elsewhere.';
}
