import { create } from 'zustand';

import type { Item } from '@/contract/records';
import { codedUnder } from '@/core/choices/choices';
import { numberIn } from '@/core/identity/code';
import { plural } from '@/core/language/plural';
import { takenFor } from '@/core/tables/match';
import type { FoundBy, InOptions, Outcome } from '@/core/tables/planIn';
import type { BoughtLine, PurchaseField } from '@/core/tables/purchases';
import { FRESH_ITEM } from '@/core/tables/stock/dataColumns';
import { changeMany, setDraft, setSettings, useAttic, type Put } from '@/store/attic/attic';
import { Expected, wordsFor } from '@/store/base/faults';
import { keptWorker } from '@/store/base/workers';
import { yieldToMain } from '@/store/base/yieldToMain';
import { itemWith, newItems } from '@/store/items/items';
import { allConfirmed } from '@/store/pictures/readings';
import { lookUpList, type LookUpAnswer } from '@/store/research/barcodeLists';
import { recordBeside } from '@/store/research/lookUp';
import type {
  OpenedTable,
  ShownLine,
  TableCounts,
  TableReader,
  TableTroubleCode,
  TakenLine,
} from '@/workers/tablereader.worker';

/** What of a table is being done, and what came of it. */
export interface TableInState {
  step: 'none' | 'reading' | 'matching' | 'planning' | 'planned' | 'taking' | 'taken';
  name: string;
  opened: OpenedTable | null;
  fields: readonly (string | null)[];
  options: InOptions;
  /** Done of how many, while something takes its time. */
  done: number;
  of: number;
  counts: TableCounts | null;
  /** Lines a person leaves out. */
  except: ReadonlySet<number>;
  /** Grows with every table: what was begun for an earlier one is no longer wanted. */
  job: number;
  /** Grows whenever a line is planned anew: what shows lines asks again. */
  round: number;
  trouble: string | null;
  /** The items that were made and changed. */
  made: readonly string[];
  changed: number;
  /** What the product look-up says is right without a person's looking at each. */
  sure: boolean;
}

const USUAL: InOptions = {
  decimal: '.',
  dates: 'dmy',
  foundBy: 'code',
  emptyClears: false,
  leaveUnread: false,
};
const NOTHING: TableInState = {
  step: 'none',
  name: '',
  opened: null,
  fields: [],
  options: USUAL,
  done: 0,
  of: 0,
  counts: null,
  except: new Set(),
  job: 0,
  round: 0,
  trouble: null,
  made: [],
  changed: 0,
  sure: false,
};

/** The one table that is coming in. It goes on when its screen is left. */
export const useTableIn = create<TableInState>(() => NOTHING);

const worker = keptWorker<TableReader>(
  'reading a table',
  () => new Worker(new URL('../../workers/tablereader.worker.ts', window.location.href)),
);

/** Items told, and lines planned, at a time: a finger never waits for more. */
const PORTION = 200;
/** The most sets of headings remembered. */
const MOST_REMEMBERED = 30;

const TROUBLES: Record<TableTroubleCode, string> = {
  tooLarge:
    'It is larger than 60 MB, or unpacks to more than can be held. Part it, and read one part at a time.',
  tooManyRows: 'It has more than 100,000 lines. Part it, and read one part at a time.',
  tooWide: 'It has more columns than can be read: leave out those that are not wanted.',
  nothing: 'Nothing stands in it.',
  unread:
    'It can’t be read: it is damaged, locked with a password, or no spreadsheet. Save it as CSV or .xlsx.',
  lost: 'What was read of it is gone. Choose the file again.',
};

/** Words for what went wrong; nothing of the attic was touched by then. */
function troubleWords(error: unknown): string {
  const code = error instanceof Error ? error.message : '';
  const known = Object.entries(TROUBLES).find(([c]) => c === code)?.[1];
  return known ? `${known} Nothing was changed.` : wordsFor(error, 'reading a table');
}

/** Every step of it ends in the state: done, or what went wrong. */
async function doing(step: TableInState['step'], work: () => Promise<void>): Promise<void> {
  const { step: before, job } = useTableIn.getState();
  useTableIn.setState({ step, trouble: null, done: 0, of: 0 });
  try {
    await work();
  } catch (error) {
    // Stopped, or put away meanwhile: nobody waits for it.
    if (error instanceof Stopped || useTableIn.getState().job !== job) return;
    useTableIn.setState({ step: step === 'reading' ? 'none' : before, trouble: troubleWords(error) });
  }
}

/** A person stopped it. */
class Stopped extends Expected {
  constructor() {
    super('stopped');
  }
}

/** Puts the table away. What was taken of it stays. */
export function putTableAway(): void {
  worker.stop();
  useTableIn.setState((s) => ({ ...NOTHING, job: s.job + 1 }));
}

/** Stops what takes its time; the table stays to be matched again. */
export function stopTable(): void {
  const { step, opened, round } = useTableIn.getState();
  if (step === 'reading') return putTableAway();
  if (step === 'planning' && opened) useTableIn.setState({ step: 'matching', round: round + 1 });
}

