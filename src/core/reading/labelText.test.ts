import fc from 'fast-check';

import type { ReadLine } from '@/contract/picture';

import { suggestionsFrom, type Reader } from './labelText';
import { BUILT_IN } from '../kinds/tree';

const lines = (...texts: string[]): ReadLine[] =>
  texts.map((text, i) => ({ text, confidence: 90, box: [0.1, i / 10, 0.5, i === 0 ? 0.09 : 0.05] }));
const jumper: Reader = {
  measures: BUILT_IN.measures('jumper'),
  units: 'metric',
  brands: ['Hollis Tarn'],
  colours: ['Navy', 'Cream', 'Green', 'Rust'],
  asked: BUILT_IN.facts('jumper').map(({ id }) => id),
};
const read = (...texts: string[]) =>
  Object.fromEntries(suggestionsFrom(lines(...texts), jumper).map((s) => [s.field, s.value]));
const doubts = (...texts: string[]) =>
  Object.fromEntries(suggestionsFrom(lines(...texts), jumper).map((s) => [s.field, s.doubt]));

describe('what a label says', () => {
  it('is size, fibres, country, style code and maker, each with its words', () => {
    expect(
      read('KITTIWAKE MILLS', 'SIZE M', '80% WOOL', '20% NYLON', 'MADE IN SALTREACH', 'STYLE 4471-B'),
    ).toEqual({
      'fact:brand': 'Kittiwake Mills',
      'fact:size': 'M',
      'fact:sizeSystem': 'Letters',
      'fact:material': '80 % wool, 20 % nylon',
      'fact:country': 'Saltreach',
      'fact:styleCode': '4471-B',
    });
    expect(suggestionsFrom(lines('x', '100% COTTON'), { measures: [], units: 'metric' })[0]).toMatchObject({
      words: '100% COTTON',
      box: [0.1, 0.1, 0.5, 0.05],
    });
  });
  it.each([
    ['SIZEM', 'M'],
    ['Size: EU 40', 'EU 40'],
    ['XL', 'XL'],
    ['UK 12', 'UK 12'],
    ['UK12', 'UK 12'],
    ['40 EU', 'EU 40'],
    ['W32 L34', 'W32 L34'],
    ['size 42/44', '42/44'],
    ['One size', 'ONE SIZE'],
    ['Sized to fit', undefined],
    ['12', undefined],
  ])('reads the size in %j as %j', (text, size) => expect(read(text)['fact:size']).toBe(size));
  it.each([
    ['100% pure new wool', 'Wool'],
    ['1OO% Wo0l', undefined],
    ['100% Woo1', 'Wool'],
    ['l00% COTTON', 'Cotton'],
    ['100 % Schurwolle', 'Wool'],
    ['70% coton 30% laine', '70 % cotton, 30 % wool'],
    ['60% wool 30% silk', '60 % wool, 30 % silk'],
  ])('reads the fibres in %j as %j', (text, material) => expect(read(text)['fact:material']).toBe(material));
  it('keeps a lining apart from the shell', () =>
    expect(read('SHELL: 100% COTTON', 'LINING: 60% VISCOSE', '40% ACETATE')['fact:material']).toBe(
      'cotton; lining: 60 % viscose, 40 % acetate',
    ));
  it('doubts shares that do not come to a hundred, and asks about the one way in which they would', () => {
    expect(read('88% WOOL 20% NYLON')['fact:material']).toBe('80 % wool, 20 % nylon');
    expect(doubts('60% WOOL 30% SILK')['fact:material']).toBe('sum');
    expect(doubts('88% WOOL 20% NYLON')['fact:material']).toBe('sum');
    expect(doubts('80% WOOL 20% NYLON')['fact:material']).toBeUndefined();
  });
  it('is care in words, each once, in the order of the label', () =>
    expect(read('HAND WASH ONLY', 'DO NOT DRY CLEAN', 'Hand wash only')['fact:care']).toBe(
      'Hand wash only; do not dry clean',
    ));
  it('is a brand the person had before, though it is no larger than the rest', () =>
    expect(read('SIZE M', 'H0LLIS TARN', '100% WOOL')['fact:brand']).toBe('Hollis Tarn'));
  it('is a country that there is, a letter or two read wrongly; of another it is asked', () => {
    const country = (text: string) => {
      const found = suggestionsFrom(lines(text), jumper).find((s) => s.field === 'fact:country');
      return found && [found.value, found.doubt];
    };
    expect(country('MADE IN LTALY')).toEqual(['Italy', undefined]);
    expect(country('Made in Lithuonio')).toEqual(['Lithuania', undefined]);
    expect(country('MADE INPORTUGAL')).toEqual(['Portugal', undefined]);
    expect(country('Made in Saltreach')).toEqual(['Saltreach', 'illegible']);
  });
  it('is a country on the next line too', () =>
    expect(read('MADE IN', 'PORTUGAL')['fact:country']).toBe('Portugal'));
  it('makes nothing of junk', () =>
    expect(
      suggestionsFrom(
        lines('SIZE M').map((l) => ({ ...l, confidence: 41 })),
        jumper,
      ),
    ).toEqual([]));
});

