import { randomBytes, randomInt } from 'node:crypto';
import Papa from 'papaparse';

import { seenAt, soldOf, type Kept, type Offer } from './documents';
import { titleOf } from './records';
import { faultOf, pictureFault, type Line } from './validate';
import { measureJpeg } from '../kit/pictures';
import type { Frame } from '../kit/service';

interface Ticket {
  id: string;
  at: number;
  lines: Line[];
  report: Outcome[] | null;
}

interface Outcome {
  row: number;
  ref: string;
  outcome: 'accepted' | 'rejected' | 'removed' | 'sold' | 'unknown';
  code: string;
  words: string;
}

const COLUMNS = [
  'action',
  'ref',
  'barcode',
  'condition',
  'note',
  'cents',
  'origin',
  'keptAt',
  'copies',
] as const;
const MOST_LINES = 2_000;

/** Pictures, lists of lines, and the tickets by which their report is asked for. */
export function serveLists({ app, store }: Frame): void {
  app.put('/feed/pictures/:ref', async (c) => {
    const bytes = new Uint8Array(await c.req.arrayBuffer());
    const size = measureJpeg(bytes);
    const place = Number(c.req.query('place') ?? 0);
    const fault = pictureFault(size ? Math.max(size.width, size.height) : 0, bytes.length, place);
    if (fault) return c.json({ message: fault }, 422);
    const id = `${randomBytes(8).toString('hex')}`;
    await store.putPicture(id, bytes);
    await store.write([{ sort: 'picture', id: `${c.req.param('ref')} ${place}`, body: { id } }]);
    return c.body(null, 204);
  });

  app.post('/feed/lists', async (c) => {
    const parsed = Papa.parse<Record<string, string>>(await c.req.text(), {
      header: true,
      skipEmptyLines: true,
    });
    const fields = parsed.meta.fields ?? [];
    if (!COLUMNS.every((name) => fields.includes(name)) || parsed.data.length > MOST_LINES)
      return c.json(
        { message: `A list has the columns ${COLUMNS.join(', ')} and up to ${MOST_LINES} lines.` },
        400,
      );
    const lines = parsed.data.map(lineOf);
    const ticket: Ticket = { id: `T${randomInt(1e8, 9e8)}`, at: Date.now(), lines, report: null };
    await store.write([{ sort: 'ticket', id: ticket.id, body: ticket }]);
    return c.json({ ticket: ticket.id, lines: lines.length }, 202);
  });

  app.get('/feed/lists/:ticket', async (c) => {
    const ticket = await store.get<Ticket>('ticket', c.req.param('ticket'));
    if (!ticket) return c.json({ message: 'No such ticket.' }, 404);
    return c.json({ ticket: ticket.id, done: ticket.report !== null, report: ticket.report ?? [] });
  });
}

function lineOf(row: Record<string, string>): Line {
  const cell = (name: (typeof COLUMNS)[number]) => String(row[name] ?? '').slice(0, 4_000);
  return {
    action: cell('action'),
    ref: cell('ref'),
    barcode: cell('barcode'),
    condition: cell('condition'),
    note: cell('note'),
    cents: cell('cents'),
    origin: cell('origin'),
    keptAt: cell('keptAt'),
    copies: cell('copies'),
  };
}

/** Lists are worked through in the order they came. */
export async function workThroughLists(frame: Frame): Promise<void> {
  const { store, base, switches } = frame;
  const due = (await store.all<Ticket>('ticket')).filter(
    (t) => t.report === null && t.at + switches.reviewTime <= Date.now(),
  );
  for (const ticket of due) {
    const report: Outcome[] = [];
    for (const [i, line] of ticket.lines.entries()) {
      const { doc, told, ...outcome } = await workLine(frame, line);
      const said = { row: i + 1, ref: line.ref, ...outcome };
      report.push(said);
      await store.write(
        doc ? [doc] : [],
        told ? [{ kind: 'report', ...said, seen: seenAt(base, line.ref) }] : [],
      );
    }
    await store.write([{ sort: 'ticket', id: ticket.id, body: { ...ticket, report } }]);
  }
}

async function workLine({ store, switches }: Frame, line: Line) {
  const old = await store.get<Offer>('offer', line.ref);
  const no = (outcome: Outcome['outcome'], code: string, words: string) => ({
    // A change that is rejected leaves the offer as it was: that is told in the report alone.
    outcome,
    code,
    words,
    told: outcome === 'rejected' && !old,
    doc: null,
  });
  if (line.action === 'remove') {
    if (!old) return no('unknown', 'Q02', 'There was no such offer.');
    if (old.status === 'sold') return no('sold', 'Q03', 'It is sold.');
    const removed: Offer = { ...old, status: 'removed' };
    return {
      outcome: 'removed' as const,
      code: '',
      words: '',
      told: false,
      doc: { sort: 'offer', id: line.ref, body: removed },
    };
  }
  if (line.action !== 'put') return no('rejected', 'Q01', 'A line puts or removes.');
  // What sold out is offered again once there are more copies.
  const isMore = old?.status === 'sold' && Number(line.copies) > soldOf(old);
  if (old && old.status !== 'offered' && !isMore)
    return no(old.status === 'sold' ? 'sold' : 'removed', 'Q04', 'It was offered before and is over.');
  const stored = line.keptAt === '' ? null : await store.get<Kept>('depot', line.keptAt);
  const fault =
    faultOf(line, switches, old ? soldOf(old) : 0) ??
    (line.keptAt !== '' &&
    (!stored || stored.postedAt || stored.returnedAt || titleOf(stored.barcode) !== titleOf(line.barcode))
      ? { code: 'Q50', words: 'No such item is at our depot.' }
      : null);
  if (fault) return no('rejected', fault.code, fault.words);
  const pictures: string[] = [];
  for (let place = 0; place < 4; place += 1) {
    const kept = await store.get<{ id: string }>('picture', `${line.ref} ${place}`);
    if (kept) pictures.push(kept.id);
  }
  const offer: Offer = {
    ref: line.ref,
    line,
    pictures,
    status: 'offered',
    order: old?.order ?? null,
    sold: old ? soldOf(old) : 0,
  };
  return {
    outcome: 'accepted' as const,
    code: '',
    words: '',
    told: true,
    doc: { sort: 'offer', id: line.ref, body: offer },
  };
}
