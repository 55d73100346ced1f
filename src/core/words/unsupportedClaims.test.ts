import { Terms } from '@/contract/terms';

import { unsupportedClaims } from './unsupportedClaims';
import { anItem } from '../../../e2e/anItem';

const jumper = anItem({ kind: 'jumper', use: 'light' });
const said = (text: string, part = {}) =>
  unsupportedClaims(text, { ...jumper, ...part }, null).map((p) => p.words);

describe('what words promise', () => {
  it.each([
    ['With free postage.', {}, ['free postage']],
    ['With free postage.', { postageBy: 'builtIn' }, []],
    ['A lamp, fully working.', {}, ['fully working']],
    ['A lamp, fully working.', { tested: 'works' }, []],
    ['Brand new!', {}, ['brand new']],
    ['Brand new!', { use: 'unused' }, []],
    ['It is not brand new.', {}, []],
    ['Immaculate.', { flaws: [{ id: 'f', type: 'darned', place: '', severity: 'slight' }] }, ['immaculate']],
    ['Comes from a smoke-free home', { smoke: false }, []],
    ['Comes from a smoke-free home', { smoke: null }, ['smoke-free']],
    ['A jumper of the coast', {}, []],
  ])('“%s” of %j: %j', (text, part, words) => expect(said(text, part)).toEqual(words));
  it('holds returns against the terms', () => {
    const none = Terms.parse({ id: 't', market: 'brackenmoor', name: 'None', returnDays: 0 });
    expect(unsupportedClaims('Returns accepted', jumper, none).map((p) => p.against.code)).toEqual([
      'noReturns',
    ]);
    expect(unsupportedClaims('Returns accepted', jumper, { ...none, returnDays: 14 })).toEqual([]);
  });
});