describe('what a whiteboard says', () => {
  it('is numbers with the names of the kind’s measurements, in millimetres', () => {
    expect(read('Pit to pit 54', 'LENGTH: 68,5 cm', 'p2p 99', 'sleeve 24 1/2 in')).toEqual({
      'measure:chest': '540',
      'measure:length': '685',
      'measure:sleeve': '622.3',
    });
    expect(read('Chest 54  Length 68,5')).toEqual({ 'measure:chest': '540', 'measure:length': '685' });
  });
  it('leaves out what can’t be: a digit lost, a name unknown', () => {
    expect(read('SLEEVE 6', 'HEIGHT 30', 'chest 5400 mm')).toEqual({});
    expect(read('SLEEVE 6]')).toEqual({ 'measure:sleeve': '610' });
  });
  it('doubts what is unusual, and never alters it', () => {
    expect(read('LENGTH 18,5')['measure:length']).toBe('185');
    expect(doubts('LENGTH 18,5')['measure:length']).toBe('unusual');
  });
  it('asks about numbers without words, in the kind’s order', () => {
    expect(read('54 / 71 / 62')).toEqual({
      'measure:chest': '540',
      'measure:length': '710',
      'measure:sleeve': '620',
    });
    expect(doubts('54 / 71')['measure:chest']).toBe('bareNumber');
    expect(read('54 / 7100')).toEqual({});
  });
  it.each([
    ['Weight 540 g', 'weight', '540'],
    ['1,2 kg', 'weight', '1200'],
    ['1 lb 4 oz', 'weight', '567'],
    ['0 lb', 'weight', undefined],
    ['Colour: dark green', 'fact:colour', 'Dark green'],
    ['navy / cream', 'fact:colour', 'Navy, cream'],
    ['Flaw: small hole at the cuff', 'flaw', 'small hole at the cuff'],
    ['moth hole left elbow', 'flaw', 'moth hole left elbow'],
    ['no holes or stains', 'flaw', undefined],
    ['WASH DARK COLOURS SEPARATELY', 'fact:colour', undefined],
  ])('in %j', (text, field, value) => expect(read(text)[field]).toBe(value));
  it.each([
    // A weight whose unit was not made out; a word that may be another; one letter put right.
    ['Weight 1460 9', 'weight', '1460', 'illegible'],
    ['Weight 1.35 ke', 'weight', '1350', 'illegible'],
    ['Weight 1460 g', 'weight', '1460', undefined],
    ['stain vader the arm', 'flaw', 'stain vader the arm', 'illegible'],
    ['Flaw: emall hole', 'flaw', 'small hole', 'illegible'],
    ['hole under the arm', 'flaw', 'hole under the arm', undefined],
    // A seven with a stroke through it.
    ['LENGTH #1', 'measure:length', '710', 'illegible'],
    // A hyphen that was not made out.
    ['REF 6679 K', 'fact:styleCode', '6679-K', 'illegible'],
    ['ART. 4527 -K', 'fact:styleCode', '4527-K', undefined],
    ['STYLE 4527 MADE', 'fact:styleCode', '4527', undefined],
    // A g by hand; a word of two letters that may be another.
    ['1.47 K6', 'weight', '1470', 'illegible'],
    ['Weight 104 kg', 'weight', '1040', 'illegible'],
    ['L05 KG', 'weight', '1050', 'illegible'],
    ['520 9', 'weight', '520', 'illegible'],
    ['P28 = 54.5', 'measure:chest', '545', undefined],
    ['FhAW: small hole at the cuff', 'flaw', 'small hole at the cuff', 'illegible'],
    ['Flaw stain on the hem', 'flaw', 'stain on the hem', undefined],
    ['S80 G', 'weight', '580', 'illegible'],
    ['12 kg', 'weight', '12000', undefined],
    ['Flaw: scratch ou the buckle', 'flaw', 'scratch ou the buckle', 'illegible'],
    // Two letters wrong in a long word.
    ['ShOWldens 41', 'measure:shoulder', '410', undefined],
    // A five like an S; a point that was lost.
    ['LENGTH 7S', 'measure:length', '750', 'illegible'],
    ['Length 70.s', 'measure:length', '705', 'illegible'],
    ['LENGTH 70 S', 'measure:length', '700', undefined],
    ['LENGTH 70 5', 'measure:length', '705', 'illegible'],
    ['LENGTH 705', 'measure:length', '705', 'illegible'],
    ['54 x 705', 'measure:length', '705', 'bareNumber'],
  ])('in %j, with what is doubtful', (text, field, value, doubt) => {
    expect(read(text)[field]).toBe(value);
    expect(doubts(text)[field]).toBe(doubt);
  });
  it('takes figures without a unit as the person’s own', () =>
    expect(suggestionsFrom(lines('chest 21'), { ...jumper, units: 'imperial' })[0]?.value).toBe('533.4'));
});

it('asks about a letter alone that may be none', () => {
  const [unsure] = suggestionsFrom([{ text: 'S', confidence: 55, box: [0, 0, 1, 1] }], jumper);
  expect(unsure).toMatchObject({ field: 'fact:size', value: 'S', doubt: 'illegible' });
  expect(suggestionsFrom(lines('S'), jumper)[0]?.doubt).toBeUndefined();
});

it('keeps no more of a line than a record takes', () => {
  const [found] = suggestionsFrom(lines(`flaw: hole ${'x'.repeat(900)}`), jumper);
  expect(found?.words.length).toBeLessThanOrEqual(400);
  expect(found?.value.length).toBeLessThanOrEqual(400);
});

it('never throws, whatever a reader makes of a picture', () => {
  fc.assert(
    fc.property(fc.array(fc.string(), { maxLength: 8 }), (texts) => {
      for (const s of suggestionsFrom(lines(...texts), jumper)) expect(s.value).not.toBe('');
    }),
  );
});
