import { Attic } from './attic';
import { PHONE, WIDE } from './browser';
import { itemPicture } from './pictures';
import { pressOn } from './pointer';
import { until } from './serverProcess';
import { startTestServer } from './testServer';

/** Ten different items of one haul: what is drawn, its kind, and what it is called. */
const EVENING = [
  ['gansey', 'Jumper', 'Gansey'],
  ['boots', 'Boots', 'Walking boots'],
  ['satchel', 'Bag or satchel', 'School satchel'],
  ['lamp', 'Lamp', 'Stable lamp'],
  ['camera', 'Camera', 'Plate camera'],
  ['vase', 'Vase or glass', 'Pressed vase'],
  ['fieldGuide', 'Book', 'Book of birds'],
  ['jigsaw', 'Jigsaw', 'Harbour jigsaw'],
  ['handPlane', 'Plane', 'Jack plane'],
  ['blanket', 'Blanket or throw', 'Striped blanket'],
] as const;
/** Those that are finished on the phone; the others wait for the wide page. */
const ON_THE_PHONE = 5;

const at = startTestServer();

const code = (i: number) => `YA-${String(i + 1).padStart(4, '0')}`;

it('takes in ten different items on a phone, and finishes five of them in the wide table', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.beginItem();
  await attic.press('Change');
  await attic.fill('A new haul', 'Fennick clearance');
  await attic.press('Start this haul');
  for (const [i, [drawing, kind]] of EVENING.entries()) {
    await attic.choose([await itemPicture(drawing)]);
    await attic.sees('Saved, 1 picture');
    await attic.sees(code(i));
    await chooseKind(attic, kind);
    await attic.press('Next item');
    await attic.sees('A new item');
  }
  await toTheHaul(attic);
  await attic.sees('10 items');
  await attic.press('Fill in these 10');
  await attic.page.waitForSelector('[role=main][aria-label="Fill in 10 items"]');

  // What they share is said once; what differs is asked, one item after the other.
  await attic.press('All have the same: Use');
  await attic.press('Use, all of them: Lightly used');
  await attic.press('Say it of 10 items');
  await attic.sees('Said of 10 items.');
  await attic.press('All have the same: Spot');
  await attic.fill('Spot, all of them', 'C4-01');
  await attic.press('Say it of 10 items');
  await attic.sees('Said of 10 items.');
  const mine = new Set(EVENING.slice(0, ON_THE_PHONE).map((_, i) => code(i)));
  let asked = 0;
  const heads = new Set<number>();
  for (let question = await nextQuestion(attic); question; question = await nextQuestion(attic)) {
    asked += 1;
    heads.add(question.head);
    if (!mine.has(question.code)) await attic.press('Pass over');
    else if (question.choice !== null) await attic.press(question.choice);
    else {
      // With the finger that sees whether it hit: a click beside the field would take the keys away from it.
      await pressOn(attic.page, { selector: '[aria-label="One question"] input' });
      await attic.page.keyboard.type(answerTo(question.label, question.code));
      await attic.page.keyboard.press('Enter');
    }
    await movedOn(attic, question);
    if (asked > 300) throw new Error('the strip never ends');
  }
  await attic.sees('All is said');
  expect(asked).toBeGreaterThan(40);
  // Storing an answer moves nothing: the next press would miss.
  expect(heads.size).toBe(1);
  await attic.saved();

  // The same evening, later, at a table: the other five.
  await attic.page.setViewport(WIDE);
  await attic.page.waitForSelector('[aria-label="Table of items"]');
  const theirs = EVENING.map((_, i) => code(i)).filter((c) => !mine.has(c));
  const written = await fillTheTable(attic, theirs);
  expect(written).toBeGreaterThan(20);

  // A column pasted from a spreadsheet: one of the figures is none, and is not lost.
  await cell(attic, 'Price', code(5));
  await paste(attic, '12,50\n13\nmuch\n15.00\n16');
  await attic.sees(`Price of ${code(7)}: “much” was not kept.`);
  await cellHolds(attic, 'Price', code(7), 'much');
  await cellHolds(attic, 'Price', code(5), '12.50');
  await cell(attic, 'Price', code(7));
  await attic.page.keyboard.type('14');
  await attic.page.keyboard.press('Enter');
  await attic.seesNot('was not kept');
  await attic.saved();
  await attic.reload();
  await attic.page.waitForSelector('[aria-label="Table of items"]');
  await cellHolds(attic, 'Price', code(7), '14.00');

  // Nothing that our standards require is open any more, on any of the ten.
  await attic.go('Stock');
  for (const gap of ['Required answers', 'Condition', 'Price', 'Title', 'Spot', 'Kind']) {
    await attic.press('More filters');
    await attic.press(`What is missing: ${gap}`);
    await attic.sees('Nothing matches.');
    await attic.press(`What is missing: ${gap}`);
    await attic.press('More filters');
  }
  await attic.sees('10 items');
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});

async function chooseKind(attic: Attic, kind: string): Promise<void> {
  const there = await attic.page.$(`[role=radiogroup][aria-label="Kind of item"] ::-p-aria(${kind})`);
  if (!there) {
    await attic.press('Other kinds');
    await attic.fill('Find a kind', kind);
  }
  await attic.press(kind, '[role=radiogroup]');
  await attic.page.waitForSelector(`::-p-aria(Kind: ${kind}. Change)`);
}

async function toTheHaul(attic: Attic): Promise<void> {
  await attic.go('Stock');
  await attic.press('The attic: hauls, spots, kinds, codes');
  await attic.press('Hauls');
  await attic.press('Fennick clearance');
}

