import { dice } from './dice';

/** Something that was offered on a marketplace before: sold, or taken down unsold. */
export interface Past {
  no: string;
  words: string;
  house: string;
  shelf: string;
  wear: number;
  went: boolean;
  cents: number;
  from: number;
  to: number;
}

/** What is offered on a shelf, what it usually fetches, and what people search there. */
export interface Shelf {
  nouns: readonly string[];
  cents: number;
  searched: readonly string[];
}

/** Made-up makers, and what their name is worth. */
const HOUSES: readonly (readonly [string, number])[] = [
  ['Kittiwake Mills', 1.6],
  ['Ostler', 1.4],
  ['Marrow & Pike', 1.1],
  ['Drumlin Mill', 1.2],
  ['Vantrell', 1.5],
  ['Hobley Lamp Works', 1.3],
  ['Saltreach', 0.9],
  ['Tansy Lane', 0.7],
  ['', 0.6],
];
const COLOURS = ['navy', 'olive', 'rust', 'cream', 'charcoal', 'green', 'brown', 'red'];
const DAY = 86_400_000;
/** Records a shelf and house. */
const EACH = 26;

/**
 * A marketplace's history, the same for the same seed; its days move along with the present one.
 *
 * @param level how dear the place is beside others, 1 is usual
 */
export function pastOf(
  seed: number,
  shelves: Readonly<Record<string, Shelf>>,
  level: number,
  now: number,
): Past[] {
  const roll = dice(seed);
  const today = Math.floor(now / DAY) * DAY;
  const all: Past[] = [];
  for (const [shelf, { nouns, cents }] of Object.entries(shelves))
    for (const [house, worth] of HOUSES)
      for (let i = 0; i < EACH; i += 1) {
        const wear = Math.floor(roll() * 5);
        const noun = nouns[Math.floor(roll() * nouns.length)] ?? '';
        const usual = cents * level * worth * (1.25 - wear * 0.13);
        // Around the usual price; some ask far too much, and a few sell a bundle or a wreck.
        const luck = Math.exp((roll() + roll() + roll() - 1.5) * 0.45) * (roll() < 0.04 ? 3 : 1);
        const asked = Math.max(100, Math.round((usual * luck) / 50) * 50);
        const went = roll() < (asked <= usual * 1.1 ? 0.8 : asked <= usual * 1.4 ? 0.4 : 0.1);
        const days = went ? 1 + Math.floor(roll() ** 2 * 60) : 30 + Math.floor(roll() * 60);
        const to = today - Math.floor(roll() * 170) * DAY - Math.floor(roll() * DAY);
        const colour = COLOURS[Math.floor(roll() * COLOURS.length)] ?? '';
        all.push({
          no: `${seed}-${all.length + 1}`,
          words: [house, noun, colour, roll() < 0.05 ? 'for parts' : ''].filter(Boolean).join(' '),
          house,
          shelf,
          wear,
          went,
          cents: asked,
          from: to - days * DAY,
          to,
        });
      }
  return all;
}

/** Those on a shelf whose words hold any of these, the latest first. */
export function search(past: readonly Past[], shelf: string, words: string, most = 200): Past[] {
  const wanted = words
    .toLowerCase()
    .split(/\s+/)
    .filter((w) => w.length > 1)
    .slice(0, 12);
  return past
    .filter(
      (p) =>
        p.shelf === shelf && (wanted.length === 0 || wanted.some((w) => p.words.toLowerCase().includes(w))),
    )
    .sort((a, b) => b.to - a.to)
    .slice(0, most);
}

/** How often words were searched for on a shelf lately: its own and the makers' names. */
export function searched(
  seed: number,
  shelves: Readonly<Record<string, Shelf>>,
  shelf: string,
): { word: string; times: number }[] {
  const known = shelves[shelf];
  if (!known) return [];
  const roll = dice(seed + shelf.length * 31);
  const words = [...known.searched, ...known.nouns, ...HOUSES.flatMap(([house]) => house || []), ...COLOURS];
  return [...new Set(words)]
    .map((word, i) => ({ word, times: Math.round((4_000 / (i + 1)) * (0.6 + roll() * 0.8)) }))
    .sort((a, b) => b.times - a.times);
}
