import type { Addressed } from './label';
import { fieldsOf } from '../kit/body';

/** Up to so many grams, so many cents; by where it goes. */
export const TARIFF = {
  valid: '2026-07-01',
  /** A parcel counts as heavy as the room it takes: cubic centimetres a kilogram. */
  room: 5_000,
  limits: { longestMm: 1_200, lengthAndGirthMm: 3_000 },
  destinations: [
    {
      id: 'inland',
      name: 'Inland',
      steps: [
        [250, 290],
        [1_000, 420],
        [2_000, 580],
        [5_000, 890],
        [10_000, 1_250],
        [31_500, 1_900],
      ],
    },
    {
      id: 'near',
      name: 'Neighbouring countries',
      steps: [
        [250, 690],
        [1_000, 1_150],
        [2_000, 1_480],
        [5_000, 1_990],
        [10_000, 2_790],
        [31_500, 4_400],
      ],
    },
    {
      id: 'far',
      name: 'Rest of the world',
      steps: [
        [250, 990],
        [1_000, 1_890],
        [2_000, 2_690],
        [5_000, 4_490],
        [20_000, 9_900],
      ],
    },
  ],
};

/** A label asked for. */
export interface LabelOrder {
  grams: number;
  sides: [number, number, number] | null;
  destination: string;
  to: Addressed;
  from: string;
}

/** Null for what is no order. */
export function readOrder(body: unknown): LabelOrder | null {
  const b = fieldsOf(body);
  const to = fieldsOf(b.to);
  const lines = Array.isArray(to.lines) ? to.lines.map((l) => String(l).slice(0, 80)) : [];
  const sides = Array.isArray(b.sides) ? b.sides.map(Number) : null;
  if (!Number.isInteger(b.grams) || Number(b.grams) < 1 || typeof to.name !== 'string') return null;
  const [l = 0, w = 0, h = 0] = sides ?? [];
  if (sides && !(sides.length === 3 && sides.every((s) => Number.isInteger(s) && s > 0))) return null;
  return {
    grams: Number(b.grams),
    sides: sides ? [l, w, h] : null,
    destination: String(b.destination ?? ''),
    to: { name: to.name.slice(0, 80), lines: lines.slice(0, 6) },
    from: String(b.from ?? '').slice(0, 120),
  };
}

/** Cents, or why the parcel is not taken. */
export function priceOf({ grams, sides, destination, to }: LabelOrder): number | string {
  if (to.name.trim() === '' || to.lines.every((l) => l.trim() === '')) return 'The address is not complete.';
  const steps = TARIFF.destinations.find((d) => d.id === destination)?.steps;
  if (!steps) return 'We do not go there.';
  const [long = 0, mid = 0, short = 0] = [...(sides ?? [])].sort((a, b) => b - a);
  if (long > TARIFF.limits.longestMm) return 'It is too long for us.';
  if (long + 2 * (mid + short) > TARIFF.limits.lengthAndGirthMm)
    return 'Length and girth are too much for us.';
  const counted = Math.max(grams, Math.ceil((long * mid * short) / TARIFF.room));
  return steps.find(([upTo]) => counted <= (upTo ?? 0))?.[1] ?? 'It is too heavy for us.';
}
