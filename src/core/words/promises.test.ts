import { Terms } from '@/contract/terms';

import { aThing } from '../../../e2e/aThing';

import { emptyPromises } from './promises';

const jumper = aThing({ kind: 'jumper', use: 'light' });
const said = (text: string, part = {}) => emptyPromises(text, { ...jumper, ...part }, null).map((p) => p.words); // prettier-ignore

describe('what words promise', () => {
  it.each([
    ['With free postage.', {}, ['free postage']],
    ['With free postage.', { postageBy: 'builtIn' }, []],
    ['A lamp, fully working.', {}, ['fully working']],
    ['A lamp, fully working.', { tested: 'works' }, []],
    ['Brand new!', {}, ['brand new']],
    ['Brand new!', { use: 'unused' }, []],
    ['It is not brand new.', {}, []],
    ['Immaculate.', { flaws: [{ id: 'f', kind: 'darned', place: '', severity: 'slight' }] }, ['immaculate']],
    ['Comes from a smoke-free home', { smoke: false }, []],
    ['Comes from a smoke-free home', { smoke: null }, ['smoke-free']],
    ['A jumper of the coast', {}, []],
  ])('“%s” of %j: %j', (text, part, words) => expect(said(text, part)).toEqual(words));
  it('holds returns against the terms', () => {
    const none = Terms.parse({ id: 't', market: 'brackenmoor', name: 'None', returnDays: 0 });
    expect(emptyPromises('Returns accepted', jumper, none).map((p) => p.why)).toEqual([
      'your terms take nothing back',
    ]);
    expect(emptyPromises('Returns accepted', jumper, { ...none, returnDays: 14 })).toEqual([]);
  });
});
