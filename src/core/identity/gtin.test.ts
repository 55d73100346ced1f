import fc from 'fast-check';
import * as gtin from 'gtin';
import * as isbn3 from 'isbn3';

import {
  canonicalBarcode,
  checkDigit,
  isbn10CheckDigit,
  isbn10From13,
  isbn13From10,
  readBarcode,
} from './gtin';

const digits = (length: number) => fc.stringMatching(new RegExp(`^\\d{${length}}$`, 'u'));

describe('barcodes', () => {
  it('calculates the check digit as the standard does', () => {
    // GS1 General Specifications, "Check digit calculation": the worked example 6291 0415 0021 -> 3.
    expect(checkDigit('629104150021')).toBe('3');
    expect(readBarcode('6291041500213')).toMatchObject({
      ok: true,
      type: 'EAN-13',
      gtin14: '06291041500213',
    });
  });
  it('turns ISBN-10 into ISBN-13 and back', () => {
    // The worked example usual for ISBN check digits, 0-306-40615-2 and 978-0-306-40615-7. From memory.
    expect(isbn13From10('0306406152')).toBe('9780306406157');
    expect(isbn10From13('9780306406157')).toBe('0306406152');
    expect(readBarcode('978-0-306-40615-7')).toMatchObject({ ok: true, type: 'ISBN-13' });
    expect(readBarcode('0-306-40615-2')).toMatchObject({
      ok: true,
      type: 'ISBN-10',
      gtin14: '09780306406157',
    });
    expect(isbn10From13('9790000000000')).toBeNull();
  });
  // However it is printed, typed or pasted: GS1 General Specifications, all lengths are one number with zeros
  // in front.
  it.each([
    ['2000000000015', '2000000000015'],
    ['200-0000000015', '2000000000015'],
    ['200 000 000 001 5', '2000000000015'],
    ['02000000000015', '2000000000015'],
    ['ISBN 978-0-306-40615-7', '9780306406157'],
    ['ISBN-13: 9780306406157', '9780306406157'],
    ['isbn 0-306-40615-2', '9780306406157'],
    ['978–0–306–40615–7', '9780306406157'],
    ['978\u20110\u2011306\u201140615\u20117', '9780306406157'],
    ['978\u00A00306406157', '9780306406157'],
    ['９７８０３０６４０６１５７', '9780306406157'],
    ['EAN 4006381333931', '4006381333931'],
    ['036000291452', '0036000291452'],
    ['0036000291452', '0036000291452'],
    ['00036000291452', '0036000291452'],
    ['96385074', '96385074'],
    ['00000096385074', '96385074'],
    ['10614141000415', '10614141000415'],
  ])('keeps %s as %s', (written, kept) => expect(canonicalBarcode(written)).toBe(kept));
  it('keeps what is no barcode as it was typed, and its form never changes again', () => {
    expect(canonicalBarcode(' 2000000000019 ')).toBe('2000000000019');
    expect(canonicalBarcode('ISBN unknown')).toBe('ISBN unknown');
    fc.assert(
      fc.property(
        digits(12),
        fc.constantFrom('-', ' ', '\u2011', '–', ''),
        fc.nat(11),
        (twelve, dash, at) => {
          const code = twelve + checkDigit(twelve);
          const kept = canonicalBarcode(code);
          expect(canonicalBarcode(`${code.slice(0, at)}${dash}${code.slice(at)}`)).toBe(kept);
          expect(canonicalBarcode(kept)).toBe(kept);
          expect(canonicalBarcode(`0${code}`)).toBe(kept);
        },
      ),
    );
  });
  it('finds every single wrong digit, and the way back is exact', () => {
    fc.assert(
      fc.property(digits(12), fc.nat(12), fc.integer({ min: 1, max: 9 }), (twelve, place, by) => {
        const code = twelve + checkDigit(twelve);
        expect(readBarcode(code).ok).toBe(true);
        const wrong = code.slice(0, place) + ((Number(code[place]) + by) % 10) + code.slice(place + 1);
        expect(readBarcode(wrong).ok).toBe(false);
      }),
    );
    fc.assert(
      fc.property(digits(9), (nine) => {
        const ten = nine + isbn10CheckDigit(nine);
        expect(isbn10From13(isbn13From10(ten))).toBe(ten);
      }),
    );
  });
  it('agrees with published libraries over random numbers', () => {
    // The npm packages "gtin" (GTIN-8 to GTIN-14) and "isbn3" (ISBN-10 and ISBN-13) as oracles.
    const lengths = fc.constantFrom(8, 12, 13, 14).chain((n) => digits(n));
    fc.assert(
      fc.property(lengths, (code) =>
        expect(readBarcode(code).ok).toBe(gtin.isGTIN(code) && gtin.isValid(code)),
      ),
      { numRuns: 1_000 },
    );
    fc.assert(
      fc.property(digits(9), (nine) => {
        const ten = nine + isbn10CheckDigit(nine);
        const oracle = isbn3.parse(ten);
        // The library knows which groups have been given out; for those that have, all has to agree.
        if (!oracle) return;
        expect(oracle).toMatchObject({ isValid: true, isbn10: ten, isbn13: isbn13From10(ten) });
        expect(isbn10From13(oracle.isbn13 ?? '')).toBe(ten);
      }),
      { numRuns: 300 },
    );
  });
  it.each([
    ['96385074', 'EAN-8'],
    ['036000291452', 'UPC-A'],
    ['10614141543219', 'GTIN-14'],
  ])('knows %s as %s', (code, kind) =>
    // check digits by hand
    expect(readBarcode(code)).toMatchObject({ ok: true, type: kind }),
  );
  it.each(['', '12345', 'abcdefghijkl', '12345678901234567'])('has words for %j', (text) =>
    expect(readBarcode(text)).toMatchObject({ ok: false }),
  );
});
