import 'fake-indexeddb/auto';

// jsdom has no structuredClone of its own; Node's does for what the stores keep.
globalThis.structuredClone ??= (value: unknown) => JSON.parse(JSON.stringify(value)) as never;

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
