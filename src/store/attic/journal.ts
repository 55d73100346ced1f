import { dequal } from 'dequal';
import { z } from 'zod';

import { fieldsOf } from '@/contract/fields';
import { COLLECTION_NAMES_EVER, SCHEMA_VERSION, upToDate } from '@/contract/migrations';
import { COLLECTIONS, type CollectionName, type Item, type RecordOf } from '@/contract/records';
import type { Raw } from '@/contract/renamed';
import { yieldToMain } from '@/store/base/yieldToMain';

import type { Records } from './records';

/**
 * One record before and after a change; null where there was or is none. The journal keeps of both what
 * differs.
 */
export interface Edit<C extends CollectionName = CollectionName> {
  collection: C;
  id: string;
  before: RecordOf[C] | null;
  after: RecordOf[C] | null;
}

/** One thing a person did, with all it touched, so that it can be taken back. */
export interface Change {
  label: string;
  at: number;
  author: string;
  /** Something went away: offer to take it back without being asked. */
  destructive: boolean;
  edits: Edit[];
}

/** How many changes can be taken back. */
const JOURNAL_LENGTH = 60;
/** How many records' changes, all in all. */
const JOURNAL_EDITS = 3_000;
/** Typing in one field within this time is one change, milliseconds. */
const SAME_CHANGE = 2_000;

const SomeFields = z.record(z.string(), z.unknown()).nullable();
const RawEdit = z.object({
  collection: z.string().transform((name, context): CollectionName => {
    const today = COLLECTION_NAMES_EVER.get(name);
    if (!today) context.addIssue(`no collection is called “${name}”`);
    return today ?? z.NEVER;
  }),
  id: z.string().min(1).max(64),
  before: SomeFields,
  after: SomeFields,
});
const RawChange = z.object({
  label: z.string().max(400),
  at: z.number().nonnegative(),
  author: z.string().max(400),
  destructive: z.boolean(),
  edits: z.array(RawEdit),
});

/** Whether every field that is kept of a record is one of its collection, and valid. */
function fits(edit: { collection: CollectionName; before: Raw | null; after: Raw | null }): boolean {
  const { collection, before, after } = edit;
  const { shape } = COLLECTIONS[collection];
  const whole = before === null || after === null;
  return [before, after].every(
    (record) =>
      record === null ||
      (whole
        ? COLLECTIONS[collection].safeParse(record).success
        : Object.entries(record).every(
            ([field, value]) =>
              Object.hasOwn(shape, field) &&
              // A field of the shape, as was just looked up.
              (shape as Record<string, z.ZodType>)[field]?.safeParse(value).success,
          )),
  );
}

/**
 * The journal as it was stored, brought up to date. Changes that can't be read are left out.
 *
 * @param version of the schema it was written under
 * @returns misfits: the text as it was, where something of it was left out; null: all of it was read
 */
export function readJournal(
  text: string | null,
  version: number,
): { journal: Change[]; misfits: string | null } {
  if (text === null) return { journal: [], misfits: null };
  let raw: unknown = null;
  try {
    raw = JSON.parse(text);
  } catch {
    return { journal: [], misfits: text };
  }
  if (!Array.isArray(raw)) return { journal: [], misfits: text };
  if (version > SCHEMA_VERSION) return { journal: [], misfits: text };
  const journal = raw.flatMap((one: unknown): Change[] => {
    const read = RawChange.safeParse(one);
    if (!read.success) return [];
    const edits = read.data.edits.map((edit) => ({
      ...edit,
      before: edit.before && upToDate(edit.collection, edit.before, version),
      after: edit.after && upToDate(edit.collection, edit.after, version),
    }));
    // That each record is one of its collection is what `fits` found out; the type can't say it.
    return edits.every(fits) ? [{ ...read.data, edits } as unknown as Change] : [];
  });
  return { journal, misfits: journal.length === raw.length ? null : text };
}

/** What is written of changes that are kept: the same each time, and long where very many were changed. */
const written = new WeakMap<Change, string>();
/** Edits written before a finger is asked for. */
const SLICE = 400;

