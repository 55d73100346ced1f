/**
 * What words in category names take in, in the words of things: a name like “Finishing touches” shares no word with
 * “scarf”. Left of `<` words of category names, right of it words that our kinds go by. From memory, common practice.
 */
// prettier-ignore
const TAKES_IN: readonly string[] = [
  'knit knits knitwear woollens < jumper cardigan sweater gansey pullover',
  'outerwear coats jackets outer < coat jacket parka blazer suit',
  'trousers skirts bottoms legs < trousers skirt jeans shorts kilt denim',
  'tops shirts < shirt blouse tee t-shirt waistcoat gilet vest dress frock nightwear swimwear clothes suit',
  'scarves hats gloves finishing touches accessories < scarf hat gloves belt tie shawl headscarf mittens cap',
  'footwear shoes boots < shoes boots trainers sandals slippers footwear',
  'bags cases carried luggage < bag satchel suitcase rucksack wallet purse handbag trunk',
  'jewels jewellery < ring necklace bracelet earrings brooch cufflinks watch jewellery',
  'clothing clothes wear wearing worn garments < clothes shoes boots footwear bags bag jewellery ring watch shirt coat',
  'lamps lighting lights < lamp lantern light chandelier lighting',
  'kitchen table parlour < kitchen pot jug dish teapot cup mug plate cutlery pan casserole mill',
  'blankets linen < blanket quilt throw linen curtain rug cushion textiles',
  'glass china < vase glass ornament figure decanter candlestick',
  'home house indoors household < home furniture kitchen lighting lamp textiles blanket vase pot chair table household',
  'parlour < home vase ornament clock mirror frame candlestick box basket blanket quilt curtain rug cushion linen textiles',
  'tools shed bench hand workshop < tools tool plane saw chisel rule level spade drill',
  'cameras optics < camera lens',
  'film cameras < camera lens',
  'binoculars opera viewing < glasses telescope',
  'instruments < electronics camera typewriter radio telephone headphones computer player lens glasses',
  'works tools < electronics camera typewriter radio player instruments instrument guitar violin accordion flute drum machine',
  'books paper print < book books map atlas novel magazine sheet',
  'paper print < postcard stamps ephemera photograph poster',
  'music < record cassette disc vinyl sound',
  'film < video disc reel',
  'puzzles games play < games jigsaw cards dice toys doll model train building',
  'toys < doll model train building toy',
  'pastimes pastime hobby play < books book music record games collectables craft sport instruments electronics camera film',
  'cabinet pieces collectables < collectables coin badge medal sign jewellery furniture box',
];

const LEFT = new Map<string, Set<number>>();
const RIGHT = new Map<string, Set<number>>();
for (const [i, line] of TAKES_IN.entries()) {
  const [left = '', right = ''] = line.split(' < ');
  const add = (to: Map<string, Set<number>>, words: string) => {
    for (const word of words.split(' ')) to.set(stem(word), (to.get(stem(word)) ?? new Set()).add(i));
  };
  add(LEFT, left);
  add(RIGHT, right);
}

/** Whether a word of a category's name takes in a word of ours: 1 for the same word, less for a broader one, 0 for others. */
export function takesIn(theirs: string, ours: string): number {
  if (stem(theirs) === stem(ours)) return 1;
  const left = LEFT.get(stem(theirs));
  const right = RIGHT.get(stem(ours));
  if (!left || !right) return 0;
  for (const i of left) if (right.has(i)) return 0.7;
  return 0;
}

/** A word without its plural: enough for names of things. */
export function stem(word: string): string {
  const lower = word.toLocaleLowerCase('en').replace(/[’']s$/u, '');
  if (/(?:ss|us)$/u.test(lower) || lower.length < 4) return lower;
  return lower.replace(/(?<=[sxz]|ch|sh)es$/u, '').replace(/ves$/u, 'f').replace(/ies$/u, 'y').replace(/s$/u, '');
} // prettier-ignore
