import * as f from '../facts';
import * as m from '../measures';
import type { KindRow } from '../spec';

const OBJECT = ['top', 'base', 'rim', 'handle', 'front', 'back', 'inside'];
const EDGES = ['centre', 'edge', 'corner'];

/** Things of the house, the kitchen, the workshop. */
// prettier-ignore
export const HOUSE: readonly KindRow[] = [
  {
    id: 'home', parent: null, name: 'Home', titleWords: 'household thing',
    facts: [f.maker, f.model, f.stuff, { ...f.colour, need: 'wanted' }, f.decade],
    measures: [m.height, m.width, m.depth], flaws: ['chip', 'crack', 'dent', 'scratch', 'stain'], places: OBJECT, details: ['base'], parcelG: 1500,
  },
  { id: 'vase', parent: 'home', name: 'Vase or glass', titleWords: 'vase', alsoCalled: ['vase', 'decanter'], facts: [f.material('Pressed glass', 'Glass', 'Stoneware', 'Porcelain')], measures: [m.height, m.width], flaws: ['chip', 'scratch', 'bubble in the glass', 'lime'], details: ['rim', 'base'], stance: 'tall', parcelG: 1200 },
  { id: 'ornament', parent: 'home', name: 'Ornament or figure', titleWords: 'figure', alsoCalled: ['figurine', 'ornament', 'statue', 'bust'], facts: [f.material('Porcelain', 'Brass', 'Wood', 'Plaster')], stance: 'tall' },
  { id: 'clock', parent: 'home', name: 'Clock', alsoCalled: ['barometer'], facts: [f.works, f.power], flaws: ['not running', 'cracked glass', 'missing key', 'worn case'], places: ['dial', 'case', 'hands', 'back'], details: ['dial', 'works'], parcelG: 3000 },
  { id: 'mirror', parent: 'home', name: 'Mirror', flaws: ['foxing', 'chip', 'loose frame'], places: ['glass', 'frame', 'back'], details: ['frame', 'back'], parcelG: 4000 },
  { id: 'pictureFrame', parent: 'home', name: 'Picture or frame', titleWords: 'picture', alsoCalled: ['frame', 'print', 'painting', 'etching', 'watercolour'], facts: [f.ask('author', 'Artist'), f.ask('technique', 'Made as', { choices: ['Oil', 'Watercolour', 'Print', 'Photograph'] })], measures: [m.width, m.height], places: ['glass', 'frame', 'corner', 'back'], details: ['signature', 'back'], parcelG: 2500 },
  { id: 'candlestick', parent: 'home', name: 'Candlestick', alsoCalled: ['candle holder', 'candelabra'], measures: [m.height, m.diameter], stance: 'tall' },
  { id: 'basket', parent: 'home', name: 'Basket or box', titleWords: 'box', alsoCalled: ['basket', 'box', 'casket', 'tin'], details: ['inside', 'lid'] },

  { id: 'kitchen', parent: null, name: 'Kitchen and table', titleWords: 'kitchenware', facts: [f.maker, f.model, f.stuff, { ...f.colour, need: 'wanted' }, f.decade], measures: [m.height, m.width], flaws: ['chip', 'crack', 'rust', 'crazing', 'stain inside'], places: [...OBJECT, 'spout', 'lid'], details: ['inside', 'rim'], parcelG: 1500 },
  { id: 'kitchenware', parent: 'kitchen', name: 'Pot, jug or dish', titleWords: 'pot', alsoCalled: ['pot', 'jug', 'dish', 'coffee pot', 'bowl', 'tray'] },
  { id: 'teapot', parent: 'kitchen', name: 'Teapot', details: ['spout', 'lid', 'inside'] },
  { id: 'cup', parent: 'kitchen', name: 'Cup, mug or tea glass', titleWords: 'cup', alsoCalled: ['cup', 'mug', 'saucer', 'tea glass', 'tumbler', 'goblet'], facts: [f.pieces], measures: [m.height, m.diameter] },
  { id: 'plate', parent: 'kitchen', name: 'Plate or service', titleWords: 'plate', alsoCalled: ['plate', 'service', 'platter', 'tureen'], facts: [f.pieces], measures: [m.diameter], details: ['mark', 'rim'], parcelG: 2000 },
  { id: 'cutlery', parent: 'kitchen', name: 'Cutlery', alsoCalled: ['spoons', 'forks', 'knives', 'flatware'], facts: [f.pieces, f.metal, f.hallmark], measures: [m.endToEnd], details: ['hallmark', 'tips'], parcelG: 800 },
  { id: 'pan', parent: 'kitchen', name: 'Pan or casserole', titleWords: 'pan', alsoCalled: ['pan', 'casserole', 'skillet', 'wok'], measures: [m.diameter, m.height], parcelG: 3000 },
  { id: 'grinder', parent: 'kitchen', name: 'Mill, scale or mincer', titleWords: 'mill', alsoCalled: ['mill', 'grinder', 'scales', 'mincer'], facts: [f.works], parcelG: 2500 },

  { id: 'lighting', parent: null, name: 'Lighting', titleWords: 'light', facts: [f.maker, f.model, f.stuff, { ...f.colour, need: 'wanted' }, f.decade, f.power], measures: [m.height, m.width, m.depth], flaws: ['dent', 'tarnish', 'cracked glass', 'replaced part', 'not tested'], places: [...OBJECT, 'glass', 'wick'], details: ['working part', 'base'], stance: 'tall', parcelG: 3000 },
  { id: 'lamp', parent: 'lighting', name: 'Lamp', alsoCalled: ['table lamp', 'desk lamp', 'ship’s lamp'], parcelG: 3200 },
  { id: 'lantern', parent: 'lighting', name: 'Lantern', alsoCalled: ['oil lamp', 'storm lamp'] },
  { id: 'ceilingLight', parent: 'lighting', name: 'Ceiling light', alsoCalled: ['chandelier', 'pendant light', 'lampshade'], stance: null, parcelG: 4500 },

  { id: 'textiles', parent: null, name: 'Textiles', titleWords: 'textile', facts: [f.maker, f.material('Wool', 'Cotton', 'Linen', 'Mohair'), { ...f.colour, need: 'required' }, f.pattern, f.decade], measures: [m.width, m.edgeLength], flaws: ['moth hole', 'stain', 'bobbling', 'frayed edge'], places: EDGES, details: ['weave', 'edge'], parcelG: 1500 },
  { id: 'blanket', parent: 'textiles', name: 'Blanket or throw', titleWords: 'blanket', alsoCalled: ['blanket', 'throw', 'rug blanket'], measures: [m.width, m.measure('throwLength', 'Length', 'Edge to edge', 300, 3500, [0.5, 0.02, 0.5, 0.98])], parcelG: 2100 },
  { id: 'quilt', parent: 'textiles', name: 'Quilt', alsoCalled: ['patchwork', 'eiderdown', 'bedspread'], parcelG: 2500 },
  { id: 'tableLinen', parent: 'textiles', name: 'Table linen', alsoCalled: ['tablecloth', 'napkins', 'table runner'], parcelG: 600 },
  { id: 'curtain', parent: 'textiles', name: 'Curtains', parcelG: 2500 },
  { id: 'rug', parent: 'textiles', name: 'Rug', alsoCalled: ['carpet', 'kilim', 'mat'], parcelG: 6000 },
  { id: 'cushion', parent: 'textiles', name: 'Cushion', parcelG: 800 },

  { id: 'furniture', parent: null, name: 'Furniture', titleWords: 'furniture', facts: [f.maker, f.material('Oak', 'Pine', 'Mahogany', 'Teak', 'Bentwood'), { ...f.colour, need: 'wanted' }, f.decade, f.model], measures: [m.height, m.width, m.depth], flaws: ['scratch', 'ring mark', 'woodworm, treated', 'loose joint', 'missing handle'], places: ['top', 'leg', 'drawer', 'back', 'side'], details: ['joints', 'underside'], parcelG: 20000 },
  { id: 'chair', parent: 'furniture', name: 'Chair or stool', titleWords: 'chair', alsoCalled: ['chair', 'stool', 'bench', 'armchair'], measures: [m.height, m.width, m.depth, m.seatHeight], places: ['seat', 'leg', 'back', 'arm'] },
  { id: 'table', parent: 'furniture', name: 'Table or desk', titleWords: 'table', alsoCalled: ['table', 'desk', 'writing slope', 'bureau'] },
  { id: 'cupboard', parent: 'furniture', name: 'Cupboard or shelf', titleWords: 'cupboard', alsoCalled: ['cupboard', 'shelf', 'bookcase', 'wardrobe', 'cabinet'] },
  { id: 'chestOfDrawers', parent: 'furniture', name: 'Chest', alsoCalled: ['drawers', 'coffer', 'blanket box'] },

  { id: 'tools', parent: null, name: 'Tools', titleWords: 'tool', facts: [f.maker, f.model, f.stuff, f.decade], measures: [m.endToEnd, m.width], flaws: ['rust', 'worn handle', 'crack', 'replaced part', 'pitted iron'], places: ['sole', 'handle', 'knob', 'iron', 'body'], details: ['iron', 'sole'], stance: 'wide', parcelG: 2000 },
  { id: 'handPlane', parent: 'tools', name: 'Plane', titleWords: 'hand plane', alsoCalled: ['hand plane', 'spokeshave'], parcelG: 2400 },
  { id: 'saw', parent: 'tools', name: 'Saw', facts: [f.ask('teeth', 'Teeth an inch', { type: 'number' })], places: ['blade', 'handle', 'teeth'], details: ['teeth', 'handle'] },
  { id: 'chisel', parent: 'tools', name: 'Chisel or gouge', titleWords: 'chisel', alsoCalled: ['chisel', 'gouge', 'screwdriver'], places: ['blade', 'edge', 'handle'], details: ['blade'], parcelG: 500 },
  { id: 'measuringTool', parent: 'tools', name: 'Rule, level or gauge', titleWords: 'rule', alsoCalled: ['rule', 'level', 'gauge', 'calipers', 'set square'], details: ['scale', 'mark'], parcelG: 600 },
  { id: 'gardenTool', parent: 'tools', name: 'Garden tool', alsoCalled: ['spade', 'garden fork', 'shears', 'secateurs'], parcelG: 3000 },
  { id: 'powerTool', parent: 'tools', name: 'Power tool', alsoCalled: ['drill', 'sander', 'router'], facts: [f.works, f.power], parcelG: 4000 },
];
