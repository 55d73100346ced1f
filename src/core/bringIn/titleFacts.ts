/**
 * What a title says besides its words: sizes, measures, figures, colours, who it is for. Two titles that say
 * the same in other letters ("22 cm", "22cm", "8½ in") say the same here, and two of a kind are told apart by
 * what they disagree in.
 */
export interface TitleFacts {
  /** Words without endings, rare and common; measures and sizes as one word each. */
  words: readonly string[];
  /** Size by system: `letters`, `uk`, `eu`, `us`, `w`, `l`, or `size` where none is named. */
  sizes: ReadonlyMap<string, string>;
  /** Millimetres. */
  lengths: readonly number[];
  /** Two or three figures that belong together: "180x120". */
  spans: ReadonlySet<string>;
  /** All other figures, and words with a figure in them. */
  figures: ReadonlySet<string>;
  colours: ReadonlySet<string>;
  stuffs: ReadonlySet<string>;
  people: ReadonlySet<string>;
}

const MM: Readonly<Record<string, number>> = {
  mm: 1,
  cm: 10,
  m: 1_000,
  in: 25.4,
  inch: 25.4,
  inches: 25.4,
  '"': 25.4,
  '″': 25.4,
  '”': 25.4,
  ft: 304.8,
  foot: 304.8,
  feet: 304.8,
};
const NUMBERS: Readonly<Record<string, string>> = {
  two: '2',
  three: '3',
  four: '4',
  five: '5',
  six: '6',
  seven: '7',
  eight: '8',
  nine: '9',
  ten: '10',
  twelve: '12',
  dozen: '12',
};
const LETTERS: Readonly<Record<string, string>> = {
  xxs: 'xxs',
  xs: 'xs',
  s: 's',
  m: 'm',
  l: 'l',
  xl: 'xl',
  xxl: 'xxl',
  '2xl': 'xxl',
  xxxl: 'xxxl',
  '3xl': 'xxxl',
  small: 's',
  medium: 'm',
  large: 'l',
  xlarge: 'xl',
  xsmall: 'xs',
};
/** What is small there is a fault or a part, and not the item. */
const OF_A_PART =
  /^(?:chip|crack|mark|hole|repair|stain|scratch|tear|dent|print|check|spot|flaw|crease|nick|fault|collar|handle|pocket|flower|scale|format)/u;

const groups = (lines: readonly string[]): ReadonlyMap<string, string> =>
  new Map(
    lines.flatMap((line) => line.split(' ').map((word, _, [first = '']): [string, string] => [word, first])),
  );

/** Each line is one colour, told by its first word. From memory, common practice. */
const COLOURS = groups([
  'blue navy indigo azure cobalt',
  'red crimson scarlet burgundy maroon',
  'green olive khaki sage emerald',
  'brown tan chestnut chocolate rust',
  'grey gray charcoal',
  'white cream ivory',
  'black',
  'yellow mustard',
  'pink rose coral',
  'purple violet lilac plum',
  'orange',
  'turquoise teal aqua',
  'beige camel oatmeal',
]);
const STUFFS = groups([
  'wool woollen',
  'cotton',
  'linen',
  'silk',
  'cashmere',
  'leather',
  'suede',
  'denim',
  'velvet',
  'canvas',
  'brass',
  'copper',
  'pewter',
  'oak',
  'pine',
  'teak',
  'mahogany',
  'walnut',
  'beech',
  'elm',
  'plastic',
  'bakelite',
  'marble',
  'slate',
  'porcelain',
  'stoneware',
  'enamel',
]);
const PEOPLE = groups([
  'men mens man gents',
  'women womens woman ladies lady',
  'boys boy',
  'girls girl',
  'baby babys',
  'children childrens kids',
]);

const STOP = new Set([
  'a',
  'an',
  'and',
  'the',
  'of',
  'in',
  'with',
  'for',
  'size',
  'by',
  'to',
  'on',
  'very',
  'vintage',
  'old',
  'lovely',
  'nice',
  'condition',
  'good',
  'no',
  'pair',
  'set',
  'x',
  'approx',
  'cm',
  'high',
  'wide',
  'tall',
  'long',
]);

const LONGEST = 400;

