import * as streams from 'node:stream/web';
import { TextDecoder, TextEncoder } from 'node:util';

import 'fake-indexeddb/auto';

import './worker';

// jsdom has none.
Object.assign(globalThis, { TextDecoder, TextEncoder, ...streams });

/** jsdom has no structuredClone of its own: copies what the stores keep, bytes included. */
function copied(value: unknown): unknown {
  if (typeof value === 'function') throw new Error('a function can’t be copied');
  if (typeof value !== 'object' || value === null || value instanceof Blob) return value;
  if (value instanceof ArrayBuffer) return value.slice(0);
  if (ArrayBuffer.isView(value)) return (value as Uint8Array).slice();
  if (Array.isArray(value)) return value.map(copied);
  // Pictures and their like are handed over, not copied.
  if (value.constructor?.name !== 'Object') return value;
  return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, copied(inner)]));
}
globalThis.structuredClone ??= copied as typeof structuredClone;

// Every test file begins at ten in the morning of this very day, by a clock that goes on: what is an hour
// away is still today, and what was a minute ago is not yesterday.
const { now } = Date;
const ahead = new Date().setHours(10, 0, 0, 0) - now();
Date.now = () => now() + ahead;
globalThis.Date = new Proxy(Date, {
  construct: (real, when: number[]) =>
    when.length === 0 ? new real(real.now()) : new real(...(when as [number])),
});

// jsdom's Blobs can't be read but by a FileReader.
function read(blob: Blob, how: 'readAsArrayBuffer' | 'readAsText'): Promise<unknown> {
  return new Promise((done, fail) => {
    const reader = new FileReader();
    reader.onload = () => done(reader.result);
    reader.onerror = () => fail(reader.error ?? new Error('not read'));
    reader[how](blob);
  });
}
Blob.prototype.arrayBuffer ??= function (this: Blob) {
  return read(this, 'readAsArrayBuffer') as Promise<ArrayBuffer>;
};
Blob.prototype.text ??= function (this: Blob) {
  return read(this, 'readAsText') as Promise<string>;
};

// An answer, as far as it is used for what it holds.
globalThis.Response ??= class {
  constructor(
    private readonly stream: ReadableStream<Uint8Array<ArrayBuffer>>,
    private readonly about: { headers?: Record<string, string> } = {},
  ) {}
  async blob() {
    const parts: Uint8Array<ArrayBuffer>[] = [];
    for (const reader = this.stream.getReader(); ;) {
      const { done, value } = await reader.read();
      if (done) return new Blob(parts, { type: this.about.headers?.['Content-Type'] ?? '' });
      parts.push(value);
    }
  }
} as never;

// jsdom knows no other pages.
globalThis.BroadcastChannel ??= class {
  onmessage = null;
  postMessage() {}
  close() {}
} as never;

jest.mock('expo-font', () => ({
  ...jest.requireActual('expo-font'),
  isLoaded: () => true,
  useFonts: () => [true, null],
  loadAsync: async () => undefined,
}));

// Pages are tried one by one: where they send the person is looked at, not followed.
jest.mock('expo-router', () => jest.requireActual('./router'));

// Workers run beside the page; here they run in it, spoken to as ever.
jest.mock('comlink', () => {
  const comlink = jest.requireActual('comlink');
  const { offer } = jest.requireActual('./worker');
  return {
    ...comlink,
    expose: (api: unknown, to?: unknown) => (to ? comlink.expose(api, to) : offer(api)),
  };
});

/* eslint-disable no-console */
// Words of libraries to each other, and to whoever writes tests.
const silent = (how: 'warn' | 'error', words: RegExp) => {
  const say = console[how];
  console[how] = (...said: unknown[]) => {
    if (!words.test(String(said[0]))) say(...said);
  };
};
silent('warn', /^props\.pointerEvents is deprecated/u);
silent('error', /was not wrapped in act\(/u);

// React writes down the stack of whoever made an element, for the first thousands a second: a sixth of the
// time here.
const { __CLIENT_INTERNALS_DO_NOT_USE_OR_WARN_USERS_THEY_CANNOT_UPGRADE: react } =
  jest.requireActual('react');
Object.defineProperty(react, 'recentlyCreatedOwnerStacks', { get: () => Infinity, set: () => undefined });
