type Heard = (event: { data: unknown }) => void;

/** One end of a line between two: what is said at one end is heard at the other, copied, a moment later. */
class End {
  other: End | null = null;
  private readonly listeners = new Set<Heard>();
  addEventListener(sort: string, heard: Heard) {
    if (sort === 'message') this.listeners.add(heard);
  }
  removeEventListener(_: string, heard: Heard) {
    this.listeners.delete(heard);
  }
  postMessage(said: unknown) {
    const data = structuredClone(said);
    setTimeout(() => this.other?.hear(data), 0);
  }
  start() {}
  private hear(data: unknown) {
    for (const heard of this.listeners) heard({ data });
  }
}

/** What the modules of workers offer, by name; filled as they are loaded. */
let offered: unknown = null;

/** Called in a worker's module instead of telling its own page: what it offers. */
export function offer(api: unknown): void {
  offered = api;
}

const loaded = new Map<string, unknown>();

/**
 * A worker without a thread: its module runs here, and all that it is told and says goes the way it would.
 */
class SameThreadWorker extends End {
  constructor(address: URL) {
    super();
    const name = /([a-z]+)\.worker/u.exec(String(address))?.[1] ?? '';
    if (!loaded.has(name)) {
      offered = null;
      jest.requireActual(`../workers/${name}.worker`);
      loaded.set(name, offered);
    }
    this.other = new End();
    this.other.other = this;
    jest.requireActual<typeof import('comlink')>('comlink').expose(loaded.get(name), this.other as never);
  }
  terminate() {
    this.other = null;
  }
}
Object.assign(globalThis, { Worker: SameThreadWorker });
