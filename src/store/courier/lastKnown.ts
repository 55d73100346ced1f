import { z } from 'zod';

import { CourierHealth, CourierItemView, MarketView } from '@/contract/courier';
import { RuleSheet } from '@/contract/ruleSheet';
import { pageOf } from '@/core/identity/recordId';
import { serialQueue } from '@/core/serialQueue';
import { keepHeard, readAllHeard, readHeard } from '@/store/attic/heard';
import { unlessExpected } from '@/store/base/faults';
import { repeating } from '@/store/base/repeating';
import { yieldToMain } from '@/store/base/yieldToMain';

import { useCourier, type CourierLink } from './courierLink';

/** What it told of items is kept in pages, as records are: one that can't be read costs no other. */
const ITEMS = 'items:';
const Page = z.array(z.unknown());
const SHEETS = 'sheets';
const REST = 'courier';
const Rest = z.object({
  /** When it was last heard. */
  at: z.number().int().nonnegative(),
  markets: z.array(z.unknown()),
  health: CourierHealth.nullable().catch(null),
});

/** How long what is told is gathered before it is kept, milliseconds. */
const GATHERED = 700;
/** While nothing happens it is kept this often that the courier is heard, milliseconds. */
const EVERY = 60_000;

/**
 * Shows what was last known, until the courier tells how it is: with no connection, an attic in which nothing
 * is listed would be a lie.
 */
export async function recallCourier(): Promise<void> {
  const rest = await readHeard(REST, Rest);
  if (!rest) return;
  const items: Record<string, CourierItemView> = {};
  for (const page of await readAllHeard(ITEMS, Page)) {
    for (const view of fitting(CourierItemView, page)) items[view.id] = view;
    await yieldToMain();
  }
  useCourier.setState({
    items,
    markets: fitting(MarketView, rest.markets),
    sheets: fitting(RuleSheet, (await readHeard(SHEETS, Page)) ?? []),
    health: rest.health,
    heardAt: rest.at,
  });
}

/** Those that the schema takes: what an earlier version kept may not fit any more, and is told anew. */
function fitting<S extends z.ZodType>(schema: S, told: readonly unknown[]): z.output<S>[] {
  return told.flatMap((one) => {
    const read = schema.safeParse(one);
    return read.success ? [read.data] : [];
  });
}

/** From now on what the courier tells is kept for a day without a connection. @returns stops */
export function keepWhatIsHeard(): () => void {
  let kept: Pick<CourierLink, 'items' | 'sheets'> = { items: {}, sheets: [] };
  let timer: ReturnType<typeof setTimeout> | undefined;
  const inTurn = serialQueue();
  const write = async () => {
    const now = useCourier.getState();
    // Half of it would look like all of it; another attic's does not belong here.
    if (!now.caughtUp || now.otherAttic) return;
    const before = kept;
    kept = now;
    await keepItems(before.items, now.items);
    if (now.sheets !== before.sheets) await keepHeard(SHEETS, now.sheets);
    // Last: whoever reads it finds all that it says was heard by then.
    const at = now.connected ? Date.now() : (now.heardAt ?? 0);
    await keepHeard(REST, { at, markets: now.markets, health: now.health });
  };
  const soon = () => {
    timer ??= setTimeout(() => {
      timer = undefined;
      void inTurn(write).catch(unlessExpected('keeping what was heard'));
    }, GATHERED);
  };
  const stopListening = useCourier.subscribe((now, before) => {
    const changed = ['items', 'markets', 'sheets', 'health', 'caughtUp', 'connected'] as const;
    if (changed.some((what) => now[what] !== before[what])) soon();
  });
  const stopRepeating = repeating('keeping what was heard', () => inTurn(write), {
    first: GATHERED,
    every: EVERY,
  });
  return () => {
    stopListening();
    stopRepeating();
    clearTimeout(timer);
  };
}

type Views = Readonly<Record<string, CourierItemView>>;

/** Pages on which anything is another than it was; one at a time, so that no finger waits for all. */
async function keepItems(before: Views, now: Views): Promise<void> {
  const touched = new Set<number>();
  for (const id in now) if (now[id] !== before[id]) touched.add(pageOf(id));
  for (const id in before) if (!(id in now)) touched.add(pageOf(id));
  if (touched.size === 0) return;
  const pages = new Map<number, CourierItemView[]>([...touched].map((page) => [page, []]));
  for (const view of Object.values(now)) pages.get(pageOf(view.id))?.push(view);
  for (const [page, views] of pages) {
    await keepHeard(
      `${ITEMS}${page}`,
      views.sort((a, b) => (a.id < b.id ? -1 : 1)),
    );
    await yieldToMain();
  }
}
