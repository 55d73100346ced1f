import { Choices as ChoicesSchema, type Choices } from '@/contract/choices';
import { AuctionTerms } from '@/contract/courier';
import { Picture, Plan, planId, Item, USES } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';
import { Terms } from '@/contract/terms';
import { severalAlike } from '@/core/choices/choices';
import { BUILT_IN } from '@/core/kinds/tree';

import { Random } from '../random';

export interface Case {
  item: Item;
  plan: Plan;
  pictures: Picture[];
  /** The person's terms there; none as often as not. */
  terms: Terms[];
}

const WORDS = [
  'Kittiwake',
  'gansey',
  'wool',
  'brass',
  'lamp',
  'navy',
  'old',
  'harbour',
  'fine',
  'sound',
  'darned',
  'once',
  'blue',
  'oak',
];
const NASTY = [
  '<b>bold</b>',
  '<script>x</script>',
  'write to me@example.org',
  'see www.example.org',
  'https://example.org/x',
  'call 0171 555 01234',
  'replica',
  'best price',
  'see shop',
  'inspired by',
  'dupe',
  'reproduction',
  'postage',
  'swap',
  '👩‍👩‍👧‍👧',
  'e\u0301\u0323',
  '\u202Eright to left',
  '~topic ~words',
  '~averylongtopicwordthatnobodywants',
  'AAAA BBBB CCCC',
  '<',
  'a < b',
  '<3',
  '&amp;',
  '"quoted"',
];
/**
 * What addresses, markup, topics and refused phrases are made of: put together at random, they come close to
 * every rule about words.
 */
const SCRAPS = [
  '@',
  '@',
  '.',
  '.',
  '..',
  'a',
  'b1',
  'Z',
  'com',
  'www',
  'http',
  'https',
  ':',
  '//',
  '/',
  '<',
  '>',
  '</',
  '<p>',
  '<br>',
  '<a',
  '!',
  '&',
  '&amp;',
  '&#64;',
  ';',
  ',',
  '~',
  '~~',
  '-',
  '- ',
  '* ',
  'best',
  'price',
  'see',
  'shop',
  'replica',
  'inspired',
  'by',
  'dupe',
  'reproduction',
  'é',
  'ß',
  'İ',
  '\u00A0',
  '\u200B',
  '_',
  "'",
  '🧶',
  '0',
  '+49',
  '171 555',
  ' ',
  ' ',
  ' ',
  '\n',
  '\n\n',
  '\t',
];

type Or = <T>(good: T, ...bad: (() => T)[]) => T;

function goodAnswer(
  q: RuleSheet['questions'][number],
  random: Random,
  text: (length: number) => string,
): string {
  switch (q.type) {
    case 'choice':
      return random.pick(q.choices ?? []) ?? '';
    case 'several':
      return (q.choices ?? []).filter(() => random.chance(0.5)).join(' | ');
    case 'yesNo':
      return random.chance(0.5) ? 'yes' : 'no';
    case 'number':
      return String(random.between(0, 9_999));
    case 'text':
      return text(12);
  }
}

/** Several just alike, now and then none, all that is counted, or more. */
function alikeFor(most: number, random: Random, or: Or): Choices {
  const stock = or(
    random.between(1, 9),
    () => 0,
    () => most,
    () => most + 1,
  );
  return {
    ...severalAlike(null, stock, 'YA-0001'),
    heldBack: random.chance(0.3) ? random.between(1, 9) : 0,
    cap: random.chance(0.3) ? random.between(1, 9) : null,
  };
}

