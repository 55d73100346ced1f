import { MOST_STOCK, type Choices } from '@/contract/choices';
import type { Item } from '@/contract/records';

import { cellNo, type CellRead, type StockColumn, type TableWays } from './column';
import { isAlike, severalAlike, withOptions } from '../../choices/choices';
import { exponentOf, parseMoney } from '../../money/money';
import { sameWord } from '../../words/sameWord';
import { amountValue } from '../value';

/** An item has at most so many options. */
const OPTIONS = [0, 1, 2] as const;

/** Columns that say which piece of an item a line is of, and how many of it there are. */
export function pieceColumns({ currency }: TableWays): StockColumn[] {
  const usual = true;
  return [
    ...OPTIONS.flatMap((i): StockColumn[] => [
      {
        id: `option:${i + 1}`,
        label: `Option ${i + 1}`,
        sort: 'words',
        usual,
        of: ({ item, piece }) => (piece ? (item.choices?.options[i]?.name ?? null) : null),
      },
      {
        id: `choice:${i + 1}`,
        label: `Choice ${i + 1}`,
        sort: 'words',
        usual,
        of: ({ piece }) => piece?.values[i] ?? null,
      },
    ]),
    { id: 'piece.code', label: 'Piece code', sort: 'words', usual, of: ({ piece }) => piece?.code ?? null },
    {
      id: 'piece.stock',
      label: 'Pieces in stock',
      sort: 'figure',
      usual,
      of: ({ piece }) => piece?.stock ?? null,
    },
    {
      id: 'piece.price',
      label: `Piece price, ${currency}`,
      sort: 'amount',
      usual,
      of: ({ piece }) => amountValue(piece?.price ?? null, exponentOf(currency)),
    },
  ];
}

/** Whether a column says which piece a line is of, or something of it. */
export function isPieceColumn({ id }: StockColumn): boolean {
  return /^(?:option:|choice:|piece\.)/u.test(id);
}

/** What the piece columns of one line say, by the columns' ids. */
export type PieceSaid = Readonly<Record<string, string>>;

/** Whether a line says anything of a piece. */
export function saysPiece(said: PieceSaid): boolean {
  return Object.values(said).some((text) => text.trim() !== '');
}

/**
 * What one line makes of an item's pieces: figures of a piece there is, found by its code or by what is
 * chosen of it, or a new one.
 */
export function readPiece(said: PieceSaid, item: Item, { currency }: TableWays): CellRead {
  const options = OPTIONS.flatMap((i) => {
    const name = said[`option:${i + 1}`]?.trim() ?? '';
    const value = said[`choice:${i + 1}`]?.trim() ?? '';
    return name === '' || value === '' ? [] : [{ name, value }];
  });
  const code = said['piece.code']?.trim() ?? '';
  const figures = pieceFigures(said, currency);
  if (!figures.ok) return figures;
  const known = item.choices ? pieceOf(item.choices, code, options) : -1;
  if (item.choices && known >= 0)
    return {
      ok: true,
      part: {
        choices: {
          ...item.choices,
          pieces: item.choices.pieces.map((p, i) => (i === known ? { ...p, ...figures.part } : p)),
        },
      },
    };
  // A stock without options: several just alike, which all have the item's own code.
  const isItself = code === '' || code === item.code;
  if (options.length === 0 && isItself && (item.choices === null || isAlike(item.choices))) {
    const { stock } = figures.part;
    return {
      ok: true,
      part: stock === undefined ? {} : { choices: severalAlike(item.choices, stock, item.code) },
    };
  }
  if (options.length === 0) return cellNo('optionsMissing');
  const made = withOptions(item.choices, widened(item.choices, options), item.code);
  if (!made.ok) return made;
  const before = item.choices?.pieces ?? [];
  const pieces = made.choices.pieces.map((p) => {
    if (isThat(made.choices, p.values, options))
      return { ...p, ...figures.part, code: code === '' ? p.code : code.slice(0, 90) };
    // Combinations that no line names are there, with none of them in stock.
    return before.some((b) => b.code === p.code) ? p : { ...p, stock: 0 };
  });
  return { ok: true, part: { choices: { ...made.choices, pieces } } };
}

type Figures = { ok: true; part: { stock?: number; price?: number } } | Extract<CellRead, { ok: false }>;

function pieceFigures(said: PieceSaid, currency: string): Figures {
  const stock = said['piece.stock']?.trim() ?? '';
  const price = said['piece.price']?.trim() ?? '';
  const count = Number(stock);
  if (stock !== '' && !(/^\d{1,6}(?:\.0+)?$/u.test(stock) && count <= MOST_STOCK))
    return { ok: false, why: { code: 'wholeUnread', params: { least: 0, most: MOST_STOCK } } };
  const amount = price === '' ? null : parseMoney(price, currency);
  if (amount && !amount.ok) return amount;
  return {
    ok: true,
    part: { ...(stock === '' ? {} : { stock: count }), ...(amount ? { price: amount.amount } : {}) },
  };
}

interface Chosen {
  name: string;
  value: string;
}

/** The place of a piece; below nought: there is none. */
function pieceOf(choices: Choices, code: string, chosen: readonly Chosen[]): number {
  const byCode = code === '' ? -1 : choices.pieces.findIndex((p) => p.code === code);
  if (byCode >= 0 || chosen.length !== choices.options.length) return byCode;
  return choices.pieces.findIndex((p) => isThat(choices, p.values, chosen));
}

function isThat(choices: Choices, values: readonly string[], chosen: readonly Chosen[]): boolean {
  return choices.options.every((option, i) =>
    chosen.some((c) => sameWord(c.name, option.name) && sameWord(c.value, values[i] ?? '')),
  );
}

/** The options there are, with what is chosen among their values. */
function widened(before: Choices | null, chosen: readonly Chosen[]): { name: string; values: string[] }[] {
  const all = (before?.options ?? []).map((o) => ({ name: o.name, values: [...o.values] }));
  for (const { name, value } of chosen) {
    const option = all.find((o) => sameWord(o.name, name));
    if (!option) all.push({ name, values: [value] });
    else if (!option.values.some((v) => sameWord(v, value))) option.values.push(value);
  }
  return all;
}
