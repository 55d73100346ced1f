import fc from 'fast-check';

import { suggestionsFrom, type ReadLine } from './labelText';
import { BUILT_IN } from '../kinds/tree';

const lines = (...texts: string[]): ReadLine[] =>
  texts.map((text, i) => ({ text, confidence: 90, box: [0.1, i / 10, 0.5, i === 0 ? 0.09 : 0.05] }));
const read = (...texts: string[]) =>
  Object.fromEntries(
    suggestionsFrom(lines(...texts), BUILT_IN.measures('jumper'), 'metric').map((s) => [s.field, s.value]),
  );

describe('what a label says', () => {
  it('is size, fibres, country, style code and maker, each with its words', () => {
    expect(
      read('KITTIWAKE MILLS', 'SIZE M', '80% WOOL', '20% NYLON', 'MADE IN SALTREACH', 'STYLE 4471-B'),
    ).toEqual({
      'fact:brand': 'Kittiwake Mills',
      'fact:size': 'M',
      'fact:material': '80 % wool, 20 % nylon',
      'fact:country': 'Saltreach',
      'fact:styleCode': '4471-B',
    });
    expect(suggestionsFrom(lines('x', '100% COTTON'), [], 'metric')[0]).toMatchObject({
      words: '100% COTTON',
      box: [0.1, 0.1, 0.5, 0.05],
    });
  });
  it.each([
    ['SIZEM', 'M'],
    ['Size: EU 40', 'EU 40'],
    ['XL', 'XL'],
    ['UK 12', 'UK 12'],
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
    // A zero with a stroke read as an eight: only one figure's change makes a hundred.
    ['88% WOOL 20% NYLON', '80 % wool, 20 % nylon'],
    ['60% wool 30% silk', '60 % wool, 30 % silk'],
  ])('reads the fibres in %j as %j', (text, material) => expect(read(text)['fact:material']).toBe(material));
  it('is less sure of shares that do not come to a hundred', () =>
    expect(suggestionsFrom(lines('60% wool 30% silk'), [], 'metric')[0]?.confidence).toBeLessThan(60));
  it('makes nothing of junk', () =>
    expect(
      suggestionsFrom(
        lines('SIZE M').map((l) => ({ ...l, confidence: 41 })),
        [],
        'metric',
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
  });
  it('leaves out what can’t be: a digit lost, a name unknown', () => {
    expect(read('SLEEVE 6', 'HEIGHT 30', 'chest 5400 mm')).toEqual({});
    expect(read('SLEEVE 6]')).toEqual({ 'measure:sleeve': '610' });
  });
  it('takes figures without a unit as the person’s own', () =>
    expect(suggestionsFrom(lines('chest 21'), BUILT_IN.measures('jumper'), 'imperial')[0]?.value).toBe(
      '533.4',
    ));
});

it('never throws, whatever a reader makes of a picture', () => {
  fc.assert(
    fc.property(fc.array(fc.string(), { maxLength: 8 }), (texts) => {
      for (const s of suggestionsFrom(lines(...texts), BUILT_IN.measures('jumper'), 'metric'))
        expect(s.value).not.toBe('');
    }),
  );
});
