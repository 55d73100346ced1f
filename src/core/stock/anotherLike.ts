import type { Item } from '@/contract/records';
import type { LikePart } from '@/contract/settings';

type Part = Partial<Item>;

/** Facts of the kind of item, not of the one piece. */
function withoutOwn({ serial: _, ...facts }: Item['facts']): Item['facts'] {
  return facts;
}

/** What each part takes along; where it is wanted and its pictures are no part of the record. */
const TAKES: Readonly<Record<Exclude<LikePart, 'wanted' | 'pictures'>, (like: Item) => Part>> = {
  facts: ({ facts }) => ({ facts: withoutOwn(facts) }),
  measurements: ({ measurements }) => ({ measurements }),
  title: ({ title }) => ({ title }),
  description: ({ description }) => ({ description }),
  condition: (like) => ({
    use: like.use,
    // Its pictures are another's.
    flaws: like.flaws.map((flaw) => ({ ...flaw, pictureId: null, pin: null })),
    included: like.included,
    missing: like.missing,
    tested: like.tested,
    cleaned: like.cleaned,
    smoke: like.smoke,
    pets: like.pets,
    conditionNote: like.conditionNote,
  }),
  price: ({ price, offers, postageBy }) => ({ price, offers, postageBy }),
  cost: ({ cost }) => ({ cost }),
  parcel: ({ weightG, parcel }) => ({ weightG, parcel }),
  haul: ({ haulId, lineId }) => ({ haulId, lineId }),
  owner: ({ ownerId }) => ({ ownerId }),
};

/**
 * What another of the same begins with: its kind, and what is wanted of the rest. Its code, spot, serial
 * number and sales are its own; nobody has looked it over yet.
 */
export function likeOf(like: Item, parts: readonly LikePart[]): Part {
  const taken: Part = { kind: like.kind };
  for (const part of parts)
    if (part !== 'wanted' && part !== 'pictures') Object.assign(taken, TAKES[part](like));
  return taken;
}
