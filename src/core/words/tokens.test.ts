import fc from 'fast-check';

import { OwnSpecific } from '@/contract/records';

import { valuesByName } from './byName';
import { fillPattern, patternView } from './pattern';
import { patternProblems } from './patternProblems';
import { knownTokens, tokensFor } from './tokens';
import { anItem } from '../../../e2e/anItem';
import { treeWith } from '../kinds/own';
import { BUILT_IN } from '../kinds/tree';

const KNOWN = knownTokens(BUILT_IN);
const gansey = anItem({
  id: 'g',
  kind: 'jumper',
  title: 'Kittiwake gansey',
  use: 'regular',
  flaws: [
    { id: 'f', type: 'darn', place: 'elbow', severity: 'slight', sizeMm: 20, pictureId: null, pin: null },
  ],
  measurements: { chest: 540, length: 660 },
  facts: { brand: 'Kittiwake Mills', colour: 'Navy', material: 'Wool', size: 'M', model: 'gansey' },
});
const fill = (text: string, kinds = BUILT_IN, item = gansey) => {
  const filled = fillPattern(text, item, kinds, 'metric');
  return filled.ok ? filled.text : filled.why.code;
};
const problems = (text: string) => patternProblems(text, KNOWN);

describe('what may stand in a pattern', () => {
  it('gives, put in, what the list says it gives', () => {
    for (const token of tokensFor(gansey, BUILT_IN, 'metric')) {
      const made = fill(token.insert);
      const words = token.gives.match(/[\p{L}\p{N}]+/gu) ?? [];
      expect([token.name, words.filter((word) => !made.includes(word))]).toEqual([token.name, []]);
      expect([token.name, made === '']).toEqual([token.name, token.gives === '']);
      expect(problems(token.insert)).toEqual([]);
    }
  });
  it('knows everything a pattern can be given', () => {
    const view = Object.keys(patternView(gansey, BUILT_IN, 'metric', ''));
    expect(view.filter((name) => !KNOWN.has(name))).toEqual([]);
  });
  it('has measurements by their names, large or small', () => {
    expect(fill('{{pit to pit}} / {{Pit to pit}}')).toBe('54 cm / 54 cm');
  });
  it('has the person’s own questions by the name they gave; private ones not at all', () => {
    const question = (fact: string, label: string, isPrivate: boolean) =>
      OwnSpecific.parse({ id: fact, kind: 'jumper', fact, label, type: 'text', private: isPrivate });
    const kinds = treeWith([], [question('own1', 'Knit gauge', false), question('own2', 'Paid to', true)]);
    const item = anItem({ ...gansey, facts: { ...gansey.facts, own1: '28 stitches', own2: 'Hild' } });
    expect(fill('{{knit gauge}}{{Paid to}}{{paid to}}{{own2}}', kinds, item)).toBe('28 stitches');
    expect(valuesByName(item, kinds, 'metric')).not.toHaveProperty('paid to');
    const known = knownTokens(kinds);
    expect([known.has('knit gauge'), known.has('paid to'), known.has('own2')]).toEqual([true, false, false]);
    expect(tokensFor(item, kinds, 'metric')).toContainEqual(
      expect.objectContaining({ label: 'Knit gauge', insert: '{{knit gauge}}', gives: '28 stitches' }),
    );
  });
  it('never hides a fact of ours behind a question of the same name', () => {
    const own = OwnSpecific.parse({ id: 'q', kind: 'jumper', fact: 'q', label: 'brand', type: 'text' });
    const item = anItem({ ...gansey, facts: { ...gansey.facts, q: 'another' } });
    expect(fill('{{brand}}', treeWith([], [own]), item)).toBe('Kittiwake Mills');
  });
});

describe('what is wrong in a pattern', () => {
  it('stands at its place, with what was meant', () => {
    expect(problems('Made by\n{{brnad}}.')).toEqual([
      {
        at: 8,
        length: 9,
        line: 2,
        why: { code: 'unknown', params: { name: 'brnad', meant: 'brand' } },
        better: '{{brand}}',
      },
    ]);
    expect(problems('{{pit to pitt}}')[0]).toMatchObject({ better: '{{pit to pit}}' });
    expect(problems('{{xyzzyplugh}}')[0]).toMatchObject({ better: null });
  });
  it('sections that are not closed, or were not opened', () => {
    expect(problems('a {{#flaws}} b')).toMatchObject([{ at: 2, why: { code: 'neverClosed' } }]);
    expect(problems('a {{/flaws}} b')).toMatchObject([{ at: 2, why: { code: 'neverOpened' }, better: '' }]);
    expect(problems('{{#flaws}}{{#size}}{{/flaws}}')).toMatchObject([
      { at: 10, why: { code: 'neverClosed', params: { name: 'size' } } },
    ]);
  });
  it('braces without an end', () => {
    expect(problems('It is {{brand and {{colour}}.')).toMatchObject([
      { at: 6, why: { code: 'braces' }, better: '{{brand}} and ' },
    ]);
    expect(problems('{{brand} here')).toMatchObject([{ at: 0, better: '{{brand}} here' }]);
  });
  it('is put right by what is offered, wherever it stands', () => {
    const names = fc.constantFrom('brand', 'colour', 'material', 'measurements', 'included', 'pit to pit');
    const around = fc.stringMatching(/^[a-z .\n]{0,20}$/u);
    fc.assert(
      fc.property(names, around, around, fc.nat(), (name, before, after, where) => {
        const at = 1 + (where % (name.length - 1));
        const text = `${before}{{${name.slice(0, at)}${name.slice(at + 1)}}}${after}`;
        const [wrong] = problems(text);
        if (!wrong) return;
        expect(wrong.at).toBe(before.length);
        if (wrong.better === null) return;
        const mended = text.slice(0, wrong.at) + wrong.better + text.slice(wrong.at + wrong.length);
        expect(problems(mended)).toEqual([]);
      }),
    );
  });
  it('is told of whatever is typed, at places that exist', () => {
    const piece = fc.constantFrom('{{', '}}', '{', '}', '#', '/', '^', 'flaws', 'brand', ' ', '\n', '.', 'ü');
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 30 }), (pieces) => {
        const text = pieces.join('');
        for (const { at, length, line } of problems(text)) {
          expect(at + length).toBeLessThanOrEqual(text.length);
          expect(line).toBeLessThanOrEqual(text.split('\n').length);
        }
      }),
    );
  });
});
