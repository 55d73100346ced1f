import fc from 'fast-check';

import { fillPattern, TONES } from './pattern';
import { sourcesOf, type WrittenBy } from './sources';
import { titleFromFacts } from './title';
import { anItem } from '../../../e2e/anItem';
import { BUILT_IN } from '../kinds/tree';

const gansey = anItem({
  kind: 'jumper',
  use: 'light',
  facts: {
    brand: 'Ardent & Vale',
    colour: 'Navy',
    material: '85 % wool, 15 % nylon',
    size: 'M',
    department: 'Men',
  },
  measurements: { chest: 540 },
  flaws: [
    {
      id: 'f1',
      type: 'small hole',
      place: 'left cuff',
      severity: 'slight',
      sizeMm: 4,
      pictureId: null,
      pin: null,
    },
  ],
});
const by = (pattern: string, closing = ''): WrittenBy => ({
  kinds: BUILT_IN,
  units: 'metric',
  pattern,
  closing,
});
const words = (text: string) => text.match(/[\p{L}\p{N}]+/gu) ?? [];

describe('what the words of a text rest on', () => {
  it('is told for a title, words in a row together', () => {
    const title = titleFromFacts(gansey, BUILT_IN, 80);
    const told = sourcesOf(title, gansey, by(''));
    expect(told.map((t) => [t.words, 'id' in t.source ? t.source.id : t.source.of])).toEqual(
      expect.arrayContaining([
        ['Ardent & Vale', 'brand'],
        ['jumper', 'kind'],
        ['wool', 'material'],
        ['M', 'size'],
      ]),
    );
  });

  it('is told for every word of every tone, and nothing is put down to a person', () => {
    for (const tone of TONES) {
      const filled = fillPattern(tone.text, gansey, BUILT_IN, 'metric', 'Posted within two days.');
      const text = filled.ok ? filled.text : '';
      const told = sourcesOf(text, gansey, by(tone.text, 'Posted within two days.'));
      expect(told.flatMap((t) => words(t.words))).toEqual(words(text));
      expect([tone.id, told.filter((t) => t.source.of === 'typed')]).toEqual([tone.id, []]);
      const of = new Set(told.map((t) => t.source.of));
      expect([tone.id, of.has('flaw'), of.has('fact'), of.has('closing')]).toEqual([
        tone.id,
        true,
        true,
        true,
      ]);
    }
  });

  it('is a person’s typing where nothing recorded says it', () => {
    const told = sourcesOf('Cosy navy jumper', gansey, by(''));
    expect(told).toEqual([
      { words: 'Cosy', source: { of: 'typed' } },
      { words: 'navy', source: { of: 'fact', id: 'colour' } },
      { words: 'jumper', source: { of: 'kind' } },
    ]);
  });

  it('loses no word of any text', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), (text) => {
        expect(sourcesOf(text, gansey, by(TONES[0]!.text)).flatMap((t) => words(t.words))).toEqual(
          words(text),
        );
      }),
    );
  });
});