/** Reads a title; never fails, whatever is in it. */
export function titleFacts(title: string): TitleFacts {
  const sizes = new Map<string, string>();
  const lengths: number[] = [];
  const spans = new Set<string>();
  const words: string[] = [];
  const say = (word: string) => ` ${word.replaceAll(' ', '')} `;
  let rest = title
    .slice(0, LONGEST)
    .toLocaleLowerCase('en')
    .replace(/[’']s?(?![\p{L}\p{N}])/gu, '')
    .replace(/½/gu, '.5')
    .replace(
      /\b(?:two|three|four|five|six|seven|eight|nine|ten|twelve|dozen)\b/gu,
      (word) => NUMBERS[word] ?? word,
    )
    .replace(/(?<=\d),(?=\d{3}\b)/gu, '')
    .replace(/(?<=\d),(?=\d)/gu, '.')
    .replace(/\b(?:x|extra)[- ](large|small)\b/gu, 'x$1');
  const take = (pattern: RegExp, read: (match: readonly string[]) => string) => {
    rest = rest.replace(pattern, (...match: string[]) => read(match));
  };
  take(
    /(\d+(?:\.\d+)?)\s*[x×]\s*(\d+(?:\.\d+)?)(?:\s*[x×]\s*(\d+(?:\.\d+)?))?\s*(mm|cm|m|in|inch|inches|ft|["″”])?(?![\p{L}\d])/gu,
    ([, a, b, c]) => {
      const span = [a, b, c].filter(Boolean).map(Number).join('x');
      spans.add(span);
      words.push(span);
      return ' ';
    },
  );
  take(/(\d+(?:\.\d+)?)\s*(mm|cm|inches|inch|in|ft|foot|feet|m|["″”])(?![\p{L}\d])/gu, ([, figure, unit]) => {
    const mm = Number(figure) * (MM[unit ?? ''] ?? 1);
    lengths.push(mm);
    words.push(`${Math.round(mm)}mm`);
    return ' ';
  });
  take(/\b(uk|eu|us)[ .:-]*(?:size )?(\d{1,2}(?:\.5)?)\b/gu, ([, system = '', figure = '']) => {
    sizes.set(system, figure);
    words.push(system + figure);
    return ' ';
  });
  take(/\b(?:(w|l)\s?(\d{2})|(\d{2})\s?(w|l)|(waist|leg) (\d{2}))\b/gu, ([, k1, f1, f2, k2, k3, f3]) => {
    const key = k1 ?? k2 ?? (k3 === 'waist' ? 'w' : 'l');
    const figure = f1 ?? f2 ?? f3 ?? '';
    sizes.set(key, figure);
    words.push(key + figure);
    return ' ';
  });
  take(/\bsize[ .:]*(\d{1,3}(?:\.5)?)\b/gu, ([, figure = '']) => {
    sizes.set('size', figure);
    return say(figure);
  });
  take(/\b(?:no|nr|number)[ .:]*(\d+)\b/gu, ([, figure = '']) => say(figure));
  take(/(?<![\d])(\d0)s\b/gu, ([, decade]) => ` 19${decade}s `);
  const all = rest.match(/[\p{L}\p{N}]+(?:\.\d+)?/gu) ?? [];
  const figures = new Set<string>();
  const [colours, stuffs, people] = [new Set<string>(), new Set<string>(), new Set<string>()];
  for (const [i, word] of all.entries()) {
    const letters = Object.hasOwn(LETTERS, word) ? LETTERS[word] : undefined;
    if (letters && !OF_A_PART.test(all[i + 1] ?? '')) sizes.set('letters', letters);
    else if (/\p{N}/u.test(word) && !sizes.has('size')) figures.add(word);
    else if (/\p{N}/u.test(word) && sizes.get('size') !== word) figures.add(word);
    for (const [of, into] of [
      [COLOURS, colours],
      [STUFFS, stuffs],
      [PEOPLE, people],
    ] as const) {
      const name = of.get(word);
      if (name) into.add(name);
    }
    if (!STOP.has(word)) words.push(plain(letters ?? word));
  }
  return { words, sizes, lengths, spans, figures, colours, stuffs, people };
}

/** A word without its plural, "ed" or "ing": what is brass-capped has a brass cap. */
function plain(word: string): string {
  if (word.length > 4 && word.endsWith('ies')) return `${word.slice(0, -3)}y`;
  const one = word.length > 3 && !word.endsWith('ss') ? word.replace(/(?<=(?:ch|sh|x|ss))es$|s$/u, '') : word;
  return one.length > 5 ? one.replace(/(?:([bdgmnprt])\1)?(?:ed|ing)$/u, '$1') : one;
}

/** What disagreeing counts, in log-odds. */
const AGAINST = { size: -7, length: -5.5, span: -5.5, figure: -4.5, person: -4, colour: -3, stuff: -1.5 };
/** How far two lengths may be apart and be one, in shares: rounding, and inches told as centimetres. */
const NEAR = 0.03;

/** What two titles disagree in, in log-odds, 0 or less: two of a kind are not one item. */
export function disagreement(a: TitleFacts, b: TitleFacts): number {
  let sum = 0;
  if ([...a.sizes].some(([system, size]) => b.sizes.has(system) && b.sizes.get(system) !== size))
    sum += AGAINST.size;
  else if (sizeAgainstFigure(a, b) || sizeAgainstFigure(b, a)) sum += AGAINST.figure;
  if (bothLeft(a.lengths, b.lengths, (x, y) => Math.abs(x - y) <= NEAR * Math.max(x, y)))
    sum += AGAINST.length;
  if (bothLeft([...a.spans], [...b.spans], Object.is)) sum += AGAINST.span;
  if (bothLeft([...a.figures], [...b.figures], Object.is)) sum += AGAINST.figure;
  if (apart(a.people, b.people)) sum += AGAINST.person;
  if (apart(a.colours, b.colours)) sum += AGAINST.colour;
  if (apart(a.stuffs, b.stuffs)) sum += AGAINST.stuff;
  return sum;
}

/** One says "size 42" and the other just "44". Years are no sizes. */
function sizeAgainstFigure(a: TitleFacts, b: TitleFacts): boolean {
  const size = a.sizes.get('size') ?? a.sizes.get('eu') ?? a.sizes.get('uk');
  const bare = [...b.figures].filter((f) => /^\d{1,2}(?:\.5)?$/u.test(f));
  return size !== undefined && b.sizes.size === 0 && bare.length === 1 && bare[0] !== size;
}

/** Each says something that the other does not: a shared model number hides no differing size. */
function bothLeft<T>(a: readonly T[], b: readonly T[], same: (x: T, y: T) => boolean): boolean {
  const left = a.some((x) => !b.some((y) => same(x, y)));
  return left && b.some((y) => !a.some((x) => same(x, y)));
}

const apart = (a: ReadonlySet<string>, b: ReadonlySet<string>) =>
  a.size > 0 && b.size > 0 && ![...a].some((x) => b.has(x));
