const IRREGULAR: Readonly<Record<string, string>> = {
  scarves: 'scarf',
  shelves: 'shelf',
  bookshelves: 'bookshelf',
  knives: 'knife',
  lenses: 'len',
  atlases: 'atla',
  glasses: 'glasses',
  dice: 'dice',
  children: 'children',
  childrens: 'children',
  mens: 'men',
  womens: 'women',
  loaves: 'loaf',
  dominoes: 'domino',
  mice: 'mouse',
  feet: 'foot',
  canvases: 'canva',
  octaves: 'octave',
  compasses: 'compass',
  trousers: 'trouser',
  pyjamas: 'pyjama',
  pajamas: 'pajama',
  series: 'series',
};

/** Enough of English plurals for names of items. */
export function stem(raw: string): string {
  const word = raw
    .toLocaleLowerCase('en')
    .replace(/[’']s?$/u, '')
    .replace(/[’']/gu, '');
  const irregular = Object.hasOwn(IRREGULAR, word) ? IRREGULAR[word] : undefined;
  if (irregular !== undefined) return irregular;
  if (word.length > 4 && word.endsWith('ies')) return `${word.slice(0, -3)}y`;
  if (word.length > 4 && word.endsWith('ie')) return `${word.slice(0, -2)}y`;
  if (word.length > 4 && /(?:ss|sh|ch|x|zz)es$/u.test(word)) return word.slice(0, -2);
  if (word.length > 3 && word.endsWith('s') && !word.endsWith('ss')) return word.slice(0, -1);
  return word;
}

/** A name's words without endings, hyphens taken as gaps. */
export function stemsOf(name: string): string[] {
  return (name.match(/[\p{L}\p{N}]+(?:[’'][\p{L}]+)*[’']?/gu) ?? []).map(stem).filter((s) => s !== '');
}

/** Words of a list with gaps between, without endings. */
export function stemSet(words: string): ReadonlySet<string> {
  return new Set(words.split(/\s+/u).filter(Boolean).map(stem));
}
