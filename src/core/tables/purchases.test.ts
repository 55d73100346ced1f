import { purchaseCost, purchaseFields, purchasesIn, type PurchaseField } from './purchases';
import { textTable } from './read';

const file = { decimal: '.', dates: 'dmy' } as const;
const bought = (csv: string) => {
  const [head = [], ...rows] = textTable(csv).rows;
  const fields: (PurchaseField | null)[] = purchaseFields(head);
  const lines = rows
    .map((cells, i) => ({ line: i + 2, cells }))
    .filter(({ cells }) => cells.some((c) => c !== ''));
  return { fields, lines: purchasesIn(lines, fields, file, 'EUR') };
};

// By hand: 3 cases of 12 at 0.50 are 18.00; 5 at 2.00 are 10.00; a line of 7.00 for 2 is 3.50 each.
it('counts pieces, and cases of so many, and says what all of it cost', () => {
  const { fields, lines } = bought(
    'Description,Cases,Pieces per case,Quantity,Price each,Total,Ref\n' +
      'enamel mugs,3,12,,0.50,,x\nlinen shirts,,,5,€2.00,,\ncrates,,,2,,7.00,\nrecords,,,3 x 12,,,\n',
  );
  expect(fields).toEqual(['what', 'cases', 'perCase', 'pieces', 'each', 'total', null]);
  expect(lines.map((l) => [l.what, l.count, l.each, l.cost])).toEqual([
    ['enamel mugs', 36, 50, 1_800],
    ['linen shirts', 5, 200, 1_000],
    ['crates', 2, 350, 700],
    ['records', 36, null, null],
  ]);
  expect(purchaseCost(lines)).toBe(3_500);
  expect(purchaseCost(lines.slice(3))).toBeNull();
});

it('beside cases, pieces are those of one', () => {
  expect(bought('item,cases,pieces\nmugs,3,12\n').lines[0]).toMatchObject({ count: 36 });
});

it('says what of a line can’t be read', () => {
  const { lines } = bought('item,qty,price\n,5,1.00\nmugs,some,1.00\nlamps,1,dear\n');
  expect(lines.map((l) => l.troubles.map((t) => t.why.code))).toEqual([
    ['whatMissing'],
    ['piecesUnread'],
    ['amountNotDigits'],
  ]);
  const many = bought(`item\n${'mug\n'.repeat(502)}`).lines;
  expect(many.filter((l) => l.troubles.length === 0)).toHaveLength(500);
  expect(many.at(-1)?.troubles[0]?.why).toEqual({ code: 'tooManyLines', params: { most: 500 } });
});
