import { existsSync, statSync } from 'node:fs';
import { copyFile, rename, rm } from 'node:fs/promises';

import { Ledger } from './ledger';
import type { Log } from '../faults/log';
import { databaseCode, StartTrouble } from '../faults/startTrouble';

/** How often a copy is made while lines are added, milliseconds. */
const EVERY = 30 * 60_000;

/** Where the last good copy of a ledger is kept. */
const copyOf = (file: string): string => file.replace(/\.db$/u, '.kept.db');

/** When the kept copy of a ledger was made; null: there is none. */
export function copiedAt(file: string): number | null {
  const copy = copyOf(file);
  return existsSync(copy) ? Math.round(statSync(copy).mtimeMs) : null;
}

/**
 * Opens a ledger; one that can't be used is told of together with what can be done about it.
 *
 * @param again how to start with the kept copy, as it is typed
 * @throws StartTrouble
 */
export async function openLedger(file: string, again: string): Promise<Ledger> {
  return Ledger.open(file).catch((error: unknown) => {
    if (!(error instanceof StartTrouble) || error.code !== 'damaged') throw error;
    const at = copiedAt(file);
    throw new StartTrouble(
      'damaged',
      at === null
        ? `${error.message} No copy of it is kept. To begin a new one, move that file away and start ` +
            'again: your browser still has all your items, and the marketplaces are asked what is ' +
            'listed.'
        : `${error.message} A good copy from ${new Date(at).toLocaleString('en-GB')} is kept beside ` +
            `it. To go on with that: ${again}. The marketplaces are then asked for all that happened ` +
            'since.',
    );
  });
}

/**
 * Puts the kept copy in the place of a ledger, which is put aside, not thrown away.
 *
 * @returns where the ledger was put; null where there was none
 * @throws StartTrouble where no copy is kept
 */
export async function takeKept(file: string): Promise<string | null> {
  const copy = copyOf(file);
  if (!existsSync(copy))
    throw new StartTrouble(
      'nothingKept',
      `There is no kept copy of the ledger “${file}”. Nothing was changed.`,
    );
  const aside = `${file}.aside-${new Date().toISOString().replace(/[:.]/gu, '-')}`;
  const was = existsSync(file);
  for (const end of ['', '-wal', '-shm'])
    if (existsSync(`${file}${end}`)) await rename(`${file}${end}`, `${aside}${end}`);
  await copyFile(copy, `${file}.part`);
  await rename(`${file}.part`, file);
  return was ? aside : null;
}

/** Keeps a good copy of the ledger beside it, for the day on which the ledger can't be read. */
export class LedgerCopies {
  private timer: NodeJS.Timeout | null = null;

  constructor(
    private readonly ledger: Ledger,
    private readonly file: string,
    private readonly log: Log,
  ) {}

  async start(): Promise<void> {
    if (!this.ledger.isNew) await this.copy();
    this.timer = setInterval(() => void this.copy(), EVERY);
  }

  stop(): void {
    if (this.timer) clearInterval(this.timer);
  }

  /** Makes a copy where there is something new. Without room for one the one before stays. */
  private async copy(): Promise<void> {
    const copy = copyOf(this.file);
    try {
      if ((await this.ledger.lastAt()) > (copiedAt(this.file) ?? 0)) await this.ledger.copyTo(copy);
    } catch (error) {
      await rm(`${copy}.part`, { force: true });
      this.log.fault('copying the ledger', error, { code: databaseCode(error) });
    }
  }
}
