import type { FactSpec } from './spec';
import { SIZE_SYSTEMS } from '../measure/sizes';

/** Questions that many kinds share. What is asked of which kind is common practice of the trade. */

export const COLOURS = [
  'Black',
  'White',
  'Cream',
  'Beige',
  'Grey',
  'Navy',
  'Blue',
  'Teal',
  'Green',
  'Olive',
  'Brown',
  'Tan',
  'Red',
  'Burgundy',
  'Rust',
  'Orange',
  'Yellow',
  'Pink',
  'Purple',
  'Brass',
  'Silver',
  'Multicoloured',
];
export const ask = (id: string, label: string, more: Omit<FactSpec, 'id' | 'label'> = {}): FactSpec => ({
  id,
  label,
  ...more,
});
const from = (id: string, label: string, ...choices: string[]): FactSpec => ask(id, label, { choices });

export const brand = ask('brand', 'Brand', { need: 'required' });
export const maker = ask('brand', 'Maker', { need: 'wanted' });
export const colour: FactSpec = { id: 'colour', label: 'Colour', choices: COLOURS, need: 'required' };
export const size = (...choices: string[]): FactSpec => ({
  id: 'size',
  label: 'Size on the label',
  choices,
  need: 'required',
});
export const letterSizes = size('XS', 'S', 'M', 'L', 'XL', 'XXL');
export const shoeSizes = size('37', '38', '39', '40', '41', '42', '43', '44');
/** How the size on the label is counted. */
export const sizeSystem: FactSpec = {
  id: 'sizeSystem',
  label: 'Size system',
  choices: SIZE_SYSTEMS,
  closed: true,
};
export const department: FactSpec = {
  id: 'department',
  label: 'Who it is for',
  choices: ['Women', 'Men', 'Unisex', 'Children'],
  need: 'required',
};
export const material = (...choices: string[]): FactSpec => ({
  id: 'material',
  label: 'Material',
  choices,
  need: 'wanted',
});
export const cloth = material('Wool', 'Cotton', 'Linen', 'Silk', 'Waxed cotton', 'Corduroy', 'Denim');
export const stuff = material('Brass', 'Enamel', 'Steel', 'Glass', 'Wood', 'Leather', 'Wool');
export const metal = material('Silver', 'Gold', 'Brass', 'Steel', 'Copper', 'Base metal');
export const model = ask('model', 'Model');
export const decade = from(
  'decade',
  'Decade made',
  '1930s',
  '1940s',
  '1950s',
  '1960s',
  '1970s',
  '1980s',
  '1990s',
);
export const pattern = from('pattern', 'Surface', 'Plain', 'Striped', 'Checked', 'Floral', 'Dotted');
export const fit = from('fit', 'Cut', 'Close', 'Regular', 'Loose');
export const closing = from('closing', 'Fastening', 'Buttons', 'Zip', 'Hooks', 'Ties', 'None');
export const stone = ask('stone', 'Stones', {
  choices: ['None', 'Glass', 'Amber', 'Garnet', 'Pearl'],
  several: true,
});
export const hallmark = ask('hallmark', 'Hallmark or stamp');
export const works = from('works', 'Works', 'Yes', 'Partly', 'No', 'Not tested');
export const power = from('power', 'Runs on', 'Mains', 'Batteries', 'Clockwork', 'Nothing');
export const pieces = ask('pieces', 'Pieces', { type: 'number', need: 'wanted' });
export const piecesFree = ask('pieces', 'Pieces', { need: 'wanted' });
export const author = ask('author', 'Author', { need: 'required' });
export const publisher = ask('brand', 'Publisher');
export const year = ask('year', 'Year', { type: 'year' });
export const language = from('language', 'Language', 'English', 'French', 'German', 'Welsh');
export const binding = from('binding', 'Binding', 'Hardback', 'Paperback', 'Cloth');
export const edition = ask('edition', 'Edition');
export const titleOf = (what: string): FactSpec => ({
  id: 'model',
  label: `Title of the ${what}`,
  need: 'required',
});
export const artist = ask('author', 'Artist', { need: 'required' });
export const age = from('age', 'Age it is for', 'Up to 3', '3 to 6', '6 to 12', 'Grown-ups');
export const tuning = ask('tuning', 'Key or tuning');
export const format = (...choices: string[]): FactSpec => from('format', 'Format', ...choices);

/** Facts of any item, whatever its kind; asked for only once they are known. */
export const COMMON_FACTS: readonly FactSpec[] = [
  { id: 'country', label: 'Made in' },
  { id: 'styleCode', label: 'Style code' },
  { id: 'care', label: 'Care' },
  { id: 'barcode', label: 'Barcode' },
  { id: 'sizeElsewhere', label: 'Size elsewhere, about', several: true },
  { id: 'serial', label: 'Serial number', private: true },
  { id: 'customs', label: 'Customs wording', private: true },
];
