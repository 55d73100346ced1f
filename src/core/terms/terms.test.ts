import { RuleSheet } from '@/contract/ruleSheet';
import { Terms } from '@/contract/terms';

import { postageBy, sentTerms, takesTerm, termsFor, termsTrouble } from './terms';
import { SHEET } from '../../../server/standins/brackenmoor/sheet';
import { BUILT_IN } from '../kinds/tree';

const made = (id: string, part: Partial<Terms> = {}) =>
  Terms.parse({ id, market: 'brackenmoor', name: id, ...part });
const jumper = { kind: 'jumper', haulId: 'h1', ownerId: 'o1' };

describe('which terms hold', () => {
  const usual = made('usual', { isDefault: true });
  const clothes = made('clothes', { kinds: ['clothes'] });
  const jumpers = made('jumpers', { kinds: ['jumper'] });
  const haul = made('haul', { haulIds: ['h1'] });
  const owner = made('owner', { ownerIds: ['o1'] });
  const elsewhere = made('elsewhere', { market: 'oldhollow', isDefault: true });
  it.each([
    ['what was chosen for it', [usual, owner, haul, jumpers], 'usual', 'usual'],
    ['its owner’s', [usual, jumpers, haul, owner], null, 'owner'],
    ['its haul’s', [usual, jumpers, haul], null, 'haul'],
    ['its kind’s before the branch’s', [usual, clothes, jumpers], null, 'jumpers'],
    ['the branch’s', [usual, clothes], null, 'clothes'],
    ['the default', [elsewhere, usual], null, 'usual'],
  ])('%s', (_, all, chosen, id) =>
    expect(termsFor(jumper, 'brackenmoor', all, BUILT_IN, chosen)?.id).toBe(id),
  );
  it('are none where none were made', () =>
    expect(termsFor(jumper, 'brackenmoor', [elsewhere], BUILT_IN)).toBeNull());
});

describe('postage by terms', () => {
  const posted = { ok: true as const, price: 420, chargedG: 800 };
  it.each([
    [null, 420],
    [made('a'), 420],
    [made('b', { home: 'flat', flat: 350 }), 350],
    [made('c', { home: 'free' }), 0],
  ])('%#: %i', (terms, amount) => expect(postageBy(terms, posted)).toBe(amount));
  it('is none for what can’t be posted', () =>
    expect(
      postageBy(made('c', { home: 'free' }), { ok: false, why: { code: 'carrierNotThere', params: {} } }),
    ).toBeNull());
  const all = RuleSheet.parse(SHEET).terms!;
  it('tells of those zones that the carrier goes to', () => {
    const sent = sentTerms(made('a', { abroad: 'far' }), all, (zone) => (zone === 'near' ? 1_150 : null));
    expect(sent?.abroad).toEqual([{ zone: 'near', price: 1_150 }]);
    expect(sentTerms(made('a', { abroad: 'none' }), all, () => 1)?.abroad).toEqual([]);
    expect(sentTerms(null, all, () => 1)).toBeNull();
  });
  it('is told only what the marketplace takes, in one order', () => {
    const terms = made('a', { further: 90, taxBp: 700, collect: true, payment: ['cash'] });
    expect(sentTerms(terms, { ...all, takes: ['taxBp', 'further'] }, () => 1)).toEqual({
      further: 90,
      taxBp: 700,
    });
    expect(sentTerms(terms, { ...all, takes: [] }, () => 1)).toEqual({});
  });
  it('says which settings reach buyers', () => {
    const sheet = RuleSheet.parse(SHEET);
    expect(takesTerm(sheet, 'payment')).toBe(false);
    expect(takesTerm(sheet, 'further')).toBe(true);
    expect(takesTerm(sheet, 'home')).toBe(true);
    expect(takesTerm({ ...sheet, postageCharged: 390 }, 'home')).toBe(false);
    expect(takesTerm({ ...sheet, handover: 'collect' }, 'home')).toBe(false);
  });
});

it('says what a marketplace has against terms', () => {
  const sheet = RuleSheet.parse(SHEET);
  expect(termsTrouble(made('a'), sheet)).toEqual([]);
  expect(termsTrouble(made('a', { handlingDays: 11, returnDays: 15 }), sheet)).toEqual([
    { code: 'handlingTooLong', params: { market: 'Brackenmoor', mostDays: 10 } },
    { code: 'returnDaysNotTaken', params: { market: 'Brackenmoor', days: [0, 14, 30] } },
  ]);
});
