import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import pino from 'pino';
import roll from 'pino-roll';

/**
 * Where faults are written down that nobody expected. What a person can do something about is told to the
 * person instead.
 */
export interface Log {
  /**
   * Something that should not happen: kept with its stack.
   *
   * @param where what was being done
   * @param about ids and codes, never words of people
   */
  fault(where: string, error: unknown, about?: Readonly<Record<string, string | number | null>>): void;
  /** Something worth knowing afterwards. */
  note(what: string, about?: Readonly<Record<string, string | number | null>>): void;
  close(): void;
}

/** Longest text kept of an error and its stack. */
const MOST = 4_000;

/** Without addresses of people and without keys: a log is sent along when something is asked about it. */
function scrubbed(text: string): string {
  return text
    .slice(0, MOST)
    .replace(/[^\s@"'<>]+@[^\s@"'<>]+/gu, '…@…')
    .replace(/[A-Za-z0-9_-]{28,}/gu, '…');
}

function told(error: unknown): { type: string; message: string; stack: string; code: string | null } {
  if (!(error instanceof Error))
    return { type: typeof error, message: scrubbed(String(error)), stack: '', code: null };
  const code = 'code' in error && typeof error.code === 'string' ? error.code : null;
  return {
    type: error.constructor.name,
    message: scrubbed(error.message),
    stack: scrubbed(error.stack ?? ''),
    code,
  };
}

/** Writes to the console alone: for tests and tools. */
export const consoleLog: Log = {
  fault: (where, error, about = {}) => console.error(`${where}:`, error, about),
  note: () => undefined,
  close: () => undefined,
};

/** A log in files of at most 2 MB beside the data, the newest four of them kept. */
export async function openLog(folder: string): Promise<Log> {
  mkdirSync(folder, { recursive: true });
  const stream = await roll({
    file: join(folder, 'server'),
    extension: '.log',
    size: '2m',
    limit: { count: 3, removeOtherLogFiles: true },
    mkdir: true,
  });
  // A full disk takes no lines either: that is said where it matters, and must not end the process.
  stream.on('error', () => undefined);
  const log = pino({ base: null, timestamp: pino.stdTimeFunctions.isoTime }, stream);
  return {
    fault: (where, error, about = {}) => log.error({ ...about, where, error: told(error) }, 'fault'),
    note: (what, about = {}) => log.info(about, what),
    close: () => stream.end(),
  };
}
