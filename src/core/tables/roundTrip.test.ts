import fc from 'fast-check';

import { Choices } from '@/contract/choices';
import { Group } from '@/contract/groups';
import { Haul, Item, MEASURED_BY, Owner, SEVERITIES, TESTED, USES } from '@/contract/records';

import { csvHead, csvValues, SEPARATORS, type CsvWays } from './csv';
import { jsonLines } from './jsonLines';
import { headPrint, Headings, matchColumns } from './match';
import { indexOf, TableIn, type LinePlan } from './planIn';
import { decodeText, headed, jsonTable, textTable } from './read';
import type { RawCell } from './said';
import { isoDate } from './said';
import { isAlike, severalAlike } from '../choices/choices';
import { BUILT_IN } from '../kinds/tree';
import { factsWith } from '../kinds/values';
import type { TableWays } from './stock/column';
import { stockColumns, stockRows } from './stock/stockTable';

const groups = ['Winter', 'Under the stairs'].map((name, i) => Group.parse({ id: `g${i}`, name }));
const hauls = ['Quayside car boot', '=the attic, "upper"'].map((name, i) =>
  Haul.parse({
    id: `h${i}`,
    name,
    date: '2026-11-08',
    createdAt: 0,
    lines: [{ id: `l${i}`, what: `jumpers ${i}`, count: 3 }],
  }),
);
const owner = Owner.parse({ id: 'o', name: 'Mrs Aldous', tiers: [{ under: null, shareBp: 6_000 }] });
const byId = <T extends { id: string }>(all: readonly T[]) => Object.fromEntries(all.map((r) => [r.id, r]));
const waysOf = (units: TableWays['units']): TableWays => ({
  kinds: BUILT_IN,
  currency: 'EUR',
  units,
  groups: byId(groups),
  hauls: byId(hauls),
  owners: { o: owner },
  toLocal: (at) => new Date(at).toISOString().replace('T', ' ').slice(0, 19),
  fromLocal: (said) => {
    const iso = isoDate(said, 'dmy');
    return iso === null ? null : Date.parse(`${iso.replace(' ', 'T')}Z`);
  },
});

const some = <T>(of: fc.Arbitrary<T>) => fc.option(of, { nil: null });
const money = some(fc.integer({ min: 0, max: 5_000_000 }));
/** Whatever people and machines write, formulas and odd spaces among it. */
const anyText = (most: number) =>
  fc.oneof(
    fc.string({ maxLength: most }),
    fc.string({ maxLength: most, unit: 'grapheme' }),
    fc.stringMatching(/^['=+\-@\t ]{0,3}[\w ,;"'\r\n]{0,12}$/).map((t) => t.slice(0, most)),
  );
/** As the app stores what is typed: without spaces around it. */
const tidy = (most: number) => anyText(most).map((t) => t.replace(/\r\n?/gu, '\n').trim());
const at = fc.integer({ min: 0, max: 4_000_000_000 }).map((s) => s * 1_000);
const mm = fc.integer({ min: 1, max: 20_000_000 }).map((n) => n / 1_000);
const flaw = fc.record({
  id: fc.constantFrom('f1', 'f2'),
  type: anyText(30),
  place: anyText(30),
  severity: fc.constantFrom(...SEVERITIES),
  sizeMm: some(mm.map((n) => Math.min(n, 10_000))),
});

/** Answers to the questions of a kind, some of them; `raw`: also what no form would take. */
const factsOf = (kind: string, raw: boolean) =>
  fc
    .tuple(
      ...BUILT_IN.facts(kind).map((spec) => {
        const free = raw ? anyText(60) : tidy(60);
        const fit =
          spec.type === 'year'
            ? fc.integer({ min: 1_000, max: 2_999 }).map(String)
            : spec.type === 'number'
              ? fc.integer({ min: 0, max: 99_999 }).map((n) => String(n / 4))
              : spec.type === 'yesNo'
                ? fc.constantFrom('Yes', 'No')
                : free;
        const one = spec.choices ? fc.oneof(fc.constantFrom(...spec.choices), fit) : fit;
        return fc.option(
          one.map((value) => [spec, value] as const),
          { nil: undefined },
        );
      }),
    )
    .map((answers) => {
      let facts: Record<string, string> = {};
      for (const answer of answers) {
        if (!answer) continue;
        const [spec, value] = answer;
        const done = factsWith(facts, spec, value);
        if (raw && value !== '') facts = { ...facts, [spec.id]: value };
        else if (done.ok && spec.id !== 'barcode') facts = done.facts;
      }
      return facts;
    });

