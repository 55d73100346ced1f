import fc from 'fast-check';

import { Picture, Plan, Item } from '@/contract/records';
import { RuleSheet } from '@/contract/ruleSheet';

import { checkListing } from './check';
import { draftOf, draftHash } from './draft';
import { effectiveListing, listingTakeHome } from './effective';
import { plainSetup } from './setup';
import { SHEET as BRACKENMOOR } from '../../../server/standins/brackenmoor/sheet';
import { problemsOf } from '../../../server/standins/brackenmoor/validate';
import { SHEET as NEARSTILE } from '../../../server/standins/nearstile/sheet';
import { SHEET as THREADWICK } from '../../../server/standins/threadwick/sheet';
import { objections } from '../../../server/standins/threadwick/validate';
import { recordOf } from '../catalogue/sheetRecords';
import { BUILT_IN, KindTree, ROWS } from '../kinds/tree';
import { translate } from '../mapping/values';

const moor = RuleSheet.parse(BRACKENMOOR);
const wick = RuleSheet.parse(THREADWICK);
const stile = RuleSheet.parse(NEARSTILE);

const SETUP = plainSetup({ remembered: { nearstile: { place: 'Harbour steps' } } });

const gansey = (part: Partial<Item> = {}) =>
  Item.parse({
    id: 't',
    code: 'YA-0001',
    author: 'me',
    createdAt: 0,
    updatedAt: 0,
    kind: 'jumper',
    use: 'light',
    price: 4800,
    weightG: 820,
    facts: { brand: 'Kittiwake', department: 'Men', size: 'M', colour: 'Navy', material: 'Wool' },
    spot: 'A3-12',
    title: 'Kittiwake gansey jumper, navy wool, size M',
    description: 'Tightly spun navy wool, darned once.',
    ...part,
  });
const pictures = (n: number, side = 1500): Picture[] =>
  Array.from({ length: n }, (_, i) =>
    Picture.parse({
      id: `p${i}`,
      itemId: 't',
      origin: 'file',
      author: 'me',
      addedAt: 0,
      width: side,
      height: side,
      bytes: 9,
    }),
  );
const plan = (market: string, part: Partial<Plan> = {}) =>
  Plan.parse({ id: `t_${market}`, itemId: 't', market, wanted: true, ...part });
const look = (item: Item, sheet: RuleSheet, shown = pictures(6), p?: Plan) => {
  const effective = effectiveListing(item, p, sheet, BUILT_IN, SETUP);
  return { effective, findings: checkListing(item, effective, sheet, shown, BUILT_IN) };
};
const blockers = (item: Item, sheet: RuleSheet, shown?: Picture[], p?: Plan) =>
  look(item, sheet, shown, p)
    .findings.filter((f) => f.level === 'blocker')
    .map((f) => f.field);

describe('a record by its barcode', () => {
  const record = { barcode: '2000000000015', rack: 'books', closed: false };
  const sheet: RuleSheet = { ...moor, records: [record] };
  it.each([
    '200-0000000015',
    '200 000 0000 015',
    '02000000000015',
    'EAN 2000000000015',
    '200\u20110000000015',
  ])('is found as it was typed, %s, and sent as the marketplace has it', (barcode) => {
    const item = gansey({ facts: { barcode } });
    expect(recordOf(barcode, sheet)).toEqual(record);
    const own = plan('brackenmoor', { specifics: { barcode } });
    expect(effectiveListing(item, own, sheet, BUILT_IN, SETUP)).toMatchObject({
      categoryId: 'books',
      specifics: { barcode: '2000000000015' },
    });
  });
  it('is none under another barcode, or none at all', () => {
    expect(recordOf('2000000000022', sheet)).toBeUndefined();
    expect(recordOf(' ', sheet)).toBeUndefined();
    expect(recordOf('2000000000015', moor)).toBeUndefined();
  });
});

