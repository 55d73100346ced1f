import { create } from 'zustand';

import { planId, type Item } from '@/contract/records';
import type { CellCheck } from '@/core/listing/examine';
import { useAttic, type AtticState } from '@/store/attic/attic';
import { unlessExpected } from '@/store/base/faults';
import { keptWorker } from '@/store/base/workers';
import type { CheckNews, CheckWorker, ExaminedThere } from '@/workers/check.worker';

import { useCourier } from './courierLink';
import { otherListingsNow } from './otherListings';

/** What the check says of items on all marketplaces, as far as it was asked; by the item's id. */
export const useChecks = create<Record<string, CellCheck[]>>(() => ({}));

/** Items given to the worker at a time: so that a change while it works is not long in coming. */
const PORTION = 60;

/** What the worker was told last: the very objects, so that what changed is found by comparing them. */
let told: Partial<Pick<AtticState, (typeof PARTS)[number]>> & { sheets?: unknown; beside?: unknown } = {};
/** What holds for all items, and the items themselves: a sheet in sight needs only the first. */
const COMMON = ['settings', 'kinds', 'specifics', 'mappings', 'terms'] as const;
const RECORDS = ['items', 'plans', 'pictures'] as const;
const PARTS = [...COMMON, ...RECORDS] as const;

let wanted: readonly string[] = [];
let round = 0;
let working = false;
let watching = false;

const worker = keptWorker<CheckWorker>(
  'checking listings',
  () => new Worker(new URL('../../workers/check.worker.ts', window.location.href)),
  // A new worker knows nothing of what the last one was told.
  () => {
    told = {};
    lives += 1;
  },
);
/** Counts the worker's starts: what was told to an earlier one has to be told again. */
let lives = 0;

/** Which items are to be checked from now on, again after every change; the first ones first. */
export function watchChecks(ids: readonly string[]): void {
  wanted = ids;
  if (!watching) {
    watching = true;
    let timer: ReturnType<typeof setTimeout> | null = null;
    const soon = () => {
      timer ??= setTimeout(() => {
        timer = null;
        void look().catch(unlessExpected('checking listings'));
      }, 60);
    };
    useAttic.subscribe((now, before) => {
      if (PARTS.some((part) => now[part] !== before[part])) soon();
    });
    useCourier.subscribe((now, before) => {
      if (now.sheets !== before.sheets || now.items !== before.items) soon();
    });
  }
  void look().catch(unlessExpected('checking listings'));
}

/**
 * Tells the worker what changed, then has everything wanted checked, portion by portion; a newer round ends
 * an older one.
 */
async function look(): Promise<void> {
  const mine = ++round;
  if (working || wanted.length === 0) return;
  working = true;
  try {
    for (let life = -1; life !== lives;) {
      worker.begin();
      life = lives;
      for (const part of inSlices(newsNow())) await worker.ask.take(part);
    }
    for (let at = 0; at < wanted.length && mine === round; at += PORTION) {
      const views = useCourier.getState().items;
      const wishes = wanted.slice(at, at + PORTION).map((id) => ({
        id,
        prints: Object.fromEntries(
          (views[id]?.listings ?? [])
            .filter((l) => l.state === 'live' && l.want === 'live')
            .map((l) => [l.market, l.draftHash]),
        ),
      }));
      const life = lives;
      const found = await worker.ask.check(wishes, Date.now());
      if (life !== lives) {
        // It was started anew meanwhile, with nothing to check by.
        round += 1;
        break;
      }
      useChecks.setState(Object.fromEntries(found));
    }
  } finally {
    working = false;
    // Something changed meanwhile.
    if (mine !== round) void look().catch(unlessExpected('checking listings'));
  }
}

/** Records handed over at a time: copying very many at once would stop the page. */
const SLICE = 400;

/** News in parts, none of them large. */
function inSlices(news: CheckNews): CheckNews[] {
  const { items = [], plans = [], pictures = [], ...rest } = news;
  const parts: CheckNews[] = [rest];
  for (let at = 0; at < items.length; at += SLICE) parts.push({ items: items.slice(at, at + SLICE) });
  for (let at = 0; at < plans.length; at += SLICE) parts.push({ plans: plans.slice(at, at + SLICE) });
  for (let at = 0; at < pictures.length; at += SLICE)
    parts.push({ pictures: pictures.slice(at, at + SLICE) });
  return parts;
}

/** What is new of all that holds for every item. */
function commonNews(): CheckNews {
  const state = useAttic.getState();
  const { sheets } = useCourier.getState();
  const news: CheckNews = {};
  if (told.sheets !== sheets) news.sheets = sheets;
  const beside = otherListingsNow();
  if (told.beside !== beside) news.beside = beside;
  if (told.settings !== state.settings) news.settings = state.settings;
  for (const part of COMMON)
    if (part !== 'settings' && told[part] !== state[part])
      Object.assign(news, { [part]: Object.values(state[part]) });
  told = { ...told, sheets, beside, ...Object.fromEntries(COMMON.map((part) => [part, state[part]])) };
  return news;
}

function newsNow(): CheckNews {
  const state = useAttic.getState();
  const news = commonNews();
  for (const part of RECORDS)
    if (told[part] !== state[part])
      Object.assign(news, { [part]: changes<unknown>(told[part] ?? {}, state[part]) });
  told = { ...told, ...Object.fromEntries(RECORDS.map((part) => [part, state[part]])) };
  return news;
}

/** One item as it is being worked on, examined on every sheet beside the page. */
export async function examineBeside(item: Item): Promise<ExaminedThere[]> {
  const { plans, pictures } = useAttic.getState();
  const { sheets } = useCourier.getState();
  const own = sheets.flatMap((s) => plans[planId(item.id, s.marketplace)] ?? []);
  const ids = new Set([...item.pictureIds, ...own.flatMap((p) => p.pictureIds ?? [])]);
  const about = { item, plans: own, pictures: [...ids].flatMap((id) => pictures[id] ?? []) };
  for (;;) {
    worker.begin();
    const life = lives;
    const news = commonNews();
    if (Object.keys(news).length > 0) await worker.ask.take(news);
    const examined = await worker.ask.examine(about, Date.now());
    // Started anew meanwhile, it had nothing to examine by.
    if (life === lives) return examined;
  }
}

function changes<T>(
  before: Readonly<Record<string, T>>,
  now: Readonly<Record<string, T>>,
): [string, T | null][] {
  const list: [string, T | null][] = [];
  for (const [id, record] of Object.entries(now)) if (before[id] !== record) list.push([id, record]);
  for (const id of Object.keys(before)) if (!(id in now)) list.push([id, null]);
  return list;
}