const choices = fc
  .tuple(
    fc.uniqueArray(fc.constantFrom('S', 'M', 'L; wide', 'red, blue'), { minLength: 1 }),
    fc.array(fc.nat(9), { minLength: 4, maxLength: 4 }),
  )
  .map(([values, stock]) =>
    Choices.parse({
      options: [{ name: 'Size', values }],
      pieces: values.map((v, i) => ({
        values: [v],
        stock: stock[i],
        price: i === 0 ? 950 : null,
        code: `P${i}`,
      })),
      nextPiece: 9,
    }),
  );

const alike = fc.nat(9).map((stock) => severalAlike(null, stock, 'YA-0001'));

/** Items with every field said or not. */
const anItem = (raw: boolean): fc.Arbitrary<Item> => {
  const text = raw ? anyText : tidy;
  return fc.constantFrom('', ...BUILT_IN.leaves.map((k) => k.id)).chain((kind) =>
    fc
      .record({
        title: text(80),
        description: text(200),
        facts: factsOf(kind, raw),
        use: some(fc.constantFrom(...USES)),
        flaws: fc.array(flaw, { maxLength: 2 }),
        looked: fc.boolean(),
        included: text(40),
        missing: text(40),
        tested: some(fc.constantFrom(...TESTED)),
        cleaned: some(fc.boolean()),
        smoke: some(fc.boolean()),
        pets: some(fc.boolean()),
        gradeByHand: some(fc.record({ wear: fc.integer({ min: 0, max: 5 }), why: anyText(40) })),
        conditionNote: text(60),
        measurements: fc
          .dictionary(
            fc.constantFrom(
              ...(BUILT_IN.measures(kind).length > 0 ? BUILT_IN.measures(kind) : [{ id: 'none' }]).map(
                (m) => m.id,
              ),
            ),
            mm,
          )
          .map((all) => (BUILT_IN.measures(kind).length > 0 ? all : {})),
        uncertainty: fc.constant({}),
        measuredBy: fc.dictionary(fc.constantFrom('chest', 'length'), fc.constantFrom(...MEASURED_BY)),
        cost: money,
        price: money,
        weightG: some(fc.integer({ min: 1, max: 1_000_000 })),
        parcel: some(
          fc.record({
            lengthMm: fc.integer({ min: 1, max: 10_000 }),
            widthMm: some(fc.integer({ min: 1, max: 10_000 })),
            heightMm: some(fc.integer({ min: 1, max: 10_000 })),
          }),
        ),
        postageBy: fc.constantFrom('apart', 'builtIn'),
        restockable: fc.boolean(),
        offers: some(fc.record({ acceptFrom: fc.integer({ min: 0, max: 9_999 }), refuseUnder: money })),
        markdown: some(fc.record({ steps: fc.constant([{ day: 14, offBp: 1_000 }]), from: at })),
        holds: fc.array(
          fc.record({
            from: at,
            to: some(at),
            who: anyText(20),
            market: fc.constant(null),
            meet: fc.constant(null),
          }),
          { maxLength: 1 },
        ),
        left: some(fc.record({ how: fc.constantFrom('back', 'given'), at })),
        moreDays: fc.integer({ min: 0, max: 3_650 }),
        patientFrom: some(at),
        spot: text(20),
        depot: fc.constant(null),
        groupIds: fc.subarray(groups.map((g) => g.id)),
        haul: fc.constantFrom(null, ...hauls),
        ownerId: some(fc.constant('o')),
        choices: some(fc.oneof(choices, alike)),
        ranks: fc.array(
          fc.record({ at, place: fc.integer({ min: 1, max: 99 }), among: anyText(20), of: fc.constant(500) }),
          { maxLength: 1 },
        ),
        skippedShots: fc.array(anyText(20), { maxLength: 2 }),
      })
      .map(({ haul, ...part }) =>
        Item.parse({
          ...part,
          id: 'i0',
          code: 'YA-0001',
          kind,
          haulId: haul?.id ?? null,
          lineId: haul?.lines[0]?.id ?? null,
          author: 'Me',
          createdAt: 5_000,
          updatedAt: 6_000,
        }),
      ),
  );
};

