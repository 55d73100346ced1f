import fc from 'fast-check';

import { NONE } from '@/contract/coded';
import type { CourierListingView } from '@/contract/courier';

import { waivedKey } from './waived';
import { causesOf, listingsOf, oneAnswer, warningsOf, type Looked, type Warning } from './warnings';
import type { CellCheck } from '../listing/examine';
import type { Finding } from '../listing/findings';

/** What the warnings look at of a listing. */
const listed = (market: string, part: Partial<CourierListingView> = {}) =>
  ({
    market,
    state: 'live',
    want: 'live',
    reasons: [],
    trouble: null,
    doing: null,
    ...part,
  }) as CourierListingView;
const missing = (label: string): Finding =>
  ({
    level: 'blocker',
    field: `fact:${label}`,
    code: 'specificMissing',
    params: { market: 'Moor', label, listed: false },
  }) as Finding;
const untitled = { level: 'blocker', field: 'title', code: 'titleMissing', params: NONE } as Finding;
const tooLong: Finding = {
  level: 'blocker',
  field: 'title',
  code: 'titleTooLong',
  params: { market: 'Moor', most: 80, length: 90 },
};
const helps = {
  level: 'caution',
  field: 'fact:material',
  code: 'specificHelps',
  params: { label: 'Material' },
} as Finding;
const check = (part: Partial<CellCheck> = {}): CellCheck => ({
  ...{ market: 'moor', title: 't', refusesTwins: false, blockers: [], cautions: [], coming: [], price: 1 },
  ...{ takeHome: 1, fees: 0, category: 'c', startAt: null, changed: false },
  ...part,
});
const looked = (part: Partial<Looked> = {}): Looked => ({
  item: 'a',
  check: check(),
  plan: { wanted: true, waived: [] },
  listing: undefined,
  sold: false,
  ...part,
});

describe('what there is to look at of a listing', () => {
  it('is nothing where it is neither wanted nor shown, or sold', () => {
    const bad = check({ blockers: [untitled] });
    expect(warningsOf(looked({ check: bad, plan: undefined }))).toEqual([]);
    expect(warningsOf(looked({ check: bad, sold: true }))).toEqual([]);
    expect(warningsOf(looked({ check: bad, plan: undefined, listing: listed('moor') }))).toHaveLength(1);
  });
  it('is what was refused, would be, will be, and what is to be thought of', () => {
    const listing = listed('moor', { state: 'refused', want: 'live' });
    const all = check({ blockers: [missing('size')], coming: [missing('origin')], cautions: [helps] });
    expect(warningsOf(looked({ check: all, listing })).map((w) => w.sort)).toEqual([
      'refused',
      'blocked',
      'coming',
      'caution',
    ]);
  });
  it('is still there once it was waived, with its date; what would be refused can’t be waived', () => {
    const waived = [helps, untitled].map((f) => ({ key: waivedKey(f), at: 5 }));
    const of = warningsOf(
      looked({ check: check({ blockers: [untitled], cautions: [helps] }), plan: { wanted: true, waived } }),
    );
    expect(of.map((w) => [w.sort, w.waivedAt])).toEqual([
      ['blocked', null],
      ['caution', 5],
    ]);
  });
});

describe('causes', () => {
  const warning = (part: Partial<Warning> = {}): Warning => ({
    ...{ sort: 'blocked', item: 'a', market: 'moor', finding: untitled, live: false, waivedAt: null },
    ...part,
  });
  it('put together what is the same: one marketplace’s own rule apart from another’s', () => {
    const causes = causesOf([
      warning({ finding: tooLong }),
      warning({ finding: tooLong, item: 'b', live: true }),
      warning({ finding: tooLong, market: 'wick' }),
      warning(),
      warning({ market: 'wick' }),
      warning({ sort: 'refused', finding: null }),
    ]);
    expect(causes.map((c) => [c.sort, c.market, c.live, c.drafts])).toEqual([
      ['refused', 'moor', 0, 1],
      ['blocked', 'moor', 1, 1],
      ['blocked', null, 0, 2],
      ['blocked', 'wick', 0, 1],
    ]);
  });
  it('ask once for a fact that several marketplaces ask for, by whatever name', () => {
    const own = { ...missing('origin'), field: 'specific:origin' } as Finding;
    const [cause, ...more] = causesOf([
      warning({ finding: own }),
      warning({ finding: missing('country'), market: 'wick' }),
    ]);
    expect(more).toEqual([]);
    expect(cause).toMatchObject({ market: null, drafts: 2 });
  });
  it('keep what was waived apart, and count it nowhere', () => {
    const [cause] = causesOf([
      warning({ sort: 'caution', finding: helps, waivedAt: 3 }),
      warning({ sort: 'caution', finding: helps, item: 'b' }),
    ]);
    expect([cause?.of.length, cause?.waived.length, cause?.drafts]).toEqual([1, 1, 1]);
  });
  it('are of so many listings, each counted once', () => {
    const all = [
      warning({ live: true }),
      warning({ live: true, finding: missing('size') }),
      warning({ item: 'b' }),
      warning({ item: 'c', sort: 'coming' }),
    ];
    expect(listingsOf(all, 'blocked')).toEqual({ live: 1, drafts: 1 });
    expect(listingsOf(all, 'coming')).toEqual({ live: 0, drafts: 1 });
  });
  it('lose none and have none twice', () => {
    const any = fc.record({
      sort: fc.constantFrom('blocked' as const, 'caution' as const),
      item: fc.constantFrom('a', 'b', 'c'),
      market: fc.constantFrom('moor', 'wick'),
      finding: fc.constantFrom(untitled, missing('size'), missing('brand'), helps),
      live: fc.boolean(),
      waivedAt: fc.constantFrom(null, 4),
    });
    fc.assert(
      fc.property(fc.array(any, { maxLength: 30 }), (warnings) => {
        const causes = causesOf(warnings);
        const texts = (some: readonly Warning[]) => some.map((w) => JSON.stringify(w)).sort();
        expect(texts(causes.flatMap((c) => [...c.of, ...c.waived]))).toEqual(texts(warnings));
        expect(causes.every((c) => c.live + c.drafts === c.of.length)).toBe(true);
        expect(new Set(causes.map((c) => c.key)).size).toBe(causes.length);
      }),
    );
  });
  it('are put right with one answer where one serves', () => {
    const by = (finding: Finding | null) => oneAnswer({ finding });
    expect(by(missing('size'))).toEqual({ by: 'fact', id: 'size' });
    expect(by({ ...missing('x'), field: 'specific:colour' } as Finding)).toEqual({
      by: 'specific',
      id: 'colour',
    });
    expect(by({ ...missing('x'), field: 'answer:place' } as Finding)).toEqual({ by: 'answer', id: 'place' });
    expect(by(untitled)).toEqual({ by: 'words' });
    expect(by(null)).toBeNull();
    expect(by({ ...untitled, field: 'pictures', code: 'picturesTooFew' } as Finding)).toBeNull();
  });
});
