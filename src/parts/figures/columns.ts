import { formatMoney, exponentOf } from '@/core/money/money';
import { amountValue } from '@/core/tables/value';
import { dayWords } from '@/parts/ui/time';
import { isoDay } from '@/store/base/isoDay';

import type { FigureColumn } from './FigureTable';

/** What a column shows where nothing is known. */
const NOTHING = '–';

/** An amount beside a scale: without decimals where it has none. */
export const scaleMoney = (currency: string) => (amount: number) =>
  formatMoney(Math.round(amount), currency).replace(/[.,]00$/u, '');

/** A share for a person: "37 %". */
export const percent = (share: number) => `${Math.round(share * 100)} %`;

type Of<T, V> = (row: T) => V | null;
const column = <T>(part: Omit<FigureColumn<T>, 'usual'>): FigureColumn<T> => ({ ...part, usual: true });

/** Columns of figures, each as it is saved and as it is read. */
export function columnsIn<T>(currency: string) {
  const exponent = exponentOf(currency);
  return {
    words: (id: string, label: string, of: (row: T) => string) =>
      column<T>({ id, label, sort: 'words', of, say: of }),
    money: (id: string, label: string, of: Of<T, number>) =>
      column<T>({
        id,
        label: `${label}, ${currency}`,
        sort: 'amount',
        of: (row) => amountValue(of(row), exponent),
        say: (row) => {
          const amount = of(row);
          return amount === null ? NOTHING : formatMoney(amount, currency);
        },
      }),
    count: (id: string, label: string, of: Of<T, number>, decimals = 0) =>
      column<T>({ id, label, sort: 'figure', of, say: (row) => of(row)?.toFixed(decimals) ?? NOTHING }),
    share: (id: string, label: string, of: Of<T, number>) =>
      column<T>({
        id,
        label: `${label}, %`,
        sort: 'figure',
        of: (row) => {
          const share = of(row);
          return share === null ? null : Math.round(share * 10_000) / 100;
        },
        say: (row) => {
          const share = of(row);
          return share === null ? NOTHING : percent(share);
        },
      }),
    day: (id: string, label: string, of: (row: T) => number) =>
      column<T>({
        id,
        label,
        sort: 'day',
        of: (row) => ({ day: isoDay(of(row)) }),
        say: (row) => dayWords(of(row)),
      }),
  };
}
