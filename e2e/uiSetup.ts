import 'fake-indexeddb/auto';

/** jsdom has no structuredClone of its own: copies what the stores keep, bytes included. */
function copied(value: unknown): unknown {
  if (typeof value === 'function') throw new Error('a function can’t be copied');
  if (typeof value !== 'object' || value === null || value instanceof Blob) return value;
  if (value instanceof ArrayBuffer) return value.slice(0);
  if (Array.isArray(value)) return value.map(copied);
  return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, copied(inner)]));
}
globalThis.structuredClone ??= copied as typeof structuredClone;

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

// jsdom knows no other pages.
globalThis.BroadcastChannel ??= class {
  onmessage = null;
  postMessage() {}
  close() {}
} as never;

jest.mock('expo-font', () => ({
  ...jest.requireActual('expo-font'),
  isLoaded: () => true,
  loadAsync: async () => undefined,
}));
