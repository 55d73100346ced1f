import type { Thing } from '@/contract/records';
import { answersOf, toggled } from '@/core/kinds/values';
import { SIZE_SYSTEMS, sizesElsewhere, type SizeSystem, type Wearer } from '@/core/measure/sizes';
import { Chip, ChipRow } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useKinds } from '@/store/kinds';
import { setFact } from '@/store/things';

/** What the label's size is about elsewhere: suggestions with their source, taken over by a tap. */
export function SizeElsewhere({ thing }: { thing: Thing }) {
  const kinds = useKinds();
  const { size, sizeSystem, department } = thing.facts;
  const root = kinds.get(thing.kind)?.path[0];
  const system = SIZE_SYSTEMS.find((s) => s === sizeSystem);
  const spec = kinds.fact(thing.kind, 'sizeElsewhere');
  if (!spec || !size || !system || (root !== 'clothes' && root !== 'footwear')) return null;
  const wearer: Wearer | null = department === 'Women' || department === 'Men' ? department : null;
  const found = wearer ? sizesElsewhere({ worn: root, wearer, system, size }) : [];
  if (found.length === 0)
    return (
      <Words kind="small" tone="soft">
        {whyNot(system, wearer)}
      </Words>
    );
  const taken = thing.facts.sizeElsewhere ?? '';
  return (
    <>
      <ChipRow label="About the same elsewhere" radio={false}>
        {found.map(({ words }) => (
          <Chip
            key={words}
            role="button"
            on={answersOf(taken).includes(words)}
            label={`Elsewhere about: ${words}`}
            onPress={() => setFact(thing.id, spec, toggled(taken, words))}
          >
            {`≈ ${words}`}
          </Chip>
        ))}
      </ChipRow>
      <Words kind="small" tone="soft">
        {`Only a suggestion, ${[...new Set(found.map((f) => f.source))].join('; ')}. Makers differ: the tape decides.`}
      </Words>
    </>
  );
}

function whyNot(system: SizeSystem, wearer: Wearer | null): string {
  if (!wearer) return 'Sizes elsewhere are suggested once it is said whether it is for women or men.';
  return system === 'EU' && wearer === 'Women'
    ? 'EU alone says too little for women’s clothes: German, French and Italian sizes differ.'
    : 'Nothing is suggested for this size elsewhere.';
}
