import { create } from 'zustand';

import { planId, type Item } from '@/contract/records';
import type { CellCheck } from '@/core/listing/examine';
import { useAttic, type AtticState } from '@/store/attic/attic';
import { unlessExpected } from '@/store/base/faults';
import { keptWorker, type KeptWorker } from '@/store/base/workers';
import type { CheckNews, CheckWorker, ExaminedThere } from '@/workers/check.worker';

import { useCourier } from './courierLink';
import { otherListingsNow } from './otherListings';

/** What the check says of items on all marketplaces, as far as it was asked; by the item's id. */
export const useChecks = create<Record<string, CellCheck[]>>(() => ({}));

/** Items given to the worker at a time: so that a change while it works is not long in coming. */
const PORTION = 60;

/** What holds for all items, and the items themselves: a sheet in sight needs only the first. */
const COMMON = ['settings', 'kinds', 'specifics', 'mappings', 'terms', 'stencils', 'patterns'] as const;
const RECORDS = ['items', 'plans', 'pictures'] as const;
const PARTS = [...COMMON, ...RECORDS] as const;

/** How long changes are gathered before they are checked, milliseconds. */
const PAUSE = 60;

/** Has items checked in a worker, which is told what changed and no more. */
class Checking {
  /** What the worker was told last: the very objects, so that what changed is found by comparing them. */
  private told: Partial<Pick<AtticState, (typeof PARTS)[number]>> & { sheets?: unknown; beside?: unknown } =
    {};
  private readonly worker: KeptWorker<CheckWorker>;
  /** Counts the worker's starts: what was told to an earlier one has to be told again. */
  private lives = 0;
  /** What each of those who look wants checked. */
  private readonly wishes = new Set<readonly string[]>();
  private round = 0;
  private working = false;
  private timer: ReturnType<typeof setTimeout> | null = null;
  private stopWatching: (() => void) | null = null;

  constructor(start: () => Worker) {
    this.worker = keptWorker<CheckWorker>('checking listings', start, () => {
      // A new worker knows nothing of what the last one was told.
      this.told = {};
      this.lives += 1;
    });
  }

  /**
   * Items that are checked from now on, again after every change; the first ones first.
   *
   * @returns no longer
   */
  watch(ids: readonly string[]): () => void {
    const wish = [...ids];
    this.wishes.add(wish);
    this.stopWatching ??= this.watchChanges();
    this.lookNow();
    return () => {
      this.wishes.delete(wish);
      // What is being worked on may be wanted no longer.
      this.round += 1;
      if (this.wishes.size > 0) return;
      this.stopWatching?.();
      this.stopWatching = null;
    };
  }

  /** One item as it is being worked on, examined on every sheet beside the page. */
  async examine(item: Item): Promise<ExaminedThere[]> {
    const { plans, pictures } = useAttic.getState();
    const { sheets } = useCourier.getState();
    const own = sheets.flatMap((s) => plans[planId(item.id, s.marketplace)] ?? []);
    const ids = new Set([...item.pictureIds, ...own.flatMap((p) => p.pictureIds ?? [])]);
    const about = { item, plans: own, pictures: [...ids].flatMap((id) => pictures[id] ?? []) };
    for (;;) {
      this.worker.begin();
      const life = this.lives;
      const news = this.commonNews();
      if (Object.keys(news).length > 0) await this.worker.ask.take(news);
      const examined = await this.worker.ask.examine(about, Date.now());
      // Started anew meanwhile, it had nothing to examine by.
      if (life === this.lives) return examined;
    }
  }

  private watchChanges(): () => void {
    const soon = () => {
      this.timer ??= setTimeout(() => {
        this.timer = null;
        this.lookNow();
      }, PAUSE);
    };
    const stops = [
      useAttic.subscribe((now, before) => {
        if (PARTS.some((part) => now[part] !== before[part])) soon();
      }),
      useCourier.subscribe((now, before) => {
        if (now.sheets !== before.sheets || now.items !== before.items) soon();
      }),
    ];
    return () => {
      stops.forEach((stop) => stop());
      if (this.timer) clearTimeout(this.timer);
      this.timer = null;
    };
  }

  private lookNow(): void {
    void this.look().catch(unlessExpected('checking listings'));
  }

  /**
   * Tells the worker what changed, then has everything wanted checked, portion by portion; a newer round ends
   * an older one.
   */
  private async look(): Promise<void> {
    const mine = ++this.round;
    // Who came last stands before the person.
    const wanted = [...new Set([...this.wishes].reverse().flat())];
    if (this.working || wanted.length === 0) return;
    this.working = true;
    try {
      for (let life = -1; life !== this.lives;) {
        this.worker.begin();
        life = this.lives;
        for (const part of inSlices(this.newsNow())) await this.worker.ask.take(part);
      }
      for (let at = 0; at < wanted.length && mine === this.round; at += PORTION) {
        const life = this.lives;
        const found = await this.worker.ask.check(wishesOf(wanted.slice(at, at + PORTION)), Date.now());
        if (life !== this.lives) {
          // It was started anew meanwhile, with nothing to check by.
          this.round += 1;
          break;
        }
        useChecks.setState(Object.fromEntries(found));
      }
    } finally {
      this.working = false;
      // Something changed meanwhile.
      if (mine !== this.round) this.lookNow();
    }
  }

  /** What is new of all that holds for every item. */
  private commonNews(): CheckNews {
    const state = useAttic.getState();
    const { sheets } = useCourier.getState();
    const beside = otherListingsNow();
    const { told } = this;
    const news: CheckNews = {};
    if (told.sheets !== sheets) news.sheets = sheets;
    if (told.beside !== beside) news.beside = beside;
    if (told.settings !== state.settings) news.settings = state.settings;
    for (const part of COMMON)
      if (part !== 'settings' && told[part] !== state[part])
        Object.assign(news, { [part]: Object.values(state[part]) });
    this.told = { ...told, sheets, beside, ...Object.fromEntries(COMMON.map((part) => [part, state[part]])) };
    return news;
  }

  private newsNow(): CheckNews {
    const state = useAttic.getState();
    const news = this.commonNews();
    for (const part of RECORDS)
      if (this.told[part] !== state[part])
        Object.assign(news, { [part]: changes<unknown>(this.told[part] ?? {}, state[part]) });
    this.told = { ...this.told, ...Object.fromEntries(RECORDS.map((part) => [part, state[part]])) };
    return news;
  }
}

/** Each item with what is shown of it, so that it can be told what differs. */
function wishesOf(ids: readonly string[]) {
  const views = useCourier.getState().items;
  return ids.map((id) => {
    const live = (views[id]?.listings ?? []).filter((l) => l.state === 'live' && l.want === 'live');
    return { id, prints: Object.fromEntries(live.map((l) => [l.market, l.draftHash])) };
  });
}

/** This page's. Its worker is started when something is first checked. */
export const checking = new Checking(
  () => new Worker(new URL('../../workers/check.worker.ts', window.location.href)),
);

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

function changes<T>(
  before: Readonly<Record<string, T>>,
  now: Readonly<Record<string, T>>,
): [string, T | null][] {
  const list: [string, T | null][] = [];
  for (const [id, record] of Object.entries(now)) if (before[id] !== record) list.push([id, record]);
  for (const id of Object.keys(before)) if (!(id in now)) list.push([id, null]);
  return list;
}
