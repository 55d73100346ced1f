import { planId } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { examine } from '@/store/courier/sending';
import { editItem, editPlan } from '@/store/items/items';
import { addStencil } from '@/store/items/stencils';
import { commandsIn, listed, told } from '@/testing/courier';
import { fill, open, press, said, sees } from '@/testing/page';
import { manyItems, SHEETS } from '@/testing/world';

import { Competing } from './Competing';

const BARCODE = '2000000000015';
const COPIES = [
  { seller: 'Mudlark Books', price: 620, postage: 280, wear: 2, rating: 97, leavesIn: 2 },
  { seller: 'Cheap by the Yard', price: 210, postage: 280, wear: 1, rating: 92, leavesIn: 4 },
  { seller: 'Your own rack', price: 100, postage: 280, wear: 2, rating: 100, leavesIn: 2, own: true },
];

/** A book listed against its record, and what others ask for it. */
async function openBook(copies: object[] | null = COPIES) {
  const many = await manyItems();
  const id = many.id('Marrow');
  editItem(id, 'a book', (t) => ({
    kind: 'book',
    price: 1_200,
    cost: null,
    use: 'light',
    facts: { ...t.facts, barcode: BARCODE },
  }));
  editPlan(id, 'quirestack', 'wanted', { wanted: true });
  const records = [{ barcode: BARCODE, rack: 'pages', closed: false }];
  const sheets = SHEETS.map((s): RuleSheet => (s.marketplace === 'quirestack' ? { ...s, records } : s));
  useCourier.setState({ sheets });
  const sheet = sheets.find((s) => s.marketplace === 'quirestack')!;
  const Page = () => {
    const item = useAttic((s) => s.items[id]!);
    useAttic((s) => s.plans);
    return <Competing item={item} examined={examine(item, sheet)} />;
  };
  const asked = await open(Page, { answers: { '/competing': () => ({ offers: copies }) } });
  return { id, asked, plan: () => useAttic.getState().plans[planId(id, 'quirestack')]! };
}

describe('what others ask for the same', () => {
  it('a competitor is left out with two taps: asked for, left out; and counts again with one', async () => {
    const { plan } = await openBook();
    await press('What do others ask on Quirestack?');
    await sees('3 copies there: none new, lowest used €4.90, with postage.');
    // Our own copy, the cheapest, is never compared with.
    await sees('yours');
    await press('Leave out Cheap by the Yard');
    await press('Under the cheapest');
    await sees(/€6\.10, number 1 of 2 by price\. €0\.10 under Mudlark Books/u);
    await press('Ask €6.10 on Quirestack');
    expect(plan().price).toBe(610);
    await press('Count Cheap by the Yard');
    expect(useAttic.getState().settings.priceRule.leaveOut).toEqual([]);
  });
  it('followed from now on, with its reason; a floor of its own holds; switched off it stays', async () => {
    const { plan } = await openBook();
    await press('What do others ask on Quirestack?');
    await press('Follow the copies on Quirestack');
    await sees(/Follows: €2\.10\. As Cheap by the Yard, €4\.90 with postage\./u);
    await fill('Never under', '5.00');
    await sees(/Follows: €5\.00\. .*held at the floor/u);
    expect(plan().followed?.history.map((h) => h.price)).toEqual([500, 210]);
    await press('Its prices so far');
    await press('Follow the copies on Quirestack');
    expect(plan()).toMatchObject({ follow: null, followed: null, price: 500 });
  });
  it('by a stencil for its kind, and off again for this one alone', async () => {
    const { id, plan } = await openBook();
    const { priceRule } = useAttic.getState().settings;
    addStencil('quirestack', 'Books follow', { kinds: ['book'], follow: priceRule });
    editItem(id, 'touched', { spot: 'B1' });
    await sees('Looks every');
    expect(plan().follow).toBeNull();
    await press('Follow the copies on Quirestack');
    expect(plan().ownParts).toContain('follow');
    expect(said()).not.toContain('Looks every');
  });
  it('where it is up, a new price goes by itself; with anything else changed it waits', async () => {
    const { id, asked, plan } = await openBook();
    told(id, { listings: [listed('quirestack', { price: 1_200 })] });
    await press('What do others ask on Quirestack?');
    await press('Follow the copies on Quirestack');
    await sees(/Follows: €2\.10/u);
    expect(plan().followed?.price).toBe(210);
    // It was never sent from here as it is now: a person looks first.
    expect(commandsIn(asked)).toEqual([]);
  });
  it('says so where there is no such record', async () => {
    await openBook(null);
    await press('What do others ask on Quirestack?');
    await sees('has no record under');
  });
});
