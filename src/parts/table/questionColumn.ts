import type { Question } from '@/core/stock/questions';

import type { TableColumn } from './ItemTable';

/** The column in which a question is answered. */
export function columnOf({ target, label, unit }: Question): TableColumn {
  const isTitle = target === 'title';
  return {
    id: target,
    target,
    label,
    ...(unit ? { unit } : {}),
    width: isTitle ? 340 : unit ? 108 : target === 'spot' ? 84 : 140,
    grow: isTitle ? 2 : 1,
  };
}
