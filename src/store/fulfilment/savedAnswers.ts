import type { Talk } from '@/contract/fulfilment';
import type { SavedAnswer } from '@/contract/orders';
import type { Item } from '@/contract/records';
import { publicFacts } from '@/core/kinds/publicFacts';
import { formatLength } from '@/core/measure/units';
import { formatMoney } from '@/core/money/money';
import { filledIn, type AnswerView } from '@/core/talks/answers';
import { claimsFree, type Asker } from '@/core/talks/standing';
import { valuesByName } from '@/core/words/byName';
import { knownTokens, tokensFor, type Token } from '@/core/words/tokens';
import { newId, setSettings, useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { kindsNow } from '@/store/items/kinds';

import { toldToBuyers } from './standing';
import { standingOf } from './talks';

/** Answers to begin with; one of the person's own with the same id takes the place of one of these. */
export const STARTING_ANSWERS: readonly SavedAnswer[] = [
  { id: 'measures', name: 'Measurements', text: 'Hello {{buyer}}, laid flat: {{measurements}}.' },
  {
    id: 'stillHere',
    name: 'Still here',
    text: 'Hello {{buyer}}, {{whether}}',
  },
  { id: 'flaws', name: 'Condition', text: 'Hello {{buyer}}, as to its condition: {{condition}}.' },
  {
    id: 'lowest',
    name: 'Firm price',
    text: 'Hello {{buyer}}, thank you, but {{price}} is what I need for it.',
  },
];

/** The public facts of an item, as tokens of a saved answer: "pit to pit is 54 cm". */
export function answerView(item: Item, talk: Asker): AnswerView {
  const { settings } = useAttic.getState();
  const kinds = kindsNow();
  const listing = useCourier.getState().items[item.id]?.listings.find((l) => l.market === talk.market);
  const amount = listing?.price ?? item.price;
  const price = amount === null ? '' : formatMoney(amount, settings.currency);
  const standing = standingOf({ ...talk, item: item.id });
  const measured = kinds.measures(item.kind).flatMap((m) => {
    const mm = item.measurements[m.id];
    return mm === undefined ? [] : [[m.id, m.name, formatLength(mm, settings.units)] as const];
  });
  const flaws = item.flaws.map((f) => [f.type, f.place].filter(Boolean).join(', '));
  const view = {
    ...publicFacts(item, kinds),
    ...Object.fromEntries(measured.map(([id, , length]) => [id, length])),
    measurements: measured.map(([, name, length]) => `${name.toLocaleLowerCase('en')} ${length}`).join(', '),
    condition:
      [item.conditionNote.trim(), ...flaws].filter(Boolean).join('; ') ||
      (item.use ? 'nothing to tell of' : ''),
    price,
    // Whether it can be had, as a sentence to whoever asks.
    whether: standing ? toldToBuyers(standing, price) : '',
    title: item.title,
    buyer: talk.who,
  };
  // Ours come first: what is kept of an answer goes by them.
  return { ...view, ...valuesByName(item, kinds, settings.units), ...view };
}

/**
 * A saved answer for a buyer. One that says the item can be had gives way to how it stands, where it can't.
 *
 * @returns the words; the facts it wanted that are not recorded; and whether it gave way
 */
export function answerFor(
  saved: SavedAnswer,
  item: Item,
  talk: Asker,
): { words: string; missing: string[]; gaveWay: boolean } {
  const standing = standingOf({ ...talk, item: item.id });
  const gaveWay = standing !== null && standing.is !== 'free' && claimsFree(saved.text);
  const text = gaveWay ? 'Hello {{buyer}}, {{whether}}' : saved.text;
  return { ...filledIn(text, answerView(item, talk)), gaveWay };
}

/** Known to answers alone: the buyer, and how the item stands. */
const ANSWERING = ['buyer', 'price', 'whether', 'condition', 'measurements'];

/** What may stand in a saved answer, with what it gives for an item. */
export function answerTokens(item: Item | undefined): { tokens: Token[]; known: ReadonlySet<string> } {
  const kinds = kindsNow();
  const { units } = useAttic.getState().settings;
  const known = new Set([...knownTokens(kinds), ...ANSWERING]);
  if (!item) return { tokens: [], known };
  const view = answerView(item, { market: '', who: 'the buyer' });
  const answering = ANSWERING.map((name): Token => ({
    name,
    label: null,
    group: 'buyer',
    gives: view[name] ?? '',
    insert: `{{${name}}}`,
  }));
  const simple = tokensFor(item, kinds, units).filter(
    (t) => t.insert === `{{${t.name}}}` && view[t.name] !== undefined,
  );
  return { tokens: [...answering, ...simple], known };
}

/** Every answer at hand: the person's own, and those to begin with that they did not change. */
export function allAnswers(own: readonly SavedAnswer[]): SavedAnswer[] {
  return [...own, ...STARTING_ANSWERS.filter((a) => !own.some((s) => s.id === a.id))];
}

/** Changes an answer; one to begin with becomes the person's own. */
export function changeAnswer(answer: SavedAnswer): void {
  const { savedAnswers } = useAttic.getState().settings;
  const isOwn = savedAnswers.some((a) => a.id === answer.id);
  setSettings({
    savedAnswers: isOwn
      ? savedAnswers.map((a) => (a.id === answer.id ? answer : a))
      : [...savedAnswers, answer],
  });
}

/** Takes an answer of the person's own away; where it stood for one to begin with, that is back. */
export function removeAnswer(id: string): void {
  const { savedAnswers } = useAttic.getState().settings;
  setSettings({ savedAnswers: savedAnswers.filter((a) => a.id !== id) });
}

/** Keeps an answer for other times, with the buyer's name and the item's own figures as tokens again. */
export function keepAnswer(name: string, text: string, item: Item | undefined, talk: Talk): void {
  const view = item ? answerView(item, talk) : { buyer: talk.who };
  const values = Object.entries(view)
    .filter(([token, value]) => value.length > 1 && token !== 'whether')
    .sort((a, b) => b[1].length - a[1].length);
  const general = values.reduce((t, [token, value]) => t.replaceAll(value, `{{${token}}}`), text);
  const { savedAnswers } = useAttic.getState().settings;
  setSettings({ savedAnswers: [...savedAnswers, { id: newId(), name, text: general.slice(0, 2_000) }] });
}