/** Back to what the columns are. */
export function stopPreview(): void {
  useTableIn.setState({ step: 'matching', trouble: null });
}

/** Reads a file, or what was pasted, and looks what its columns may be. */
export async function openTable(file: Blob, name: string): Promise<void> {
  worker.stop();
  useTableRecords.setState({}, true);
  useTableIn.setState((s) => ({ ...NOTHING, name, job: s.job + 1 }));
  const { job } = useTableIn.getState();
  const goOn = () => {
    if (useTableIn.getState().job !== job) throw new Stopped();
  };
  await doing('reading', async () => {
    const { settings, kinds, specifics, groups, hauls, owners, items } = useAttic.getState();
    await worker.ask.begin({
      currency: settings.currency,
      units: settings.units,
      groups,
      hauls,
      owners,
      ownKinds: Object.values(kinds),
      ownSpecifics: Object.values(specifics),
    });
    const all = Object.values(items);
    for (let at = 0; at < all.length; at += PORTION) {
      await worker.ask.addItems(all.slice(at, at + PORTION));
      goOn();
      useTableIn.setState({ done: Math.min(at + PORTION, all.length), of: all.length });
    }
    await worker.ask.open(file);
    goOn();
    await lookAt(0);
  });
}

/** Another sheet of the workbook. */
export function chooseSheet(sheet: number): Promise<void> {
  return doing('matching', () => lookAt(sheet));
}

async function lookAt(sheet: number): Promise<void> {
  const { matches } = useAttic.getState().settings.tables;
  const { job } = useTableIn.getState();
  const opened = await worker.ask.look(sheet, matches);
  if (useTableIn.getState().job !== job) throw new Stopped();
  const { decimal, dates } = opened;
  useTableIn.setState({
    step: 'matching',
    opened,
    fields: opened.matches.map((m) => m.field),
    options: { ...USUAL, decimal, dates },
    counts: null,
    except: new Set(),
  });
}

/** A person says what a column is; null: it is left. Nothing is taken twice. */
export function setField(place: number, field: string | null): void {
  useTableIn.setState(({ fields }) => ({ fields: takenFor(fields, place, field) }));
}

export function setOptions(part: Partial<InOptions>): void {
  useTableIn.setState(({ options }) => ({ options: { ...options, ...part } }));
}

/** Remembers what the columns were taken for, for files with the same headings. */
function remember(): void {
  const { opened, fields } = useTableIn.getState();
  const { tables } = useAttic.getState().settings;
  if (!opened || opened.print === '') return;
  const match = { print: opened.print, fields: [...fields] };
  const others = tables.matches.filter((m) => m.print !== match.print);
  setSettings({ tables: { ...tables, matches: [match, ...others].slice(0, MOST_REMEMBERED) } });
}

/** Works out line by line what the table would do. */
export function planTable(): Promise<void> {
  return doing('planning', async () => {
    remember();
    const { fields, options, round } = useTableIn.getState();
    const of = await worker.ask.start([...fields], options);
    useTableIn.setState({ of, except: new Set() });
    for (let at = 0; at < of; at += PORTION) {
      await worker.ask.plan(at, PORTION);
      if (useTableIn.getState().round !== round) throw new Stopped();
      useTableIn.setState({ done: Math.min(at + PORTION, of) });
    }
    await recount('planned');
  });
}

async function recount(step: TableInState['step'] = useTableIn.getState().step): Promise<void> {
  const counts = await worker.ask.counts([...useTableIn.getState().except]);
  useTableIn.setState((s) => ({ counts, step, round: s.round + 1 }));
}

/** What a purchase list says was bought, by what its columns are taken for. */
export function boughtLines(fields: readonly (PurchaseField | null)[]): Promise<BoughtLine[]> {
  const { decimal, dates } = useTableIn.getState().options;
  return worker.ask.purchases([...fields], { decimal, dates });
}

/** Lines of one outcome, as they would be taken. */
export function tableLines(
  outcome: Outcome | null,
  from: number,
  count: number,
): Promise<{ lines: ShownLine[]; of: number }> {
  return worker.ask.lines(outcome, from, count);
}

/** One line with what stands in its cells. */
export function tableLine(line: number): Promise<{ plan: ShownLine; texts: string[] } | null> {
  return worker.ask.line(line);
}

/** Another text in a cell, before the line is taken. */
export async function correctCell(line: number, column: number, text: string): Promise<void> {
  await worker.ask.correct(line, column, text);
  await recount();
}

/** A person says which item a line is about; null: a new one. */
export async function chooseItem(line: number, itemId: string | null): Promise<void> {
  await worker.ask.choose(line, itemId);
  await recount();
}

/** Leaves lines out, or takes them again. */
export async function leaveOut(lines: readonly number[], isOut: boolean): Promise<void> {
  const except = new Set(useTableIn.getState().except);
  for (const line of lines)
    if (isOut) except.add(line);
    else except.delete(line);
  useTableIn.setState({ except });
  await recount();
}

