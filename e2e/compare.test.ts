import { createClient } from '@libsql/client';
import { join } from 'node:path';

import { Attic } from './attic';
import { PHONE } from './browser';
import { until } from './serverProcess';
import { startTestServer, type TestServer } from './testServer';
import { jumper, itemsReady } from './world';

const LONG = 'Tightly spun navy wool, knitted in the round, with a darn at the elbow.';
const ENDED = 'Gansey jumper that fell off the shelf';
const CHANGED = 'Gansey jumper with a hand on its price';
const SOLD = 'Gansey jumper that came back after its sale';
const at: TestServer = startTestServer({
  world: () =>
    itemsReady([
      jumper(ENDED, ['lanternyard'], { price: 4_100, description: LONG }),
      jumper(CHANGED, ['lanternyard'], { price: 4_200, description: LONG }),
      jumper(SOLD, ['brackenmoor', 'lanternyard'], { price: 4_300, description: LONG }),
    ]),
});

/** What a seller does by hand in the shop's back room, past the courier. */
const byHand = async (path: string, init: RequestInit = {}) => {
  const token = await at.server.token('lanternyard');
  const headers = { 'content-type': 'application/json', authorization: `Bearer ${token}` };
  return fetch(`${at.server.address}/outside/lanternyard/admin/goods${path}`, { ...init, headers });
};
const goods = async () =>
  ((await (await byHand('')).json()) as { goods: { ref: string; good: { title: string; cents: number } }[] })
    .goods;
const named = async (title: string) => (await goods()).find((g) => g.good.title === title);

/** What has only just changed is left to the next look; milliseconds. */
const SETTLED = 6_000;

/** The courier compares by itself, too, and may have found it first: what it found is on Today. */
const COMPARED = /as (?:it|they) should be|just what it should/u;

const compare = async (attic: Attic, said: string | RegExp) => {
  await attic.visit('/connections');
  await attic.press('Compare what Lanternyard shows');
  await attic.sees(said);
};

it('finds what ended or was changed there without a word, and puts it right with a tap', async () => {
  const attic = await Attic.open(at, PHONE);
  for (const title of [ENDED, CHANGED]) {
    await attic.openItem(title);
    await attic.press('Send to Lanternyard');
    await attic.waitForSign('Lanternyard: live');
  }
  const ended = await named(ENDED);
  const changed = await named(CHANGED);
  await byHand(`/${encodeURIComponent(ended!.ref)}`, { method: 'DELETE' });
  await byHand(`/${encodeURIComponent(changed!.ref)}`, {
    method: 'PUT',
    body: JSON.stringify({ ...changed!.good, cents: 2_500 }),
  });
  // What has only just gone up is left to the next look.
  await new Promise((done) => setTimeout(done, SETTLED));
  await compare(attic, COMPARED);
  await attic.go('Today');
  await attic.sees('It was found to be no longer shown there.');
  await attic.sees('It asks €25.00 there; you sent €42.00.');
  await attic.press(`Put ${ENDED} up again on Lanternyard`);
  await attic.press(`Send mine again to Lanternyard: ${CHANGED}`);
  await attic.seesNot('It asks €25.00');
  await attic.seesNot('no longer shown');
  // Both are on their way then: the shop and the courier know of it a little later.
  await until('the shop asks what was sent', async () => (await named(CHANGED))?.good.cents === 4_200);
  await until('it is in the shop again', async () => (await named(ENDED)) !== undefined);
  for (const title of [ENDED, CHANGED]) {
    await attic.openItem(title);
    await attic.waitForSign('Lanternyard: live');
  }
  await new Promise((done) => setTimeout(done, SETTLED));
  await compare(attic, 'It shows just what it should.');
  expect(attic.complaints).toEqual([]);
});

it('takes down what is still shown though it is sold', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.openItem(SOLD);
  await attic.press('Send to Brackenmoor and Lanternyard');
  await attic.waitForSign('Lanternyard: live');
  await attic.waitForSign('Brackenmoor: live');
  const there = await named(SOLD);
  const page = await attic.publicPage('Brackenmoor');
  await fetch(`${page}/buy`, { method: 'POST', redirect: 'manual' });
  await attic.go('Today');
  await attic.sees('Gone everywhere in');
  // Somebody puts the same one back by hand, in the shop, under the same reference.
  const shop = createClient({ url: `file:${join(at.server.data, 'outside', 'lanternyard.db')}` });
  await shop.execute({
    sql: "UPDATE doc SET body=json_set(body, '$.removed', json('false')) WHERE sort='good' AND id=?",
    args: [there!.ref],
  });
  shop.close();
  await new Promise((done) => setTimeout(done, SETTLED));
  await compare(attic, COMPARED);
  await attic.go('Today');
  await attic.sees('Gone everywhere in');
  await until('it is gone from the shop', async () => (await named(SOLD)) === undefined);
});
