/** How many of the newest copies in a folder stay, whatever their months. */
export const NEWEST_KEPT = 7;

/** A copy in a folder, by its name alone. */
export interface NamedCopy {
  name: string;
  /** Which attic it is of. */
  tag: string;
  /** When it was made, by the clock there: `2026-11-28-230501`; the later one sorts after. */
  stamp: string;
}

const NAME = /^attic-([A-Za-z0-9]{1,12})-(\d{4}-(?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\d|3[01])-\d{6})\.zip$/u;

/** What of an attic's name stands in the names of its copies: one folder may hold several attics'. */
export function copyTag(attic: string): string {
  return attic.replace(/[^A-Za-z0-9]/gu, '').slice(0, 12) || 'own';
}

/** @param stamp year, month, day and time by the clock where it is made: `2026-11-28-230501` */
export function copyFileName(tag: string, stamp: string): string {
  return `attic-${tag}-${stamp}.zip`;
}

/** Of all names in a folder, those that copies made there have, the newest first. */
export function copiesAmong(names: Iterable<string>): NamedCopy[] {
  const found = [...names].flatMap((name) => {
    const [, tag = '', stamp = ''] = NAME.exec(name) ?? [];
    return stamp === '' ? [] : [{ name, tag, stamp }];
  });
  return found.sort((a, b) => (a.stamp < b.stamp ? 1 : a.stamp > b.stamp ? -1 : 0));
}

/**
 * Which copies of an attic are no longer wanted: all but the newest seven and the newest of each month. Those
 * of other attics stay, and so does every other file.
 */
export function copiesToRemove(names: Iterable<string>, tag: string): string[] {
  const months = new Set<string>();
  return copiesAmong(names)
    .filter((copy) => copy.tag === tag)
    .filter(({ stamp }, i) => {
      const month = stamp.slice(0, 7);
      const isFirstOfMonth = !months.has(month);
      months.add(month);
      return i >= NEWEST_KEPT && !isFirstOfMonth;
    })
    .map((copy) => copy.name);
}
