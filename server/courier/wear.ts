import type { Adapter } from './adapter';

/**
 * The wear that a marketplace's condition words stand for; the worst for words its sheet does not know (any
 * more).
 */
export async function wearOf(adapter: Pick<Adapter, 'ruleSheet'>): Promise<(code: string) => number> {
  const { conditions } = await adapter.ruleSheet();
  return (code) => conditions.find((c) => c.code === code)?.wear ?? 5;
}
