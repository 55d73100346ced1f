import fc from 'fast-check';

import type { CourierListingView } from '@/contract/courier';

import { goes, outLines, outTotals, WISHES, type There } from './lines';
import type { CellCheck } from '../listing/examine';
import type { Finding } from '../listing/findings';
import { waivedKey } from '../warnings/waived';

const FINDING: Finding = { level: 'blocker', field: 'title', code: 'noLongerHere', params: {} };
const CAUTION: Finding = { ...FINDING, level: 'caution' };
const check = (part: Partial<CellCheck> = {}): CellCheck => ({
  market: 'moor',
  title: 'Gansey',
  refusesTwins: false,
  blockers: [],
  cautions: [],
  coming: [],
  price: 4_800,
  takeHome: 3_900,
  fees: 700,
  category: 'c',
  startAt: null,
  changed: false,
  ...part,
});
const listing = (part: Partial<CourierListingView> = {}) =>
  ({ market: 'moor', state: 'live', want: 'live', doing: null, price: 4_500, ...part }) as CourierListingView;
const there = (part: Partial<There> = {}): There => ({
  item: 't',
  market: 'moor',
  check: check(),
  listing: undefined,
  sold: false,
  ...part,
});
const ENDED = listing({ state: 'ended', want: 'gone' });
const WAITING = listing({ state: 'onItsWay', doing: 'publish' });

describe('what a wish comes to', () => {
  it.each([
    ['list', 'a new one', {}, 'ready', 'send'],
    ['list', 'one with a caution', { check: check({ cautions: [CAUTION] }) }, 'cautious', 'send'],
    [
      'list',
      'one that something stands against',
      { check: check({ blockers: [FINDING] }) },
      'stopped',
      'fix',
    ],
    ['list', 'one that is there', { listing: listing() }, 'none', 'nothing'],
    ['list', 'one that was there', { listing: ENDED }, 'ready', 'again'],
    ['list', 'one not checked yet', { check: undefined }, 'asked', 'nothing'],
    ['list', 'a sold one', { sold: true }, 'none', 'nothing'],
    ['list', 'a sold one not checked yet', { sold: true, check: undefined }, 'none', 'nothing'],
    ['revise', 'what is shown as it is', { listing: listing() }, 'none', 'nothing'],
    ['revise', 'what changed', { listing: listing(), check: check({ changed: true }) }, 'ready', 'resend'],
    ['revise', 'a new one', {}, 'none', 'nothing'],
    ['again', 'one that was there', { listing: ENDED }, 'ready', 'again'],
    ['again', 'one that never was', {}, 'none', 'nothing'],
    ['again', 'one that never was and can’t', { check: check({ blockers: [FINDING] }) }, 'none', 'nothing'],
    ['withdraw', 'one that is there', { listing: listing(), check: undefined }, 'ready', 'withdraw'],
    ['withdraw', 'one that waits for its time', { listing: WAITING }, 'ready', 'withdraw'],
    ['withdraw', 'one that was there', { listing: ENDED }, 'none', 'nothing'],
    ['end', 'one that is sold', { listing: listing(), sold: true }, 'none', 'nothing'],
  ] as const)('%s: %s', (wish, _, part, says, deed) => {
    expect(outLines(wish, [there(part)])).toMatchObject([{ says, deed }]);
  });

  it('says nothing of a caution that is let be', () => {
    const plan = { waived: [{ key: waivedKey(CAUTION), at: 1 }] };
    const [line] = outLines('list', [there({ check: check({ cautions: [CAUTION] }), plan })]);
    expect([line?.says, line?.why]).toEqual(['ready', null]);
  });

  it('names what stands against a line, and what is to be thought of', () => {
    const of = (part: Partial<CellCheck>) => outLines('list', [there({ check: check(part) })])[0]?.why;
    expect(of({ blockers: [FINDING], cautions: [CAUTION] })).toBe(FINDING);
    expect(of({ cautions: [CAUTION] })).toBe(CAUTION);
    expect(of({})).toBeNull();
  });

  it('lets the first of two that look the same go, and names it at the other', () => {
    const same = check({ refusesTwins: true });
    const lines = outLines('list', [there({ check: same }), there({ item: 'u', check: same })]);
    expect(lines.map((l) => [l.says, l.twin])).toEqual([
      ['ready', null],
      ['stopped', 't'],
    ]);
  });

  it('is one line each, in order, and only what goes is counted', () => {
    const one = fc.record({
      item: fc.constantFrom('a', 'b', 'c'),
      market: fc.constantFrom('moor', 'wick'),
      check: fc.option(
        fc.record({
          blockers: fc.constantFrom<Finding[]>([], [FINDING]),
          changed: fc.boolean(),
          fees: fc.nat(2_000),
          takeHome: fc.nat(9_000),
        }),
        { nil: undefined },
      ),
      listing: fc.constantFrom(undefined, listing(), ENDED, WAITING),
      sold: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.constantFrom(...WISHES), fc.array(one, { maxLength: 12 }), (wish, raw) => {
        const given = raw.map((r) => there({ ...r, check: r.check && check(r.check) }));
        const lines = outLines(wish, given);
        expect(lines.map((l) => [l.item, l.market])).toEqual(given.map((g) => [g.item, g.market]));
        for (const line of lines) {
          if (line.sold) expect(line.says).toBe('none');
          if (goes(line)) expect(['send', 'again', 'resend', 'withdraw']).toContain(line.deed);
          if (line.says === 'stopped') expect(line.why ?? line.twin).not.toBeNull();
        }
        expect(outTotals(lines).ready).toBe(lines.filter((l) => goes(l) && l.deed !== 'withdraw').length);
      }),
    );
  });
});
