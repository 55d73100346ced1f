/**
 * Which category a seller would file a kind under, by marketplace: of the kind and all below it, unless one nearer says
 * otherwise. `null`: that marketplace takes nothing of the sort. Judged by hand, common practice.
 */
type Labels = Readonly<Record<string, Readonly<Record<string, string | null>>>>;

const NO_SUCH_SHELF = {
  clothes: null, footwear: null, bags: null, jewellery: null, home: null, kitchen: null, lighting: null, textiles: null, furniture: null, tools: null,
  electronics: null, books: null, music: null, games: null, collectables: null, craft: null, sport: null, instruments: null,
} as const; // prettier-ignore

// prettier-ignore
export const LABELLED: Labels = {
  brackenmoor: {
    ...NO_SUCH_SHELF,
    clothes: 'wear.tops', jumper: 'wear.knit', cardigan: 'wear.knit', coat: 'wear.outer', suit: 'wear.outer', trousers: 'wear.legs', skirt: 'wear.legs',
    extras: 'wear.extras', footwear: 'wear.feet', bags: 'wear.bags', vase: 'house.glass', ornament: 'house.glass', candlestick: 'house.glass', lighting: 'house.light', kitchen: 'house.kitchen',
    textiles: 'house.cloth', tools: 'bench.hand', camera: 'optics.camera', glasses: 'optics.viewing', books: 'shelf.books', games: 'shelf.puzzles',
  },
  threadwick: {
    ...NO_SUCH_SHELF,
    clothes: 'tops', jumper: 'knits', cardigan: 'knits', coat: 'outerwear', suit: 'outerwear', trousers: 'bottoms', skirt: 'bottoms', extras: 'finishing',
    footwear: 'footwear', bags: 'carried',
  },
  nearstile: {
    clothes: 'clothing', footwear: 'clothing', bags: 'clothing', jewellery: 'clothing', home: 'indoors', kitchen: 'indoors', lighting: 'indoors', textiles: 'indoors',
    furniture: 'indoors', tools: 'shed', electronics: 'pastimes', books: 'pastimes', music: 'pastimes', games: 'pastimes', collectables: 'pastimes',
    craft: 'pastimes', sport: 'pastimes', instruments: 'pastimes',
  },
  oldhollow: {
    clothes: 'worn', footwear: 'worn', bags: 'worn', jewellery: 'worn', home: 'parlour', kitchen: 'parlour', textiles: 'parlour', lighting: 'lamps', furniture: 'parlour', tools: 'works',
    electronics: 'works', books: 'paper', games: 'play', instruments: 'works', stamp: 'paper', postcard: 'paper', coin: 'cabinet', badge: 'cabinet', sign: 'cabinet',
    music: 'play', sport: 'play',
  },
  quirestack: { ...NO_SUCH_SHELF, books: 'pages', music: 'sound', film: 'screen', games: 'table' },
  lanternyard: { clothes: 'shop', footwear: 'shop', bags: 'shop', home: 'shop', kitchen: 'shop', lighting: 'shop', textiles: 'shop', tools: 'shop', books: 'shop', music: 'shop', games: 'shop', furniture: 'shop' },
  handbill: {
    clothes: 'wear', footwear: 'wear', bags: 'wear', jewellery: 'wear', home: 'home', kitchen: 'home', lighting: 'home', textiles: 'home', furniture: 'home',
    tools: 'rest', electronics: 'rest', books: 'rest', music: 'rest', games: 'rest', collectables: 'rest', craft: 'rest', sport: 'rest', instruments: 'rest',
  },
  // The three below are places nobody has: only their shelves’ names are there, `parent > name`.
  fair: {
    jumper: 'Fashion > Knitwear', cardigan: 'Fashion > Knitwear', coat: 'Fashion > Coats & jackets', dress: 'Fashion > Dresses', shirt: 'Fashion > Shirts & blouses', skirt: 'Fashion > Skirts', jeans: 'Fashion > Jeans',
    footwear: 'Fashion > Shoes', boots: 'Fashion > Boots', bag: 'Fashion > Handbags', scarf: 'Fashion > Accessories', hat: 'Fashion > Accessories', belt: 'Fashion > Accessories', nightwear: null, swimwear: null,
    ring: 'Fashion > Jewellery', necklace: 'Fashion > Jewellery', watch: 'Fashion > Watches',
    lamp: 'Home & living > Lighting', rug: 'Home & living > Rugs & carpets', mirror: 'Home & living > Mirrors', clock: 'Home & living > Clocks', cupboard: 'Home & living > Furniture', chair: 'Home & living > Furniture', vase: 'Home & living > Ornaments & vases',
    ornament: 'Home & living > Ornaments & vases', pictureFrame: 'Home & living > Art & prints', cushion: 'Home & living > Soft furnishings', curtain: 'Home & living > Soft furnishings', plate: 'Home & living > Crockery', pan: 'Home & living > Pots and pans',
    candlestick: null, basket: null,
    book: 'Media > Books', record: 'Media > Vinyl', cd: 'Media > CDs', film: 'Media > Films', videoGame: 'Media > Video games', magazine: 'Media > Magazines', cassette: null,
    doll: 'Toys & games > Dolls & soft toys', jigsaw: 'Toys & games > Puzzles', boardGame: 'Toys & games > Board games', modelToy: 'Toys & games > Trains and models', buildingSet: 'Toys & games > Other toys',
    camera: 'Technology > Cameras', phone: 'Technology > Phones', computer: 'Technology > Computing', headphones: 'Technology > Audio', radio: 'Technology > Audio', typewriter: null,
    guitar: 'Musical instruments', drum: 'Musical instruments', bicycle: 'Sports > Cycling', tent: 'Sports > Camping', fishing: 'Sports > Fishing', racket: null, winterSport: null,
    handPlane: 'Garden & tools > Hand tools', gardenTool: 'Garden & tools > Gardening', powerTool: 'Garden & tools > Power tools',
    stamp: null, coin: null, postcard: null, badge: null, yarn: null, fabric: null, buttons: null, sewingMachine: null,
  },
  curios: {
    coin: 'Coins & medals', stamp: 'Stamps', postcard: 'Postcards & ephemera', badge: 'Militaria and badges', sign: 'Signs and advertising', pictureFrame: 'Pictures', clock: 'Clocks and watches', watch: 'Clocks and watches',
    plate: 'Pottery & porcelain', ornament: 'Pottery & porcelain', vase: 'Glass', map: 'Maps', book: 'Antiquarian books', glasses: 'Scientific instruments', measuringTool: 'Scientific instruments', table: 'Furniture', chair: 'Furniture',
    jumper: null, jeans: null, boots: null, trainers: null, suitcase: null, quilt: null, saw: null, headphones: null, videoGame: null, jigsaw: null, yarn: null, tent: null, guitar: null, drum: null, bicycle: null, cutlery: null,
  },
  wardrobe: {
    dress: 'Women > Dresses', skirt: 'Women > Skirts', suit: 'Men > Suits', tie: 'Men > Ties', childClothes: 'Children > Children’s clothes', doll: null, lamp: null, guitar: null, tent: null, book: null, camera: null,
    jumper: null, coat: null, scarf: 'Scarves', hat: 'Hats', gloves: 'Gloves and mittens', hosiery: 'Socks & tights', swimwear: 'Swimwear', nightwear: 'Nightwear', earrings: 'Jewellery', trainers: 'Trainers', sandals: 'Sandals', boots: 'Boots',
  },
};

/** The shelves of the places nobody has. What they hold for others than women and men is left open where both have one. */
export const SHELVES: Readonly<Record<string, readonly string[]>> = {
  fair: [...new Set(Object.values(LABELLED.fair!).filter((v) => v !== null))],
  curios: [...new Set(Object.values(LABELLED.curios!).filter((v) => v !== null))],
  wardrobe: [
    ...new Set(Object.values(LABELLED.wardrobe!).filter((v) => v !== null)),
    'Women > Jumpers', 'Men > Jumpers', 'Women > Coats', 'Men > Coats', 'Children > Doll clothes', 'Women > Wedding dresses', 'Pets > Coats', 'Pets > Beds',
  ],
}; // prettier-ignore
