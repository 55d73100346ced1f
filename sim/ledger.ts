import type { CommandAnswer } from '@/contract/courier';
import type { CourierEvent } from '@/core/courier/types';

import type { CourierLedger, Entry, KeptSnapshot, Line } from '../server/courier/ledger';

/** What the embedded database says when the disk is full. */
const FULL = Object.assign(new Error('SQLITE_FULL: database or disk is full'), { code: 'SQLITE_FULL' });

/** What happened while nothing could be written says when that was. */
export type DatedEntry = Entry & { at?: number };

interface SimLedgerHooks {
  isFull: () => boolean;
  /** Power goes while these are written: they are not there afterwards. */
  isTorn: (entries: readonly Entry[]) => boolean;
  /** Takes some out before they are written, to prove that the judge notices. */
  spoil: (entries: readonly DatedEntry[]) => readonly DatedEntry[];
  onKept: (event: CourierEvent, at: number) => void;
  /** The state after some of the lines, where an opening is to begin with that. */
  snapshot: (lines: readonly Line[]) => { seq: number; body: KeptSnapshot } | null;
}

/** The ledger's lines as a disk keeps them: they outlive the process. */
export class SimLedger {
  lines: Line[] = [];
  private readonly answers = new Map<string, CommandAnswer>();

  constructor(private readonly hooks: SimLedgerHooks) {}

  /** Every line is lost. */
  lose(): void {
    this.lines = [];
    this.answers.clear();
  }

  lastAt(): number {
    return this.lines.at(-1)?.at ?? 0;
  }

  /**
   * The ledger as one process has it open.
   *
   * @param isAlive whether that process still runs: a killed one writes nothing, and hears no answer
   */
  openedBy(isAlive: () => boolean): CourierLedger {
    const { hooks } = this;
    const lines = () => this.lines;
    return {
      unread: new Map(),
      append: async (entries, now) => {
        if (!isAlive()) return neverEnding();
        if (hooks.isFull()) throw FULL;
        if (hooks.isTorn(entries)) return neverEnding();
        for (const { event, answer, at = now } of hooks.spoil(entries)) {
          this.lines.push({ seq: this.lines.length + 1, at, event, ...(answer ? { answer } : {}) });
          if (event.type === 'command' && answer) this.answers.set(event.command.id, answer);
          hooks.onKept(event, at);
        }
        return this.lines.length;
      },
      tryWriting: async () => {
        if (hooks.isFull()) throw FULL;
      },
      async *read(after = 0) {
        yield* lines().slice(after);
      },
      snapshot: async () => hooks.snapshot(lines()),
      lastAt: async () => this.lastAt(),
      answerTo: async (command) => this.answers.get(command) ?? null,
      // None is long enough for that; openings begin with one all the same, see `snapshot`.
      keepSnapshot: async () => undefined,
      keepSheet: async () => undefined,
      sheet: async () => null,
    };
  }
}

function neverEnding(): Promise<never> {
  return new Promise(() => undefined);
}
