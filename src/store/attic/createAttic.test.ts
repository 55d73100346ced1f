import 'fake-indexeddb/auto';

import { create } from 'zustand';

import { Item } from '@/contract/records';

import { createAttic, type Attic } from './createAttic';
import { Disk } from './disk';
import type { PageMessage, PeerChannel } from './peers';
import { useAttic, type AtticState } from './state';

/** Channels of pages that hear each other, each message a copy and a moment later. */
class Air {
  private readonly channels = new Set<PeerChannel>();
  closed = 0;

  channel(): PeerChannel {
    const one: PeerChannel = {
      onmessage: null,
      postMessage: (message) => {
        for (const other of this.channels) if (other !== one) queueMicrotask(() => this.tell(other, message));
      },
      close: () => {
        this.channels.delete(one);
        this.closed += 1;
      },
    };
    this.channels.add(one);
    return one;
  }
  private tell(to: PeerChannel, message: PageMessage) {
    to.onmessage?.({ data: structuredClone(message) } as MessageEvent<PageMessage>);
  }
}

const empty = useAttic.getState();
const NOW = 1_700_000_000_000;
let names = 0;
const fresh = () => `made-${(names += 1)}`;

/** One page of an attic, with a state and a clock of its own. */
async function page(name: string, air: Air, at = { now: NOW }) {
  const state = create<AtticState>(() => ({ ...empty }));
  const attic = createAttic({
    name,
    disk: new Disk(name),
    channel: air.channel(),
    state,
    clock: () => at.now,
    page: `page-${Math.random()}`,
  });
  await attic.open();
  return { attic, state, at, titles: () => Object.values(state.getState().items).map((i) => i.title) };
}
const put = (attic: Attic, id: string, title: string) =>
  attic.change('title', [
    {
      collection: 'items',
      id,
      record: Item.parse({ id, code: 'YA-0001', title, author: 'Odile', createdAt: 1, updatedAt: 1 }),
    },
  ]);
const settled = () => new Promise((done) => setTimeout(done, 20));

it('two pages of one attic have the same, and what one stored the next one opens', async () => {
  const [name, air] = [fresh(), new Air()];
  const one = await page(name, air);
  const other = await page(name, air);
  put(one.attic, one.attic.newId(), 'Gansey');
  await settled();
  expect(other.titles()).toEqual(['Gansey']);
  put(other.attic, other.attic.newId(), 'Jug');
  await settled();
  expect(one.titles()).toEqual(['Gansey', 'Jug']);
  await one.attic.close();
  await other.attic.close();
  expect((await page(name, new Air())).titles().sort()).toEqual(['Gansey', 'Jug']);
});

it('its changes are dated by its own clock, and undo is offered by it', async () => {
  const name = fresh();
  const { attic, state, at } = await page(name, new Air());
  at.now = NOW + 5_000;
  const id = attic.newId();
  put(attic, id, 'Gansey');
  attic.change('removed', [{ collection: 'items', id, record: null }], { destructive: true });
  expect(state.getState().journal.map((c) => c.at)).toEqual([NOW + 5_000, NOW + 5_000]);
  await attic.close();
  const soon = await page(name, new Air(), { now: NOW + 16_000 });
  expect(soon.state.getState().offer?.label).toBe('removed');
  await soon.attic.close();
  const late = await page(name, new Air(), { now: NOW + 18_000 });
  expect(late.state.getState().offer).toBeNull();
});

it('closed, it has stored what waited, hears nobody, and leaves nothing that runs', async () => {
  const [name, air] = [fresh(), new Air()];
  const one = await page(name, air);
  const other = await page(name, air);
  put(one.attic, one.attic.newId(), 'Gansey');
  const write = jest.spyOn(Disk.prototype, 'write');
  await one.attic.close();
  expect(write).toHaveBeenCalledTimes(1);
  expect(air.closed).toBe(1);
  put(other.attic, other.attic.newId(), 'Jug');
  await other.attic.close();
  await settled();
  expect(one.titles()).toEqual(['Gansey']);
  write.mockClear();
  // Whoever still holds it may change what is on the screen, but nothing is written behind the next attic.
  put(one.attic, one.attic.newId(), 'Late');
  await new Promise((done) => setTimeout(done, 80));
  expect(write).not.toHaveBeenCalled();
  write.mockRestore();
});
