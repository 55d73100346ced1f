import { countryOf, type Country } from './countries';
import { isOffered, leftOf, type Coupon, type Shelved } from './goods';
import { PAY_WAYS, type PayWay, type Variant } from './validate';
import type { Frame } from '../kit/service';

export interface Line {
  ref: string;
  piece?: string;
}

export interface Basket {
  id: string;
  /** Goods; of one in variants, which of them. */
  lines: Line[];
  coupon: string;
  /** Where it is sent to, and how it is paid. */
  country?: string;
  way?: PayWay;
}

/** A line of a basket with what is in the shop under it. */
export interface Gathered {
  s: Shelved;
  piece: Variant | undefined;
  /** Its place in the basket. */
  line: number;
}

const inBasket = async ({ store }: Frame, basket: Basket): Promise<Gathered[]> => {
  const all = await Promise.all(
    basket.lines.map(async (of, line) => ({ of, line, s: await store.get<Shelved>('good', of.ref) })),
  );
  return all.flatMap(({ of, line, s }) =>
    s ? [{ s, line, piece: s.good.variants?.pieces.find((p) => p.code === of.piece) }] : [],
  );
};

/** Why it can't be bought just now; null: it can. Of a good in variants, the one chosen counts. */
function whyNot({ s, piece }: Gathered, zone: Country['zone']): string | null {
  if (!isOffered(s) || (s.good.variants && !(piece && leftOf(s, piece.code) > 0)))
    return 'just sold, left out';
  return postTo(s, zone) === null ? 'not sent there, left out' : null;
}

/** Postage of a good by itself; null: it is not sent there. */
function postTo({ good }: Shelved, zone: Country['zone']): number | null {
  if (zone === 'inland') return good.postCents;
  return good.abroadCents?.find((a) => a.zone === zone)?.cents ?? null;
}

/** How all that is bought may be paid: what every good of it takes. */
function waysOf(bought: readonly Gathered[]): PayWay[] {
  const ways = PAY_WAYS.filter((way) => bought.every(({ s }) => (s.good.paidBy ?? ['card']).includes(way)));
  return ways.length > 0 ? ways : ['card'];
}

export const priceOf = ({ s, piece }: Gathered) => piece?.cents ?? s.good.cents;
export const nameOf = ({ s, piece }: Gathered) =>
  piece ? `${s.good.title}, ${piece.values.join(', ')}` : s.good.title;

export const off = (cents: number, coupon: Coupon | null) =>
  coupon ? cents - Math.floor((cents * coupon.percentOff) / 100) : cents;

/** A basket as it would be paid now. */
export interface Reckoned {
  lines: { of: Gathered; cents: number; why: string | null }[];
  bought: Gathered[];
  coupon: Coupon | null;
  country: Country;
  ways: PayWay[];
  way: PayWay;
  postCents: number;
  totalCents: number;
}

export async function reckoned(frame: Frame, basket: Basket): Promise<Reckoned> {
  const items = await inBasket(frame, basket);
  const coupon = await frame.store.get<Coupon>('coupon', basket.coupon);
  const country = countryOf(basket.country);
  const lines = items.map((of) => ({
    of,
    cents: off(priceOf(of), coupon),
    why: whyNot(of, country.zone),
  }));
  const bought = lines.filter((l) => l.why === null).map((l) => l.of);
  const ways = waysOf(bought);
  const postCents = bought.reduce((sum, g) => sum + postIn(bought, g, country.zone), 0);
  const goods = lines.reduce((sum, l) => sum + (l.why === null ? l.cents : 0), 0);
  const way = ways.find((w) => w === basket.way) ?? ways[0] ?? 'card';
  return { lines, bought, coupon, country, ways, way, postCents, totalCents: goods + postCents };
}

/** Postage of one of several in a parcel: the dearest pays its own, every other what a further one costs. */
export function postIn(parcel: readonly Gathered[], one: Gathered, zone: Country['zone']): number {
  const own = ({ s }: Gathered) => postTo(s, zone) ?? 0;
  const most = Math.max(...parcel.map(own));
  const isFirst = one === parcel.find((g) => own(g) === most);
  return isFirst ? own(one) : Math.min(own(one), one.s.good.furtherCents ?? own(one));
}
