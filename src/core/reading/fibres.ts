import type { Doubt, ReadLine } from '@/contract/picture';

import { digits, nearest, titled } from './lines';

/**
 * Fibres by their names on labels: English, then German, French, Italian and Spanish. From memory; the names
 * are those of Regulation (EU) No 1007/2011, Annex I, and of the trade.
 */
const NAMES: Readonly<Record<string, string>> = {
  wool: 'wolle schurwolle laine lana',
  lambswool: '',
  merino: '',
  cashmere: 'kaschmir cachemire',
  alpaca: 'alpaka alpaga',
  mohair: '',
  angora: '',
  silk: 'seide soie seta seda',
  cotton: 'baumwolle coton cotone algodón',
  linen: 'leinen lin lino',
  flax: '',
  hemp: 'hanf chanvre canapa',
  jute: '',
  ramie: '',
  viscose: 'viskose viscosa',
  rayon: '',
  lyocell: '',
  modal: '',
  cupro: '',
  acetate: 'acetat',
  polyester: 'poliestere poliéster',
  polyamide: 'polyamid poliammide poliamida',
  nylon: '',
  acrylic: 'polyacryl acrylique acrilico acrílico',
  elastane: 'elastan élasthanne elastano',
  spandex: '',
  polyurethane: 'polyurethan',
  leather: 'leder cuir pelle cuero',
  suede: '',
  down: 'daunen duvet piuma',
  feathers: 'federn plumes',
};
const FIBRE_OF = new Map<string, string>();
for (const [fibre, others] of Object.entries(NAMES))
  for (const name of [fibre, ...others.split(' ').filter(Boolean)]) FIBRE_OF.set(name, fibre);

/** A part of a garment that has fibres of its own. */
const PART = /\b(shell|outer|body|lining|sleeves?|trim|filling|fill|padding|upper|sole)\b/iu;

interface Share {
  share: number;
  fibre: string;
  part: string;
  line: ReadLine;
}

export interface FibresRead {
  line: ReadLine;
  /** "Wool"; "80 % wool, 20 % nylon"; of several parts "cotton; lining: viscose". */
  value: string;
  doubt?: Doubt;
}

export const FIBRE_NAMES: readonly string[] = [...FIBRE_OF.keys()];

/**
 * "100 % wool", "80% cotton 20% linen", over one line or several. Those of a part that don't come to a
 * hundred are doubtful; where a single figure taken for one that looks like it makes a hundred, and only
 * one way, that is what is asked about.
 */
export function fibresIn(lines: readonly ReadLine[]): FibresRead | null {
  const shares: Share[] = [];
  let part = '';
  for (const line of lines) {
    part = PART.exec(line.text)?.[1]?.toLocaleLowerCase('en') ?? part;
    const pattern = /([\dOolI|S]{1,3})\s*[%X]\s*((?:[\p{L}]{2,16}\s*){1,4})/gu;
    for (const [, figure, words] of line.text.matchAll(pattern)) {
      const share = Number(digits(figure ?? ''));
      const fibre = fibreAmong(words ?? '');
      if (fibre && share >= 1 && share <= 100) shares.push({ share, fibre, part, line });
    }
  }
  const [first] = shares;
  if (!first) return null;
  const read = grouped(shares);
  const isWhole = read.every((group) => total(group) === 100);
  const groups = read.map(madeWhole);
  const value = groups.map((group, i) => wordsOf(group, i > 0)).join('; ');
  return { line: first.line, value: titledFirst(value), ...(isWhole ? {} : { doubt: 'sum' }) };
}

function fibreAmong(words: string): string | null {
  for (const word of words.toLocaleLowerCase('en').split(/\s+/u)) {
    const name = nearest(word, FIBRE_OF.keys(), 4);
    if (name) return FIBRE_OF.get(name) ?? null;
  }
  return null;
}

/** Shares of one part each: another begins with its name, or where the last has come to a hundred. */
function grouped(shares: readonly Share[]): Share[][] {
  const groups: Share[][] = [];
  for (const share of shares) {
    const last = groups.at(-1);
    const goesOn = last && last[0]?.part === share.part && total(last) < 100;
    if (goesOn) last.push(share);
    else groups.push([share]);
  }
  return groups;
}

/** Figures that readers take for one another; a zero with a stroke through it looks like an eight. */
const ALIKE: Readonly<Record<string, string>> = {
  '0': '8',
  '8': '03',
  '1': '7',
  '7': '1',
  '3': '8',
  '5': '6',
  '6': '5',
};

function madeWhole(group: Share[]): Share[] {
  if (total(group) === 100) return group;
  const ways = group.flatMap((one, i) =>
    [...String(one.share)].flatMap((figure, at) =>
      [...(ALIKE[figure] ?? '')].map((other) => {
        const text = String(one.share);
        const share = Number(text.slice(0, at) + other + text.slice(at + 1));
        return group.map((o, k) => (k === i ? { ...o, share } : o));
      }),
    ),
  );
  const whole = ways.filter((way) => total(way) === 100);
  return (whole.length === 1 ? whole[0] : undefined) ?? group;
}

function total(shares: readonly Share[]): number {
  return shares.reduce((sum, { share }) => sum + share, 0);
}

function wordsOf(group: readonly Share[], isNamed: boolean): string {
  const isOne = group.length === 1 && total(group) === 100;
  const said = isOne
    ? (group[0]?.fibre ?? '')
    : group.map(({ share, fibre }) => `${share} % ${fibre}`).join(', ');
  const part = group[0]?.part;
  return isNamed && part ? `${part}: ${said}` : said;
}

function titledFirst(value: string): string {
  return /^[a-z]+$/u.test(value) ? titled(value) : value;
}
