/** How far the time of day has to be ahead before the clock is put forward, milliseconds. */
const FAR_AHEAD = 60_000;

/**
 * The time of day when it began, and from then on a clock that nobody can set: jumps must not shorten any
 * waiting, and one that is set back must not keep the courier from working until it has caught up.
 */
export class SteadyClock {
  private from: number;

  /**
   * @param wall the machine's time of day, milliseconds since 1970
   * @param steady milliseconds since any moment; it never jumps, and may stand still while the machine sleeps
   */
  constructor(
    private readonly wall: () => number = Date.now,
    private readonly steady: () => number = () => performance.now(),
  ) {
    this.from = wall() - steady();
  }

  /** Milliseconds since 1970, whole; never less than before. */
  now(): number {
    return Math.round(this.from + this.steady());
  }

  /** From now on it tells no time before this one, milliseconds since 1970. */
  notBefore(at: number): void {
    this.from = Math.max(this.from, at - this.steady());
  }

  /**
   * Puts it forward where the time of day is far ahead: the machine slept, or its clock was put right.
   *
   * @returns whether it was; then all waiting that went on is worth nothing
   */
  catchUp(): boolean {
    const ahead = this.wall() - this.now();
    if (ahead < FAR_AHEAD) return false;
    this.from += ahead;
    return true;
  }
}
