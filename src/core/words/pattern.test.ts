import fc from 'fast-check';

import { Settings } from '@/contract/records';

import { countAs } from './count';
import { cutToFit } from './cut';
import { cleanHtml, escapeHtml, htmlFromText, MARKUP, textFromHtml } from './html';
import { importWords } from './importWords';
import { fillPattern, TONES } from './pattern';
import { patternProblems } from './patternProblems';
import { shopWords } from './shopWords';
import { tagsFor, topicLine, topicsIn } from './tags';
import { knownTokens } from './tokens';
import { anItem } from '../../../e2e/anItem';
import { BUILT_IN, KindTree, ROWS } from '../kinds/tree';

const gansey = anItem({
  kind: 'jumper',
  title: 'Kittiwake gansey',
  spot: 'A3-12',
  cost: 600,
  facts: { brand: 'Kittiwake Mills', colour: 'Navy', material: 'Wool', size: 'M', model: 'gansey' },
  use: 'light',
  flaws: [
    {
      id: 'f',
      type: 'darned',
      place: 'right elbow',
      severity: 'clear',
      sizeMm: 42,
      pictureId: null,
      pin: null,
    },
  ],
  measurements: { chest: 540 },
});
const fill = (text: string, item = gansey, closing = '') =>
  fillPattern(text, item, BUILT_IN, 'metric', closing);

