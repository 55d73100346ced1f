import { unzipSync } from 'fflate';

import { Expected, useFaults, wordsFor, wordsOf } from './faults';
import { listeners } from './listeners';
import { once } from './once';
import { queries } from './queries';
import { zipped } from './zip';

it('tells all who listen, until they no longer do', () => {
  const heard: string[] = [];
  const sales = listeners<[item: string, at: number]>();
  sales.tell('early', 0);
  const stop = sales.listen((item, at) => heard.push(`one ${item} ${at}`));
  sales.listen((item) => heard.push(`two ${item}`));
  sales.tell('t1', 5);
  stop();
  sales.tell('t2', 6);
  expect(heard).toEqual(['one t1 5', 'two t1', 'two t2']);
});

it('is worked out once, also where that is nothing, and anew when it was forgotten', () => {
  let times = 0;
  const work = once(() => {
    times += 1;
    return times === 1 ? undefined : times;
  });
  expect([work(), work(), times]).toEqual([undefined, undefined, 1]);
  work.forget();
  expect([work(), work(), times]).toEqual([2, 2, 2]);
});

it('files put together are read by another library, byte for byte', async () => {
  const bytes = new Uint8Array(10_000).map((_, i) => (i * 31) % 251);
  const zip = await zipped({ 'pictures/01.jpg': new Blob([bytes]), 'index.html': '<p>Größe 🧶</p>' });
  expect(zip.type).toBe('application/zip');
  const inside = unzipSync(new Uint8Array(await zip.arrayBuffer()));
  expect(Object.keys(inside)).toEqual(['pictures/01.jpg', 'index.html']);
  expect(inside['pictures/01.jpg']).toEqual(bytes);
  expect(new TextDecoder().decode(inside['index.html'])).toBe('<p>Größe 🧶</p>');
});

describe('an error, to a person', () => {
  const complained = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  beforeEach(() => useFaults.setState({ last: null, count: 0 }));
  afterAll(() => complained.mockRestore());

  it('in its own words where it is meant for people, in general ones and written down where not', () => {
    expect(wordsFor(new Expected('It is sold.'), 'sending')).toBe('It is sold.');
    expect(useFaults.getState().count).toBe(0);
    expect(wordsFor(new TypeError('x is undefined'), 'sending')).toMatch(/^Something went wrong\./u);
    expect(useFaults.getState()).toMatchObject({ count: 1, last: { doing: 'sending' } });
    expect(wordsOf(new TypeError('x is undefined'))).toMatch(/^Something went wrong\./u);
    expect(useFaults.getState().count).toBe(1);
  });

  it('of an answer that nobody expected to fail is written down once, however many show it', async () => {
    const ask = (error: Error) =>
      queries.fetchQuery({ queryKey: [error.message], queryFn: () => Promise.reject(error) });
    await expect(ask(new Expected('The courier can’t be reached.'))).rejects.toThrow('reached');
    expect(useFaults.getState().count).toBe(0);
    await expect(ask(new TypeError('broken'))).rejects.toThrow('broken');
    expect(useFaults.getState()).toMatchObject({ count: 1, last: { doing: 'asking the server' } });
  });
});
