import type { Diary, Picture, Plan } from '@/contract/records';

import type { Change, Edit } from './journal';
import type { Records } from './records';

/** The same done again by the same person within this time is one line, milliseconds. */
const SAME = 10 * 60_000;
/** The oldest lines make room. */
const MOST = 1_000;

/** What a change adds to the diaries of the items it touches: who, when, what. */
export function diaryEdits(change: Change, records: Records): Edit[] {
  const touched = new Set<string>();
  for (const edit of change.edits) {
    const id = itemOf(edit);
    if (id && (records.items[id] || edit.collection === 'items')) touched.add(id);
  }
  return [...touched].map((id) => {
    const before = records.diary[id] ?? null;
    return { collection: 'diary', id, before, after: withLine(before ?? { id, lines: [] }, change) };
  });
}

function itemOf({ collection, id, before, after }: Edit): string | null {
  if (collection === 'items') return id;
  if (collection === 'pictures' || collection === 'plans')
    // One of the two is there, and both belong to an item.
    return ((after ?? before) as Picture | Plan).itemId;
  return null;
}

function withLine(diary: Diary, { at, author, label }: Change): Diary {
  const line = { at, who: author, what: label.slice(0, 200) };
  const last = diary.lines.at(-1);
  const same = last && last.what === line.what && last.who === line.who && at - last.at < SAME;
  return {
    ...diary,
    lines: (same ? [...diary.lines.slice(0, -1), line] : [...diary.lines, line]).slice(-MOST),
  };
}
