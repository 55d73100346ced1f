import { useRouter } from 'expo-router';
import { useMemo } from 'react';

import { counted } from '@/core/language/plural';
import { OLD, remedies, REMEDIES, stockAges, type AgeGroup, type Remedy } from '@/core/ledger/stockAges';
import { formatMoney } from '@/core/money/money';
import { Bars } from '@/parts/figures/Bars';
import { columnsIn, scaleMoney } from '@/parts/figures/columns';
import { Drawn } from '@/parts/figures/Drawn';
import { LinkRow } from '@/parts/ui/LinkRow';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { handOver } from '@/store/items/choice';
import type { Books } from '@/store/ledger/books';

const REMEDY_WORDS: Record<Remedy, string> = {
  price: 'without a price: give them one',
  list: 'up nowhere: put them up',
  markDown: 'that never came down: mark them down',
};

const ageWords = ({ from, to }: AgeGroup) =>
  to === null ? `over ${from - 1} days` : `${from} to ${to} days`;

/** What is in stock now, by age: what it cost, what is asked for it and what it would leave. */
export function StockByAge({ books, day }: { books: Books; day: number }) {
  const currency = useAttic((s) => s.settings.currency);
  const router = useRouter();
  const groups = useMemo(() => stockAges(books.stock, day), [books, day]);
  const help = useMemo(() => remedies(books.stock, day), [books, day]);
  const money = (amount: number) => formatMoney(amount, currency);
  const change = (ids: readonly string[], why: string) => {
    handOver(ids, why);
    router.navigate('/stock');
  };
  const column = columnsIn<AgeGroup>(currency);
  const columns = [
    column.words('age', 'Age', ageWords),
    column.count('things', 'Items', (g) => g.ids.length),
    column.count('pieces', 'Pieces', (g) => g.pieces),
    column.money('cost', 'Cost', (g) => g.cost),
    column.money('asked', 'Asked', (g) => g.asked),
    column.money('leaves', 'Would leave', (g) => g.leaves),
    column.count('notUp', 'Up nowhere', (g) => g.notUp),
    column.count('costUnknown', 'Cost not said', (g) => g.costUnknown),
  ];
  const todo = REMEDIES.filter((r) => help[r].length > 0);
  return (
    <>
      <Card label="Stock by age">
        <Drawn
          title="Stock by age"
          words="What is asked for it, by days it has been here. What it would leave is told of what is up."
          file="stock-by-age"
          columns={columns}
          rows={groups}
          keyOf={ageWords}
        >
          <Bars
            label="Asked"
            say={scaleMoney(currency)}
            bars={groups.map((g) => ({
              key: ageWords(g),
              name: `${counted(g.ids.length, 'item')}, ${ageWords(g)}`,
              short: g.to === null ? `${g.from - 1}+` : `–${g.to}`,
              value: g.asked,
            }))}
          />
        </Drawn>
        {groups
          .filter((g) => g.ids.length > 0)
          .map((g) => (
            <LinkRow
              key={ageWords(g)}
              words={`${counted(g.ids.length, 'item')}, ${ageWords(g)}`}
              label={`Change all ${g.ids.length}: ${ageWords(g)}`}
              more={
                `cost ${money(g.cost)} · asked ${money(g.asked)} · would leave ${money(g.leaves)}` +
                (g.notUp > 0 ? ` · ${g.notUp} up nowhere` : '')
              }
              onPress={() => change(g.ids, `${counted(g.ids.length, 'item')}, here for ${ageWords(g)}`)}
            />
          ))}
      </Card>
      <Card label="The oldest">
        <Text variant="heading">The oldest</Text>
        <Text tone="soft">
          {todo.length === 0
            ? `Nothing that has been here for ${OLD} days or more waits for you.`
            : `Of what has been here for ${OLD} days or more:`}
        </Text>
        {todo.map((r) => (
          <LinkRow
            key={r}
            words={`${counted(help[r].length, 'item')} ${REMEDY_WORDS[r]}`}
            onPress={() =>
              change(help[r], `${counted(help[r].length, 'item')} ${REMEDY_WORDS[r].split(':')[0]}`)
            }
          />
        ))}
      </Card>
    </>
  );
}
