import type { FactSpec, Kind, MeasureSpec } from './kinds';

// prettier-ignore
const COLOURS = [
  'Black', 'White', 'Cream', 'Grey', 'Navy', 'Blue', 'Green', 'Olive', 'Brown', 'Tan', 'Red', 'Rust',
  'Yellow', 'Pink', 'Purple', 'Brass', 'Silver', 'Multicoloured',
];
const brand: FactSpec = { id: 'brand', label: 'Brand' };
const maker: FactSpec = { id: 'brand', label: 'Maker' };
const colour: FactSpec = { id: 'colour', label: 'Colour', suggestions: COLOURS };
const size: FactSpec = {
  id: 'size',
  label: 'Size on the label',
  suggestions: ['XS', 'S', 'M', 'L', 'XL', 'XXL'],
};
const shoeSize: FactSpec = {
  id: 'size',
  label: 'Size on the label',
  suggestions: ['37', '38', '39', '40', '41', '42', '43', '44'],
};
const department: FactSpec = {
  id: 'department',
  label: 'Who it is for',
  suggestions: ['Women', 'Men', 'Unisex', 'Children'],
};
const cloth: FactSpec = {
  id: 'material',
  label: 'Material',
  suggestions: ['Wool', 'Cotton', 'Linen', 'Silk', 'Waxed cotton', 'Corduroy', 'Denim'],
};
const stuff: FactSpec = {
  id: 'material',
  label: 'Material',
  suggestions: ['Brass', 'Enamel', 'Steel', 'Glass', 'Wood', 'Leather', 'Wool'],
};
const model: FactSpec = { id: 'model', label: 'Model' };
const decade: FactSpec = {
  id: 'decade',
  label: 'Decade made',
  suggestions: ['1930s', '1940s', '1950s', '1960s', '1970s', '1980s', '1990s'],
};

const m = (
  id: string,
  name: string,
  how: string,
  low: number,
  high: number,
  line: MeasureSpec['line'],
  alsoCalled: readonly string[] = [],
): MeasureSpec => ({ id, name, how, usual: [low, high], line, alsoCalled });

// Flat measuring; what to measure, the usual spans and where lines run are common practice of the trade, from memory.
const chest = m(
  'chest',
  'Pit to pit',
  'Flat, seam to seam under the arms',
  300,
  850,
  [0.24, 0.42, 0.76, 0.42],
  ['chest', 'p2p', 'ptp'],
);
const length = m(
  'length',
  'Length',
  'Back of the collar to the hem',
  350,
  1400,
  [0.5, 0.02, 0.5, 0.98],
  ['back length'],
);
const sleeve = m(
  'sleeve',
  'Sleeve',
  'Shoulder seam to cuff',
  300,
  900,
  [0.8, 0.14, 0.97, 0.78],
  ['sleeves', 'arm'],
);
const shoulder = m(
  'shoulder',
  'Shoulders',
  'Seam to seam across the back',
  300,
  650,
  [0.2, 0.12, 0.8, 0.12],
  ['shoulder'],
);
const waist = m('waist', 'Waist', 'Flat across the band', 250, 700, [0.14, 0.03, 0.86, 0.03]);
const inseam = m(
  'inseam',
  'Inside leg',
  'Crotch seam to hem',
  400,
  1000,
  [0.54, 0.36, 0.6, 0.99],
  ['inseam', 'inner leg'],
);
const rise = m(
  'rise',
  'Front rise',
  'Crotch seam to the top of the band',
  180,
  450,
  [0.5, 0.02, 0.5, 0.34],
  ['rise'],
);
const width = m(
  'width',
  'Width',
  'Widest point, straight across',
  10,
  5000,
  [0.02, 0.6, 0.98, 0.6],
  ['wide'],
);
const height = m(
  'height',
  'Height',
  'Standing, to the very top',
  10,
  3000,
  [0.06, 0.01, 0.06, 0.99],
  ['tall', 'high'],
);
const depth = m('depth', 'Depth', 'Front to back', 5, 3000, [0.3, 0.9, 0.7, 0.9], ['deep']);
const insole = m('insole', 'Insole', 'Heel to toe, inside', 120, 360, [0.1, 0.85, 0.95, 0.85]);
const heel = m('heel', 'Heel height', 'At the back, to the floor', 5, 160, [0.08, 0.8, 0.08, 0.99], ['heel']);

