import type { Item } from '@/contract/records';

import { PLAIN_NAME } from './byName';
import { patternView } from './pattern';
import type { KindTree } from '../kinds/tree';
import type { Units } from '../measure/units';

/** What a token is of: how they are put together in a list. */
export const TOKEN_GROUPS = ['item', 'facts', 'measurements', 'condition', 'buyer'] as const;
export type TokenGroup = (typeof TOKEN_GROUPS)[number];

/** Something that may stand in a pattern. */
export interface Token {
  /** What stands between the braces. */
  name: string;
  /** What it is called by whoever asked it: "Pit to pit". */
  label: string | null;
  group: TokenGroup;
  /** What it gives for the item; empty: the item says nothing of it. */
  gives: string;
  /** What is put into the pattern for it: of what there are several, a line each. */
  insert: string;
}

const own = (name: string) => `{{${name}}}`;
/** A line of its own, which vanishes where there is nothing to say. */
const line = (name: string, words: string) => `{{#${name}}}\n${words}\n{{/${name}}}`;

/** Of what there are several, and how a line of each reads. */
const LISTS: Readonly<Record<string, { group: TokenGroup; insert: string }>> = {
  facts: { group: 'facts', insert: line('facts', '- {{label}}: {{value}}') },
  measurements: { group: 'measurements', insert: line('measurements', '- {{name}} {{value}}') },
  flaws: { group: 'condition', insert: line('flaws', '- {{.}}') },
};
const ITEM = ['title', 'what', 'how', 'kind', 'kindWords', 'closing'];
const CONDITION = [
  'grade',
  'use',
  'used',
  'better',
  'included',
  'missing',
  'tested',
  'cleaned',
  'household',
  'note',
];

/** Every token an item has, with what it gives: its facts, its measurements, its condition. */
export function tokensFor(item: Item, kinds: KindTree, units: Units, closing = ''): Token[] {
  const view = patternView(item, kinds, units, closing);
  const simple = (name: string, group: TokenGroup): Token => ({
    name,
    label: null,
    group,
    gives: shownOf(view[name]),
    insert: group === 'condition' ? line(name, own(name)) : own(name),
  });
  const called = (label: string, id: string, group: TokenGroup): Token => {
    const name = PLAIN_NAME.test(label) ? label.toLocaleLowerCase('en') : id;
    return { name, label, group, gives: shownOf(view[name] ?? view[id]), insert: own(name) };
  };
  return [
    ...ITEM.map((name) => simple(name, 'item')),
    ...kinds
      .facts(item.kind)
      .filter((spec) => !kinds.isPrivate(item.kind, spec.id))
      .map((spec) => called(spec.label, spec.id, 'facts')),
    ...kinds.measures(item.kind).map((m) => called(m.name, m.id, 'measurements')),
    ...CONDITION.map((name) => simple(name, 'condition')),
    ...Object.entries(LISTS).map(([name, { group, insert }]) => ({
      ...simple(name, group),
      insert,
    })),
  ];
}

/** What a value of the view says, in a line. */
function shownOf(value: unknown): string {
  if (typeof value === 'string') return value;
  if (!Array.isArray(value)) return '';
  return value
    .map((one: unknown) =>
      typeof one === 'string'
        ? one
        : typeof one === 'object' && one !== null
          ? Object.values(one).filter(Boolean).slice(0, 2).join(' ')
          : '',
    )
    .join(', ');
}

/** True or not, and only asked whether. */
const WHETHER = ['flawed', 'flawless', 'looked', 'measured'];

/** All that may stand in a pattern, whatever item it is for. */
export function knownTokens(kinds: KindTree): ReadonlySet<string> {
  const names = new Set([...ITEM, ...CONDITION, ...WHETHER, ...Object.keys(LISTS)]);
  for (const kind of kinds.all) {
    const asked = kinds.facts(kind.id).filter((f) => !kinds.isPrivate(kind.id, f.id));
    for (const id of asked.map((f) => f.id)) names.add(id);
    for (const name of [...asked.map((f) => f.label), ...kind.measures.map((m) => m.name)])
      if (PLAIN_NAME.test(name)) names.add(name).add(name.toLocaleLowerCase('en'));
  }
  return names;
}
