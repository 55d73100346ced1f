import { listed } from '@/core/language/listed';
import { counted } from '@/core/language/plural';

interface Amounts {
  items: number;
  pictures: number;
  others: number;
}

/** "2 items, 8 pictures and 3 other records" */
export function amounts({ items, pictures, others }: Amounts): string {
  const said = [
    items > 0 ? counted(items, 'item') : '',
    pictures > 0 ? counted(pictures, 'picture') : '',
    others > 0 ? counted(others, 'other record') : '',
  ].filter(Boolean);
  return listed(said, 'and');
}