describe('the check', () => {
  it.each([moor, wick, stile])('has nothing against a complete jumper on $name', (sheet) =>
    expect(look(gansey(), sheet).findings).toEqual([]),
  );

  it.each<[string, Partial<Item>, RuleSheet, string]>([
    ['no kind', { kind: '' }, moor, 'kind'],
    ['a lamp', { kind: 'lamp' }, wick, 'category'],
    ['no use said', { use: null }, moor, 'condition'],
    ['no title', { title: ' ' }, moor, 'title'],
    ['a short text', { description: 'short' }, moor, 'description'],
    ['no price', { price: null }, stile, 'price'],
    ['a price under the least', { price: 99 }, moor, 'price'],
    ['no size', { facts: { brand: 'K', department: 'Men', colour: 'Navy' } }, wick, 'fact:size'],
    [
      'a colour not on the list',
      { facts: { brand: 'K', department: 'Men', size: 'M', colour: 'Thunder' } },
      wick,
      'specific:colour',
    ],
    [
      'the private spot in the words',
      { description: 'It waits on shelf A3-12 for you.' },
      moor,
      'description',
    ],
    ['an e-mail address', { title: 'Jumper, ask a@b.example' }, stile, 'title'],
    ['a forbidden word', { description: 'A replica of a gansey, in navy wool.' }, moor, 'description'],
    ['markup', { description: '<b>navy</b> wool, tightly spun, darned' }, wick, 'description'],
    ['a weight over 31.5 kg', { weightG: 40_000 }, moor, 'parcel'],
  ])('blocks %s at its field', (_, part, sheet, field) =>
    expect(blockers(gansey(part), sheet)).toContain(field),
  );

  it('writes shared words shorter where they do not fit, says so, and leaves own words alone', () => {
    const long = gansey({ title: 'x'.repeat(53), description: 'One sentence of it. '.repeat(40) });
    const { effective, findings } = look(long, wick);
    expect(effective.title).toBe('Kittiwake Men jumper Wool Navy size M');
    expect(effective.description.endsWith('One sentence of it.')).toBe(true);
    expect(effective.shortened).toEqual(['title', 'description']);
    expect(findings.map((f) => [f.level, f.field])).toEqual([
      ['caution', 'title'],
      ['caution', 'description'],
    ]);
    expect(blockers(long, wick, pictures(6), plan('threadwick', { title: 'x'.repeat(53) }))).toEqual([
      'title',
    ]);
    expect(blockers(long, wick, pictures(6), plan('threadwick', { description: 'x'.repeat(481) }))).toEqual([
      'description',
    ]);
  });
  it('sends markup only where it is taken, and only what is taken', () => {
    const item = gansey({ description: 'Navy <wool> & more of it\n\n- darned' });
    expect(look(item, moor).effective.text).toBe(
      '<p>Navy &lt;wool&gt; &amp; more of it</p><ul><li>darned</li></ul>',
    );
    expect(look(gansey(), wick).effective.text).toBe(
      'Tightly spun navy wool, darned once.\n\n~jumper ~kittiwakejumper ~navyjumper ~wooljumper ' +
        '~kittiwake ~wool',
    );
  });
  it('takes several values and one’s own where the sheet does, and the marketplace agrees', () => {
    const found = (value: string) =>
      look(gansey(), moor, pictures(6), plan('brackenmoor', { specifics: { material: value } }))
        .findings.filter((f) => f.field.endsWith(':material'))
        .map((f) => f.code);
    expect(found('Wool | Possum | Silk')).toEqual([]);
    expect(found('Wool | Possum | Silk | Linen')).toEqual(['specificTooMany']);
    expect(found(`Wool | ${'x'.repeat(66)}`)).toEqual(['specificTooLong']);
    expect(look(gansey({ facts: { material: 'wool and nettle' } }), moor).effective.specifics.material).toBe(
      'Wool | nettle',
    );
  });
  it('lets no own spot out among the words a place is searched by', () => {
    const item = gansey({ spot: 'A3-12' });
    const tags = ['gansey', 'from A3-12', 'me@here.example'];
    const { findings } = look(item, moor, pictures(6), plan('brackenmoor', { tags }));
    expect(findings.filter((f) => f.field === 'tags').map((f) => [f.level, f.code])).toEqual([
      ['blocker', 'privateSpecific'],
      ['blocker', 'privateSpecific'],
    ]);
  });
  it('lets nothing out whose amounts are in another currency than the marketplace sells in', () => {
    const found = (currency?: string) => {
      const { effective } = look(gansey(), moor);
      const limits = { min: null, max: null, floor: null, ...(currency ? { currency } : {}) };
      return checkListing(gansey(), effective, moor, pictures(6), BUILT_IN, limits).filter(
        (f) => f.code === 'otherCurrency',
      );
    };
    expect(found()).toEqual([]);
    expect(found('EUR')).toEqual([]);
    expect(found('GBP')).toMatchObject([
      { level: 'blocker', field: 'price', params: { market: 'Brackenmoor', theirs: 'EUR', ours: 'GBP' } },
    ]);
  });
  it('counts topic words as Threadwick does', () =>
    expect(
      blockers(
        gansey(),
        wick,
        pictures(6),
        plan('threadwick', { description: 'A gansey ~a1 ~b2 ~c3 ~d4 ~e5 ~f6 ~g7' }),
      ),
    ).toEqual(['description']));

  it('blocks too few and too small pictures', () => {
    expect(blockers(gansey(), wick, pictures(3))).toEqual(['pictures']);
    expect(blockers(gansey(), moor, pictures(2, 480))).toEqual(['pictures', 'pictures']);
  });
  it('takes no item too worn for Threadwick, and says why', () => {
    const torn = gansey({
      flaws: [
        {
          id: 'f',
          type: 'torn',
          place: 'front',
          severity: 'broken',
          sizeMm: null,
          pictureId: null,
          pin: null,
        },
      ],
    });
    expect(look(torn, wick).findings[0]).toMatchObject({
      code: 'conditionNotTaken',
      params: { market: 'Threadwick', because: { code: 'flaw', params: { type: 'torn', place: 'front' } } },
    });
    expect(blockers(torn, moor)).toEqual([]);
  });
  it('asks the sheet’s own questions', () => {
    const effective = effectiveListing(gansey(), undefined, stile, BUILT_IN, plainSetup());
    expect(checkListing(gansey(), effective, stile, pictures(6), BUILT_IN).map((f) => f.field)).toEqual([
      'answer:place',
    ]);
  });
  it('lets a plan’s own values stand in place of the shared ones', () => {
    const own = plan('threadwick', {
      title: 'Own title for Threadwick here',
      price: 1800,
      specifics: { colour: 'Sky' },
    });
    const { effective, findings } = look(gansey({ title: 'x'.repeat(70) }), wick, pictures(6), own);
    expect(findings).toEqual([]);
    expect(effective).toMatchObject({
      title: 'Own title for Threadwick here',
      price: 1800,
      specifics: { colour: 'Sky', size: 'M' },
    });
    expect(listingTakeHome(effective, wick)?.feeTotal).toBe(240);
  });
  it('tells when a category is no longer in the sheet', () =>
    expect(
      look(gansey(), moor, pictures(6), plan('brackenmoor', { category: 'gone.away' })).findings[0]?.code,
    ).toBe('categoryGone'));

  it('changes its fingerprint with anything that is shown', () => {
    const draft = draftOf(look(gansey(), moor).effective, moor, []);
    const other = draftOf(look(gansey({ price: 4900 }), moor).effective, moor, []);
    expect(draftHash(draft)).not.toBe(draftHash(other));
    expect(draftHash(draft)).toBe(draftHash({ ...draft, pictures: ['0'.repeat(64)] }));
  });
});

