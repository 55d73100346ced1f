import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

import type { ListingDraft } from '@/contract/courier';

import { freePort, until } from '../../../e2e/serverProcess';
import type { Depot } from '../../courier/adapter';
import { Refused } from '../../courier/adapter';
import { start, type Running } from '../../start';

/* The depot as the courier's adapter reaches it, over HTTP: in, counted, and out again. */
const BARCODE = '2000000002415';
let running: Running;
let depot: Depot;
let session: Record<string, string>;

const set = (switches: Record<string, unknown>) =>
  fetch(`${running.address}/outside/quirestack/switchboard`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(switches),
  });
/** Sends a parcel in and waits until it was counted. @returns the depot's numbers for what arrived */
const keep = async (codes: readonly string[]): Promise<(string | null)[]> => {
  const parcel = await depot.announce(codes.map((code) => ({ code, barcode: BARCODE })));
  let counted: (string | null)[] = [];
  await until(`${parcel} is counted`, async () => {
    const found = (await depot.parcels()).find((p) => p.parcel === parcel);
    counted = found?.contents.map((x) => x.depotNo) ?? [];
    return found?.countedAt != null;
  });
  return counted;
};
const stateOf = async (no: string) => (await depot.stock()).lines.find((l) => l.no === no)?.state;
const why = (act: Promise<unknown>) =>
  act.then(
    () => null,
    (error: unknown) => (error instanceof Refused ? error.reasons[0]?.message : error),
  );

beforeAll(async () => {
  running = await start({
    port: await freePort(),
    data: mkdtempSync(join(tmpdir(), 'attic-depot-')),
    dist: 'dist',
    demo: null,
  });
  const { token } = (await (await fetch(`${running.address}/api/session`)).json()) as { token: string };
  session = { 'x-attic-session': token, 'content-type': 'application/json' };
  depot = running.courier.adapter('quirestack')!.depot!;
  await set({ reviewTime: 50 });
}, 60_000);
afterAll(() => running.stop());
beforeEach(() => set({ parcelShort: false }));

it('counts what comes in, and says what was missing', async () => {
  const [no] = await keep(['YA-1']);
  expect(no).toMatch(/^D\d+$/u);
  expect(await stateOf(no!)).toBe('kept');
  await set({ parcelShort: true });
  const [first, second] = await keep(['YA-2', 'YA-3']);
  expect(first).not.toBeNull();
  expect(second).toBeNull();
});

it('sends back what is asked for, once, and only what is there', async () => {
  const [no, other] = await keep(['YA-4', 'YA-5']);
  await depot.sendBack([no!]);
  await depot.sendBack([no!]);
  expect(await stateOf(no!)).toBe('back');
  expect(await stateOf(other!)).toBe('kept');
  // All of it or nothing.
  expect(await why(depot.sendBack([other!, 'D0']))).toContain('not at our depot');
  expect(await stateOf(other!)).toBe('kept');
});

it('offers nothing that has left, and sends nothing back that is offered', async () => {
  const [no] = await keep(['YA-6']);
  const adapter = running.courier.adapter('quirestack')!;
  const draft = {
    market: 'quirestack',
    title: '',
    description: '',
    price: 900,
    postage: 0,
    condition: 'B',
    category: 'pages',
    specifics: { barcode: BARCODE },
    pictures: [],
    depotNo: no!,
  } as unknown as ListingDraft;
  const put = (ref: string) => adapter.publish({ ref, draft, unclear: false }, async () => new Uint8Array());
  const isUp = async (ref: string) => {
    const found = await adapter.lookUp(ref);
    return found !== null && !found.over;
  };
  await put('depot.1');
  await until('it is offered', () => isUp('depot.1'));
  expect(await why(depot.sendBack([no!]))).toContain('take it down first');
  await adapter.withdraw('depot.1', 'depot.1', 'withdrawn');
  await until('it is down', async () => !(await isUp('depot.1')));
  await depot.sendBack([no!]);
  await put('depot.2');
  await until('its line was read', async () =>
    (await adapter.eventsSince(null)).news.some((n) => n.ref === 'depot.2'),
  );
  expect(await isUp('depot.2')).toBe(false);
});

it('lets the app ask, and nobody without a session', async () => {
  const [no] = await keep(['YA-7']);
  const ask = (body: unknown, headers = session, market = 'quirestack') =>
    fetch(`${running.address}/api/depot/${market}/back`, {
      method: 'POST',
      headers,
      body: JSON.stringify(body),
    });
  expect((await ask({ nos: [no] }, { 'content-type': 'application/json' })).status).toBe(401);
  expect((await ask({ nos: [] })).status).toBe(400);
  expect((await ask({ nos: 'all' })).status).toBe(400);
  expect((await ask({ nos: [no] }, session, 'brackenmoor')).status).toBe(400);
  const refused = await ask({ nos: ['D0'] });
  expect(refused.status).toBe(422);
  expect(((await refused.json()) as { error: string }).error).toBe(
    'Quirestack: Something of that is not at our depot.',
  );
  expect((await ask({ nos: [no] })).status).toBe(200);
  expect(await stateOf(no!)).toBe('back');
});
