import type { OwnForm } from '@/contract/groups';

import type { FactSpec, Kind } from './spec';

export interface Arranged {
  shown: readonly FactSpec[];
  hidden: readonly FactSpec[];
}

/**
 * The person's own form for a kind: its own, or that of the nearest kind above it; none: as the kind says.
 */
export function formFor(kind: Pick<Kind, 'path'>, forms: readonly OwnForm[]): OwnForm | undefined {
  for (let i = kind.path.length - 1; i >= 0; i -= 1) {
    const form = forms.find((f) => f.kind === kind.path[i]);
    if (form) return form;
  }
  return undefined;
}

/**
 * A kind's questions as the person wants them: in their order, what they do not use put away. What our own
 * standards require is never put away, and what the form does not name comes last, in its usual order.
 */
export function arranged(facts: readonly FactSpec[], form: OwnForm | undefined): Arranged {
  if (!form) return { shown: facts, hidden: [] };
  const place = new Map(form.order.map((id, i) => [id, i]));
  const inOrder = [...facts].sort(
    (a, b) => (place.get(a.id) ?? Infinity) - (place.get(b.id) ?? Infinity) || 0,
  );
  const away = (f: FactSpec) => form.hidden.includes(f.id) && f.need !== 'required';
  return { shown: inOrder.filter((f) => !away(f)), hidden: inOrder.filter(away) };
}

/** The order with one question moved by one place; as it was when there is no room. */
export function movedInOrder(order: readonly string[], id: string, by: -1 | 1): string[] {
  const at = order.indexOf(id);
  const to = at + by;
  const moved = [...order];
  if (at < 0 || to < 0 || to >= order.length) return moved;
  moved.splice(at, 1);
  moved.splice(to, 0, id);
  return moved;
}