describe('patterns', () => {
  it.each([
    ['the grade comes from its use', { use: 'light', flaws: [] }, 'Condition: lightly worn.'],
    [
      'its use says more',
      { use: 'tried', flaws: [] },
      'Condition: as good as unworn, tried or used once or twice.',
    ],
    [
      'the grade comes from a flaw',
      { use: 'light', flaws: gansey.flaws },
      'Condition: plainly worn, lightly used.',
    ],
    ['nobody said how it was used', { use: null, flaws: [] }, null],
  ] as const)('say its use beside its grade only where that is not said twice: %s', (_, change, said) => {
    for (const tone of TONES.filter((t) => t.text.includes('Condition: {{grade}}'))) {
      const filled = fill(tone.text, anItem({ ...gansey, use: change.use, flaws: [...change.flaws] }));
      const lines = filled.ok ? filled.text.split('\n') : [];
      expect(lines.find((line) => line.startsWith('Condition: ')) ?? null).toBe(said);
    }
  });
  it.each(TONES.map((t) => [t.id, t]))(
    'the tone “%s” says what the record holds, and no token is a slip',
    (_, tone) => {
      const filled = fill(tone.text, gansey, 'Ask for more pictures.');
      const text = filled.ok ? filled.text : '';
      for (const said of [
        'Kittiwake Mills',
        'darned, right elbow (4.2 cm)',
        '54 cm',
        'Ask for more pictures.',
      ])
        expect(text).toContain(said);
      expect(text).not.toMatch(/A3-12|6\.00|600|\{\{|undefined|null|no flaws/);
      expect(text).not.toMatch(/\n{3}/);
      expect(patternProblems(tone.text, knownTokens(BUILT_IN))).toEqual([]);
    },
  );
  it.each(TONES.map((t) => [t.id, t]))(
    'the tone “%s” claims nothing of an item of which nothing is known',
    (_, tone) => {
      const filled = fill(tone.text, anItem({ kind: 'jumper' }));
      expect(filled.ok && filled.text).not.toMatch(/flaw|condition|measured|works|clean|size/iu);
    },
  );
  it('lets sections vanish and says lists', () => {
    expect(fill('a{{#decade}} of the {{decade}}{{/decade}}{{^decade}}, undated{{/decade}}')).toEqual({
      ok: true,
      text: 'a, undated',
    });
    expect(fill('{{#flaws}}<{{.}}>{{/flaws}}')).toEqual({ ok: true, text: '<darned, right elbow (4.2 cm)>' });
  });
  it('never reads a fact as a pattern, and knows no private one', () => {
    const tree = new KindTree(ROWS, [], [{ kind: '', spec: { id: 'pile', label: 'Pile', private: true } }]);
    const item = anItem({
      kind: 'jumper',
      facts: { brand: '{{spot}} & {{pile}}', pile: 'secret' },
      spot: 'A3-12',
    });
    expect(fillPattern('{{brand}}|{{pile}}|{{spot}}|{{cost}}', item, tree, 'metric')).toEqual({
      ok: true,
      text: '{{spot}} & {{pile}}|||',
    });
  });
  it('says what is wrong with a pattern', () => {
    expect(fill('{{#flaws}} x')).toEqual({
      ok: false,
      why: { code: 'neverClosed', params: { name: 'flaws' } },
    });
    expect(fill('x {{/flaws}}')).toEqual({
      ok: false,
      why: { code: 'neverOpened', params: { name: 'flaws' } },
    });
    expect(fill('{{brand')).toEqual({ ok: false, why: { code: 'braces', params: {} } });
  });
});

describe('limited HTML', () => {
  it('makes paragraphs and lists', () =>
    expect(htmlFromText('One & two\nthree\n\n- a\n- b')).toBe(
      '<p>One &amp; two<br />three</p><ul><li>a</li><li>b</li></ul>',
    ));
  // Strings of this sort stand in the OWASP cross-site scripting filter evasion sheet; written from memory.
  it.each([
    '<script>alert(1)</script>',
    '<img src=x onerror=alert(1)>',
    '<svg/onload=alert(1)>',
    '<a href="javascript:alert(1)">x</a>',
    '<iframe srcdoc="<script>alert(1)</script>"></iframe>',
    '"><script>alert(1)</script>',
    '<p onclick=alert(1)>x</p>',
    '<<script>alert(1)//<</script>',
    '<scr<script>ipt>alert(1)</scr</script>ipt>',
    '<math><mtext></p><script>alert(1)</script>',
    '<style>@import "javascript:alert(1)"</style>',
    '<b style="background:url(javascript:alert(1))">x</b>',
  ])('leaves %s inert', (bad) => {
    for (const html of [htmlFromText(bad), cleanHtml(bad, MARKUP), cleanHtml(`<p>a</p>${bad}`, ['p'])]) {
      expect(html.replace(/<\/?(?:p|br|ul|li|b)(?: \/)?>/gu, '')).not.toContain('<');
      expect(html).not.toMatch(/<[^>]*(?:=|script|javascript)/iu);
    }
  });
  it('lets no tag through that is not on the list', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), fc.subarray([...MARKUP]), (text, tags) => {
        const html = htmlFromText(`${text}\n\n- <b>${text}`, tags);
        for (const m of html.matchAll(/<\/?([a-z0-9]*)[^>]*>/giu)) expect(tags).toContain(m[1]);
      }),
    );
    expect(escapeHtml('<"&\'>')).toBe('&#60;&#34;&#38;&#39;&#62;');
  });
});

describe('words brought in', () => {
  const page = `<style>p{color:red}</style><table><tr><td><table><tr><td><h2>Fisherman's jumper</h2><p style="font:9px x">Brand: Ostler &amp; Son</p>
    <ul><li>Pit to pit 54 cm</li><li>100% wool</li></ul><script>steal()</script><img src="//t/p.gif" width=1></td></tr></table></td></tr></table>
    <p>Welcome to my shop! Visit my other items.</p><p>Write to me@shop.example</p>`;
  it('are clean, structured and without the other shop’s words', () => {
    const { text, leftOut } = importWords(page, BUILT_IN, 'jumper', 'metric');
    expect(text).toBe("Fisherman's jumper\n\nBrand: Ostler & Son\n\n- Pit to pit 54 cm\n- 100% wool");
    expect(leftOut.map((l) => l.why)).toEqual([
      { code: 'otherShop', params: {} },
      { code: 'privateThing', params: { what: { code: 'email', params: {} }, text: 'me@shop.example' } },
    ]);
  });
  it('offer the facts found in them', () => {
    const { facts } = importWords(page, BUILT_IN, 'jumper', 'metric');
    expect(facts.map((f) => [f.field, f.value])).toEqual([
      ['fact:brand', 'Ostler & Son'],
      ['fact:material', 'Wool'],
      ['measure:chest', '540'],
    ]);
  });
  it('answer whatever is pasted', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 3_000 }), (pasted) => {
        const text = textFromHtml(pasted);
        expect(text).toBe(text.trim());
      }),
    );
  });
});

