import { createClient } from '@libsql/client';
import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { z } from 'zod';

import { databaseCode, StartTrouble } from './faults/startTrouble';

const Holder = z.object({ pid: z.number().int(), address: z.string(), since: z.number() });

/**
 * Holds a data folder for this process. The lock is the operating system's, on a small database of its own,
 * so it goes with the process however that ends; the text beside it only says who has it.
 *
 * @returns lets go of it
 * @throws StartTrouble where another process has it
 */
export async function holdFolder(folder: string, address: string): Promise<() => Promise<void>> {
  await mkdir(folder, { recursive: true });
  const words = join(folder, 'held.json');
  const db = createClient({ url: `file:${join(folder, 'held.db')}` });
  try {
    const held = await db.transaction('write');
    await writeFile(words, JSON.stringify({ pid: process.pid, address, since: Date.now() })).catch(
      // Only words for others: without room for them the lock holds all the same.
      () => undefined,
    );
    return async () => {
      await held.rollback();
      db.close();
    };
  } catch (error) {
    db.close();
    if (databaseCode(error) !== 'locked') throw error;
    const holder = Holder.safeParse(await readJson(words));
    const who = holder.success
      ? `process ${holder.data.pid}, at ${holder.data.address}, since ` +
        `${new Date(holder.data.since).toLocaleString('en-GB')}`
      : 'another process';
    throw new StartTrouble(
      'folderHeld',
      `The attic in “${folder}” is open already: ${who}. Nothing was changed. Use that one, or ` +
        'stop it first.',
    );
  }
}

async function readJson(file: string): Promise<unknown> {
  try {
    return JSON.parse(await readFile(file, 'utf8'));
  } catch {
    // Half written, or not there: then nobody is named.
    return null;
  }
}
