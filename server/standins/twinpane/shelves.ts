import { decode } from 'jpeg-js';

import { readHoldings, type Holdings } from './holdings';
import { alikeIn } from './likeness';
import { seen, type Seen } from './seeing/look';
import { soldOf, type Sold } from './sold';
import { measureJpeg } from '../kit/pictures';

const MOST_BYTES = 120_000;
const MOST_SIDE = 800;
/** What is told of one picture, and of one design in it. */
const MOST_TOLD = 24;
const MOST_OF_ONE = 10;
const DAY = 86_400_000;

/** A picture as it is looked at, or what is wrong with it. */
export function read(bytes: Uint8Array): Seen | string {
  if (bytes.length > MOST_BYTES) return `A small picture will do: ${MOST_BYTES / 1_000} kB at most.`;
  const size = measureJpeg(bytes);
  if (!size) return 'That is no JPEG picture.';
  if (Math.max(size.width, size.height) > MOST_SIDE)
    return `A small picture will do: ${MOST_SIDE} pixels at most.`;
  try {
    return seen(decode(bytes, { useTArray: true, maxResolutionInMP: 1, maxMemoryUsageInMB: 64 }));
  } catch {
    return 'That picture can’t be made out.';
  }
}

/** What the desk has, and what it answers. */
export interface Shelves {
  holdings: Holdings;
  sold: Sold[][];
  like(picture: Seen, now: number): object[];
}

export function openShelves(file: string): Shelves {
  const holdings = readHoldings(file);
  const sold = holdings.looks.map(soldOf);
  return {
    holdings,
    sold,
    like(picture, now) {
      const today = Math.floor(now / DAY) * DAY;
      const told = new Map<number, number>();
      return alikeIn(holdings, picture)
        .flatMap(({ look, score }) => {
          const no = holdings.looks.indexOf(look);
          return (sold[no] ?? []).map((one) => ({ one, score, no, design: look.design }));
        })
        .filter(({ design }) => {
          const before = told.get(design) ?? 0;
          told.set(design, before + 1);
          return before < MOST_OF_ONE;
        })
        .slice(0, MOST_TOLD)
        .map(({ one, score, no }) => ({
          no: one.no,
          words: one.words,
          by: one.by,
          under: [one.what],
          colour: one.colour,
          place: one.place,
          wear: one.wear,
          went: { cents: one.cents, currency: 'EUR' },
          up: new Date(today - one.listed * DAY).toISOString(),
          gone: new Date(today - one.ended * DAY).toISOString(),
          pane: String(no),
          score,
        }));
    },
  };
}
