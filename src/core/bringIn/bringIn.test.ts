import fc from 'fast-check';

import { Mapping, mappingId } from '@/contract/mapping';
import { OwnListing } from '@/contract/ownListing';
import { RuleSheet } from '@/contract/ruleSheet';

import { LABELLED_LISTINGS } from './labelled';
import { groupSightings, likeness, weighWords, type Sighting } from './sameItem';
import { copied, kindOfListings, offersOf } from './takeOver';
import { SHEET as brackenmoor } from '../../../server/standins/brackenmoor/sheet';
import { SHEET as lanternyard } from '../../../server/standins/lanternyard/sheet';
import { SHEET as threadwick } from '../../../server/standins/threadwick/sheet';
import { BUILT_IN } from '../kinds/tree';
import { categoryFor } from '../mapping/categories';

const sightings = LABELLED_LISTINGS.map((l) => l.sighting);
const itemOf = new Map(LABELLED_LISTINGS.map((l) => [l.sighting.id, l.item]));

/** Every two listings of different marketplaces that were put together, or belong together. */
function pairs(groups: readonly (readonly string[])[]): Set<string> {
  return new Set(groups.flatMap((ids) => ids.flatMap((a, i) => ids.slice(i + 1).map((b) => `${a} ${b}`))));
}

describe('listings of one item', () => {
  // Pairs judged by hand in labelled.ts: common practice.
  it('are found by their words, hardly ever wrongly', () => {
    const truth = pairs(
      [...new Set(itemOf.values())].map((item) =>
        LABELLED_LISTINGS.filter((l) => l.item === item).map((l) => l.sighting.id),
      ),
    );
    const found = pairs(groupSightings(sightings, []).map((g) => g.listings));
    const right = [...found].filter((p) => truth.has(p));
    const wrong = [...found].filter((p) => !truth.has(p));
    const missed = [...truth].filter((p) => !found.has(p));
    const precision = right.length / found.size;
    const recall = right.length / truth.size;
    const words = (p: string) =>
      p
        .split(' ')
        .map((id) => `${itemOf.get(id)}`)
        .join('/');
    process.stdout.write(
      `${truth.size} pairs: precision ${precision.toFixed(3)}, recall ${recall.toFixed(3)}; wrong ` +
        `${wrong.map(words).join(', ') || 'none'}; missed ${missed.map(words).join(', ') || 'none'}\n`,
    );
    expect(truth.size).toBeGreaterThanOrEqual(200);
    expect(precision).toBeGreaterThanOrEqual(0.97);
    expect(recall).toBeGreaterThanOrEqual(0.85);
  });

  it('are never two of one marketplace, nor two items of the attic', () => {
    const word = fc.constantFrom('navy', 'wool', 'jumper', 'vase', 'brass', 'lamp', 'M', 'L', '22');
    const sighting = fc.record({
      market: fc.constantFrom('a', 'b', 'c', null),
      ref: fc.constantFrom('', 'CODE-1', 'CODE-2'),
      title: fc.array(word, { maxLength: 5 }).map((w) => w.join(' ')),
      barcode: fc.constantFrom('', '4006381333931', '9780306406157', 'nonsense'),
      price: fc.option(fc.integer({ min: 0, max: 10_000 })),
      prints: fc.constant<string[]>([]),
    });
    fc.assert(
      fc.property(fc.array(sighting, { maxLength: 14 }), (some) => {
        const all = some.map((s, i): Sighting => ({ ...s, id: String(i) }));
        const listings = all.filter((s) => s.market !== null);
        const items = all.filter((s) => s.market === null);
        const groups = groupSightings(listings, items);
        expect(groups.flatMap((g) => g.listings).sort()).toEqual(listings.map((l) => l.id).sort());
        for (const g of groups) {
          const markets = g.listings.map((id) => all[Number(id)]!.market);
          expect(new Set(markets).size).toBe(markets.length);
        }
        const claimed = groups.flatMap((g) => g.item ?? []);
        expect(new Set(claimed).size).toBe(claimed.length);
      }),
    );
  });

  it('are told by a picture where words say little, and kept apart by barcodes that differ', () => {
    const weights = weighWords(sightings.map((s) => s.title));
    const print = 'a3T'.repeat(128);
    const a: Sighting = {
      id: 'a',
      market: 'a',
      ref: '',
      title: 'Old lamp',
      barcode: '',
      price: 900,
      prints: [print],
    };
    const b = { ...a, id: 'b', market: 'b', title: 'Light for a desk' };
    expect(likeness(a, b, weights).sure).toBeGreaterThan(0.5);
    expect(likeness(a, b, weights).why[0]?.code).toBe('picture');
    expect(likeness({ ...a, prints: [] }, { ...b, prints: [] }, weights).sure).toBeLessThan(0.1);
    const twin = { ...a, id: 'c', market: 'c', barcode: '4006381333931' };
    expect(
      likeness({ ...a, prints: [], barcode: '9780306406157' }, { ...twin, prints: [] }, weights).sure,
    ).toBeLessThan(0.5);
  });

  it('is the same likeness both ways, between 0 and 1', () => {
    const weights = weighWords(sightings.map((s) => s.title));
    const pick = fc.constantFrom(...sightings);
    fc.assert(
      fc.property(pick, pick, (a, b) => {
        const there = likeness(a, b, weights).sure;
        expect(there).toBeCloseTo(likeness(b, a, weights).sure, 10);
        expect(there).toBeGreaterThanOrEqual(0);
        expect(there).toBeLessThanOrEqual(1);
      }),
    );
  });
});

