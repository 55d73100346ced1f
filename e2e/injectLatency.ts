import type { Page } from 'puppeteer-core';

/** LATE=300 in the environment: so many milliseconds. */
const LATE = Number(process.env.LATE ?? 0);
/**
 * SLOW=3 in the environment: a page computes at a third of its pace. That keeps a core busy, so two at a time
 * are enough.
 */
const SLOW = Number(process.env.SLOW ?? 1);
/** How much more patience a test has then. */
export const SLOWER = Math.max(SLOW, LATE > 0 ? 4 : 1);

/**
 * How long something is waited for, milliseconds, that takes `ms` at worst where a test has the machine to
 * itself. No wait measures speed, it only ends what will never come; a machine that is shared has been seen
 * to give a tenth of its pace.
 */
export const patience = (ms: number) => ms * 3 * SLOWER;

/**
 * Where LATE is set, all that a page waits for comes that much later: answers of the server, what it tells of
 * by itself, the work of workers. A test that looks before what it looks for can be there fails then, and not
 * some day on a busy machine.
 */
export async function injectLatency(page: Page): Promise<void> {
  if (SLOW > 1) await page.emulateCPUThrottling(SLOW);
  if (LATE === 0) return;
  await page.evaluateOnNewDocument((ms: number) => {
    const later = () => new Promise((done) => setTimeout(done, ms * (0.5 + Math.random())));
    const ask = window.fetch;
    window.fetch = async (...what) => {
      await later();
      const answer = await ask(...what);
      await later();
      return answer;
    };
    const tell = Worker.prototype.postMessage;
    // What is said to one worker stays in its order.
    const said = new WeakMap<Worker, Promise<unknown>>();
    Worker.prototype.postMessage = function (this: Worker, ...what: Parameters<typeof tell>) {
      const before = said.get(this) ?? Promise.resolve();
      said.set(
        this,
        Promise.all([before, later()]).then(() => tell.apply(this, what)),
      );
    } as Worker['postMessage'];
    const pipe = ReadableStream.prototype.pipeThrough;
    ReadableStream.prototype.pipeThrough = function <T>(this: ReadableStream, pair: ReadableWritablePair<T>) {
      // The stream of tidings is the only one that is read as text.
      if (!(pair instanceof TextDecoderStream)) return pipe.call(this, pair) as ReadableStream<T>;
      const slow = new TransformStream({
        transform: async (part, on) => {
          await later();
          on.enqueue(part);
        },
      });
      return pipe.call(pipe.call(this, slow), pair) as ReadableStream<T>;
    } as ReadableStream['pipeThrough'];
  }, LATE);
}
