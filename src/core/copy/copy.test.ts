import fc from 'fast-check';

import { RecordId } from '@/contract/common';
import { COLLECTIONS, Settings, Item, type CollectionName } from '@/contract/records';

import { compareCopy, countOf, settingsAfter, type AllRecords } from './compare';
import { listedNotHere } from './listedNotHere';
import { bytesName, bytesOfName, isWhatItSays, ownerOfKey, recordsName } from './names';

/** Any id that a record may have. */
const id = fc.stringMatching(/^[A-Za-z0-9_-]{1,64}$/).filter((one) => RecordId.safeParse(one).success);
const TYPES = ['', 'image/jpeg', 'image/png', 'image/webp', 'video/mp4', 'video/webm', 'application/pdf'];

describe('names in a copy', () => {
  it('lead back to where the bytes were kept', () => {
    const key = fc.oneof(
      fc
        .tuple(id, fc.constantFrom('original', 'full', 'thumb', 'clip'))
        .map(([i, size]) => `picture:${i}:${size}`),
      id.map((i) => `label:${i}`),
    );
    fc.assert(
      fc.property(key, fc.constantFrom(...TYPES), (k, type) => {
        const name = bytesName(k, `${type};codecs=some`);
        expect(name).not.toBeNull();
        expect(bytesOfName(name ?? '')).toEqual({ key: k, type });
      }),
    );
  });
  it('no two keys stand in one file', () => {
    fc.assert(
      fc.property(id, id, (a, b) => {
        fc.pre(a !== b);
        expect(bytesName(`picture:${a}:full`, '')).not.toBe(bytesName(`picture:${b}:full`, ''));
      }),
    );
  });
  it.each([
    '../picture/a/full.jpg',
    '/picture/a/full.jpg',
    'picture/../a/full.jpg',
    'picture:a:full.jpg',
    'picture/a/full',
    'picture/a/other.jpg',
    'picture/a/full.html',
    'records/items.json',
    'attic.json',
    'label/a/b.pdf',
    '',
    '\\picture\\a\\full.jpg',
  ])('“%s” is no bytes of an attic', (name) => {
    expect(bytesOfName(name)).toBeNull();
  });
  it('any text at all gives a key that bytes may have, or none', () => {
    fc.assert(
      fc.property(fc.string(), (name) => {
        const found = bytesOfName(name);
        if (found) expect(bytesName(found.key, found.type)).not.toBeNull();
      }),
    );
  });
  it('keys that no attic has are not written', () => {
    for (const key of ['settings', 'items:1', 'picture:a', 'picture:a/b:full', 'label:'])
      expect(bytesName(key, 'image/jpeg')).toBeNull();
  });
  it('every collection has a file of its own', () => {
    const names = (Object.keys(COLLECTIONS) as CollectionName[]).map(recordsName);
    expect(new Set(names).size).toBe(names.length);
    expect(ownerOfKey('label:t_1')).toEqual({ collection: 'orders', id: 't_1' });
    expect(ownerOfKey('picture:p:full')).toEqual({ collection: 'pictures', id: 'p' });
  });
});

describe('first bytes', () => {
  // File signatures: JPEG ISO/IEC 10918-1 (SOI, then a marker), PNG ISO/IEC 15948 5.2, WebP RFC 9649 2.4, ISO
  // base media ISO/IEC 14496-12 4.3, Matroska RFC 8794 11.2.1 (EBML), PDF ISO 32000-1 7.5.2.
  const text = (words: string) => [...words].map((ch) => ch.charCodeAt(0));
  const SIGNATURES: [string, number[]][] = [
    ['image/jpeg', [0xff, 0xd8, 0xff, 0xe0]],
    ['image/png', [0x89, ...text('PNG\r\n'), 0x1a, 0x0a]],
    ['image/webp', [...text('RIFF'), 1, 2, 3, 4, ...text('WEBP')]],
    ['video/mp4', [0, 0, 0, 24, ...text('ftypisom')]],
    ['video/webm', [0x1a, 0x45, 0xdf, 0xa3]],
    ['application/pdf', text('%PDF-1.7')],
  ];
  it.each(SIGNATURES)('%s is known by them, and nothing else is taken for it', (type, first) => {
    expect(isWhatItSays(new Uint8Array(first), type)).toBe(true);
    for (const [other, others] of SIGNATURES)
      if (other !== type) expect(isWhatItSays(new Uint8Array(others), type)).toBe(false);
  });
  it('a page, a script or nothing is none of them', () => {
    for (const [type] of SIGNATURES)
      for (const words of ['<!doctype html>', '<svg xmlns=', '#!/bin/sh', ''])
        expect(isWhatItSays(new Uint8Array(text(words)), type)).toBe(false);
    expect(isWhatItSays(new Uint8Array([0xff, 0xd8, 0xff]), 'text/html')).toBe(false);
  });
});

