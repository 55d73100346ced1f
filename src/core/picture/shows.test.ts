import { EXAM } from '@/testing/exam';

import { maySend } from './origin';
import { whatItShows, type Evidence } from './shows';

const seen = (part: Partial<Evidence>): Evidence => ({
  exam: { ...EXAM, outlined: true },
  code: null,
  said: [],
  lines: [],
  beside: false,
  asked: '',
  others: [],
  ...part,
});
const said = (...fields: string[]) => fields.map((field) => ({ field }));
const lines = (w: number, h: number) => [
  { text: 'x', confidence: 90, box: [0.1, 0.1, w, h] as [number, number, number, number] },
];
const CLOTH = { ...EXAM, outlined: false, area: 0 };

describe('what a picture shows', () => {
  it.each([
    ['front', {}],
    ['back', { others: ['front', 'label'] }],
    ['', { others: ['front', 'back'] }],
    ['measured', { beside: true, others: ['front', 'back'] }],
    ['front', { beside: true }],
    ['detail', { exam: CLOTH }],
    ['detail', { exam: CLOTH, asked: 'front' }],
    // What the list asks for says more than that it is close.
    ['flaw:f1', { exam: CLOTH, asked: 'flaw:f1' }],
    ['detail:cuffs', { exam: CLOTH, asked: 'detail:cuffs' }],
    ['label', { said: said('fact:size', 'fact:material'), lines: lines(0.6, 0.3), asked: 'front' }],
    ['mark', { said: said('fact:brand'), lines: lines(0.6, 0.3), asked: 'mark' }],
    ['board', { said: said('measure:chest', 'weight', 'fact:colour'), lines: lines(0.6, 0.5) }],
    // Small, but nothing else lies there.
    [
      'label',
      {
        exam: { ...EXAM, box: [0.4, 0.4, 0.2, 0.1] as const },
        said: said('fact:size'),
        lines: lines(0.1, 0.1),
      },
    ],
    // A label that can be read on a whole garment is no picture of a label.
    ['front', { said: said('fact:brand'), lines: lines(0.1, 0.05) }],
    ['barcode', { code: [0.2, 0.2, 0.5, 0.3] }],
    // The back of a book.
    ['back', { code: [0.7, 0.8, 0.15, 0.1], others: ['front'] }],
    ['label', { exam: null, asked: 'label' }],
  ] as [string, Partial<Evidence>][])('is %s', (shows, part) => expect(whatItShows(seen(part))).toBe(shows));
});

describe('what goes to marketplaces', () => {
  const own = { origin: 'camera', sendAnyway: false } as const;
  it('is not what was taken for the seller alone, unless they say so', () => {
    expect(maySend({ ...own, shows: 'front' })).toBe(true);
    for (const shows of ['board', 'barcode']) {
      expect(maySend({ ...own, shows })).toBe(false);
      expect(maySend({ ...own, shows, sendAnyway: true })).toBe(true);
    }
    expect(maySend({ origin: 'stock', sendAnyway: false, shows: 'front' })).toBe(false);
  });
});