/** The journal as it is stored; a change of very many is written some at a time. */
export async function journalText(journal: readonly Change[]): Promise<string> {
  const texts: string[] = [];
  for (const change of journal) {
    let text = written.get(change);
    if (text === undefined) {
      text = await changeText(change);
      written.set(change, text);
    }
    texts.push(text);
  }
  return `[${texts.join(',')}]`;
}

async function changeText(change: Change): Promise<string> {
  const { edits, ...about } = change;
  const parts: string[] = [];
  for (let at = 0; at < edits.length; at += SLICE) {
    if (at > 0) await yieldToMain();
    parts.push(JSON.stringify(edits.slice(at, at + SLICE)).slice(1, -1));
  }
  return `${JSON.stringify(about).slice(0, -1)},"edits":[${parts.join(',')}]}`;
}

/** Adds a change; quick further edits of the same kind to the same record become one with the last. */
export function journalWith(journal: readonly Change[], change: Change): Change[] {
  const last = journal.at(-1);
  const edit = change.edits[0];
  const lastEdit = last?.edits[0];
  const same =
    last &&
    edit &&
    lastEdit &&
    change.edits.length === 1 &&
    last.edits.length === 1 &&
    !change.destructive &&
    last.label === change.label &&
    edit.id === lastEdit.id &&
    edit.collection === lastEdit.collection &&
    edit.before !== null &&
    edit.after !== null &&
    change.at - last.at < SAME_CHANGE;
  if (same) {
    // Both changed the same record of the same collection.
    const both = {
      ...edit,
      before: { ...edit.before, ...lastEdit.before },
      after: { ...lastEdit.after, ...edit.after },
    } as Edit;
    return [...journal.slice(0, -1), { ...change, edits: [both] }];
  }
  const kept = [...journal, change].slice(-JOURNAL_LENGTH);
  // It is written with every change: what touched thousands of records makes older ones go.
  let edits = kept.reduce((sum, c) => sum + c.edits.length, 0);
  while (kept.length > 1 && edits > JOURNAL_EDITS) edits -= kept.shift()?.edits.length ?? 0;
  return kept;
}

/**
 * Of a changed record only the fields that differ, and what it belongs to: the journal is written with every
 * change.
 */
export function slim(edit: Edit): Edit {
  const { before, after } = edit;
  if (!before || !after) return edit;
  const [was, became] = [fieldsOf(before), fieldsOf(after)];
  const some = (record: Record<string, unknown>) =>
    Object.fromEntries(
      Object.entries(record).filter(
        ([key]) => key === 'id' || key === 'itemId' || !dequal(was[key], became[key]),
      ),
    );
  // Some fields of records of this collection: what the journal keeps instead of all of them.
  return { ...edit, before: some(was), after: some(became) } as unknown as Edit;
}

function withoutPictures({ pictureIds }: Item, records: Records): Edit[] {
  return pictureIds.flatMap((id): Edit[] => {
    const before = records.pictures[id];
    return before ? [{ collection: 'pictures', id, before, after: null }] : [];
  });
}

/**
 * The edits that take a change back, leaving alone what was changed since: only fields that the
 * change altered and that still hold what it put there go back.
 */
export function inverseOf(change: Change, records: Records): Edit[] {
  const edits: Edit[] = [];
  for (const { collection, id, before, after } of [...change.edits].reverse()) {
    const present = records[collection][id] ?? null;
    if (before === null) {
      if (present) edits.push({ collection, id, before: present, after: null });
      // Pictures that came to it since are its own: nobody would ever see them again.
      // Of this collection, as was just asked.
      if (present && collection === 'items') edits.push(...withoutPictures(present as Item, records));
    } else if (after === null) {
      edits.push({ collection, id, before: present, after: before });
    } else if (present !== null) {
      const restored: Record<string, unknown> = { ...present };
      const [was, became] = [fieldsOf(before), fieldsOf(after)];
      for (const key of new Set([...Object.keys(was), ...Object.keys(became)])) {
        const altered = !dequal(was[key], became[key]);
        if (altered && dequal(restored[key], became[key])) restored[key] = was[key];
      }
      // The present record with fields that it had before.
      edits.push({ collection, id, before: present, after: restored as unknown as typeof present });
    }
  }
  return edits;
}