/** Every line that would do something, left out or taken. */
export async function leaveAllOut(isOut: boolean): Promise<void> {
  await leaveOut(await worker.ask.takeable(), isOut);
}

/** What is done with pictures that lie beside a table, once its items are there. */
export type AfterTaking = (taken: readonly { line: TakenLine; ids: readonly string[] }[]) => void;

/**
 * Takes what was not left out into the attic, with one undo.
 *
 * @param then told of each line with the items it made or changed
 */
export function takeTable(then: AfterTaking = () => undefined): Promise<void> {
  return doing('taking', async () => {
    const { counts, except, name } = useTableIn.getState();
    const of = counts?.all ?? 0;
    const out = [...except];
    keepNumbersFree(await worker.ask.codes(out));
    const makers: (() => Put)[] = [];
    const taken: { line: TakenLine; ids: string[] }[] = [];
    let changed = 0;
    for (let at = 0; at < of; at += PORTION) {
      const lines = await worker.ask.taken(at, PORTION, out);
      const puts = putsOf(lines);
      for (const { line, ids, makers: some } of puts) {
        makers.push(...some);
        taken.push({ line, ids });
        if (line.itemId !== null) changed += 1;
      }
      useTableIn.setState({ done: Math.min(at + PORTION, of), of });
      await yieldToMain();
    }
    if (makers.length > 0)
      await changeMany(
        `${plural(makers.length, 'one item', `${makers.length} items`)} from ${name || 'a table'}`,
        makers,
        { destructive: true },
      );
    const made = taken.flatMap(({ line, ids }) => (line.itemId === null ? ids : []));
    setDraft('table', undefined);
    useTableIn.setState({ step: 'taken', made, changed });
    then(taken);
  });
}

/** No new item gets a number that a code from the table has. */
function keepNumbersFree(codes: readonly string[]): void {
  const { codePattern, nextNumber } = useAttic.getState().settings;
  const numbers = codes.flatMap((code) => numberIn(codePattern, code) ?? []);
  const next = numbers.reduce((most, n) => Math.max(most, n + 1), nextNumber);
  if (next > nextNumber) setSettings({ nextNumber: next });
}

/** What some lines put into the attic, and the items they are about; new ones are made all at once. */
function putsOf(lines: readonly TakenLine[]): { line: TakenLine; makers: (() => Put)[]; ids: string[] }[] {
  const fresh = lines.filter((line) => line.itemId === null);
  // What its line called it by, once for each of several copies.
  const codes = fresh.flatMap(({ code, times }) => Array.from({ length: times }, () => code));
  const made = newItems(
    fresh.flatMap(({ part, code, times }) =>
      Array.from({ length: times }, (_, i) => ({ ...part, ...(code !== null && i === 0 ? { code } : {}) })),
    ),
  )
    .map((item, i) => withOwnCodes(item, codes[i] ?? FRESH_ITEM.code))
    .map(withRecord);
  let at = 0;
  return lines.map((line) => {
    const { itemId, part, times } = line;
    if (itemId !== null) {
      const item = useAttic.getState().items[itemId];
      return item
        ? { line, makers: [() => itemWith(item, part)], ids: [itemId] }
        : { line, makers: [], ids: [] };
    }
    const items = made.slice(at, (at += times));
    return {
      line,
      makers: items.map((item) => (): Put => ({ collection: 'items', id: item.id, record: item })),
      ids: items.map((i) => i.id),
    };
  });
}

/** Pieces are named by the code of their item, which may be another than its line's, or not said there. */
function withOwnCodes(item: Item, before: string): Item {
  return item.choices ? { ...item, choices: codedUnder(item.choices, before, item.code) } : item;
}

/** A new item with what the product look-up said of its barcode, to be confirmed or said to be right. */
function withRecord(item: Item): Item {
  const record = useTableRecords.getState()[item.facts.barcode ?? '']?.record;
  if (!record) return item;
  const told = { ...item, ...recordBeside(item, record) };
  return useTableIn.getState().sure ? { ...told, ...allConfirmed(told) } : told;
}

/** What the product look-up answered, by barcode. */
export const useTableRecords = create<Readonly<Record<string, LookUpAnswer>>>(() => ({}));

/** The most barcodes looked up at a time: the product look-up has a pace of its own. */
export const MOST_LOOKED_UP = 500;

/** Has the barcodes of new lines looked up that were not yet. @returns how many were too many */
export async function lookTableUp(): Promise<number> {
  const all = [...new Set(await worker.ask.barcodes())];
  const open = all.filter((digits) => {
    const { state = 'trouble' } = useTableRecords.getState()[digits] ?? {};
    return state === 'trouble';
  });
  await lookUpList(open.slice(0, MOST_LOOKED_UP), (answer) =>
    useTableRecords.setState({ [answer.digits]: answer }),
  );
  return Math.max(0, open.length - MOST_LOOKED_UP);
}

/** Whether lines can be found by their barcodes here. */
export function waysToFind(fields: readonly (string | null)[]): FoundBy[] {
  return fields.includes('fact:barcode') ? ['code', 'barcode'] : ['code'];
}