/** Several to choose from, now and then one more of something than is taken. */
function choicesFor(
  most: NonNullable<RuleSheet['choices']>,
  random: Random,
  or: Or,
  text: (length: number) => string,
): Choices {
  const kinds = or(random.between(1, most.options), () => most.options + 1);
  const count = or(
    random.between(2, 6),
    () => 1,
    () => most.pieces + 1,
    () => most.pieces,
  );
  const word = () =>
    or(
      text(random.between(3, 12)),
      () => text(most.longest).padEnd(most.longest, 'x'),
      () => text(most.longest).padEnd(most.longest + 1, 'x'),
    );
  const options = Array.from({ length: kinds }, () => ({ name: word(), values: [word()] }));
  // Held back and capped: what is shown is less than what there is, or nothing.
  const heldBack = random.chance(0.4) ? random.one([1, 4, 9]) : 0;
  const cap = random.chance(0.4)
    ? or(
        random.between(1, 9),
        () => most.stock,
        () => most.stock + 1,
      )
    : null;
  const stock = () =>
    or(
      cap !== null && random.chance(0.3) ? most.stock + 7 : random.between(1, 9),
      () => most.stock,
      () => most.stock + 1,
    );
  const none = or(false, () => true);
  const pieces = Array.from({ length: count }, (_, i) => ({
    values: options.map(() => word()),
    stock: none ? 0 : stock(),
    price: random.chance(0.5) ? null : or(random.between(300, 9_000), () => 1),
    code: `YA-0001/${i + 1}`,
    pictureIds: [],
  }));
  return ChoicesSchema.parse({ options, pieces, heldBack, cap });
}

/** Terms of the person's, now and then with days or postage that a marketplace does not take. */
function termsFor(sheet: RuleSheet, random: Random, or: Or): Terms[] {
  if (random.chance(0.4)) return [];
  const { maxHandlingDays = 10, returnDays = [14] } = sheet.terms ?? {};
  const most = sheet.postageMost ?? 20_000;
  const amount = () =>
    or(
      random.between(0, 900),
      () => most,
      () => most + 1,
    );
  return [
    Terms.parse({
      id: 'usual',
      market: sheet.marketplace,
      name: 'Usual',
      isDefault: true,
      home: random.pick(['carrier', 'flat', 'free']),
      flat: amount(),
      further: amount(),
      abroad: random.pick(['none', 'near', 'far']),
      handlingDays: or(
        random.between(0, maxHandlingDays),
        () => maxHandlingDays + 1,
        () => 60,
      ),
      returnDays: or(
        random.one(returnDays),
        () => 3,
        () => 365,
      ),
      returnsPaidBy: random.pick(['buyer', 'seller']),
      payment: (['marketplace', 'transfer', 'cash'] as const).filter(() => random.chance(0.5)),
      taxBp: random.pick([0, 700, 1_900, 5_000]),
      collect: random.chance(0.5),
    }),
  ];
}

/** What a case is drawn from: one seed, and how broken it may be. */
class Draw {
  readonly random: Random;
  readonly sound: boolean;
  /** Sound in everything but the words: what they are refused for is not hidden behind other refusals. */
  wordy = false;

  constructor(
    readonly sheet: RuleSheet,
    seed: number,
  ) {
    this.random = new Random(seed);
    this.sound = this.random.chance(0.45);
    this.wordy = this.sound && this.random.chance(0.25);
  }

  /** Something sound, or now and then something broken. */
  readonly or: Or = (good, ...bad) =>
    this.sound || this.random.chance(0.8) ? good : (this.random.pick(bad) ?? (() => good))();

  readonly text = (length: number): string => {
    let made = '';
    while (made.length < length) made += `${this.random.pick(WORDS)} `;
    return made.slice(0, length).trim();
  };

  nasty(length: number): string {
    return `${this.text(Math.max(1, length))} ${this.random.pick(NASTY)} ${this.text(12)}`;
  }

  mash(): string {
    return Array.from({ length: this.random.between(1, 14) }, () => this.random.pick(SCRAPS)).join('');
  }
}

/** Answers to the category's fields: some on the item, some on the plan. */
function specificsFor(
  draw: Draw,
  category: RuleSheet['categories'][number],
  barcode: string | undefined,
): { facts: Record<string, string>; own: Record<string, string> } {
  const { random, or, text } = draw;
  const facts: Record<string, string> = {};
  const own: Record<string, string> = {};
  for (const field of category.specifics) {
    const good =
      field.id === 'barcode'
        ? (barcode ?? '')
        : field.choices
          ? random.one(field.choices)
          : text(random.between(1, Math.min(20, field.maxLength ?? 20)));
    const value = or(
      good,
      () => '',
      () => 'Something unheard of',
      () => text((field.maxLength ?? 60) + 1),
      () => '  ',
      () => '👩‍👩‍👧‍👧'.repeat(6),
      () => '2000000009995',
      () => barcode ?? 'x',
      // As many at once as it takes, and one too many.
      () => Array.from({ length: field.most ?? 2 }, (_, i) => `cloth ${i}`).join(' | '),
      () => Array.from({ length: (field.most ?? 2) + 1 }, (_, i) => `cloth ${i}`).join(' | '),
    );
    if (random.chance(0.5)) facts[field.id] = value.slice(0, 400);
    else own[field.id] = value.slice(0, 400);
  }
  return { facts, own };
}

