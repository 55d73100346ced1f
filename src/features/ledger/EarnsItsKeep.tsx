import { useMemo, useState } from 'react';

import { counted } from '@/core/language/plural';
import { FEW_SALES, isSurelyMore, TIME_GIVEN, type Keep } from '@/core/ledger/keep';
import { formatMoney } from '@/core/money/money';
import { columnsIn, percent, scaleMoney } from '@/parts/figures/columns';
import { Drawn } from '@/parts/figures/Drawn';
import { Ranges } from '@/parts/figures/Ranges';
import { Button } from '@/parts/ui/Button';
import { OneOf } from '@/parts/ui/Choices';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useMarketName } from '@/store/courier/useMarketName';
import { useKinds } from '@/store/items/kinds';
import type { Books } from '@/store/ledger/books';
import { useKeeps } from '@/store/ledger/keeps';

/** Shown at first: those that most was tried of. */
const FEW_KINDS = 4;

/** Which marketplace earns its keep with one group of kinds, and how sure that is. */
export function EarnsItsKeep({ books, day }: { books: Books; day: number }) {
  const kinds = useKinds();
  const groups = useMemo(() => groupsOf(books, kinds), [books, kinds]);
  const [chosen, setChosen] = useState<string | null>(null);
  const [all, setAll] = useState(false);
  const group = chosen ?? groups[0]?.[0] ?? '';
  const tried = useMemo(
    () => books.tried.filter((t) => kinds.get(t.kind)?.path.includes(group) ?? false),
    [books, kinds, group],
  );
  const keeps = useKeeps(tried, day);
  if (groups.length === 0)
    return (
      <Card label="What earns its keep">
        <Text tone="soft">Nothing has been up anywhere yet.</Text>
      </Card>
    );
  return (
    <Card label="What earns its keep">
      <OneOf
        label="With these kinds"
        options={all ? groups : groups.filter(([id], i) => i < FEW_KINDS || id === group)}
        value={group}
        onChoose={setChosen}
      />
      {groups.length > FEW_KINDS && !all ? (
        <Button variant="quiet" onPress={() => setAll(true)}>
          Other kinds
        </Button>
      ) : null}
      <Held keeps={keeps ?? NOT_YET} />
    </Card>
  );
}

const NOT_YET: readonly Keep[] = [];

/** The marketplaces held against each other, drawn and as a table. */
function Held({ keeps: rows }: { keeps: readonly Keep[] }) {
  const market = useMarketName();
  const currency = useAttic((s) => s.settings.currency);
  const money = (amount: number) => formatMoney(Math.round(amount), currency);
  const column = columnsIn<Keep>(currency);
  const columns = [
    column.words('market', 'Marketplace', (k) => market(k.market)),
    column.count('listings', 'Listings', (k) => k.listings),
    column.count('sales', 'Sold there', (k) => k.sales),
    column.share('sold', 'Share sold', (k) => k.sold?.value ?? null),
    column.share('soldLow', 'at least', (k) => k.sold?.low ?? null),
    column.share('soldHigh', 'at most', (k) => k.sold?.high ?? null),
    column.money('left', 'Left a listing', (k) => rounded(k.left?.value)),
    column.money('leftLow', 'at least', (k) => rounded(k.left?.low)),
    column.money('leftHigh', 'at most', (k) => rounded(k.left?.high)),
  ];
  return (
    <Drawn
      title="What a listing left"
      words={
        `On average, of all put up ${TIME_GIVEN} days ago or earlier; what did not sell there in that ` +
        'time left nothing. The bar is where the average may lie (bootstrap, 95 %); under ' +
        `${FEW_SALES} sales there is none.`
      }
      file="what-earns-its-keep"
      columns={columns}
      rows={rows}
      keyOf={(k) => k.market}
    >
      <Ranges
        label="What a listing left"
        say={scaleMoney(currency)}
        ranges={rows.map((k) => ({
          key: k.market,
          name: market(k.market),
          interval: k.few ? null : k.left,
          words: k.few ? fewWords(k) : `${money(k.left?.value ?? 0)} of ${counted(k.listings, 'listing')}`,
        }))}
      />
      <Text tone="soft">{verdict(rows, market)}</Text>
      <Text variant="heading">Share sold</Text>
      <Text tone="soft">{`There, within ${TIME_GIVEN} days (Wilson score interval, 95 %).`}</Text>
      <Ranges
        label="Share sold"
        say={percent}
        ranges={rows.map((k) => ({
          key: k.market,
          name: market(k.market),
          interval: k.few ? null : k.sold,
          words: k.few ? fewWords(k) : `${k.sales} of ${k.listings}: ${percent(k.sold?.value ?? 0)}`,
        }))}
      />
    </Drawn>
  );
}

const rounded = (amount: number | undefined) => (amount === undefined ? null : Math.round(amount));

function fewWords({ sales, listings }: Keep): string {
  return `${sales} of ${listings} sold: too few to tell`;
}

/** What can be said for sure, in one sentence. */
function verdict(keeps: readonly Keep[], market: (id: string) => string): string {
  const sure = keeps.filter((k) => !k.few);
  const [best, ...others] = sure;
  if (!best?.left || others.length === 0)
    return `Nothing can be held against each other yet: that takes ${FEW_SALES} sales at two marketplaces.`;
  const beaten = others.filter((k) => best.left && k.left && isSurelyMore(best.left, k.left));
  if (beaten.length === 0) return 'The bars overlap: which of them earns the most can’t be told yet.';
  const names = beaten.map((k) => market(k.market)).join(', ');
  const rest = beaten.length < others.length ? '; the others may be as good' : '';
  return `${market(best.market)} surely left more than ${names}${rest}.`;
}

/** Top groups of kinds that something was put up of, those tried most first. */
function groupsOf(books: Books, kinds: ReturnType<typeof useKinds>): [string, string][] {
  const count = new Map<string, number>();
  for (const { kind } of books.tried) {
    const top = kinds.get(kind)?.path[0];
    if (top) count.set(top, (count.get(top) ?? 0) + 1);
  }
  return [...count].sort((a, b) => b[1] - a[1]).map(([id]) => [id, kinds.get(id)?.name ?? id]);
}
