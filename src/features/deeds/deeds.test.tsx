import { ScanField } from '@/parts/trade/ScanField';
import { useAttic } from '@/store/attic/attic';
import { useMany } from '@/store/items/many';
import { commandsIn, listed, sold, told } from '@/testing/courier';
import { fill, open, press, said, sees, settled } from '@/testing/page';
import { waitFor } from '@/testing/patience';
import { went } from '@/testing/router';
import { manyItems } from '@/testing/world';

import { DeedBar } from './DeedBar';
import { DEEDS } from './deeds';

let chosen: ReadonlySet<string> = new Set();
const nothing = () => undefined;
function Bar() {
  return <DeedBar chosen={chosen} of={9} onAll={nothing} onNone={nothing} onDone={nothing} />;
}
const key = async (name: string, target: EventTarget = document.body) => {
  typed(name, target);
  // Done once it is sure that no other key follows at once, as a scanner's do.
  await settled(150);
};
const typed = (name: string, target: EventTarget = document.body) =>
  target.dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true, cancelable: true }));

beforeEach(async () => {
  const many = await manyItems();
  chosen = new Set([many.id('Kittiwake'), many.id('Ostler')]);
});

it('each deed has a key of its own, and none is one of the places’', () => {
  const keys = DEEDS.map((d) => d.key);
  expect(new Set(keys).size).toBe(keys.length);
  expect(keys.filter((k) => !/^[a-z]$/u.test(k))).toEqual([]);
});

it('the same list is on a phone, behind one press, and each leads on with those chosen', async () => {
  await open(Bar);
  expect(said()).not.toContain('Put up again');
  await press('More…');
  for (const { words } of DEEDS) expect(said()).toContain(words);
  await press('List on…');
  expect(went).toEqual(['/outgoing?wish=list']);
  expect(useMany.getState().ids).toEqual([...chosen]);
});

it('with nothing chosen nothing can be done', async () => {
  chosen = new Set();
  await open(Bar, { wide: true });
  await sees('Tap items in the list');
  await key('l');
  expect(went).toEqual([]);
});

it('at a desk keys do the same, but not while something is typed', async () => {
  await open(Bar, { wide: true });
  await key('w');
  expect(went).toEqual(['/write']);
  await key('s');
  const input = document.querySelector('input');
  await key('l', input ?? document.body);
  expect(went).toEqual(['/write']);
  await fill('Spot', 'Rail-3');
  await press('Change 2 items');
  expect([...chosen].map((id) => useAttic.getState().items[id]?.spot)).toEqual(['Rail-3', 'Rail-3']);
});

it('a code that a hand scanner types there does nothing', async () => {
  await open(Bar, { wide: true });
  for (const name of 'YA-lew12') typed(name);
  typed('Enter');
  await settled(300);
  expect(went).toEqual([]);
  expect(said()).toContain('2 chosen');
  expect(document.querySelector('[aria-label="Back to what can be done"]')).toBeNull();
});

it('a field that takes codes from anywhere takes all keys', async () => {
  const codes: string[] = [];
  await open(
    () => (
      <>
        <ScanField label="Code" onText={(text) => codes.push(text)} />
        <Bar />
      </>
    ),
    { wide: true },
  );
  await key('l');
  expect(document.activeElement?.getAttribute('aria-label')).toBe('Code');
  expect(went).toEqual([]);
});

it('are put in a group that is made where one stands', async () => {
  await open(Bar, { wide: true });
  await key('g');
  await fill('Name of a new group', 'Autumn');
  await press('Make this group');
  await press('Change 2 items');
  await sees('2 items changed. Undo takes all of it back.');
  const [group] = Object.values(useAttic.getState().groups);
  expect(group?.name).toBe('Autumn');
  for (const id of chosen) expect(useAttic.getState().items[id]?.groupIds).toContain(group?.id);
});

it('are put away, which takes them down, and come back', async () => {
  const [first = '', second = ''] = [...chosen];
  told(first, { listings: [listed('brackenmoor'), listed('threadwick', { state: 'ended', want: 'gone' })] });
  told(second, { listings: [], sale: sold('brackenmoor', 'B-9') });
  const asked = await open(Bar, { wide: true });
  await key('y');
  await sees('1 item, with one listing to come down.');
  await press('Given away');
  await sees('1 item put away.');
  const left = (id: string) => useAttic.getState().items[id]?.left?.how;
  // What is sold stays what it is.
  expect([left(first), left(second)]).toEqual(['given', undefined]);
  await waitFor(() =>
    expect(commandsIn(asked)).toMatchObject([{ type: 'withdraw', item: first, market: 'brackenmoor' }]),
  );
  await press('Bring the one back');
  expect(left(first)).toBeUndefined();
});

it('nothing is put away while it can’t be taken down', async () => {
  await open(Bar, { wide: true, offline: true });
  await key('y');
  await sees('The courier can’t be reached');
  await press('Given away');
  expect([...chosen].every((id) => useAttic.getState().items[id]?.left === null)).toBe(true);
});

it('are marked down by per cent', async () => {
  await open(Bar, { wide: true });
  const before = [...chosen].map((id) => useAttic.getState().items[id]?.price ?? 0);
  await key('m');
  await fill('Per cent off', '10');
  await press('Change 2 items');
  expect([...chosen].map((id) => useAttic.getState().items[id]?.price)).toEqual(
    before.map((p) => p - Math.floor((p * 1_000 + 5_000) / 10_000)),
  );
});