function titleFor(draw: Draw): string {
  const { random, or, text } = draw;
  const limit = draw.sheet.title.max;
  if (draw.wordy) return `${text(10)} ${draw.mash()}`.slice(0, limit);
  return or(
    text(random.between(10, limit)),
    () => '',
    () => '   ',
    () => text(limit + 1),
    () => text(limit),
    () => draw.nasty(10),
    () => `${text(10)} ${draw.mash()}`,
    () => '👩‍👩‍👧‍👧'.repeat(limit),
  );
}

function descriptionFor(draw: Draw): string {
  const { random, or, text } = draw;
  const { min, max } = draw.sheet.description;
  if (draw.wordy) return `${text(min)} ${draw.mash()}`.slice(0, max);
  return or(
    text(random.between(Math.max(min, 20), Math.min(max, 400))),
    () => '',
    () => text(Math.max(0, min - 1)),
    () => text(min),
    () => text(max),
    () => text(max + 1),
    () => draw.nasty(60),
    () => `${draw.mash()} ${text(50)} ${draw.mash()}`,
    () => draw.mash(),
    () => `${text(50)}\n- ${text(8)}\n- ${random.pick(NASTY)}`,
    () => '👩‍👩‍👧‍👧'.repeat(Math.min(max, 700)),
  );
}

function priceFor({ random, or, sheet: { price } }: Draw): number {
  return or(
    random.between(Math.max(price.min, 300), Math.min(price.max, 20_000)),
    () => 0,
    () => price.min - 1,
    () => price.min,
    () => price.max,
    () => price.max + 1,
  );
}

function picturesFor({ random, or, sheet: { photos } }: Draw): Picture[] {
  const count = or(
    random.between(photos.min, photos.max),
    () => 0,
    () => Math.max(0, photos.min - 1),
    () => photos.max + 3,
  );
  return Array.from({ length: Math.max(0, count) }, (_, i) => {
    const long = or(
      random.between(Math.max(820, photos.minLongSide), 2_400),
      () => photos.minLongSide - 1,
      () => photos.minLongSide,
    );
    return Picture.parse({
      id: `p${i}`,
      itemId: 't',
      origin: 'file',
      author: 'me',
      addedAt: 0,
      width: long,
      height: Math.max(1, Math.round(long * (0.6 + random.next() * 0.4))),
      bytes: 100_000,
    });
  });
}

function auctionFor({ random, or, sheet }: Draw): AuctionTerms | null {
  const { auction, price } = sheet;
  if (!auction || !random.chance(0.4)) return null;
  return AuctionTerms.parse({
    opening: or(
      random.between(auction.open.min, 5_000),
      () => auction.open.min - 1,
      () => auction.open.max + 1,
    ),
    outright: random.chance(0.5) ? or(random.between(6_000, 9_000), () => auction.open.min) : null,
    days: or(random.between(auction.minDays, auction.maxDays), () => auction.maxDays + 1),
    again: or(random.between(0, auction.again), () => auction.again + 1),
    becomes: random.chance(0.5)
      ? or(
          random.between(price.min, 8_000),
          () => price.min - 1,
          () => price.max + 1,
        )
      : null,
  });
}

function tagsFor({ random, or, text, sheet: { tags } }: Draw): string[] | null {
  if (!tags || !random.chance(0.5)) return null;
  const tag = () =>
    or(
      text(random.between(2, tags.longest)),
      () => text(tags.longest + 1),
      () => '👩‍👩‍👧‍👧'.repeat(tags.longest + 1).slice(0, 60),
    ).slice(0, 60);
  const length = or(random.between(0, tags.max), () => tags.max + 1);
  return Array.from({ length }, tag).filter((t) => t !== '');
}

function answersFor({ random, or, text, sheet }: Draw): Record<string, string> {
  const answers: Record<string, string> = {};
  for (const question of sheet.questions) {
    const answer = or(
      goodAnswer(question, random, text),
      () => '',
      () => 'Behind the moon',
    );
    if (answer !== '') answers[question.id] = answer;
  }
  return answers;
}