/** The item under another code, which is on each of several just alike. */
const recoded = (item: Item, code: string): Item =>
  item.choices && isAlike(item.choices)
    ? { ...item, code, choices: severalAlike(null, item.choices.pieces[0]?.stock ?? 0, code) }
    : { ...item, code };

const encoded = (text: string, encoding: 'utf-8' | 'utf-16le'): Uint8Array =>
  encoding === 'utf-8'
    ? new TextEncoder().encode(text)
    : new Uint8Array(Buffer.from(`\uFEFF${text}`, 'utf16le'));

/** The plans of all lines of a file, its columns matched by the app itself. */
function planned(
  rows: readonly (readonly RawCell[])[],
  there: readonly Item[],
  ways: TableWays,
  decimal: '.' | ',',
): LinePlan[] {
  const columns = stockColumns(ways);
  const headings = new Headings(columns, ways);
  const { head, rows: lines } = headed(rows, (h) => headings.isKnown(h));
  const file = { decimal, dates: 'dmy' } as const;
  const matches = matchColumns(head, lines, headings, { ...ways, ...file }, new Set());
  const fields = matches.map((m) => m.field);
  const table = new TableIn(lines, fields, head, columns, indexOf(there), ways, {
    ...file,
    foundBy: 'code',
    emptyClears: true,
    leaveUnread: false,
  });
  return Array.from({ length: table.length }, (_, i) => table.plan(i));
}

describe('a table of stock, saved and read again', () => {
  const csvWays: fc.Arbitrary<CsvWays> = fc.record({
    separator: fc.constantFrom(...SEPARATORS),
    decimal: fc.constantFrom('.', ','),
    mark: fc.boolean(),
  });
  const units = fc.constantFrom('metric', 'imperial');

  it('has a heading of its own for every column, each understood again', () => {
    const ways = waysOf('metric');
    const columns = stockColumns(ways, [{ id: 'moor', name: 'Brackenmoor' }]);
    const headings = new Headings(columns, ways);
    expect(new Set(columns.map((c) => c.label.toLocaleLowerCase('en'))).size).toBe(columns.length);
    for (const c of columns) expect([c.label, headings.fieldOf(c.label)]).toEqual([c.label, c.id]);
    expect(headPrint(['Price, EUR', ' SKU '])).toBe('price eur|sku');
  });

  it('changes nothing of any item, in any way it can be written', () => {
    fc.assert(
      fc.property(
        fc.array(anItem(true), { minLength: 1, maxLength: 3 }),
        csvWays,
        units,
        fc.constantFrom('utf-8', 'utf-16le'),
        (items, csv, u, encoding) => {
          const ways = waysOf(u);
          const all = items.map((item, i): Item => recoded({ ...item, id: `i${i}` }, `YA-000${i}`));
          const columns = stockColumns(ways);
          const rows = all.flatMap((item) => stockRows(item)).map((row) => columns.map((c) => c.of(row)));
          const text = csvHead(columns, csv) + csvValues(rows, csv);
          const read = textTable(decodeText(encoded(text, encoding)).text);
          expect(read.separator).toBe(csv.separator);
          for (const plans of [
            planned(read.rows, all, ways, csv.decimal),
            planned(jsonTable(jsonLines(columns, rows)) ?? [], all, ways, '.'),
          ])
            expect(plans.map((p) => [p.outcome, p.changes, p.troubles])).toEqual(
              all.map(() => ['same', [], []]),
            );
        },
      ),
    );
  });

  it('brings every field back into an empty attic', () => {
    fc.assert(
      fc.property(anItem(false), csvWays, (item, csv) => {
        const ways = waysOf('metric');
        const columns = stockColumns(ways);
        const rows = stockRows(item).map((row) => columns.map((c) => c.of(row)));
        const { rows: read } = textTable(csvHead(columns, csv) + csvValues(rows, csv));
        const [plan, ...more] = planned(read, [], ways, csv.decimal);
        expect(more).toEqual([]);
        expect(plan).toMatchObject({ outcome: 'new', code: 'YA-0001', troubles: [] });
        const fresh = Item.parse({
          id: 'i0',
          code: 'YA-0001',
          author: 'Me',
          createdAt: 5_000,
          updatedAt: 6_000,
        });
        expect({ ...fresh, ...plan!.part }).toEqual(item);
      }),
    );
  });
});
