import type { Plan } from '@/contract/records';

import { differenceValues } from './differences';
import { looseDraft } from './draft';
import type { Examined } from './examine';
import { tagsName } from '../words/tags';

/** What of a listing may be its own, in place of what is shared. */
export type OwnPart =
  | 'title'
  | 'price'
  | 'description'
  | 'category'
  | `specifics ${string}`
  | `answers ${string}`
  | 'tags'
  | 'terms'
  | 'auction'
  | 'paid'
  | 'choices'
  | 'pictures';

/** A value that differs on one marketplace, beside the one it stands for. */
export interface OwnHere {
  part: OwnPart;
  /** As a person knows it: "Tags"; a field as the marketplace calls it. */
  name: string;
  /** In words; empty: nothing. For pictures: how many. */
  here: string;
  shared: string;
}

/**
 * What a listing says itself, each value beside what would be there without it.
 *
 * @param shared the same listing, examined with {@link withoutOwn} as its plan
 */
export function ownHere(own: Examined, shared: Examined): OwnHere[] {
  const { plan, sheet, effective } = own;
  if (!plan) return [];
  const here = differenceValues(looseDraft(effective, sheet), sheet);
  const instead = differenceValues(looseDraft(shared.effective, sheet), sheet);
  const words = (values: typeof here, key: string) =>
    values
      .filter((v) => v.key === key || v.key.startsWith(`${key} `))
      .map((v) => (v.key === key ? v.words : `${v.name} ${v.words}`))
      .join(', ');
  const one = (part: OwnPart, name: string): OwnHere => ({
    part,
    name,
    here: words(here, part),
    shared: words(instead, part),
  });
  const named = (part: OwnPart) =>
    [...here, ...instead].find((v) => v.key === part)?.name ?? part.replace(/^\w+ /u, '');
  const { auction, promotionBp, extras } = plan;
  return [
    ...(plan.title === null ? [] : [one('title', 'Title')]),
    ...(plan.price === null ? [] : [one('price', 'Price')]),
    ...(plan.description === null ? [] : [one('description', 'Description')]),
    ...(plan.category === null ? [] : [one('category', 'Category')]),
    ...Object.keys(plan.specifics).map((id) => one(`specifics ${id}`, named(`specifics ${id}`))),
    ...Object.keys(plan.answers).map((id) => one(`answers ${id}`, named(`answers ${id}`))),
    ...(plan.tags === null || !sheet.tags ? [] : [one('tags', tagsName(sheet.tags))]),
    ...(plan.termsId === null ? [] : [termsOf(own, shared)]),
    ...(auction === null ? [] : [one('auction', 'How it is sold')]),
    ...(promotionBp === 0 && Object.keys(extras).length === 0 ? [] : [one('paid', 'Paid places')]),
    ...(plan.pieces === null ? [] : [one('choices', 'Pieces')]),
    ...(plan.pictureIds === null ? [] : [picturesOf(own, shared)]),
  ];
}

function termsOf(own: Examined, shared: Examined): OwnHere {
  const { terms } = own.effective;
  return {
    part: 'terms',
    name: 'Terms',
    here: terms?.name ?? '',
    shared: shared.effective.terms?.name ?? '',
  };
}

function picturesOf(own: Examined, shared: Examined): OwnHere {
  const count = ({ media }: Examined) => String(media.pictures.length);
  return { part: 'pictures', name: 'Pictures', here: count(own), shared: count(shared) };
}

/** A plan that says nothing itself of what may be shared; whether it is wanted and what was sent stay. */
export function withoutOwn(plan: Plan): Plan {
  return {
    ...plan,
    title: null,
    price: null,
    description: null,
    category: null,
    specifics: {},
    answers: {},
    tags: null,
    termsId: null,
    auction: null,
    promotionBp: 0,
    extras: {},
    pieces: null,
    pictureIds: null,
    ownParts: [],
  };
}

/** The values that give one of them back: what is shared counts again. */
export function givenBack(now: Plan, part: OwnPart): Partial<Plan> {
  const [field, id = ''] = part.split(/ (.*)/su);
  const without = (all: Readonly<Record<string, string>>) =>
    Object.fromEntries(Object.entries(all).filter(([key]) => key !== id));
  switch (field) {
    case 'specifics':
      return { specifics: without(now.specifics) };
    case 'answers':
      return { answers: without(now.answers) };
    case 'terms':
      return { termsId: null, ...noLongerOwn(now, 'terms') };
    case 'auction':
      return { auction: null, ...noLongerOwn(now, 'format') };
    case 'paid':
      return { promotionBp: 0, extras: {}, ...noLongerOwn(now, 'promotion', 'extras') };
    case 'choices':
      return { pieces: null };
    case 'pictures':
      return { pictureIds: null, ...noLongerOwn(now, 'pictures') };
    case 'description':
      return { description: null, ...noLongerOwn(now, 'words') };
    case 'title':
      return { title: null };
    case 'price':
      return { price: null };
    case 'category':
      return { category: null };
    default:
      return { tags: null };
  }
}

/** What lies under it counts again, too. */
function noLongerOwn(now: Plan, ...parts: Plan['ownParts']): Pick<Plan, 'ownParts'> {
  return { ownParts: now.ownParts.filter((p) => !parts.includes(p)) };
}
