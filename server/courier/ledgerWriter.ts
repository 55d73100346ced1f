import type { CourierHealth } from '@/contract/courier';
import type { WriteTrouble } from '@/contract/troubles';
import type { CourierEvent } from '@/core/courier/types';
import { waitAfter } from '@/core/courier/waiting';

import type { CourierLedger, Entry } from './ledger';
import type { StoppableTimers } from './timers';
import type { Log } from '../faults/log';
import { databaseCode } from '../faults/startTrouble';

/** Nothing can be written just now, so nothing new is taken on. The message is for a person. */
export class CannotWrite extends Error {
  /** @param why null: not known any more */
  constructor(readonly why: WriteTrouble | null) {
    super(`the ledger cannot be written: ${why}`);
  }
}

export type Unwritten = Entry & { at: number };

interface WriterOptions {
  ledger: CourierLedger;
  timers: StoppableTimers;
  log: Log;
  now: () => number;
  /** Runs its own tries to write in turn with the events. */
  inTurn: (work: () => Promise<void>) => Promise<void>;
  /** What could not be kept did not happen: back to what the ledger holds. */
  goBack: () => Promise<void>;
  /** It cannot write, or cannot for another reason. */
  onTrouble: () => void;
  /** All is written again. @param seq the newest line; null: there was nothing to be written */
  onWritten: (seq: number | null) => void;
}

/** Writes down what happened; while that can't be done, what marketplaces tell goes on in memory. */
export class LedgerWriter {
  /** While nothing can be written: why. */
  private trouble: { code: WriteTrouble; since: number; tries: number } | null = null;
  /** What happened meanwhile, to be written down as soon as that is possible. */
  private waiting: Unwritten[] = [];

  constructor(private readonly by: WriterOptions) {}

  get blocked(): boolean {
    return this.trouble !== null;
  }

  get unwritten(): readonly Unwritten[] {
    return this.waiting;
  }

  health(): CourierHealth {
    return {
      cannotWrite: this.trouble && this.trouble.code,
      since: this.trouble?.since ?? null,
      unreadLines: this.by.ledger.unread.size,
    };
  }

  refusal(): CannotWrite {
    return new CannotWrite(this.trouble?.code ?? null);
  }

  /**
   * Writes down what happened. Where that can't be done, what is only told of goes on in memory: selling
   * twice is worse than forgetting in a crash what will be told again. What would let out something new did
   * not happen.
   *
   * @returns the newest line, or null where it is in memory alone; false: it is not to be acted on
   * @throws CannotWrite for a command; whatever else keeps the ledger from writing
   */
  async keep(
    event: CourierEvent,
    entries: Entry[],
    dispatched: Entry[],
    at: number,
  ): Promise<number | null | false> {
    if (!this.trouble)
      try {
        return await this.by.ledger.append([...entries, ...dispatched], at);
      } catch (error) {
        const code = databaseCode(error);
        if (code === null || event.type === 'command' || dispatched.length > 0) await this.by.goBack();
        if (code === null) throw error;
        this.begin(code, error);
        if (event.type === 'command') throw this.refusal();
        if (dispatched.length > 0) return false;
      }
    this.waiting.push(...entries.map((entry) => ({ ...entry, at })));
    return null;
  }

  private begin(code: WriteTrouble, error: unknown): void {
    this.trouble = { code, since: this.by.now(), tries: 1 };
    this.by.log.fault('writing the ledger', error, { code });
    this.by.onTrouble();
    this.writeLater(this.trouble.tries);
  }

  private writeLater(tries: number): void {
    const { timers, inTurn, log } = this.by;
    timers.after(waitAfter(tries, 'ledger'), () => {
      inTurn(() => this.writeAgain()).catch((error: unknown) => log.fault('the courier', error));
    });
  }

  /** Tries to write what happened meanwhile; once that went well all is as before. */
  private async writeAgain(): Promise<void> {
    const { ledger, timers, log, now } = this.by;
    const { trouble } = this;
    if (!trouble || timers.stopped) return;
    const written = [...this.waiting];
    let seq: number | null = null;
    try {
      if (written.length > 0) seq = await ledger.append(written, now());
      else await ledger.tryWriting();
    } catch (error) {
      const code = databaseCode(error) ?? trouble.code;
      if (databaseCode(error) === null) log.fault('writing the ledger again', error);
      this.trouble = { ...trouble, code, tries: trouble.tries + 1 };
      if (code !== trouble.code) this.by.onTrouble();
      this.writeLater(this.trouble.tries);
      return;
    }
    this.waiting = [];
    this.trouble = null;
    log.note('the ledger can be written again', { lines: written.length });
    this.by.onWritten(seq);
  }
}
