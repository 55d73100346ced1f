import { html } from 'hono/html';
import { mkdir } from 'node:fs/promises';
import { join } from 'node:path';

import { databaseCode, StartTrouble } from './faults/startTrouble';
import { brackenmoor } from './standins/brackenmoor/service';
import { handbill } from './standins/handbill/service';
import { indexhall } from './standins/indexhall/service';
import { page } from './standins/kit/page';
import type { Opening, Service } from './standins/kit/service';
import { Store } from './standins/kit/store';
import { lanternyard } from './standins/lanternyard/service';
import { nearstile } from './standins/nearstile/service';
import { oldhollow } from './standins/oldhollow/service';
import { pennant } from './standins/pennant/service';
import { quirestack } from './standins/quirestack/service';
import { threadwick } from './standins/threadwick/service';
import { twinpane } from './standins/twinpane/service';

export interface Outside {
  services: Service[];
  stop(): void;
}

/** Where the simulated outside is mounted. */
export const OUTSIDE = '/outside';

/** Where a service tells the seller by itself what happens there, and what it signs with. */
export interface Hook {
  url: string;
  secret: string;
}

/** All that there is outside, in the order people see it. */
const STANDINS: Readonly<Record<string, (opening: Opening) => Service>> = {
  brackenmoor,
  threadwick,
  nearstile,
  oldhollow,
  quirestack,
  lanternyard,
  handbill,
  indexhall,
  twinpane,
  pennant,
};
export const SERVICES = Object.keys(STANDINS);

interface OutsideOptions {
  folder: string;
  /** By which a service lets the seller in at first. */
  token: (id: string) => string;
  hook: (id: string) => Hook;
}

/** Starts the simulated outside, each service with a database of its own. */
export async function openOutside({ folder, token, hook }: OutsideOptions): Promise<Outside> {
  await mkdir(folder, { recursive: true });
  const stores: Store[] = [];
  const services: Service[] = [];
  for (const [id, open] of Object.entries(STANDINS)) {
    const file = join(folder, `${id}.db`);
    const store = await Store.open(file).catch((error: unknown): never => {
      throw databaseCode(error) === null ? error : storeTrouble(id, file);
    });
    stores.push(store);
    services.push(open({ store, token: token(id), base: `${OUTSIDE}/${id}`, hook: hook(id) }));
  }
  for (const service of services) service.start();
  return {
    services,
    stop: () => {
      for (const service of services) service.stop();
      for (const store of stores) store.close();
    },
  };
}

function storeTrouble(id: string, file: string): StartTrouble {
  return new StartTrouble(
    'damaged',
    `The simulated service “${id}” can’t use its data, “${file}”: it is damaged, locked or can’t ` +
      'be written. Your attic and the ledger are whole. Move that file away to begin that service ' +
      'anew, then start again.',
  );
}

/** A page with the ways out: each marketplace's public side and its switchboard. */
export function outsidePage(services: readonly Service[]) {
  return page(
    'Outside',
    { ground: '#f4f1ea', ink: '#2b2b2b', accent: '#5a5a5a', face: 'sans-serif' },
    html`<header>Outside the attic: simulated marketplaces and services</header>
      <main>
        <p><a href="${OUTSIDE}/bustle">Bustle: simulated buyers</a></p>
        ${services.map(
          (s) =>
            html`<h1>${s.name}</h1>
              <p>
                <a href="${OUTSIDE}/${s.id}/">what visitors see</a> ·
                <a href="${OUTSIDE}/${s.id}/switchboard">bad days</a>
              </p>`,
        )}
      </main>`,
  );
}