describe('translating', () => {
  it.each([
    ['Navy', 'Blue'],
    ['cream', 'Ecru'],
    ['BLACK', 'Black'],
    ['Petrol', 'Blue'],
    ['Thunder', null],
    ['', null],
  ])('%p becomes %p', (ours, theirs) =>
    expect(translate(ours, wick.categories[0]?.specifics.find((s) => s.id === 'colour')?.choices)).toBe(
      theirs,
    ),
  );
});

// No code is shared with the marketplaces' own validators, so agreement is evidence: whatever the check
// lets through, they accept; whatever they refuse, the check has stopped.
describe('the check and the marketplaces’ own validators', () => {
  const SCRAPS = 'com www http // - best price see shop replica inspired by dupe 🧶'.split(' ');
  const text = fc.oneof(
    fc.constantFrom(
      '',
      'short',
      'Tightly spun navy wool, darned once.',
      'A replica, they say, of navy wool',
      '<b>bold</b> words of some length',
      'see www.attic.example for more words',
      'x'.repeat(500),
      'inspired by the sea and its colours',
      '🧶'.repeat(240),
    ),
    fc.string({ maxLength: 600 }),
    // What addresses, markup, topics and refused phrases are made of.
    fc
      .array(fc.oneof(fc.constantFrom(...'@.a/<>&!~-: \n0éİ\u00A0'), fc.constantFrom(...SCRAPS)), {
        maxLength: 40,
      })
      .map((scraps) => scraps.join('')),
  );
  const facts = fc.record(
    {
      brand: fc.constantFrom('Ostler', 'x'.repeat(41), 'x'.repeat(66)),
      department: fc.constantFrom('Men', 'Women', 'Everyone'),
      size: fc.constantFrom('M', 'x'.repeat(21)),
      colour: fc.constantFrom('Navy', 'Thunder', 'Black'),
      material: fc.constantFrom('Wool', 'x'.repeat(70)),
    },
    { requiredKeys: [] },
  );
  const anything = fc.record({
    title: text,
    description: text,
    facts,
    use: fc.constantFrom('unused', 'light', 'hard'),
    price: fc.oneof(
      fc.integer({ min: 0, max: 300_000 }),
      fc.constantFrom(99, 100, 199, 200, 200_000, 200_001),
    ),
    broken: fc.boolean(),
    shown: fc.integer({ min: 0, max: 13 }),
    side: fc.constantFrom(499, 500, 599, 600, 1500),
  });
  const made = (v: typeof anything extends fc.Arbitrary<infer T> ? T : never) =>
    gansey({
      title: v.title.slice(0, 400),
      description: v.description,
      facts: v.facts as Record<string, string>,
      use: v.use as Item['use'],
      price: v.price,
      flaws: v.broken
        ? [{ id: 'f', type: 'torn', place: '', severity: 'broken', sizeMm: null, pictureId: null, pin: null }]
        : [],
    });
  /** Rules of ours on top, which a marketplace need not share. */
  const ours = (code: string) => code === 'privateText' || code === 'markup';

  const refusedByMoor = (
    { effective }: ReturnType<typeof look>,
    sizes: { width: number; height: number; bytes: number }[],
  ) =>
    problemsOf(
      {
        reference: 'r',
        headline: effective.title,
        text: effective.text,
        askingCents: effective.price ?? 0,
        postageCents: effective.postage ?? 0,
        category: effective.categoryId ?? '',
        condition: effective.condition?.code ?? '',
        attributes: effective.specifics,
        pictures: [],
      },
      sizes,
    );

  it('agree for Brackenmoor', () => {
    fc.assert(
      fc.property(anything, (v) => {
        const looked = look(made(v), moor, pictures(v.shown, v.side));
        const blocked = looked.findings.filter((f) => f.level === 'blocker');
        const sizes = pictures(Math.min(v.shown, moor.photos.max), v.side).map((p) => ({
          width: p.width,
          height: p.height,
          bytes: 9,
        }));
        const refused = refusedByMoor(looked, sizes);
        if (blocked.length === 0) expect(refused).toEqual([]);
        if (refused.length === 0) expect(blocked.filter((f) => !ours(f.code))).toEqual([]);
      }),
      { numRuns: 600 },
    );
  });

  it.each([
    ['@home. Worn there & darned once.', []],
    ['Worn there & darned once: odile@saltreach.example', ['WD-2']],
    ['Darned once.\n\nBest\n- price & all', ['WD-4']],
  ])('Brackenmoor reads the markup of %p as a buyer sees it', (description, codes) => {
    const looked = look(gansey({ description }), moor);
    const sizes = Array.from({ length: 3 }, () => ({ width: 1500, height: 1500, bytes: 9 }));
    expect(refusedByMoor(looked, sizes).map((problem) => problem.code)).toEqual(codes);
    expect(looked.findings.filter((f) => f.level === 'blocker').map((f) => f.field)).toEqual(
      codes.map(() => 'description'),
    );
  });

  it('agree for Threadwick', () => {
    fc.assert(
      fc.property(anything, (v) => {
        const item = made(v);
        const { effective: e, findings } = look(item, wick, pictures(v.shown, v.side));
        const blocked = findings.filter((f) => f.level === 'blocker');
        const sizes = pictures(Math.min(v.shown, wick.photos.max), v.side).map((p) => ({
          width: p.width,
          height: p.height,
          bytes: 9,
        }));
        const s = e.specifics;
        const refused = objections(
          {
            ref: 'r',
            name: e.title,
            story: e.text,
            price: ((e.price ?? 0) / 100).toFixed(2),
            shelf: e.categoryId ?? '',
            worn: e.condition?.code ?? '',
            department: s.department ?? '',
            size: s.size ?? '',
            colour: s.colour ?? '',
            label: s.brand ?? '',
            cloth: s.material ?? '',
            origin: '',
          },
          sizes,
        );
        if (blocked.length === 0) expect(refused).toEqual([]);
        if (refused.length === 0) expect(blocked.filter((f) => !ours(f.code))).toEqual([]);
      }),
      { numRuns: 600 },
    );
  });
});

