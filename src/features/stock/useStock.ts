import { useLocalSearchParams, useRouter } from 'expo-router';
import { useCallback, useDeferredValue, useEffect, useMemo, useState } from 'react';

import type { StockFilter } from '@/contract/groups';
import { EVERYTHING, filtered } from '@/core/stock/filter';
import { ordered, type SortOrder } from '@/core/stock/search';
import { toggled } from '@/parts/trade/toggled';
import { useAttic } from '@/store/attic/attic';
import { useAround } from '@/store/derived/useAround';
import { letGo, useHandedOver } from '@/store/items/choice';

/** What is found of everything owned, in order. */
function useFound(filter: StockFilter, order: SortOrder, also: ReadonlySet<string>) {
  // A change of very many is drawn when there is time.
  const items = useDeferredValue(useAttic((s) => s.items));
  const inOrder = useMemo(() => ordered(Object.values(items), order), [items, order]);
  const around = useAround(filter, { checks: true });
  const { search } = around;
  useEffect(() => {
    // So that the first key does not wait for all of it; in parts, so that no finger does.
    let at = 0;
    let timer: ReturnType<typeof setTimeout> | null = null;
    const go = () => {
      at = search.prepare(inOrder, at, 150);
      timer = at < inOrder.length ? setTimeout(go, 4) : null;
    };
    timer = setTimeout(go, 50);
    return () => {
      if (timer) clearTimeout(timer);
    };
  }, [search, inOrder]);
  const found = useMemo(() => {
    const fit = filtered(inOrder, filter, around);
    if (also.size === 0) return fit;
    const ids = new Set(fit.map((t) => t.id));
    return inOrder.filter((t) => ids.has(t.id) || also.has(t.id));
  }, [inOrder, filter, around, also]);
  return { found, around, total: inOrder.length };
}

/** What is found, of what was handed over from elsewhere where something was. */
function useShown(filter: StockFilter, order: SortOrder) {
  // What is written in stays where it is, also when it no longer fits, until something else is looked for.
  const [written, setWritten] = useState<{ of: StockFilter; ids: ReadonlySet<string> }>({
    of: filter,
    ids: NONE,
  });
  const also = written.of === filter ? written.ids : NONE;
  const { found, around, total } = useFound(filter, order, also);
  const onWrite = useCallback(
    (ids: readonly string[]) =>
      setWritten((before) => ({
        of: filter,
        ids: new Set([...(before.of === filter ? before.ids : NONE), ...ids]),
      })),
    [filter],
  );
  const handed = useHandedOver();
  const shown = useMemo(
    () => (handed.ids ? found.filter((t) => handed.ids?.has(t.id)) : found),
    [found, handed.ids],
  );
  return { shown, handed, around, total, onWrite };
}

const NONE: ReadonlySet<string> = new Set();

type Chosen = ReadonlySet<string> | null;

/** The items chosen: those handed over from elsewhere, until the person chooses otherwise. */
function useChosen(handed: Chosen) {
  const [own, setOwn] = useState<{ of: Chosen; chosen: Chosen }>({ of: null, chosen: null });
  const setChosen = useCallback(
    (next: (before: Chosen) => Chosen) =>
      setOwn((before) => ({ of: handed, chosen: next(before.of === handed ? before.chosen : handed) })),
    [handed],
  );
  const choose = (yes: boolean) => {
    letGo();
    setOwn({ of: null, chosen: yes ? new Set() : null });
  };
  return { chosen: own.of === handed ? own.chosen : handed, setChosen, choose };
}

export type StockState = ReturnType<typeof useStock>;

/** What is looked for in stock, what is found, and what of it is chosen. */
export function useStock() {
  const router = useRouter();
  const { group = '' } = useLocalSearchParams<{ group?: string }>();
  const [filter, setFilter] = useState<StockFilter>(EVERYTHING);
  const groups = useAttic((s) => s.groups);
  const [order, setOrder] = useState<SortOrder>('newest');
  // The list follows the typing when there is time; the field never waits for it.
  const inGroup = groups[group] ? group : null;
  const wanted = useMemo(() => ({ ...filter, groupId: inGroup }), [filter, inGroup]);
  const { shown, handed, around, total, onWrite } = useShown(useDeferredValue(wanted), order);
  const { chosen, setChosen, choose } = useChosen(handed.ids);
  const choosing = chosen !== null;
  const press = useCallback(
    (id: string) => {
      if (!choosing) return router.navigate(`/item/${id}`);
      setChosen((before) => toggled(before ?? new Set(), id));
    },
    [choosing, router, setChosen],
  );
  /** Choosing begins with one. */
  const hold = useCallback(
    (id: string) => {
      letGo();
      setChosen((before) => new Set([...(before ?? []), id]));
    },
    [setChosen],
  );
  const openGroup = useCallback((id: string | null) => router.setParams({ group: id ?? '' }), [router]);
  return {
    filter,
    setFilter,
    order,
    setOrder,
    inGroup,
    openGroup,
    shown,
    handed,
    around,
    total,
    onWrite,
    chosen,
    choose,
    press,
    hold,
    all: () => setChosen(() => new Set(shown.map((t) => t.id))),
    none: () => setChosen(() => new Set()),
  };
}