interface Asked {
  label: string;
  code: string;
  /** The first thing to tap; null where it is typed. */
  choice: string | null;
  /** How high the head of the page is; pixels. */
  head: number;
}

/** What the strip asks now; null when all is said. */
async function nextQuestion(attic: Attic): Promise<Asked | null> {
  await attic.page.waitForSelector(':is([aria-label="One question"], [aria-label="All asked"])');
  return attic.page.evaluate(() => {
    const card = document.querySelector('[aria-label="One question"]');
    if (!card) return null;
    const label = card.querySelector('[role=heading]')?.textContent ?? '';
    const found = /YA-\d{4}/u.exec(card.textContent ?? '')?.[0] ?? '';
    const choice = card.querySelector('[role=radiogroup] [role=radio]')?.getAttribute('aria-label') ?? null;
    const title = document.querySelector('[role=main] [role=heading][aria-level="1"]');
    return { label, code: found, choice, head: title?.parentElement?.getBoundingClientRect().height ?? 0 };
  });
}

async function movedOn(attic: Attic, before: Asked): Promise<void> {
  await until(`the strip goes on after ${before.label} of ${before.code}`, async () => {
    const now = await nextQuestion(attic);
    return now === null || now.label !== before.label || now.code !== before.code;
  });
}

function answerTo(label: string, of: string): string {
  const i = Number(of.slice(3)) - 1;
  if (label === 'Title') return `${EVENING[i]?.[2]} from Fennick`;
  if (/price/iu.test(label)) return '24,50';
  if (/pieces/iu.test(label)) return '48';
  if (/year/iu.test(label)) return '1968';
  if (/brand|maker|author|publisher|title of/iu.test(label)) return 'Hobley & Vane';
  if (/material|colour|surface/iu.test(label)) return 'Brown';
  return '30';
}

/** Fills the table from left to right until nothing is open any more. @returns how many cells were written */
async function fillTheTable(attic: Attic, codes: readonly string[]): Promise<number> {
  let written = 0;
  for (let more = 1; more > 0; written += more) more = await fillAcross(attic, codes);
  return written;
}

/** Writes into every cell that is open and empty, the way a person does: a click, the words, Enter. */
async function fillAcross(attic: Attic, codes: readonly string[]): Promise<number> {
  let written = 0;
  for (let across = 0; across <= 6_000;) {
    const open = await attic.page.evaluate(
      (wanted) =>
        [...document.querySelectorAll<HTMLInputElement>('.attic-grid input')]
          .filter((e) => !e.disabled && e.value === '')
          .map((e) => e.getAttribute('aria-label') ?? '')
          .find((name) => wanted.some((c) => name.endsWith(` of ${c}`))),
      codes,
    );
    if (open === undefined) {
      const moved = await attic.page.evaluate((to) => {
        const frame = document.querySelector('.attic-grid .dsg-container');
        if (!frame) return false;
        frame.scrollLeft = to;
        return frame.scrollLeft >= to - 1;
      }, across + 300);
      if (!moved && across > 0) break;
      across += 300;
      await new Promise((done) => setTimeout(done, 150));
      continue;
    }
    const [label = '', of = ''] = open.split(/ of (?=YA-)/u);
    await cell(attic, label, of);
    await attic.page.keyboard.type(answerTo(label, of));
    await attic.page.keyboard.press('Enter');
    await until(`${open} is written`, async () => (await cellValue(attic, label, of)) !== '');
    written += 1;
  }
  await attic.page.evaluate(() => document.querySelector('.attic-grid .dsg-container')?.scrollTo(0, 0));
  return written;
}

const named = (label: string, of: string) => `.attic-grid input[aria-label="${label} of ${of}"]`;

/** Brings a cell into sight and clicks it. */
async function cell(attic: Attic, label: string, of: string): Promise<void> {
  await inSight(attic, label, of);
  const box = await attic.page.$eval(named(label, of), (element) => {
    element.scrollIntoView({ block: 'center', inline: 'center' });
    const { x, y, width, height } = element.getBoundingClientRect();
    return { x: x + width / 2, y: y + height / 2 };
  });
  await attic.page.mouse.click(box.x, box.y);
}

async function cellHolds(attic: Attic, label: string, of: string, text: string): Promise<void> {
  await until(`${label} of ${of} holds “${text}”`, async () => (await cellValue(attic, label, of)) === text);
}

async function cellValue(attic: Attic, label: string, of: string): Promise<string> {
  await inSight(attic, label, of);
  return attic.page.$eval(named(label, of), (element) => (element as HTMLInputElement).value);
}

/** Only what is near is drawn: the table is moved until the cell is there. */
async function inSight(attic: Attic, label: string, of: string): Promise<void> {
  const isThere = async () => (await attic.page.$(named(label, of))) !== null;
  // What is there a moment later too: a scrolling just begun may still take it out of sight.
  const isSteady = async () => {
    if (!(await isThere())) return false;
    await new Promise((done) => setTimeout(done, 120));
    return isThere();
  };
  for (let moves = 0; !(await isSteady()); moves += 1) {
    // Twice across the table.
    if (moves > 40) throw new Error(`no cell for ${label} of ${of}`);
    const to = (moves % 21) * 300;
    await attic.page.evaluate((left) => {
      const frame = document.querySelector('.attic-grid .dsg-container');
      if (frame) frame.scrollLeft = left;
    }, to);
    await new Promise((done) => setTimeout(done, 120));
  }
}

/** What the clipboard of a spreadsheet holds, pasted. */
async function paste(attic: Attic, text: string): Promise<void> {
  await attic.page.evaluate((words) => {
    const clipboardData = new DataTransfer();
    clipboardData.setData('text/plain', words);
    document.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }));
  }, text);
}
