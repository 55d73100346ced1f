import type { ListingDraft } from '@/contract/courier';

import { entryOf } from '../../server/marketplaces/brackenmoor/adapter';
import { goodOf } from '../../server/marketplaces/lanternyard/adapter';
import { adOf } from '../../server/marketplaces/nearstile/adapter';
import { pieceOf as oldPieceOf } from '../../server/marketplaces/oldhollow/adapter';
import { lineOf } from '../../server/marketplaces/quirestack/adapter';
import { pieceOf } from '../../server/marketplaces/threadwick/adapter';
import { SHEET as brackenmoor } from '../../server/standins/brackenmoor/sheet';
import { areTwins, problemsOf, readEntry } from '../../server/standins/brackenmoor/validate';
import { objectionsTo } from '../../server/standins/handbill/notices';
import { SHEET as handbill } from '../../server/standins/handbill/sheet';
import { NO_FAULTS, type Switches } from '../../server/standins/kit/faults';
import { picturesToday, sheetToday } from '../../server/standins/kit/service';
import { SHEET as lanternyard } from '../../server/standins/lanternyard/sheet';
import { hitches, readGood } from '../../server/standins/lanternyard/validate';
import { SHEET as nearstile } from '../../server/standins/nearstile/sheet';
import { faultsOf, photoFaults } from '../../server/standins/nearstile/validate';
import { SHEET as oldhollow } from '../../server/standins/oldhollow/sheet';
import { complaintsOf, readPiece as readOldPiece } from '../../server/standins/oldhollow/validate';
import { TITLES } from '../../server/standins/quirestack/records';
import { SHEET as quirestack } from '../../server/standins/quirestack/sheet';
import { faultOf, pictureFault } from '../../server/standins/quirestack/validate';
import { SHEET as threadwick } from '../../server/standins/threadwick/sheet';
import { objections, readPiece } from '../../server/standins/threadwick/validate';

/** A rendition as it would arrive. */
export interface Sent {
  width: number;
  height: number;
  bytes: number;
}

/**
 * A marketplace as this comparison needs it: what it publishes, and what it says of a draft in its own words.
 */
export interface Judge {
  id: string;
  sheet: (switches: Switches) => unknown;
  /** What is wrong with it, in the marketplace's words; empty when it is taken. */
  against: (draft: ListingDraft, pictures: readonly Sent[], switches: Switches) => string[];
  /** Whether it refuses the second of two that are sent together; absent: it never does. */
  twins?: (a: ListingDraft, b: ListingDraft) => boolean;
}

const UNREADABLE = ['it can’t be read at all'];
const ids = (pictures: readonly Sent[]) => pictures.map((_, i) => `p${i}`);

/** Every stand-in's own validator, fed with what its adapter would send. */
export const JUDGES: readonly Judge[] = [
  {
    id: 'brackenmoor',
    sheet: (s) => sheetToday(brackenmoor, s),
    against: (draft, pictures, s) => {
      const entry = readEntry(entryOf('a-reference', draft, ids(pictures), null));
      return entry ? problemsOf(entry, [...pictures], s).map((p) => `${p.code} ${p.message}`) : UNREADABLE;
    },
    twins: (...drafts) => {
      const [a, b] = drafts.map((d) => readEntry(entryOf('ref', d, [], null)));
      return !!a && !!b && areTwins(a, b);
    },
  },
  {
    id: 'threadwick',
    sheet: (s) => sheetToday(threadwick, s),
    against: (draft, pictures, s) => {
      const piece = readPiece(JSON.stringify(pieceOf('ref', draft)));
      return piece ? objections(piece, [...pictures], s).map(([f, w]) => `${f}: ${w}`) : UNREADABLE;
    },
  },
  {
    id: 'nearstile',
    sheet: (s) => sheetToday(nearstile, s),
    against: (draft, pictures, s) => [
      ...faultsOf(adOf(draft), s),
      ...photoFaults(
        pictures.map((p) => ({ longSide: Math.max(p.width, p.height), bytes: p.bytes })),
        s,
      ),
    ],
  },
  {
    id: 'oldhollow',
    sheet: (s) => sheetToday(oldhollow, s),
    against: (draft, pictures, s) => {
      const piece = readOldPiece(oldPieceOf(draft, ids(pictures)));
      return piece ? complaintsOf(piece, pictures, s).map((c) => `${c.about}: ${c.words}`) : UNREADABLE;
    },
  },
  {
    id: 'quirestack',
    sheet: (s) => ({
      ...sheetToday(quirestack, s),
      records: [...TITLES.values()].map((t) => ({ barcode: t.barcode, rack: t.rack, closed: t.closed })),
    }),
    against: (draft, pictures, s) => {
      const fault = faultOf(lineOf('ref', draft), s);
      const seen = pictures.flatMap((p, i) => pictureFault(Math.max(p.width, p.height), p.bytes, i) ?? []);
      return [...(fault ? [`${fault.code} ${fault.words}`] : []), ...seen];
    },
  },
  {
    id: 'lanternyard',
    sheet: (s) => sheetToday(lanternyard, s),
    against: (draft, pictures, s) => {
      const good = readGood(goodOf(draft, ids(pictures)));
      return good ? Object.entries(hitches(good, pictures, s)).map(([f, w]) => `${f}: ${w}`) : UNREADABLE;
    },
  },
  {
    id: 'handbill',
    // A person copies the fields over; its printed rules do not change while the app runs.
    sheet: () => handbill,
    against: (draft, pictures) =>
      objectionsTo(
        {
          heading: draft.title,
          words: draft.description,
          cents: draft.price,
          board: draft.category,
          state: draft.condition,
        },
        pictures.map((p) => ({ long: Math.max(p.width, p.height), bytes: p.bytes })),
        picturesToday(6, NO_FAULTS),
      ),
  },
];
