/**
 * Which category a seller would file a kind under, by marketplace: of the kind and all below it, unless one nearer says
 * otherwise. `null`: that marketplace takes nothing of the sort. Judged by hand, common practice.
 */
// prettier-ignore
export const LABELLED: Readonly<Record<string, Readonly<Record<string, string | null>>>> = {
  brackenmoor: {
    clothes: 'wear.tops', jumper: 'wear.knit', cardigan: 'wear.knit', coat: 'wear.outer', suit: 'wear.outer', trousers: 'wear.legs', skirt: 'wear.legs',
    extras: 'wear.extras', footwear: 'wear.feet', bags: 'wear.bags', vase: 'house.glass', ornament: 'house.glass', lighting: 'house.light', kitchen: 'house.kitchen',
    textiles: 'house.cloth', tools: 'bench.hand', camera: 'optics.camera', glasses: 'optics.viewing', books: 'shelf.books', games: 'shelf.puzzles',
  },
  threadwick: {
    clothes: 'tops', jumper: 'knits', cardigan: 'knits', coat: 'outerwear', suit: 'outerwear', trousers: 'bottoms', skirt: 'bottoms', extras: 'finishing',
    footwear: 'footwear', bags: 'carried',
    home: null, kitchen: null, lighting: null, furniture: null, tools: null, electronics: null, books: null, music: null, games: null, instruments: null, sport: null,
  },
  nearstile: {
    clothes: 'clothing', footwear: 'clothing', bags: 'clothing', jewellery: 'clothing', home: 'indoors', kitchen: 'indoors', lighting: 'indoors', textiles: 'indoors',
    furniture: 'indoors', tools: 'shed', electronics: 'pastimes', books: 'pastimes', music: 'pastimes', games: 'pastimes', collectables: 'pastimes',
    craft: 'pastimes', sport: 'pastimes', instruments: 'pastimes',
  },
  oldhollow: {
    clothes: 'worn', footwear: 'worn', bags: 'worn', jewellery: 'worn', home: 'parlour', kitchen: 'parlour', textiles: 'parlour', lighting: 'lamps', tools: 'works',
    electronics: 'works', books: 'paper', games: 'play', instruments: 'works', stamp: 'paper', postcard: 'paper',
  },
  quirestack: {
    books: 'pages', music: 'sound', film: 'screen', games: 'table',
    clothes: null, footwear: null, home: null, kitchen: null, lighting: null, tools: null, textiles: null, furniture: null, jewellery: null,
  },
  lanternyard: { clothes: 'shop', footwear: 'shop', bags: 'shop', home: 'shop', kitchen: 'shop', lighting: 'shop', textiles: 'shop', tools: 'shop', books: 'shop', music: 'shop', games: 'shop', furniture: 'shop' },
  handbill: {
    clothes: 'wear', footwear: 'wear', bags: 'wear', jewellery: 'wear', home: 'home', kitchen: 'home', lighting: 'home', textiles: 'home', furniture: 'home',
    tools: 'rest', electronics: 'rest', books: 'rest', music: 'rest', games: 'rest', collectables: 'rest', craft: 'rest', sport: 'rest', instruments: 'rest',
  },
};