function extrasFor({ random, or, text, sheet }: Draw): Record<string, string> {
  const leaves = sheet.categories.filter((c) => c.leaf);
  const extras: Record<string, string> = {};
  for (const rule of sheet.fees.rules)
    if (rule.type === 'extra' && random.chance(0.3))
      extras[rule.id] =
        rule.asks === 'category'
          ? or(random.one(leaves).id, () => 'nowhere')
          : rule.asks === 'words'
            ? or(
                text(30),
                () => '',
                () => text(sheet.title.max + 1),
              )
            : '2';
  return extras;
}

function flawsFor({ random }: Draw): unknown[] {
  if (!random.chance(0.15)) return [];
  const severity = random.chance(0.5) ? 'broken' : 'serious';
  return [{ id: 'f', type: 'torn', place: '', severity, sizeMm: null, pictureId: null, pin: null }];
}

/** Limits of offers are the person's own: nothing of them may stop a listing. */
function offersFor({ random }: Draw): unknown {
  if (!random.chance(0.3)) return null;
  return {
    acceptFrom: random.chance(0.5) ? random.between(0, 30_000) : null,
    refuseUnder: random.chance(0.5) ? random.between(0, 30_000) : null,
  };
}

/** What the person wants otherwise there; drawn after the item. */
function planFor(draw: Draw, category: string, settled: object): Plan {
  const { random, or, text, sheet } = draw;
  const { min, max } = sheet.description;
  const market = sheet.marketplace;
  const promotion = sheet.fees.rules.find((r) => r.type === 'promotion');
  return Plan.parse({
    id: planId('t', market),
    itemId: 't',
    market,
    wanted: true,
    ...settled,
    category: or(category, () => 'no-such-category'),
    promotionBp:
      promotion && random.chance(0.3)
        ? or(
            promotion.minBp + 100,
            () => promotion.minBp - 100,
            () => promotion.maxBp + 100,
          )
        : 0,
    title: random.chance(0.3)
      ? or(
          text(20),
          () => draw.nasty(8),
          () => text(sheet.title.max + 5),
        ).slice(0, 400)
      : null,
    description: random.chance(0.3)
      ? or(
          text(Math.max(min, 60)),
          () => draw.nasty(50),
          () => `${text(50)}${draw.mash()}`,
          () => text(max + 5),
        ).slice(0, 10_000)
      : null,
  });
}

/**
 * One listing for one marketplace: sound as often as not, else broken in one or several of the ways that its
 * sheet allows. The same seed gives the same case.
 */
export function makeCase(sheet: RuleSheet, seed: number): Case {
  const draw = new Draw(sheet, seed);
  const { random, sound, or, text } = draw;
  const category = random.one(sheet.categories.filter((c) => c.leaf));
  const record = sheet.records ? random.pick(sheet.records.filter((r) => !sound || !r.closed)) : undefined;
  const kind = random.one(BUILT_IN.leaves);
  // In this order, whatever is added: a seed that once failed is to give the same case.
  const { facts, own } = specificsFor(draw, category, record?.barcode);
  const title = titleFor(draw);
  const description = descriptionFor(draw);
  const price = priceFor(draw);
  const pictures = picturesFor(draw);
  const auction = auctionFor(draw);
  const tags = tagsFor(draw);
  const answers = answersFor(draw);
  const extras = extrasFor(draw);
  const item = Item.parse({
    id: 't',
    code: 'YA-0001',
    author: 'me',
    createdAt: 0,
    updatedAt: 0,
    kind: kind.id,
    facts,
    title: title.slice(0, 400),
    description: description.slice(0, 10_000),
    price: Math.max(0, price),
    weightG: 800,
    use: random.pick(USES),
    spot: 'A3-12',
    flaws: flawsFor(draw),
    pictureIds: pictures.map((p) => p.id),
    offers: offersFor(draw),
    choices: sheet.choices && random.chance(0.3) ? choicesFor(sheet.choices, random, or, text) : null,
  });
  const plan = planFor(draw, category.id, { specifics: own, answers, auction, tags, extras });
  const terms = termsFor(sheet, random, or);
  const choices =
    item.choices ?? (random.chance(0.2) ? alikeFor(sheet.quantity?.most ?? 1, random, or) : null);
  return { item: { ...item, choices }, plan, pictures, terms };
}
