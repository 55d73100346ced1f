import { mainStuff } from './stuff';

it.each([
  ['85 % wool, 15 % nylon', 'wool'],
  ['45% linen, 55% cotton', 'cotton linen'],
  ['25 % wool, 25 % silk, 25 % linen, 25 % ramie', 'wool'],
  ['Waxed cotton', 'Waxed cotton'],
  ['100 %', '100 %'],
  ['', ''],
])('“%s” is called “%s”', (material, words) => expect(mainStuff(material)).toBe(words));
