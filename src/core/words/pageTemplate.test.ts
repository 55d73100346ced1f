import fc from 'fast-check';

import { FIRST_PAGE, PAGE_PARTS, type PagePart } from '@/contract/pageTemplate';
import { Terms } from '@/contract/terms';

import { pageHtml, pageText, type PageOf } from './pageTemplate';
import { anItem } from '../../../e2e/anItem';
import { BUILT_IN } from '../kinds/tree';

const MOOR = ['p', 'br', 'ul', 'li', 'b'];
const of = (part: Partial<PageOf> = {}): PageOf => ({
  item: anItem({
    kind: 'jumper',
    use: 'light',
    looked: true,
    measurements: { chest: 540 },
    facts: { brand: 'Kittiwake & Sons', colour: 'Navy' },
  }),
  kinds: BUILT_IN,
  units: 'metric',
  title: 'A <gansey>',
  story: 'Knitted in the round.\n\n- by hand',
  terms: Terms.parse({ id: 't', market: 'somewhere', name: 'Usual', returnDays: 14, handlingDays: 1 }),
  closing: '',
  ...part,
});
const only = (part: PagePart['part'], heading = '', text = ''): PagePart[] => [{ part, heading, text }];

describe('a page of a listing', () => {
  it('has its parts in an order of one’s own, each under its heading', () => {
    const text = pageText(FIRST_PAGE, of());
    const at = [
      'A <gansey>',
      'Knitted',
      'The facts',
      'Condition',
      'Measured flat',
      'Posting and returns',
    ].map((words) => text.indexOf(words));
    expect(at.every((i) => i >= 0)).toBe(true);
    expect(at).toEqual([...at].sort((a, b) => a - b));
    expect(pageText([...FIRST_PAGE].reverse(), of()).indexOf('Posting')).toBe(0);
  });
  it('leaves out what has nothing to say, its heading, too', () => {
    const bare = of({ item: anItem({ kind: '' }), story: ' ', terms: null, title: '' });
    expect([pageText(FIRST_PAGE, bare), pageHtml(FIRST_PAGE, bare, MOOR)]).toEqual(['', '']);
  });
  it('has a table for facts where tables are taken, else a list, else lines', () => {
    const facts = only('facts');
    const first = '<b>Brand</b>';
    expect(pageHtml(facts, of(), ['table', 'tr', 'td', 'b'])).toContain(
      `<tr><td>${first}</td><td>Kittiwake &amp; Sons</td></tr>`,
    );
    expect(pageHtml(facts, of(), MOOR)).toContain(`<ul><li>${first}: Kittiwake &amp; Sons</li>`);
    expect(pageHtml(facts, of(), ['p', 'br'])).toBe('<p>Brand: Kittiwake &amp; Sons<br />Colour: Navy</p>');
  });
  it('has headings where they are taken, else bold letters', () => {
    expect(pageHtml(only('heading'), of(), ['h2'])).toBe('<h2>A &lt;gansey&gt;</h2>');
    expect(pageHtml(only('story', 'Its story'), of(), MOOR)).toMatch(/^<p><b>Its story<\/b><\/p><p>Knitted/u);
  });
  it('tells of terms what buyers want to know', () => {
    expect(pageText(only('terms'), of())).toBe(
      [
        '- Posted within a day',
        '- Posted at home only',
        '- May be sent back within 14 days, at the buyer’s postage',
      ].join('\n'),
    );
  });
  it('has words of one’s own with facts in them; a pattern that can’t be read says nothing', () => {
    expect(pageText(only('words', '', 'By {{brand}}.'), of())).toBe('By Kittiwake & Sons.');
    expect(pageText(only('words', 'Over it', '{{#open}}'), of())).toBe('');
  });
  it('lets nothing through but what the marketplace takes, whatever it is made of', () => {
    const part = fc.record({
      part: fc.constantFrom(...PAGE_PARTS),
      heading: fc.string({ maxLength: 30 }),
      text: fc.string({ maxLength: 60 }),
    });
    const hostile = fc.constantFrom(
      '<script>x</script>',
      '<img src=x onerror=y>',
      '{{brand}}',
      '</b>',
      'plain',
    );
    const tags = fc.subarray([...MOOR, 'table', 'tr', 'td', 'h2', 'h3']);
    fc.assert(
      fc.property(fc.array(part, { maxLength: 6 }), hostile, hostile, tags, (parts, title, story, taken) => {
        const item = anItem({ kind: 'jumper', facts: { brand: story, colour: title } });
        const html = pageHtml(parts, of({ title, story, item }), taken);
        for (const [, name] of html.matchAll(/<\/?([a-z0-9]*)[^>]*>/giu)) expect(taken).toContain(name);
        expect(html).not.toMatch(/<[^>]*(?:=|script)/iu);
      }),
    );
  });
});