describe('cutting', () => {
  it('ends where a sentence ends', () => {
    expect(cutToFit('One here. Two there. Three.', 22, 'characters')).toEqual({
      text: 'One here. Two there.',
      cut: true,
    });
    expect(cutToFit('One here.', 9, 'characters')).toEqual({ text: 'One here.', cut: false });
    expect(cutToFit('One very long sentence without an end', 20, 'characters').text).toBe('One very long');
  });
  it('always fits, and is a beginning of the text', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 300 }), fc.integer({ min: 0, max: 120 }), (text, max) => {
        const cut = cutToFit(text, max, 'characters');
        expect(countAs(cut.text, 'characters')).toBeLessThanOrEqual(Math.max(max, cut.cut ? 0 : max));
        expect(text.startsWith(cut.text)).toBe(true);
      }),
    );
  });
});

describe('tags and shop words', () => {
  it('are true, short, few and each once', () => {
    const tags = tagsFor(
      gansey,
      BUILT_IN,
      [
        { word: 'sweater', count: 9 },
        { word: 'cashmere', count: 99 },
      ],
      { max: 5, longest: 15 },
    );
    expect(tags).toEqual(['jumper', 'navy jumper', 'wool jumper', 'kittiwake mills', 'gansey']);
    expect(topicLine(tags, 3)).toBe('~jumper ~navyjumper ~wooljumper');
    expect(topicsIn(`A text. ${topicLine(tags, 2)}`)).toEqual(['jumper', 'navyjumper']);
    expect(topicsIn('~a wool~b (~c) ~ ~~ ~d,')).toEqual(['a', '~', 'd,']);
  });
  // About 60 and 155 characters: common practice.
  it('fit what a search engine shows, by the person’s patterns', () => {
    const room = { title: 60, description: 155 };
    const { shop } = Settings.parse({ id: 'settings' });
    const made = shopWords({ ...gansey, title: '' }, BUILT_IN, 'metric', { ...shop, name: 'Yonder' }, room, [
      'gansey',
    ]);
    expect(made.title).toBe('Kittiwake Mills jumper gansey Wool Navy size M | Yonder');
    expect(made.description).toContain('Kittiwake Mills gansey jumper, navy, wool.');
    const long = shopWords(
      gansey,
      BUILT_IN,
      'metric',
      { ...shop, title: '{{title}} '.repeat(9), description: '{{what}} of the coast. '.repeat(20) },
      room,
      [],
    );
    expect(long.title.length).toBeLessThanOrEqual(60);
    expect(long.description.length).toBeLessThanOrEqual(155);
    expect(long.description).toMatch(/\.$/);
    const broken = shopWords(
      gansey,
      BUILT_IN,
      'metric',
      { ...shop, title: '{{#open}}', description: 'x' },
      room,
      [],
    );
    expect(broken.title).toContain('Kittiwake Mills');
  });
});

it('buyers read no question to the seller: a size with what it is counted in, and whom it is for', () => {
  const brief = TONES.find((t) => t.id === 'brief')!.text;
  const boots = anItem({
    kind: 'boots',
    facts: { brand: 'Ostler', size: '42', sizeSystem: 'EU', department: 'Men' },
  });
  const text = fillPattern(brief, boots, BUILT_IN, 'metric');
  expect(text.ok && text.text).toMatch(/- size on the label: EU 42/u);
  expect(text.ok && text.text).toMatch(/- for: Men/u);
  expect(text.ok && text.text).not.toMatch(/counted in|who it is for/iu);
});
