import { planId } from '@/contract/records';
import { useAttic } from '@/store/attic/attic';
import { useCopyFolder, type CopyFolder } from '@/store/copies/folder';
import { useQueue } from '@/store/courier/sendQueue';
import { useTalks } from '@/store/fulfilment/talks';
import { editItem, editPlan } from '@/store/items/items';
import { commandsIn, listed, sold, told } from '@/testing/courier';
import { open, press, said, sees } from '@/testing/page';
import { waitFor } from '@/testing/patience';
import { went } from '@/testing/router';
import { savedFiles } from '@/testing/savedFiles';
import { emptyAttic, manyItems, troubledEvening } from '@/testing/world';

import { Today } from './Today';

const MOOR_SAYS = {
  order: 'T-9',
  state: 'cancelled',
  buyer: null,
  amount: 1,
  postage: 0,
  fees: 0,
  back: 0,
  feesBack: 0,
};
const DAY = 86_400_000;

it('an empty attic is offered its first picture', async () => {
  await emptyAttic();
  await open(Today);
  await press('Begin with a picture');
  await press('Bring back a copy');
  expect(went).toEqual(['/intake', '/copies']);
});

describe('what is in no copy', () => {
  const folder = (part: Partial<CopyFolder> = {}) =>
    useCopyFolder.setState({
      isKnown: true,
      folder: { name: 'Backups', permission: 'granted', failed: null, copiedAt: 1, copies: 3, ...part },
    });
  afterEach(() => useCopyFolder.setState({ isKnown: false, folder: null }));

  it('is told by what would be lost, and saved by one tap', async () => {
    await manyItems();
    useCopyFolder.setState({ isKnown: true });
    const files = savedFiles();
    await open(Today);
    await sees('16 items and ');
    await sees(/other records, since .*: lost if this browser is cleared or the device breaks/u);
    await press('Save a copy of the attic');
    await waitFor(() => expect(files).toHaveLength(1));
    expect(files[0]?.name).toMatch(/^attic-.*\.zip$/u);
    await waitFor(() => expect(said()).not.toContain('this browser is cleared'));
  });
  it('is nobody’s business as long as copies are made by themselves', async () => {
    await manyItems();
    folder();
    await open(Today);
    await sees('Wait longer');
    expect(said()).not.toContain('this browser is cleared');
  });
  it.each([
    [{ permission: 'prompt' as const }, 'Allow it again'],
    [{ failed: { at: 2, why: 'gone' as const } }, 'It is not there: it was moved'],
    [{ failed: { at: 2, why: 'full' as const } }, 'There is no room for another copy'],
    [{ failed: { at: 2, why: 'notWhole' as const } }, 'the drive may be failing'],
  ])('is told where they are not any more: %j', async (part, words) => {
    await manyItems();
    folder(part);
    await open(Today);
    await sees('No copies go to “Backups” any more');
    await sees(words);
  });
});

describe('a troubled evening', () => {
  it('puts what is still up after its sale first, and what was sold twice beside it', async () => {
    await troubledEvening();
    await open(Today);
    const cards = [...document.querySelectorAll('[role=group][aria-label]')].map(
      (e) => e.getAttribute('aria-label') ?? '',
    );
    const at = (start: string) => cards.findIndex((c) => c.startsWith(start));
    expect(at('Nearstile needs a new code')).toBe(0);
    expect(at('Sold twice')).toBeGreaterThan(0);
    expect(at('Refused')).toBeGreaterThan(Math.max(at('Sold twice'), at('Not gone everywhere yet')));
    await sees('Still up on Threadwick. It did not answer. Tried 4 times; the courier tries again');
    await sees('“It has an address in it.”');
    await sees('It was taken down there.');
    await sees('3 listings on Oldhollow are not looked after');
  });
  it('tells the buyer who came second, cancels there, and the line is gone', async () => {
    const many = await troubledEvening();
    const asked = await open(Today, { answers: { '/orders/': () => MOOR_SAYS } });
    await press(/^Cancel the later order of Ostler/u);
    expect(asked.find((a) => a.path.startsWith('/orders/'))?.body).toMatchObject({ type: 'cancel' });
    expect(commandsIn(asked)).toEqual([
      { type: 'undo', item: many.id('Ostler'), order: 'T-9', why: 'cancelled' },
    ]);
  });
  it('a change that was not taken says why, where to put it right, and is sent once more', async () => {
    const many = await troubledEvening();
    const reasons = [{ field: 'price', message: 'It is under the least price here.' }];
    told(many.id('Silk'), { listings: [listed('threadwick', { reasons })] });
    await open(Today);
    await sees('Threadwick did not take a change: buyers there still see it as it was');
    await sees('“It is under the least price here.”');
    await press(/^Send Silk .* to Threadwick once more/u);
    expect(Object.keys(useQueue.getState())).toContain(`${many.id('Silk')} threadwick`);
  });
  it('what was changed there is sent again, or kept; what ended goes up again, or is left', async () => {
    const many = await troubledEvening();
    await open(Today);
    await press(/^Keep what Nearstile has/u);
    const plan = Object.values(useAttic.getState().plans).find(
      (p) => p.itemId === many.id('Stout') && p.market === 'nearstile',
    );
    expect(plan).toMatchObject({ title: 'Boots!!', price: 1 });
    await press(/^Put Silk .* up again on Threadwick/u);
    expect(Object.keys(useQueue.getState())).toContain(`${many.id('Silk')} threadwick`);
    await press('Bring in from Oldhollow');
    await press('Bring a new code');
    expect(went.slice(-2)).toEqual(['/bring-in', '/connections']);
  });
  it('without the courier a press says that nothing was done', async () => {
    await troubledEvening();
    await open(Today, { offline: true });
    await press('I have cancelled the later order');
    await sees('The courier can’t be reached');
  });
});

