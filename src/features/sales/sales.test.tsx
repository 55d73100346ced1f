import { change, useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { useTalks } from '@/store/fulfilment/talks';
import { itemWith } from '@/store/items/items';
import { listed, sold, told } from '@/testing/courier';
import { open, press, said, sees } from '@/testing/page';
import { went } from '@/testing/router';
import { emptyAttic, manyItems } from '@/testing/world';

import { Sales } from './Sales';

const at = Date.now() - 3_600_000;
const CLOSING = {
  startedAt: at,
  doneAt: at + 1_400,
  entries: [
    { market: 'brackenmoor', outcome: 'soldHere' as const, at, tries: 0, trouble: null },
    { market: 'threadwick', outcome: 'withdrawn' as const, at: at + 1_400, tries: 1, trouble: null },
  ],
};

describe('sales', () => {
  it('nothing is called calm that was not asked', async () => {
    await emptyAttic();
    useTalks.setState({ talks: [], missing: [], readAt: null });
    await open(Sales, { offline: true });
    await sees('Messages and offersnot asked yet');
    useTalks.setState({ readAt: Date.now() });
    await sees('Messages and offersnobody waited just now');
    useCourier.setState({ connected: true });
    await sees('Messages and offersnobody waits');
    useTalks.setState({ missing: [{ market: 'nearstile', why: 'It did not answer.' }] });
    await sees('Messages and offersnot all could be asked');
  });
  it('say what was sold, what it left, how fast it was gone elsewhere, and lead to the order', async () => {
    const many = await manyItems();
    told(many.id('Ostler'), { sale: sold('brackenmoor', 'B-2', { at, knownAt: at }), closing: CLOSING });
    await open(Sales);
    await sees('Brackenmoor, 1 hour ago');
    // The order is named by its item; its number comes after how far it is.
    await sees(/To pick.*Order B-2/u);
    await sees(/home €\d+\.\d\d/u);
    await sees('Packingone parcel');
    await press(/^Order of Ostler/u);
    expect(went.at(-1)).toMatch(/^\/order\//u);
  });
  it('say for how much it was listed there, when, and how its like sold then', async () => {
    const many = await manyItems();
    const day = 86_400_000;
    const rank = (place: number, ago: number) => ({ at: at - ago * day, place, among: 'Clothes', of: 9_000 });
    const item = useAttic.getState().items[many.id('Ostler')]!;
    const ranks = [rank(900, 60), rank(800, 41), rank(250, 0)];
    change('looked up', [itemWith(item, { ranks })]);
    const up = { state: 'sold' as const, listedAt: at - 41 * day, firstPrice: 6_000 };
    told(item.id, {
      sale: sold('brackenmoor', 'B-2', { at, knownAt: at }),
      listings: [listed('brackenmoor', up)],
    });
    await open(Sales);
    await sees(/Listed there on \d+ \w+ \d+ for €60\.00, sold 41 days later for €12\.00 less\./u);
    await sees(/Sales rank 900 on .*, 800 when it was listed, 250 on .*: better, of 9,000 in Clothes\./u);
    // One asked long before is not what it was on that day.
    change('looked up', [itemWith(item, { ranks: [rank(900, 60), rank(250, 0)] })]);
    await sees(/Sales rank 900 on .*, 250 on .*: better/u);
    expect(said()).not.toContain('when it was listed');
  });
  it('of something the attic has lost is still a sale', async () => {
    await emptyAttic();
    told('item-x', { sale: sold('brackenmoor', 'B-9', { at, knownAt: at }), closing: CLOSING });
    await open(Sales);
    await sees('Something not in this attic');
  });
});
