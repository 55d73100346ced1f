import { FIRST_PAGE, type PagePart } from '@/contract/pageTemplate';
import { Plan } from '@/contract/records';
import { RuleSheet } from '@/contract/ruleSheet';

import { checkListing } from './check';
import { effectiveListing } from './effective';
import { plainSetup } from './setup';
import { anItem } from '../../../e2e/anItem';
import { SHEET as BRACKENMOOR } from '../../../server/standins/brackenmoor/sheet';
import { problemsOf } from '../../../server/standins/brackenmoor/validate';
import { SHEET as THREADWICK } from '../../../server/standins/threadwick/sheet';
import { BUILT_IN } from '../kinds/tree';

const moor = RuleSheet.parse(BRACKENMOOR);
const wick = RuleSheet.parse(THREADWICK);
const LONG = 'Knitted in the round by hand. '.repeat(200).trim();

const item = (description: string) =>
  anItem({ kind: 'jumper', use: 'light', looked: true, facts: { brand: 'Kittiwake' }, description });
const pages = (
  pageParts: readonly PagePart[] | null,
  description = 'Tightly spun navy wool.',
  sheet = moor,
) => {
  const one = item(description);
  const effective = effectiveListing(
    one,
    undefined,
    sheet,
    BUILT_IN,
    plainSetup({ pageParts: pageParts && [...pageParts] }),
  );
  const codes = checkListing(one, effective, sheet, [], BUILT_IN).map((f) => f.code);
  return { effective, codes };
};
const words = (text: string): PagePart => ({ part: 'words', heading: '', text });

describe('a listing whose page is put together', () => {
  it('sends its parts where markup is taken, the description alone elsewhere and without', () => {
    const { text, description, story } = pages(FIRST_PAGE).effective;
    expect(text).toContain('<b>The facts</b>');
    expect(description).toContain('The facts');
    expect(story).toBe('Tightly spun navy wool.');
    expect(pages(null).effective.text).toBe('<p>Tightly spun navy wool.</p>');
    const plain = pages(FIRST_PAGE, undefined, wick).effective;
    expect([plain.text.includes('The facts'), plain.description.includes('The facts')]).toEqual([
      false,
      false,
    ]);
  });
  it('shortens what was written until all of the page fits, and says so', () => {
    const { effective, codes } = pages(FIRST_PAGE, LONG);
    expect(effective.text.length).toBeLessThanOrEqual(moor.description.max);
    expect(effective.text).toContain('<b>The facts</b>');
    expect(LONG.startsWith(effective.story)).toBe(true);
    expect(codes).toContain('descriptionShortened');
    const alone = pages(null, LONG).effective;
    expect(effective.story.length).toBeLessThan(alone.story.length);
  });
  it('stands in the way where its parts alone are too long, as the marketplace would', () => {
    const { effective, codes } = pages([words('x'.repeat(3_000)), words('y'.repeat(3_000))]);
    expect(codes).toContain('descriptionTooLong');
    const refused = problemsOf(
      {
        ...{ reference: 'r', headline: 'A long enough title', text: effective.text, askingCents: 4800 },
        ...{ postageCents: 0, category: '', condition: '', attributes: {}, pictures: [] },
      },
      [],
    );
    expect(JSON.stringify(refused)).toMatch(/"text"/u);
  });
  it('is looked through as a whole: words of one’s own on it, too', () => {
    expect(pages([words('Write to ann@example.com')]).codes).toEqual(
      expect.arrayContaining(pages(null, 'Write to ann@example.com').codes),
    );
    expect(pages(null).codes).not.toEqual(pages([words('Write to ann@example.com')]).codes);
  });
  it('keeps a text of its own for one marketplace as its description', () => {
    const plan = Plan.parse({
      id: 'p',
      itemId: 't',
      market: moor.marketplace,
      wanted: true,
      description: 'Only here.',
    });
    const setup = plainSetup({ pageParts: [...FIRST_PAGE] });
    const effective = effectiveListing(item('Shared.'), plan, moor, BUILT_IN, setup);
    expect([effective.story, effective.text.includes('Only here.')]).toEqual(['Only here.', true]);
  });
});
