import type { Exam } from '@/contract/picture';

import { OUTLINES, type Outline } from './spec';

/** Bands of the outline, from 0 at the top or the left. */
interface Shape {
  /** Height over width, in pixels. */
  tall: number;
  /** Share of its own box that is item. */
  full: number;
  rows: readonly number[];
  columns: readonly number[];
  rowPieces: readonly number[];
}

/**
 * What the outline of an item in a picture looks like, the most telling first. Spans are set by drawn things
 * of which the kind is known, turned by up to twenty degrees.
 *
 * @param size of the picture, in pixels
 * @returns none where its outline is not relied on, or looks like nothing in particular
 */
export function outlinesOf(exam: Exam, size: { width: number; height: number }): Outline[] {
  const [, , w, h] = exam.box;
  const { rows, columns, rowPieces } = exam.outline;
  if (!exam.outlined || exam.cutOff.length > 0 || w === 0 || h === 0 || rows.length !== 8) return [];
  const shape: Shape = {
    tall: (h * size.height) / (w * size.width),
    full: exam.area / (w * h),
    rows,
    columns,
    rowPieces,
  };
  return OUTLINES.filter((outline) => LOOKS[outline](shape));
}

const between = (value: number, low: number, high: number) => value >= low && value <= high;
const at = (values: readonly number[], i: number) => values[i] ?? 0;
const sum = (values: readonly number[], from: number, to: number) =>
  values.slice(from, to).reduce((all, value) => all + value, 0);
/** How unlike both halves are, 0 to 1. */
const lopsided = (values: readonly number[]) =>
  values.slice(0, 4).reduce((all, value, i) => all + Math.abs(value - at(values, 7 - i)), 0) / 4;

const LOOKS: Readonly<Record<Outline, (shape: Shape) => boolean>> = {
  sleeves: ({ tall, full, rows, columns }) =>
    between(tall, 0.78, 1.2) &&
    between(full, 0.6, 0.76) &&
    // Both ends of its width are sleeves alone; the body between them goes all the way down.
    between(at(columns, 0) + at(columns, 7), 0.3, 0.75) &&
    Math.min(...columns.slice(2, 6)) > 0.84 &&
    at(rows, 1) > at(rows, 0) * 1.35 &&
    sum(rows, 6, 8) < sum(rows, 2, 4),
  legs: ({ tall, full, rows, rowPieces }) =>
    between(tall, 0.55, 2.4) &&
    between(full, 0.6, 0.9) &&
    rowPieces.slice(3).filter((pieces) => pieces === 2).length >= (tall < 1 ? 1 : 3) &&
    rowPieces.slice(0, 3).every((pieces) => pieces <= 1) &&
    (tall > 1.2 || (full < 0.77 && at(rows, 3) > 0.9 && at(rows, 7) < 0.5)),
  flared: ({ tall, full, rows, columns }) =>
    between(tall, 1.1, 1.7) &&
    between(full, 0.55, 0.75) &&
    sum(rows, 6, 8) > 1.5 * sum(rows, 0, 2) &&
    Math.min(...rows) > 0.35 &&
    lopsided(columns) < 0.12,
  block: ({ full }) => full > 0.92,
  disc: ({ tall, full, rows, columns }) =>
    between(tall, 0.93, 1.07) &&
    between(full, 0.75, 0.82) &&
    lopsided(rows) < 0.06 &&
    lopsided(columns) < 0.06 &&
    at(rows, 0) < 0.56,
  low: ({ tall, full, rows, columns }) =>
    between(tall, 0.38, 0.65) &&
    between(full, 0.54, 0.74) &&
    at(rows, 0) < 0.25 &&
    at(rows, 5) > 0.65 &&
    // One end is the heel.
    Math.max(sum(columns, 0, 3), sum(columns, 5, 8)) >
      1.25 * Math.min(sum(columns, 0, 3), sum(columns, 5, 8)),
  brim: ({ tall, full, rows, columns }) =>
    between(tall, 0.38, 0.86) &&
    between(full, 0.44, 0.72) &&
    sum(rows, 4, 7) > 1.35 * sum(rows, 1, 4) &&
    at(columns, 0) < 0.36 &&
    at(columns, 7) < 0.36 &&
    Math.max(at(columns, 3), at(columns, 4)) > 0.78,
  upright: ({ tall, full, columns }) =>
    between(tall, 1.3, 2.6) && between(full, 0.2, 0.56) && at(columns, 0) < 0.2 && at(columns, 7) < 0.2,
};
