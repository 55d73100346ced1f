import type { MeasureSpec } from './spec';

/** Every name a measurement goes by. */
export function measureNames({ name, alsoCalled = [] }: Pick<MeasureSpec, 'name' | 'alsoCalled'>): string[] {
  return [name, ...alsoCalled];
}
