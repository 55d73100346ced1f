import type { Candidate, Path, RecordWrites } from '@/contract/sync';

import { contested } from './candidates';
import { belongingTo } from './edits';
import { THERE, writeOf } from './registers';
import { ofRecordKey, recordKey, type RecordKey, type Replica, type Store } from './replica';
import { isThere, takenAlong } from './take';

/** What two people did without having seen each other, and that can't both be. */
export interface Question {
  collection: string;
  id: string;
  /** Which of its registers; {@link THERE}: one took the record away, another changed it. */
  path: Path;
  /** What each wants, the latest first. */
  wanted: readonly Candidate[];
}

/** All that a person has to settle, in the order of their keys. */
export function questions(replica: Replica): Question[] {
  const found: Question[] = [];
  for (const [key, open] of replica.open) {
    const { collection, id } = ofRecordKey(key);
    // What is gone asks nothing but whether it is.
    if (isThere(replica, key) === false) continue;
    for (const [path, all] of open) {
      const wanted = contested(collection, path, all);
      if (wanted.length > 0) found.push({ collection, id, path, wanted });
    }
  }
  const name = ({ collection, id, path }: Question) => `${collection} ${id} ${path}`;
  return found.sort((a, b) => (name(a) < name(b) ? -1 : 1));
}

/**
 * What to write so that a question is settled: the one value stands. A record that is to be there, or gone,
 * takes along what was taken away with it; one that is to be gone also what came to it since.
 */
export function settled(store: Store, question: Question, value: unknown): RecordWrites[] {
  const { replica } = store;
  const { collection, id, path } = question;
  const key = recordKey(collection, id);
  const together = path === THERE ? [key, ...takenAlong(replica, key)] : [key];
  const since = path === THERE && value === false ? together.flatMap((one) => belongingTo(one, store)) : [];
  const along = alongOf(replica, key);
  return [...new Set([...together, ...since])].map((one) => settledOne(one, question, value, along));
}

function settledOne(key: RecordKey, question: Question, value: unknown, along: RecordKey): RecordWrites {
  const { path, wanted } = question;
  return { ...ofRecordKey(key), writes: [writeOf(path, value, wanted[0]?.value)], along };
}

/** What it was taken away along with; itself where it was not. */
function alongOf({ open }: Replica, key: RecordKey): RecordKey {
  return (open.get(key)?.get(THERE) ?? []).find(({ along }) => along !== undefined)?.along ?? key;
}
