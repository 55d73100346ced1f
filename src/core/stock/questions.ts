import type { OwnForm } from '@/contract/groups';
import { USES, type Item } from '@/contract/records';

import { shown, type Target, type Ways } from './bulk';
import { inStock } from '../choices/choices';
import { arranged, formFor } from '../kinds/form';
import type { FactSpec, Kind } from '../kinds/spec';
import { GRAMS_PER_OUNCE, lengthFigure } from '../measure/units';
import { formatAmount } from '../money/money';

/** One question that can be asked of several items: a column of the grid, a round of the strip. */
export interface Question {
  target: Target;
  label: string;
  /** Where it is an item specific. */
  spec?: FactSpec;
  /** OtherListings a figure: "cm". */
  unit?: string;
  /** Required or wanted by our own standards: asked without being chosen. */
  usual: boolean;
}

/**
 * What can be asked of some items, in the order the work is done: what it is, its specifics in the person's
 * own order, use, measurements, price, parcel, place. A question that several kinds share stands once.
 */
export function questionsOf(
  items: readonly Pick<Item, 'kind'>[],
  ways: Ways,
  forms: readonly OwnForm[],
): Question[] {
  const { kinds, units } = ways;
  const own = [...new Set(items.map((t) => t.kind))].flatMap((id) => kinds.get(id) ?? []);
  const facts = new Map<string, Question>();
  const measures = new Map<string, Question>();
  for (const kind of own) {
    for (const spec of arranged(kind.facts, formFor(kind, forms)).shown) {
      const known = facts.get(spec.id);
      const usual = spec.need === 'required' || spec.need === 'wanted';
      facts.set(spec.id, {
        target: `fact:${spec.id}`,
        label: bothNames(known?.label, labelOf(spec)),
        spec: known && spec.need !== 'required' ? known.spec : spec,
        ...(spec.unit ? { unit: spec.unit } : {}),
        usual: usual || (known?.usual ?? false),
      });
    }
    for (const m of kind.measures)
      measures.set(m.id, {
        target: `measure:${m.id}`,
        label: m.name,
        unit: units === 'metric' ? 'cm' : 'in',
        usual: true,
      });
  }
  toldApart([...measures.values()], own);
  return [
    { target: 'kind', label: 'Kind', usual: true },
    ...facts.values(),
    { target: 'use', label: 'Use', usual: true },
    ...measures.values(),
    { target: 'price', label: 'Price', unit: ways.currency, usual: true },
    { target: 'cost', label: 'Cost', unit: ways.currency, usual: false },
    { target: 'weight', label: 'Weight packed', unit: units === 'metric' ? 'g' : 'oz', usual: false },
    { target: 'quantity', label: 'How many', usual: false },
    { target: 'spot', label: 'Spot', usual: true },
    { target: 'title', label: 'Title', usual: true },
  ];
}

/** Kinds may ask the same by other names: "Author or artist". */
function bothNames(before: string | undefined, now: string): string {
  if (before === undefined || before.toLocaleLowerCase('en').includes(now.toLocaleLowerCase('en')))
    return before ?? now;
  return before.includes(' or ') ? before : `${before} or ${now.toLocaleLowerCase('en')}`;
}

/** Different measurements of one name are told apart by the first kind that is measured so. */
function toldApart(measures: readonly Question[], kinds: readonly Kind[]): void {
  const names = measures.map((m) => m.label);
  for (const [i, m] of measures.entries()) {
    if (names.indexOf(m.label) === i && names.lastIndexOf(m.label) === i) continue;
    const kind = kinds.find((k) => k.measures.some((own) => `measure:${own.id}` === m.target));
    if (kind) m.label = `${names[i]} (${kind.name.toLocaleLowerCase('en')})`;
  }
}

/** A question the way an item's own kind asks it: by its own name, with its own choices. */
export function askedOf(item: Item, question: Question, { kinds }: Ways): Question {
  const { target } = question;
  if (target.startsWith('measure:')) {
    const measure = kinds.measures(item.kind).find((m) => m.id === target.slice(8));
    return measure ? { ...question, label: measure.name } : question;
  }
  const spec = target.startsWith('fact:') ? kinds.fact(item.kind, target.slice(5)) : undefined;
  return spec ? { ...question, spec, label: labelOf(spec) } : question;
}

function labelOf(spec: FactSpec): string {
  return spec.private ? `${spec.label} (private)` : spec.label;
}

/** Whether a question makes sense for an item: its kind may not be asked it. */
export function isAsked(item: Item, { target }: Pick<Question, 'target'>, { kinds }: Ways): boolean {
  if (target.startsWith('fact:')) return kinds.facts(item.kind).some((f) => f.id === target.slice(5));
  if (target.startsWith('measure:')) return kinds.measures(item.kind).some((m) => m.id === target.slice(8));
  return true;
}

/** What an answer is put in order by: a figure, words, or null where nothing is said. */
export function sortValue(item: Item, target: Target, ways: Ways): string | number | null {
  if (target.startsWith('measure:')) return item.measurements[target.slice(8)] ?? null;
  if (target === 'price' || target === 'cost') return item[target];
  if (target === 'weight') return item.weightG;
  if (target === 'quantity') return item.choices && inStock(item.choices);
  // The order of uses is the meaning.
  if (target === 'use') return item.use === null ? null : USES.indexOf(item.use);
  return shown(item, target, ways);
}

/** The answer as it is typed, without its unit; empty where nothing is said. */
export function cellText(item: Item, target: Target, ways: Ways): string {
  if (target.startsWith('measure:')) {
    const mm = item.measurements[target.slice(8)];
    return mm === undefined ? '' : lengthFigure(mm, ways.units);
  }
  if (target === 'price' || target === 'cost') {
    const amount = item[target];
    return amount === null ? '' : formatAmount(amount, ways.currency);
  }
  if (target === 'weight' && item.weightG !== null)
    return ways.units === 'metric' ? String(item.weightG) : (item.weightG / GRAMS_PER_OUNCE).toFixed(1);
  return shown(item, target, ways);
}
