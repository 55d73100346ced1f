import { useCourier } from '@/store/courier/courierLink';
import { useTalks } from '@/store/fulfilment/talks';
import { sold, told } from '@/testing/courier';
import { open, press, sees } from '@/testing/page';
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
  it('of something the attic has lost is still a sale', async () => {
    await emptyAttic();
    told('item-x', { sale: sold('brackenmoor', 'B-9', { at, knownAt: at }), closing: CLOSING });
    await open(Sales);
    await sees('Something not in this attic');
  });
});