const CLOTHES_PLACES = [
  'front',
  'back',
  'left sleeve',
  'right sleeve',
  'left elbow',
  'right elbow',
  'collar',
  'hem',
  'lining',
];
const OBJECT_PLACES = ['top', 'base', 'rim', 'handle', 'front', 'back', 'inside'];

/** The first dozen or so kinds. Data, not code: a kind is added by adding a row. */
// prettier-ignore
export const KINDS: readonly Kind[] = [
  {
    id: 'jumper', name: 'Jumper', group: 'Clothes', titleWords: 'jumper',
    facts: [brand, department, size, colour, cloth, model],
    measures: [chest, length, sleeve, shoulder],
    flaws: ['moth hole', 'darned', 'bobbling', 'pulled thread', 'stain', 'felted'],
    places: CLOTHES_PLACES, details: ['knit', 'cuffs'], stance: 'hangs', parcelG: 750,
  },
  {
    id: 'coat', name: 'Coat or jacket', group: 'Clothes', titleWords: 'jacket',
    facts: [brand, department, size, colour, cloth, model],
    measures: [chest, length, sleeve, shoulder],
    flaws: ['worn edge', 'missing button', 'stain', 'torn lining', 'zip stiff', 'fading'],
    places: [...CLOTHES_PLACES, 'cuffs', 'pockets'], details: ['lining', 'fastening'], stance: 'hangs', parcelG: 1600,
  },
  {
    id: 'trousers', name: 'Trousers', group: 'Clothes', titleWords: 'trousers',
    facts: [brand, department, size, colour, cloth, model],
    measures: [waist, inseam, rise, length],
    flaws: ['worn seat', 'worn knees', 'stain', 'hem let down', 'missing button'],
    places: ['waistband', 'seat', 'left knee', 'right knee', 'hem', 'pockets'], details: ['waistband', 'hem'], stance: 'hangs', parcelG: 700,
  },
  {
    id: 'shirt', name: 'Shirt or blouse', group: 'Clothes', titleWords: 'shirt',
    facts: [brand, department, size, colour, cloth, model],
    measures: [chest, length, sleeve, shoulder],
    flaws: ['stain', 'frayed collar', 'missing button', 'fading'],
    places: CLOTHES_PLACES, details: ['collar', 'cuffs'], stance: 'hangs', parcelG: 350,
  },
  {
    id: 'scarf', name: 'Scarf', group: 'Clothes', titleWords: 'scarf',
    facts: [brand, colour, { ...cloth, suggestions: ['Silk', 'Wool', 'Cotton', 'Cashmere'] }, model, department, size],
    measures: [width, m('scarfLength', 'Length', 'Edge to edge', 200, 3000, [0.5, 0.02, 0.5, 0.98])],
    flaws: ['stain', 'pulled thread', 'frayed hem', 'fading'],
    places: ['centre', 'edge', 'corner'], details: ['hem'], parcelG: 150,
  },
  {
    id: 'boots', name: 'Boots or shoes', group: 'Shoes and bags', titleWords: 'boots',
    facts: [brand, department, shoeSize, colour, { ...stuff, suggestions: ['Leather', 'Suede', 'Canvas', 'Rubber'] }, model],
    measures: [insole, width, heel],
    flaws: ['scuffed', 'worn heel', 'creased', 'split sole', 'worn lining'],
    places: ['left toe', 'right toe', 'left heel', 'right heel', 'soles', 'tongue'], details: ['soles', 'heels'], parcelG: 1700,
  },
  {
    id: 'bag', name: 'Bag', group: 'Shoes and bags', titleWords: 'bag',
    facts: [brand, colour, { ...stuff, suggestions: ['Leather', 'Canvas', 'Suede'] }, model, department, size],
    measures: [width, height, depth, m('strapDrop', 'Strap drop', 'Top of the strap to the bag', 50, 900, [0.5, 0.02, 0.5, 0.3])],
    flaws: ['scuffed', 'worn corner', 'tarnished buckle', 'ink mark', 'torn lining'],
    places: ['front', 'back', 'corners', 'strap', 'inside'], details: ['inside', 'strap and buckle'], parcelG: 1300,
  },
  {
    id: 'lamp', name: 'Lamp', group: 'Home', titleWords: 'lamp',
    facts: [maker, model, stuff, colour, decade],
    measures: [height, width, depth],
    flaws: ['dent', 'tarnish', 'cracked glass', 'replaced part', 'not tested'],
    places: [...OBJECT_PLACES, 'glass', 'wick'], details: ['working part', 'base'], stance: 'tall', parcelG: 3200,
  },
  {
    id: 'kitchenware', name: 'Pot, jug or dish', group: 'Home', titleWords: 'pot',
    facts: [maker, model, stuff, colour, decade],
    measures: [height, width],
    flaws: ['chip', 'crack', 'rust', 'crazing', 'stain inside'],
    places: [...OBJECT_PLACES, 'spout', 'lid'], details: ['inside', 'rim'], parcelG: 1500,
  },
  {
    id: 'blanket', name: 'Blanket or throw', group: 'Home', titleWords: 'blanket',
    facts: [maker, { ...cloth, suggestions: ['Wool', 'Cotton', 'Mohair'] }, colour, decade],
    measures: [width, m('throwLength', 'Length', 'Edge to edge', 300, 3500, [0.5, 0.02, 0.5, 0.98])],
    flaws: ['moth hole', 'stain', 'bobbling', 'frayed edge'],
    places: ['centre', 'edge', 'corner'], details: ['weave', 'edge'], parcelG: 2100,
  },
  {
    id: 'vase', name: 'Vase or glass', group: 'Home', titleWords: 'vase',
    facts: [maker, model, { ...stuff, suggestions: ['Pressed glass', 'Glass', 'Stoneware', 'Porcelain'] }, colour, decade],
    measures: [height, width],
    flaws: ['chip', 'scratch', 'bubble in the glass', 'lime'],
    places: OBJECT_PLACES, details: ['rim', 'base'], stance: 'tall', parcelG: 1200,
  },
  {
    id: 'handPlane', name: 'Hand tool', group: 'Tools', titleWords: 'hand plane',
    facts: [maker, model, stuff, decade],
    measures: [m('toolLength', 'Length', 'End to end', 20, 2500, [0.01, 0.8, 0.99, 0.8]), width],
    flaws: ['rust', 'worn handle', 'crack', 'replaced part', 'pitted iron'],
    places: ['sole', 'handle', 'knob', 'iron', 'body'], details: ['iron', 'sole'], stance: 'wide', parcelG: 2400,
  },
  {
    id: 'camera', name: 'Camera', group: 'Cameras and optics', titleWords: 'folding camera',
    facts: [maker, model, { id: 'film', label: 'Film it takes', suggestions: ['Plate', '120', '127', '35 mm'] }, colour, decade],
    measures: [width, height, depth],
    flaws: ['pinholes in bellows', 'shutter sticks', 'fungus in lens', 'scratched', 'not tested'],
    places: ['lens', 'bellows', 'body', 'viewfinder', 'strap'], details: ['lens', 'number'], parcelG: 1100,
  },
  {
    id: 'glasses', name: 'Opera glasses or binoculars', group: 'Cameras and optics', titleWords: 'opera glasses',
    facts: [maker, model, stuff, colour, decade],
    measures: [width, height],
    flaws: ['dim', 'stiff focus', 'worn finish', 'cracked lens'],
    places: ['left lens', 'right lens', 'wheel', 'body'], details: ['lenses', 'case'], parcelG: 600,
  },
  {
    id: 'book', name: 'Book', group: 'Books and games', titleWords: 'book', modelIsName: true,
    facts: [
      { id: 'model', label: 'Title of the book' },
      { id: 'author', label: 'Author' },
      { id: 'brand', label: 'Publisher' },
      { id: 'binding', label: 'Binding', suggestions: ['Hardback', 'Paperback', 'Cloth'] },
      decade,
    ],
    measures: [height, width, depth],
    flaws: ['foxing', 'torn jacket', 'name inside', 'loose page', 'sunned spine'],
    places: ['cover', 'spine', 'endpapers', 'pages', 'jacket'], details: ['spine', 'title page'], stance: 'tall', parcelG: 500,
  },
  {
    id: 'jigsaw', name: 'Jigsaw or board game', group: 'Books and games', titleWords: 'jigsaw puzzle',
    facts: [maker, model, { id: 'pieces', label: 'Pieces' }, { ...stuff, suggestions: ['Wood', 'Card'] }, decade],
    measures: [width, height],
    flaws: ['piece missing', 'box worn', 'split corner'],
    places: ['box', 'lid', 'pieces'], details: ['box', 'pieces counted'], parcelG: 900,
  },
];
