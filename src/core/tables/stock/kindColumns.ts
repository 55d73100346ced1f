import type { Item } from '@/contract/records';

import type { StockColumn, TableWays } from './column';
import { lengthUnit, lengthValue, tableLength } from './figures';
import { readBarcode } from '../../identity/gtin';
import type { FactSpec, Kind } from '../../kinds/spec';
import type { KindTree } from '../../kinds/tree';
import { answersOf, factsWith } from '../../kinds/values';
import type { Value } from '../value';

/** The longest answer that is set aside, in UTF-16 code units. */
const LONGEST = 400;

/**
 * Every question of every kind, and every measurement, each a column of its own: whichever kinds the items
 * are of.
 */
export function kindColumns(ways: TableWays): { facts: StockColumn[]; measures: StockColumn[] } {
  const { kinds, units } = ways;
  const specs = new Map<string, { spec: FactSpec; kind: Kind | null }>();
  for (const spec of kinds.common) specs.set(spec.id, { spec, kind: null });
  const measures = new Map<string, { name: string; kind: Kind }>();
  for (const kind of kinds.all) {
    for (const spec of kind.facts) if (!specs.has(spec.id)) specs.set(spec.id, { spec, kind });
    for (const { id, name } of kind.measures) if (!measures.has(id)) measures.set(id, { name, kind });
  }
  const unit = lengthUnit(units);
  const factNames = toldApart([...specs].map(([id, { spec, kind }]) => ({ id, name: spec.label, kind })));
  const measureNames = toldApart([...measures].map(([id, { name, kind }]) => ({ id, name, kind })));
  return {
    facts: [...specs].map(([id, { spec }]) => factColumn(id, factNames.get(id) ?? id, spec, kinds)),
    measures: [...measures.keys()].map((id) =>
      measureColumn(id, `${measureNames.get(id) ?? id}, ${unit}`, ways),
    ),
  };
}

/** Of what is called the same, all but the first say of which kind they are asked. */
function toldApart(all: readonly { id: string; name: string; kind: Kind | null }[]): Map<string, string> {
  const taken = new Set<string>();
  const names = new Map<string, string>();
  for (const { id, name, kind } of all) {
    const tries = [name, `${name} (${kind?.name.toLocaleLowerCase('en') ?? id})`, `${name} (${id})`];
    // The last of them holds its id: nothing else is called so.
    const free = tries.find((t) => !taken.has(t.toLocaleLowerCase('en'))) ?? id;
    taken.add(free.toLocaleLowerCase('en'));
    names.set(id, free);
  }
  return names;
}

function factColumn(id: string, label: string, known: FactSpec, tree: KindTree): StockColumn {
  return {
    id: `fact:${id}`,
    label,
    sort: 'words',
    // Asked of an item, it is saved where any of those saved answers it.
    usual: true,
    of: ({ item }) => factValueOf(item, id, known, tree),
    read: (said, item, { kinds }) => {
      if (id === 'barcode') {
        const read = readBarcode(said);
        if (!read.ok) return read;
      }
      const spec = kinds.fact(item.kind, id);
      // Its kind is not asked that, or nobody has said its kind: kept, and back when a kind asks.
      if (!spec) return setAside(item, id, said);
      const done = factsWith(
        item.facts,
        spec,
        spec.several && !said.includes('\n') ? said.replaceAll(/[,;]/gu, '\n') : said,
      );
      return done.ok ? { ok: true, part: { facts: done.facts } } : done;
    },
    clear: (item) => {
      const { [id]: _, ...facts } = item.facts;
      return { facts };
    },
  };
}

function setAside(item: Item, id: string, said: string) {
  const value = said.trim();
  if (value.length > LONGEST)
    return {
      ok: false as const,
      why: { code: 'tooLong' as const, params: { length: value.length, most: LONGEST } },
    };
  const facts = { ...item.parked.facts, [id]: value };
  return { ok: true as const, part: { parked: { ...item.parked, facts } } };
}

/** Several answers stand with commas between, or in lines of their own where one holds such a sign itself. */
function factValueOf(item: Item, id: string, known: FactSpec, kinds: KindTree): Value {
  // What was set aside and is asked was no answer to that.
  const asked = kinds.fact(item.kind, id);
  const aside = asked ? undefined : item.parked.facts[id];
  const stored = item.facts[id] ?? aside ?? '';
  if (stored === '') return null;
  const { several, type } = asked ?? known;
  if (several) {
    const all = answersOf(stored);
    // The line's end says that a comma in it parts no answers.
    return all.some((a) => /[,;]/u.test(a)) ? all.map((a) => `${a}\n`).join('') : all.join(', ');
  }
  const figure = Number(stored);
  return (type === 'number' || type === 'year') && String(figure) === stored ? figure : stored;
}

function measureColumn(id: string, label: string, { units, kinds: tree }: TableWays): StockColumn {
  return {
    id: `measure:${id}`,
    label,
    sort: 'length',
    usual: true,
    of: ({ item }) => {
      const isAsked = tree.measures(item.kind).some((m) => m.id === id);
      const mm = item.measurements[id] ?? (isAsked ? undefined : item.parked.measurements[id]);
      return mm === undefined ? null : lengthValue(mm, units);
    },
    read: (said, item, { kinds }) => {
      const length = tableLength(said, units);
      if (!length.ok) return length;
      // Set aside as an answer is that its kind does not ask for.
      if (!kinds.measures(item.kind).some((m) => m.id === id)) {
        const measurements = { ...item.parked.measurements, [id]: length.value };
        return { ok: true, part: { parked: { ...item.parked, measurements } } };
      }
      const { [id]: _, ...uncertainty } = item.uncertainty;
      const measured = { ...item.measurements, [id]: length.value };
      // A figure from a table was laid out with a tape, for all that is known.
      const measuredBy = { ...item.measuredBy, [id]: 'tape' as const };
      return { ok: true, part: { measurements: measured, uncertainty, measuredBy } };
    },
    clear: (item) => {
      const { [id]: _, ...measurements } = item.measurements;
      const { [id]: __, ...uncertainty } = item.uncertainty;
      const { [id]: ___, ...measuredBy } = item.measuredBy;
      return { measurements, uncertainty, measuredBy };
    },
  };
}
