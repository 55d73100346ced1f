import { mkdir } from 'node:fs/promises';
import { join } from 'node:path';

import { html } from 'hono/html';

import { brackenmoor } from './standins/brackenmoor/service';
import { indexhall } from './standins/indexhall/service';
import { page, type Service } from './standins/kit/service';
import { Store } from './standins/kit/store';
import { nearstile } from './standins/nearstile/service';
import { threadwick } from './standins/threadwick/service';

export interface Outside {
  services: Service[];
  stop(): void;
}

/** Where the simulated outside is mounted. */
export const OUTSIDE = '/outside';

/** Starts the simulated outside, each service with a database of its own. */
export async function openOutside(
  folder: string,
  tokens: Readonly<Record<'brackenmoor' | 'threadwick' | 'nearstile' | 'indexhall', string>>,
  hook: { url: string; secret: string },
): Promise<Outside> {
  await mkdir(folder, { recursive: true });
  const stores: Store[] = [];
  const open = async (id: string) => {
    const store = await Store.open(join(folder, `${id}.db`));
    stores.push(store);
    return store;
  };
  const base = (id: string) => `${OUTSIDE}/${id}`;
  const services = [
    brackenmoor({
      store: await open('brackenmoor'),
      token: tokens.brackenmoor,
      hook,
      base: base('brackenmoor'),
    }),
    threadwick({ store: await open('threadwick'), token: tokens.threadwick, base: base('threadwick') }),
    nearstile({ store: await open('nearstile'), token: tokens.nearstile, base: base('nearstile') }),
    indexhall({ store: await open('indexhall'), token: tokens.indexhall, base: base('indexhall') }),
  ];
  for (const service of services) service.start();
  return {
    services,
    stop: () => {
      for (const service of services) service.stop();
      for (const store of stores) store.close();
    },
  };
}

/** A page with the ways out: each marketplace's public side and its switchboard. */
export function outsidePage(services: readonly Service[]) {
  return page(
    'Outside',
    { ground: '#f4f1ea', ink: '#2b2b2b', accent: '#5a5a5a', face: 'sans-serif' },
    html`<header>Outside the attic: simulated marketplaces and services</header>
      <main>
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
