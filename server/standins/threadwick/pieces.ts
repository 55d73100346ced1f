import { randomInt } from 'node:crypto';

import { part, type Piece } from './validate';
import { paidOrder } from '../kit/orders';
import type { Frame } from '../kit/service';

export interface Shown {
  no: string;
  piece: Piece;
  photos: string[];
  status: 'hanging' | 'taken down' | 'sold';
  sale: { sale: string; amount: number; part: number; when: string } | null;
}

export const POSTAGE = 390;

export async function piecesOf({ store }: Frame, ref: string): Promise<Shown[]> {
  return (await store.all<Shown>('piece')).filter((s) => s.piece.ref === ref);
}

/** Sold at a price; false when it is gone. */
export async function takeHome({ store }: Frame, s: Shown, amount: number): Promise<boolean> {
  if (s.status !== 'hanging') return false;
  const when = new Date();
  const sale = { sale: `tw-${randomInt(1e9, 9e9)}`, amount, part: part(amount), when: when.toISOString() };
  await store.write(
    [
      { sort: 'piece', id: s.no, body: { ...s, status: 'sold', sale } satisfies Shown },
      paidOrder({
        no: sale.sale,
        ref: s.piece.ref,
        what: s.piece.name,
        cents: amount,
        postCents: POSTAGE,
        feeCents: sale.part,
        at: when.getTime(),
      }),
    ],
    [{ line: 'sold', no: s.no, ref: s.piece.ref, post: POSTAGE, ...sale }],
  );
  return true;
}