const none = (): AllRecords =>
  Object.fromEntries(Object.keys(COLLECTIONS).map((c) => [c, {}])) as unknown as AllRecords;
const item = (part: Partial<Item>): Item =>
  Item.parse({ id: 'a', code: 'YA-0001', author: 'Me', createdAt: 1, updatedAt: 1, ...part });
const withItems = (...items: Item[]): AllRecords => ({
  ...none(),
  items: Object.fromEntries(items.map((t) => [t.id, t])),
});
const someThings = fc.uniqueArray(
  fc.record({ id, code: fc.stringMatching(/^[A-Z]{2}-\d{4}$/), title: fc.string({ maxLength: 40 }) }),
  { selector: (t) => t.id, maxLength: 12 },
);

describe('a copy held against an attic', () => {
  it('every record of the copy is missing, differs or is the same, once', () => {
    fc.assert(
      fc.property(someThings, someThings, (theirs, mine) => {
        const copy = withItems(...theirs.map(item));
        const here = withItems(...mine.map(item));
        const found = compareCopy(copy, here);
        expect(found.missing.items.length + found.differing.items.length + found.same).toBe(theirs.length);
        for (const one of found.missing.items) expect(here.items[one]).toBeUndefined();
        for (const one of found.differing.items) expect(here.items[one]).not.toEqual(copy.items[one]);
      }),
    );
  });
  it('after bringing back what is missing, nothing is missing, and what was here is untouched', () => {
    fc.assert(
      fc.property(someThings, someThings, (theirs, mine) => {
        const copy = withItems(...theirs.map(item));
        const here = withItems(...mine.map(item));
        const { missing, differing } = compareCopy(copy, here);
        const after = withItems(...missing.items.map((i) => copy.items[i]!), ...Object.values(here.items));
        const again = compareCopy(copy, after);
        expect(countOf(again.missing)).toEqual({ items: 0, pictures: 0, others: 0 });
        expect(again.differing).toEqual(differing);
        for (const t of mine) expect(after.items[t.id]).toEqual(here.items[t.id]);
      }),
    );
  });
  it('the order of keys is no difference', () => {
    const mine = item({ facts: { brand: 'Kittiwake Mills', colour: 'Navy' } });
    const theirs = { ...item({ facts: { colour: 'Navy', brand: 'Kittiwake Mills' } }) };
    expect(compareCopy(withItems(theirs), withItems(mine)).same).toBe(1);
  });
  it('says which codes two items would have', () => {
    const copy = withItems(item({ id: 'old', code: 'YA-0001' }), item({ id: 'other', code: 'YA-0002' }));
    expect(compareCopy(copy, withItems(item({ id: 'new', code: 'YA-0001' }))).codesTwice).toEqual([
      'YA-0001',
    ]);
    expect(compareCopy(copy, copy).codesTwice).toEqual([]);
  });
  it('counts what a person would count', () => {
    const { missing } = compareCopy(withItems(item({})), none());
    expect(countOf({ ...missing, pictures: ['p', 'q'], hauls: ['h'], plans: ['x'] })).toEqual({
      items: 1,
      pictures: 2,
      others: 2,
    });
  });
});

describe('settings after a copy was read', () => {
  const mine = Settings.parse({ id: 'settings', author: 'Me', nextNumber: 4, nextRecord: 90 });
  const theirs = Settings.parse({ id: 'settings', author: 'Wren', nextNumber: 40, nextRecord: 8 });
  it('are the copy’s only where the attic was empty', () => {
    expect(settingsAfter(mine, theirs, true).author).toBe('Wren');
    expect(settingsAfter(mine, theirs, false).author).toBe('Me');
    expect(settingsAfter(mine, null, true).author).toBe('Me');
  });
  it('go on after the highest number of both, so that none comes twice', () => {
    for (const take of [true, false])
      expect(settingsAfter(mine, theirs, take)).toMatchObject({ nextNumber: 40, nextRecord: 90 });
  });
});

describe('what is listed and not in the attic', () => {
  const view = (of: string, want: 'live' | 'gone', sale: unknown = null) =>
    ({ id: of, sale, listings: [{ want }] }) as never;
  it('is what the courier keeps listed, not what is over', () => {
    const views = {
      here: view('here', 'live'),
      lost: view('lost', 'live'),
      over: view('over', 'gone'),
      sold: view('sold', 'live', {}),
    };
    expect(listedNotHere(views, { here: {} })).toEqual(['lost']);
  });
});
