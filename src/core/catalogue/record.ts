import type { CatalogueRecord } from '@/contract/catalogue';

import type { FactSpec } from '../kinds/spec';
import { suggestKinds } from '../kinds/suggest';
import type { KindTree } from '../kinds/tree';
import { factValue } from '../kinds/values';
import { sameWord } from '../words/sameWord';

/** What a catalogue record may mean for an item, for a person to confirm. */
export interface Told {
  /** `kind`, `title`, `fact:author`. */
  field: string;
  value: string;
  /** As the record says it. */
  words: string;
}

/**
 * What a record of the product look-up says of an item: its kind, its name, who made it, and every detail
 * whose label is one of the kind's own questions. What a question would not take is left out; nothing of it
 * is certain.
 *
 * @param kind the item's kind as it is known; empty: the record's own words say it
 */
export function toldBy(record: CatalogueRecord, kind: string, kinds: KindTree): Told[] {
  const told: Told[] = [];
  // The nearest word first: "Book › Field guide" is a field guide.
  const guess = [...record.sort]
    .reverse()
    .flatMap((words) => suggestKinds({ record: words }, kinds, 1))[0]?.kind;
  const of = kind !== '' ? kind : (guess ?? '');
  if (kind === '' && guess) told.push({ field: 'kind', value: guess, words: record.sort.join(', ') });
  const facts = kinds.facts(of);
  const put = (spec: FactSpec | undefined, words: string) => {
    if (!spec || spec.private || words.trim() === '' || told.some((t) => t.field === `fact:${spec.id}`))
      return;
    const judged = factValue(spec, words);
    if (judged.ok && judged.value !== '') told.push({ field: `fact:${spec.id}`, value: judged.value, words });
  };
  const named = kinds.get(of)?.modelIsName ? facts.find((f) => f.id === 'model') : undefined;
  if (named) put(named, record.title);
  else if (record.title.trim() !== '')
    told.push({ field: 'title', value: record.title.trim(), words: record.title });
  for (const [label, value] of Object.entries(record.details))
    put(
      [...facts, ...kinds.common].find((f) => sameWord(f.label, label) || sameWord(f.id, label)),
      value,
    );
  put(
    facts.find((f) => f.id === 'brand'),
    record.maker,
  );
  return told;
}
