import { imageSize } from 'image-size';
import { inflateSync } from 'node:zlib';

import { pngOf } from './png';
import { catalogue } from '../indexhall/catalogue';
import { coverOf } from '../indexhall/cover';

it('is a PNG whose pixels are what was drawn', () => {
  const data = Uint8Array.from({ length: 3 * 4 * 2 }, (_, i) => i);
  const file = pngOf({ width: 4, height: 2, data });
  expect(imageSize(file)).toMatchObject({ type: 'png', width: 4, height: 2 });
  const bytes = Buffer.from(file);
  const from = bytes.indexOf('IDAT') + 4;
  const rows = inflateSync(bytes.subarray(from, from + bytes.readUInt32BE(from - 8)));
  // A row begins with its filter, 0 for none (W3C PNG, 9.2).
  expect([...rows]).toEqual([0, ...data.subarray(0, 12), 0, ...data.subarray(12)]);
});

it('covers are the same every time, and a record’s sleeve is square', () => {
  const [book, record] = catalogue();
  if (!book || !record) throw new Error('no cards');
  expect(coverOf(book)).toEqual(coverOf(book));
  expect(coverOf(book)).not.toEqual(coverOf({ ...book, code: record.code }));
  expect(imageSize(coverOf(record))).toMatchObject({ width: 120, height: 120 });
});
