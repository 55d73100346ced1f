import { TESTED, type Item } from '@/contract/records';

export const TESTED_WORDS: Record<(typeof TESTED)[number], string> = {
  works: 'tried out and works',
  partly: 'works in part',
  broken: 'does not work',
  untested: 'not tried out',
};

/** Empty where nobody has said. */
export function cleanedWords({ cleaned }: Pick<Item, 'cleaned'>): string {
  return cleaned === null ? '' : cleaned ? 'cleaned' : 'as it was found, not cleaned';
}

/** "from a smoke-free home with pets"; empty where nobody has said. */
export function homeWords({ smoke, pets }: Pick<Item, 'smoke' | 'pets'>): string {
  if (smoke === null && pets === null) return '';
  const without = [smoke === false ? 'smoke' : '', pets === false ? 'pets' : ''].filter(Boolean);
  const having = [smoke ? 'smoke' : '', pets ? 'pets' : ''].filter(Boolean);
  return `from a home ${[
    without.length > 0 ? `without ${without.join(' or ')}` : '',
    having.length > 0 ? `with ${having.join(' and ')}` : '',
  ]
    .filter(Boolean)
    .join(' but ')}`;
}