describe('private facts', () => {
  const tree = new KindTree(
    ROWS,
    [],
    [
      { kind: 'clothes', spec: { id: 'pile', label: 'Pile', private: true } },
      { kind: 'clothes', spec: { id: 'material', label: 'Material', private: true } },
    ],
  );
  const one = gansey({ facts: { ...gansey().facts, pile: 'Heap nine', material: 'Wool' } });
  const check = (item: Item, description: string) => {
    const itemWith = { ...item, description };
    const effective = effectiveListing(itemWith, undefined, wick, tree, plainSetup());
    return { effective, findings: checkListing(itemWith, effective, wick, pictures(6), tree) };
  };
  it('are never among the fields sent', () =>
    expect(check(one, 'A jumper from the coast').effective.specifics.material).toBeUndefined());
  it('stop a text they turn up in, and the words are shown', () =>
    expect(check(one, 'From heap nine of the crates').findings).toContainEqual({
      level: 'blocker',
      field: 'description',
      code: 'privateText',
      params: {
        field: 'description',
        what: { code: 'fact', params: { name: 'Pile' } },
        text: 'heap nine',
      },
      ours: true,
    }));
  it('are looked for when set aside as well', () => {
    const parked = { ...one, facts: {}, parked: { facts: { pile: 'Heap nine' }, measurements: {} } };
    expect(check(parked, 'From heap nine').findings.some((f) => f.code === 'privateText')).toBe(true);
  });
});
