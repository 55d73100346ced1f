import fc from 'fast-check';

import { labelCode, newCode } from './code';
import { PAGE_SIZE, pageOf, recordId } from './recordId';

it('gives each running number a code of its own', () => {
  expect(newCode(7)).toBe('YA-0007');
  expect(newCode(12_345)).toBe('YA-12345');
  expect(() => newCode(0)).toThrow(RangeError);
  const codes = Array.from({ length: 20_000 }, (_, i) => newCode(i + 1));
  expect(new Set(codes).size).toBe(20_000);
});

it('puts the spot last on the label', () => {
  expect(labelCode('YA-0001', 'A3-12')).toBe('YA-0001 A3-12');
  expect(labelCode('YA-0001', ' ')).toBe('YA-0001');
});

it('fixes a record’s page by its running number', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 5_000_000 }), (running) => {
      const id = recordId(running, 'abc');
      expect(pageOf(id)).toBe(Math.floor(running / PAGE_SIZE));
      expect(pageOf(`${id}_brackenmoor`)).toBe(pageOf(id));
      expect(id).toMatch(/^[A-Za-z0-9_-]{1,64}$/u);
    }),
  );
  expect(pageOf('???')).toBe(0);
});
