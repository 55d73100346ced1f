import { readFileSync } from 'node:fs';

import type { Random } from '../../sim/random';

/** What stands on boards and labels, and enough else that words are not guessed where others stand. */
export function lineText(random: Random, words: readonly string[]): string {
  const sort = random.next();
  if (sort < 0.3) return cased(random, measured(random, words));
  if (sort < 0.45) return figures(random);
  if (sort < 0.57) return cased(random, random.one(SAID));
  if (sort < 0.7) return cased(random, labelled(random));
  if (sort < 0.95) return cased(random, some(random, random.between(1, 5), words).join(' '));
  return (
    Array.from({ length: random.between(2, 12) }, () => random.one(SIGNS))
      .join('')
      .trim() || '7'
  );
}

/** Words of two to twelve letters, from the system's own list (Debian's wamerican, public domain). */
export function loadWords(file: string): string[] {
  return readFileSync(file, 'utf8')
    .split('\n')
    .filter((word) => /^[a-zA-Z]{2,12}$/u.test(word));
}

const SIGNS = [...'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789 .,:;=/%-&+#()!?"\'x'];
const NAMES = (
  'pit to pit,chest,p2p,ptp,bust,width,waist,hips,hip,length,back length,total length,sleeve,sleeves,' +
  'arm,arm length,shoulder,shoulders,inseam,inside leg,outseam,rise,front rise,hem,leg opening,height,' +
  'depth,diameter,heel,insole,sole,strap,strap drop,collar,cuff,thigh,neck,brim,weight,wt,size,w,h,d,l'
).split(',');
const SAID = (
  'small hole,stain,stains on front,marks,missing button,moth hole,faded,scratch,scratches,pilling,tear,' +
  'torn,crack,chip on rim,chipped,scuffs,worn heel,zip broken,loose thread,good condition,very good,' +
  'like new,no flaws,flaw: hole,flaw: mark,damage: none,colour: blue,colour: red,color: brown,navy,' +
  'black,white,cream,olive,rust,grey,dark blue,light green,pale yellow,pink,purple,orange,beige,burgundy,' +
  'teal,gold,silver,dark brown,light grey,made in,hand wash,dry clean,box 12,shelf 4,lot 7,left sleeve,' +
  'right cuff,at the hem,on the back,under arm,near collar,two buttons missing,one owner,see picture,' +
  'washed,to iron,spot 3'
).split(',');
const FIBRES = (
  'wool,cotton,linen,silk,viscose,polyester,polyamide,acrylic,elastane,cashmere,mohair,nylon,merino,' +
  'rayon,hemp,modal,lyocell,alpaca,lambswool,leather,down,feathers'
).split(',');
const SYSTEMS = ['size ', 'size: ', '', 'eu ', 'uk ', 'us ', 'it ', 'fr '];
const LETTERS = ['xs', 's', 'm', 'l', 'xl', 'xxl'];
const CODES = ['style', 'art.', 'ref', 'model', 'no.'];
const CARE = ['wash', 'wash 30', 'bleach', 'iron', 'tumble dry', 'clean only'];

function some(random: Random, n: number, words: readonly string[]): string[] {
  return Array.from({ length: n }, () => random.one(words));
}

function figure(random: Random): string {
  const whole = random.chance(0.75) ? random.between(10, 99) : random.between(0, 199);
  const part = random.chance(0.35) ? random.one(['.', ',']) + random.between(0, 9) : '';
  const eighths = part === '' && random.chance(0.08) ? ` ${random.one(['1/2', '1/4', '3/4', '3/8'])}` : '';
  return `${whole}${part}${eighths}`;
}

function measured(random: Random, words: readonly string[]): string {
  const one = () => {
    const name = random.chance(0.75)
      ? random.one(NAMES)
      : some(random, random.between(1, 2), words).join(' ');
    const sign = random.one([' ', ' ', ': ', ':', ' = ', '=', ' - ']);
    const unit = random.one(['', '', '', ' cm', 'cm', ' in', '"', ' mm']);
    return `${name}${sign}${figure(random)}${unit}`;
  };
  if (random.chance(0.2)) return weighed(random);
  return random.chance(0.15) ? `${one()} ${one()}` : one();
}

function weighed(random: Random): string {
  const grams = random.chance(0.7) ? random.between(30, 200) * 10 : random.between(50, 2000);
  const said = random.one([`${grams} g`, `${grams}g`, `${(grams / 1000).toFixed(random.between(1, 3))} kg`]);
  const comma = random.chance(0.3) ? said.replace('.', ',') : said;
  return random.chance(0.5) ? `weight ${comma}` : comma;
}

function figures(random: Random): string {
  const sort = random.next();
  const all = Array.from({ length: random.between(1, 4) }, () => figure(random));
  if (sort < 0.6) return all.join(random.one([' / ', '/', '  ', ' ', ' x ', 'x', ', ', ' - ', ' + ']));
  if (sort < 0.75) return `${random.between(1, 28)}.${random.between(1, 12)}.${random.between(1960, 2026)}`;
  if (sort < 0.9) return String(random.between(100, 99999));
  return `${random.between(1, 99)}.${random.one(['00', '50', '95', '99'])}`;
}

function labelled(random: Random): string {
  const sort = random.next();
  if (sort < 0.5) {
    const share = random.chance(0.3) ? 100 : random.between(2, 98);
    const one = `${share}${random.one(['%', ' %'])} ${random.one(FIBRES)}`;
    return random.chance(0.7) ? one : `${one} ${100 - share}% ${random.one(FIBRES)}`;
  }
  if (sort < 0.7) {
    const size = random.chance(0.4) ? random.one(LETTERS) : String(30 + random.between(0, 9) * 2);
    return random.one(SYSTEMS) + size;
  }
  if (sort < 0.85) return `${random.one(CODES)} ${random.between(100, 99999)}`;
  return `${random.one(['machine', 'hand', 'cold', 'do not', 'dry'])} ${random.one(CARE)}`;
}

function cased(random: Random, text: string): string {
  const how = random.next();
  if (how < 0.3) return text.toUpperCase();
  if (how < 0.7) return text.replace(/^\p{L}/u, (c) => c.toUpperCase());
  if (how < 0.8) return text.replace(/\b\p{L}/gu, (c) => c.toUpperCase());
  return text;
}