describe('copying from listings', () => {
  const sheets = [brackenmoor, threadwick, lanternyard].map((s) => RuleSheet.parse(s));
  const listing = (part: Partial<OwnListing>): OwnListing =>
    OwnListing.parse({
      market: 'brackenmoor',
      ref: 'r',
      remoteId: 'r',
      url: '/x',
      state: 'live',
      title: 'Navy wool jumper',
      text: '<p>Warm.</p><p>Visit my shop!</p>',
      price: 4_800,
      postage: 0,
      category: 'wear.knit',
      condition: brackenmoor.conditions[2]!.code,
      specifics: { brand: 'Kittiwake Mills', colour: 'Navy' },
      pictures: [],
      listedAt: null,
      ...part,
    });
  const two = [
    listing({}),
    listing({
      market: 'threadwick',
      title: 'Kittiwake gansey jumper',
      price: 5_200,
      condition: threadwick.conditions[1]!.code,
      specifics: { brand: 'kittiwake mills', size: 'M' },
    }),
  ];

  it('offers each field once, with who says what, cleaned', () => {
    const kind = kindOfListings(two, BUILT_IN, [], sheets);
    expect(kind).toBe('jumper');
    const offers = Object.fromEntries(
      offersOf(two, sheets, BUILT_IN, kind, 'metric').map((o) => [o.field, o.values]),
    );
    expect(offers.title?.map((v) => v.markets)).toEqual([['threadwick'], ['brackenmoor']]);
    expect(offers['fact:brand']).toEqual([
      { value: 'Kittiwake Mills', shown: 'Kittiwake Mills', markets: ['brackenmoor', 'threadwick'] },
    ]);
    expect(offers.description?.[0]?.value).toBe('Warm.');
    expect(offers.price?.map((v) => v.shown)).toEqual(['€48.00', '€52.00']);
    expect(offers['fact:size']?.[0]?.markets).toEqual(['threadwick']);
  });

  describe('what kind they are', () => {
    const decided = (market: string, kind: string, category: string) =>
      Mapping.parse({ id: mappingId(market, kind), market, kind, category });
    const of = (title: string, market: string, category: string, ...mappings: Mapping[]) =>
      kindOfListings([listing({ title, market, category })], BUILT_IN, mappings, sheets);
    it('their words say, whatever else went to that category', () => {
      expect(kindOfListings(two, BUILT_IN, [decided('brackenmoor', 'cardigan', 'wear.knit')], sheets)).toBe(
        'jumper',
      );
      expect(of('Enamel tray', 'lanternyard', 'shop', decided('lanternyard', 'cardigan', 'shop'))).not.toBe(
        'cardigan',
      );
    });
    it('is left open where words say nothing and items of other kinds go there as well', () => {
      for (const sheet of sheets)
        for (const category of sheet.categories.filter((c, i) => c.leaf && i % 6 === 0)) {
          const [first] = BUILT_IN.leaves.filter(
            (k) => categoryFor(k.id, BUILT_IN, sheet, [])?.id === category.id,
          );
          if (!first) continue;
          const mapping = decided(sheet.marketplace, first.id, category.id);
          const goThere = BUILT_IN.leaves.filter(
            (k) => categoryFor(k.id, BUILT_IN, sheet, [mapping])?.id === category.id,
          );
          const kind = of('???', sheet.marketplace, category.id, mapping);
          expect([sheet.marketplace, category.id, kind]).toEqual([
            sheet.marketplace,
            category.id,
            goThere.length === 1 ? first.id : '',
          ]);
        }
    });
    it('is nothing where nothing points to one', () =>
      expect(kindOfListings([listing({ title: '???', category: 'gone' })], BUILT_IN, [], sheets)).toBe(''));
  });

  it('takes only what was chosen, and nothing a question does not take', () => {
    const part = copied(
      { facts: { size: 'L' } },
      { title: 'T', price: '4800', use: 'light', 'fact:brand': 'K', 'fact:nonsense': 'x' },
      BUILT_IN,
      'jumper',
    );
    expect(part).toEqual({ title: 'T', price: 4_800, use: 'light', facts: { size: 'L', brand: 'K' } });
    expect(copied({ facts: {} }, {}, BUILT_IN, 'jumper')).toEqual({});
  });
});
