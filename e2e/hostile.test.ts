import { Attic } from './attic';
import { PHONE } from './browser';
import { startTestServer } from './testServer';
import { jumpersReady } from './world';

const TITLE = 'Gansey that is written all over';
const at = startTestServer({ world: () => jumpersReady([TITLE]) });

/** Puts a text into a field in one go, as pasting does, and leaves the field. */
async function pasteInto(attic: Attic, label: string, text: string): Promise<void> {
  const field = await attic.page.waitForSelector(`:is(input, textarea)[aria-label^="${label}"]`);
  await field?.evaluate((element, words) => {
    const input = element as HTMLInputElement;
    const type = input instanceof HTMLTextAreaElement ? HTMLTextAreaElement : HTMLInputElement;
    input.focus();
    Object.getOwnPropertyDescriptor(type.prototype, 'value')?.set?.call(input, words);
    input.dispatchEvent(new Event('input', { bubbles: true }));
    input.blur();
  }, text);
}

const LONG = 'seasalt '.repeat(1_250);

type Kept = readonly [label: string, text: string, stored?: string];
// Each round is kept exactly, in the record and after the page is loaded anew.
const ROUNDS: readonly (readonly Kept[])[] = [
  [
    ['Title', 'Gansey 🧶👩🏽‍🦳 «warm»'],
    ['Description', LONG],
    ['Brand', 'Kittiwake & “Sons” \u{1F9F5}'],
    ['Spot', 'Ä3/12 ☂'],
    ['Cost', '6,50', '6.50'],
    ['Pit to pit', '54,5', '54.5'],
  ],
  [
    ['Title', 'سترة صوف‏ \u202Ereversed\u202C'],
    ['Description', '=1+1\n<script>alert(1)</script>'],
    ['Brand', '<img src=x onerror=alert(1)> {{7*7}} ${code} %s'],
    ['Price', '48.05'],
    ['Length', '68.5'],
  ],
];

it.each(ROUNDS.map((round, i) => [i + 1, round] as const))(
  'keeps texts of all sorts, round %d',
  async (_, round) => {
    const attic = await Attic.open(at, PHONE);
    await attic.openItem('YA-0001');
    for (const [label, text] of round) await pasteInto(attic, label, text);
    await attic.saved();
    await attic.reload();
    for (const [label, text, stored = text] of round) await attic.holds(label, stored);
    expect(attic.complaints).toEqual([]);
    await attic.page.close();
  },
);

const REFUSED = [
  ['Brand', 'b'.repeat(10_000), '400 fit'],
  ['Material', 'Wo\u0007ol', 'characters that can’t be seen'],
  ['Cost', '1.000,00 or so', 'digits only'],
  ['Price', '-5', 'below zero'],
  ['Pit to pit', '54 or 55', 'Type centimetres'],
  ['Length', '99999', 'longer than 20 metres'],
  ['Weight packed', '1e9', 'Type grams'],
] as const;

it('refuses the rest with why; what was typed stays to be put right, what was stored stays', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.openItem('YA-0001');
  const before = new Map<string, string>();
  for (const [label, text, why] of REFUSED) {
    before.set(label, await attic.value(label));
    await pasteInto(attic, label, text);
    await attic.sees(why);
    await attic.holds(label, text);
  }
  await attic.saved();
  await attic.reload();
  for (const [label, was] of before) await attic.holds(label, was);
  await attic.page.close();
});
