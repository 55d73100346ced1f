import * as f from '../facts';
import * as m from '../measures';
import type { KindRow } from '../spec';

const PLACES = ['front', 'back', 'left sleeve', 'right sleeve', 'left elbow', 'right elbow', 'collar', 'hem', 'lining']; // prettier-ignore
const LEGS = ['waistband', 'seat', 'left knee', 'right knee', 'hem', 'pockets'];
const EDGES = ['centre', 'edge', 'corner'];

/** Things to wear and carry. */
// prettier-ignore
export const WEAR: readonly KindRow[] = [
  {
    id: 'clothes', parent: null, name: 'Clothes', useWord: 'worn', titleWords: 'clothing',
    facts: [f.brand, f.department, f.letterSizes, f.sizeSystem, f.colour, f.cloth, f.model],
    measures: [m.chest, m.length, m.sleeve, m.shoulder],
    flaws: ['stain', 'pulled thread', 'hole', 'fading', 'missing button'], places: PLACES,
    details: ['collar', 'cuffs'], stance: 'hangs', parcelG: 600,
  },
  { id: 'jumper', parent: 'clothes', name: 'Jumper', alsoCalled: ['gansey', 'sweater', 'pullover', 'knit'], flaws: ['moth hole', 'darned', 'bobbling', 'pulled thread', 'stain', 'felted'], details: ['knit', 'cuffs'], parcelG: 750 },
  { id: 'coat', parent: 'clothes', name: 'Coat or jacket', titleWords: 'jacket', alsoCalled: ['coat', 'jacket', 'parka', 'blazer'], flaws: ['worn edge', 'missing button', 'stain', 'torn lining', 'zip stiff', 'fading'], places: [...PLACES, 'cuffs', 'pockets'], details: ['lining', 'fastening'], parcelG: 1600 },
  { id: 'trousers', parent: 'clothes', name: 'Trousers', alsoCalled: ['cords', 'slacks', 'chinos'], measures: [m.waist, m.inseam, m.rise, m.length], flaws: ['worn seat', 'worn knees', 'stain', 'hem let down', 'missing button'], places: LEGS, details: ['waistband', 'hem'], parcelG: 700 },
  { id: 'shirt', parent: 'clothes', name: 'Shirt or blouse', titleWords: 'shirt', alsoCalled: ['shirt', 'blouse'], flaws: ['stain', 'frayed collar', 'missing button', 'fading'], parcelG: 350 },
  { id: 'cardigan', parent: 'clothes', name: 'Cardigan', facts: [f.closing], flaws: ['moth hole', 'darned', 'bobbling', 'missing button'], details: ['knit', 'buttons'], parcelG: 700 },
  { id: 'tshirt', parent: 'clothes', name: 'T-shirt or top', titleWords: 't-shirt', alsoCalled: ['tee', 'top', 'vest'], flaws: ['stain', 'fading', 'stretched neck', 'cracked print'], details: ['print'], parcelG: 250 },
  { id: 'waistcoat', parent: 'clothes', name: 'Waistcoat', alsoCalled: ['gilet'], measures: [m.chest, m.length, m.shoulder], details: ['lining', 'buttons'], parcelG: 400 },
  { id: 'jeans', parent: 'trousers', name: 'Jeans', alsoCalled: ['denim'], facts: [f.fit, f.size('W28', 'W30', 'W32', 'W34', 'W36')], details: ['waistband', 'hem', 'pockets'], parcelG: 800 },
  { id: 'shorts', parent: 'trousers', name: 'Shorts', measures: [m.waist, m.rise, m.outerLeg], parcelG: 350 },
  { id: 'dress', parent: 'clothes', name: 'Dress', alsoCalled: ['frock', 'gown'], facts: [f.pattern, f.closing], measures: [m.chest, m.waist, m.hip, m.length, m.sleeve], details: ['neckline', 'fastening', 'hem'], parcelG: 550 },
  { id: 'skirt', parent: 'clothes', name: 'Skirt', alsoCalled: ['kilt'], facts: [f.pattern, f.closing], measures: [m.waist, m.hip, m.length], places: ['waistband', 'front', 'back', 'hem'], details: ['waistband', 'hem'], parcelG: 450 },
  { id: 'suit', parent: 'clothes', name: 'Suit', facts: [f.fit], measures: [m.chest, m.length, m.sleeve, m.shoulder, m.waist, m.inseam], places: [...PLACES, ...LEGS], details: ['lining', 'buttons', 'waistband'], parcelG: 1800 },
  { id: 'nightwear', parent: 'clothes', name: 'Nightwear', alsoCalled: ['pyjamas', 'nightdress', 'dressing gown', 'robe'], parcelG: 500 },
  { id: 'swimwear', parent: 'clothes', name: 'Swimwear', alsoCalled: ['bathing'], measures: [m.waist, m.hip], flaws: ['stretched', 'fading', 'worn seat'], parcelG: 200 },
  { id: 'childClothes', parent: 'clothes', name: 'Children’s clothes', titleWords: 'children’s clothes', alsoCalled: ['baby', 'romper', 'kids'], facts: [{ ...f.department, choices: ['Children'], usual: 'Children' }, f.size('56', '62', '74', '86', '98', '110', '122', '134', '146')], parcelG: 300 },
  { id: 'extras', parent: 'clothes', name: 'Worn with clothes', titleWords: 'accessory', facts: [f.pattern], measures: [m.width, m.edgeLength], places: EDGES, details: ['edge'], stance: null, parcelG: 150 },
  { id: 'scarf', parent: 'extras', name: 'Scarf', alsoCalled: ['headscarf', 'shawl', 'stole'], facts: [{ ...f.department, need: 'wanted' }, { ...f.letterSizes, need: 'optional' }, f.material('Silk', 'Wool', 'Cotton', 'Cashmere')], flaws: ['stain', 'pulled thread', 'frayed hem', 'fading'], measures: [m.width, m.measure('scarfLength', 'Length', 'Edge to edge', 200, 3000, [0.5, 0.02, 0.5, 0.98])], details: ['hem'] },
  { id: 'hat', parent: 'extras', name: 'Hat or cap', titleWords: 'hat', alsoCalled: ['hat', 'cap', 'beret', 'bonnet'], measures: [m.brim, m.height], places: ['crown', 'brim', 'band', 'inside'], details: ['inside band'], parcelG: 350 },
  { id: 'gloves', parent: 'extras', name: 'Gloves', alsoCalled: ['mittens'], measures: [m.width, m.edgeLength], places: ['left palm', 'right palm', 'fingers', 'lining'], details: ['palms', 'lining'] },
  { id: 'belt', parent: 'extras', name: 'Belt', alsoCalled: ['braces'], places: ['buckle', 'holes', 'edge'], details: ['buckle', 'holes'], flaws: ['cracked', 'tarnished buckle', 'stretched hole'], parcelG: 300 },
  { id: 'tie', parent: 'extras', name: 'Tie or bow tie', titleWords: 'tie', alsoCalled: ['tie', 'cravat'], details: ['tip', 'lining'] },
  { id: 'hosiery', parent: 'extras', name: 'Socks or tights', titleWords: 'socks', alsoCalled: ['socks', 'tights', 'stockings'], flaws: ['ladder', 'hole', 'worn heel', 'bobbling'], places: ['toe', 'heel', 'leg', 'top'], parcelG: 150 },

  {
    id: 'footwear', parent: null, name: 'Shoes', useWord: 'worn', titleWords: 'shoes',
    facts: [f.brand, f.department, f.shoeSizes, f.sizeSystem, f.colour, f.material('Leather', 'Suede', 'Canvas', 'Rubber'), f.model],
    measures: [m.insole, m.width, m.heel], flaws: ['scuffed', 'worn heel', 'creased', 'split sole', 'worn lining'],
    places: ['left toe', 'right toe', 'left heel', 'right heel', 'soles', 'tongue'], details: ['soles', 'heels'], parcelG: 1200,
  },
  { id: 'boots', parent: 'footwear', name: 'Boots', alsoCalled: ['wellingtons', 'brogue boots'], measures: [m.insole, m.width, m.heel, m.measure('shaft', 'Shaft height', 'Top of the sole to the top edge', 40, 600, [0.5, 0.02, 0.5, 0.8], ['shaft'])], parcelG: 1700 },
  { id: 'shoes', parent: 'footwear', name: 'Shoes, low', titleWords: 'shoes', alsoCalled: ['shoes', 'brogues', 'loafers', 'pumps', 'courts'], facts: [f.closing] },
  { id: 'trainers', parent: 'footwear', name: 'Trainers', alsoCalled: ['sneakers', 'plimsolls'], flaws: ['yellowed sole', 'creased', 'worn lining', 'scuffed'] },
  { id: 'sandals', parent: 'footwear', name: 'Sandals', alsoCalled: ['clogs', 'mules'], parcelG: 800 },
  { id: 'slippers', parent: 'footwear', name: 'Slippers', parcelG: 500 },

  {
    id: 'bags', parent: null, name: 'Bags', titleWords: 'bag',
    facts: [f.brand, { ...f.department, need: 'wanted' }, f.colour, f.material('Leather', 'Canvas', 'Suede'), f.model, { ...f.size('Small', 'Medium', 'Large'), need: 'optional' }],
    measures: [m.width, m.height, m.depth, m.strapDrop], flaws: ['scuffed', 'worn corner', 'tarnished buckle', 'ink mark', 'torn lining'],
    places: ['front', 'back', 'corners', 'strap', 'inside'], details: ['inside', 'strap and buckle'], parcelG: 1300,
  },
  { id: 'bag', parent: 'bags', name: 'Bag or satchel', titleWords: 'bag', alsoCalled: ['handbag', 'satchel', 'tote', 'clutch'], facts: [f.closing] },
  { id: 'rucksack', parent: 'bags', name: 'Rucksack', alsoCalled: ['backpack', 'knapsack'], parcelG: 1500 },
  { id: 'suitcase', parent: 'bags', name: 'Suitcase or trunk', titleWords: 'suitcase', alsoCalled: ['suitcase', 'trunk', 'valise'], measures: [m.width, m.height, m.depth], places: ['corners', 'handle', 'locks', 'lining'], details: ['locks', 'lining'], parcelG: 4500 },
  { id: 'wallet', parent: 'bags', name: 'Wallet or purse', titleWords: 'wallet', alsoCalled: ['wallet', 'purse', 'cardholder'], measures: [m.width, m.height], details: ['inside'], parcelG: 250 },

  {
    id: 'jewellery', parent: null, name: 'Jewellery and watches', useWord: 'worn', titleWords: 'jewellery',
    facts: [f.maker, f.metal, f.stone, f.hallmark, f.colour, f.decade, f.model].map((x) => (x.id === 'colour' ? { ...x, need: 'wanted' as const } : x)),
    measures: [m.width, m.height], flaws: ['tarnish', 'bent', 'missing stone', 'scratch', 'worn plating'],
    places: ['front', 'back', 'clasp', 'setting'], details: ['hallmark', 'clasp'], parcelG: 120,
  },
  { id: 'ring', parent: 'jewellery', name: 'Ring', measures: [m.innerDiameter], facts: [f.ask('size', 'Ring size')] },
  { id: 'necklace', parent: 'jewellery', name: 'Necklace or chain', titleWords: 'necklace', alsoCalled: ['necklace', 'chain', 'pendant', 'beads', 'locket'], measures: [m.edgeLength] },
  { id: 'bracelet', parent: 'jewellery', name: 'Bracelet', alsoCalled: ['bangle'], measures: [m.innerDiameter, m.edgeLength] },
  { id: 'earrings', parent: 'jewellery', name: 'Earrings', alsoCalled: ['studs', 'hoops'] },
  { id: 'brooch', parent: 'jewellery', name: 'Brooch or pin', titleWords: 'brooch', alsoCalled: ['brooch', 'pin', 'badge pin'], details: ['pin', 'hallmark'] },
  { id: 'cufflinks', parent: 'jewellery', name: 'Cufflinks' },
  { id: 'watch', parent: 'jewellery', name: 'Watch', alsoCalled: ['wristwatch', 'pocket watch'], facts: [f.works, f.power], without: ['stone'], measures: [m.caseWidth, m.measure('lugs', 'Strap width', 'Between the lugs', 6, 30, [0.3, 0.1, 0.7, 0.1], ['lug'])], flaws: ['scratched glass', 'not running', 'worn strap', 'missing crown'], places: ['glass', 'case', 'strap', 'crown', 'dial'], details: ['dial', 'case back', 'strap'], parcelG: 200 },
];