describe('items that wait for a decision', () => {
  it('sold is fetched from its spot, packed with one press', async () => {
    const many = await manyItems();
    const at = Date.now() - 9_000;
    told(many.id('Ostler'), {
      sale: sold('brackenmoor', 'B-2', { at }),
      closing: { startedAt: at, doneAt: at + 2_100, entries: [] },
    });
    await open(Today);
    await sees('Fetch it from Rail-07');
    await sees(/Gone everywhere in 2/u);
    await sees(/One sale today: €\d/u);
    await press('Picked and packed');
    expect(Object.values(useAttic.getState().orders)[0]?.packedAt).toBeTruthy();
  });
  it('promised long ago, or about to meet, is one press from being over', async () => {
    const many = await manyItems();
    const hold = (title: string, meet: number | null) =>
      editItem(many.id(title), 'promised', () => ({
        holds: [
          {
            from: Date.now() - 20 * DAY,
            to: null,
            who: 'Imke',
            market: null,
            meet:
              meet === null
                ? null
                : {
                    at: meet,
                    place: 'Harbour steps',
                    amount: 4_000,
                    pay: 'cash',
                    receivedAt: null,
                    toldAt: null,
                    remindedAt: null,
                    handedAt: null,
                    missedAt: null,
                  },
          },
        ],
      }));
    hold('Kittiwake', null);
    hold('Ostler', Date.now() + 3_600_000);
    await open(Today);
    await sees(/Promised since/u);
    await sees(/Meeting today/u);
    await press(/^Nobody came for Ostler/u);
    expect(useAttic.getState().items[many.id('Ostler')]?.holds[0]?.to).not.toBeNull();
    await press(/^Release the hold: Kittiwake/u);
    expect(said()).not.toMatch(/Promised since/u);
  });
  it('a consignment that ends goes on, is marked down, or goes back', async () => {
    const many = await manyItems();
    const silk = () => useAttic.getState().items[many.id('Silk')]!;
    await open(Today);
    await sees(/Mrs Aldous’s time ends in 3 days/u);
    const before = silk().price ?? 0;
    await press(/^Mark Silk .* down/u);
    expect(silk().price).toBeLessThan(before);
    await press(/^30 more days for Silk/u);
    expect(said()).not.toMatch(/time ends/u);
  });
  it('one sold to somebody while promised to another: the other is to be told', async () => {
    const many = await manyItems();
    editItem(many.id('Ostler'), 'promised', () => ({
      holds: [{ from: Date.now() - 9, to: null, who: 'Imke', market: null, meet: null }],
    }));
    told(many.id('Ostler'), {
      sale: sold('brackenmoor', 'B-2', { at: Date.now() }),
      closing: { startedAt: 1, doneAt: 2, entries: [] },
    });
    await open(Today);
    await sees('Tell Imke that it is gone. The sale stays.');
    await press('I have told them');
    expect(useAttic.getState().items[many.id('Ostler')]?.holds[0]?.to).not.toBeNull();
  });
});

it('what nobody asked about for days is asked less for, shown higher, or waited for', async () => {
  const many = await manyItems();
  const id = many.id('Kittiwake');
  const listing = listed('nearstile', { price: 4_800, listedAt: Date.now() - 200 * DAY });
  told(id, { listings: [listing] });
  useTalks.setState({ talks: [], missing: [], readAt: Date.now() });
  const plan = () => useAttic.getState().plans[planId(id, 'nearstile')];
  await open(Today);
  await sees('€48.00, and no enquiry for 200 days. One of');
  expect(said()).toContain('Nobody asked on NearstileKittiwake');
  await press(/^Shown higher up: Kittiwake/u);
  expect(plan()?.extras).toEqual({ seen: '3' });
  expect(Object.values(useQueue.getState())).toMatchObject([
    { item: id, market: 'nearstile', action: 'send' },
  ]);
  await waitFor(() => expect(said()).not.toContain('Nobody asked on NearstileKittiwake'));
  editPlan(id, 'nearstile', 'again', { unaskedFrom: null });
  await press(/^Ask less: Kittiwake/u);
  expect(plan()?.price).toBe(4_300);
  editPlan(id, 'nearstile', 'again', { unaskedFrom: null });
  await press(/^Wait: Kittiwake/u);
  await waitFor(() => expect(said()).not.toContain('Nobody asked on NearstileKittiwake'));
  useTalks.setState({ talks: [], missing: [], readAt: null });
});
