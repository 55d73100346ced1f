/** What jsdom lacks of a browser and pages ask for: sizes, watchers of sizes, addresses of bytes. */
export function furnishDom(width = 390, height = 844): void {
  const size = (name: string, value: number) =>
    Object.defineProperty(HTMLElement.prototype, name, { configurable: true, get: () => value });
  // Lists draw what is in sight of a page of this size.
  for (const name of ['offsetWidth', 'clientWidth']) size(name, width);
  for (const name of ['offsetHeight', 'clientHeight']) size(name, height);
  // The sizes that React Native's web engine goes by.
  size('scrollHeight', height);
  Object.defineProperty(document.documentElement, 'clientWidth', { configurable: true, get: () => width });
  Object.defineProperty(document.documentElement, 'clientHeight', { configurable: true, get: () => height });
  Object.assign(window, { innerWidth: width, innerHeight: height });
  globalThis.ResizeObserver ??= Watcher as never;
  globalThis.IntersectionObserver ??= Watcher as never;
  HTMLElement.prototype.scrollTo ??= () => undefined;
  HTMLElement.prototype.scrollIntoView ??= () => undefined;
  // Nobody asked for less motion.
  window.matchMedia ??= () => ({ matches: false }) as never;
  let addresses = 0;
  URL.createObjectURL ??= () => `blob:${(addresses += 1)}`;
  URL.revokeObjectURL ??= () => undefined;
  window.dispatchEvent(new Event('resize'));
}

class Watcher {
  observe() {}
  unobserve() {}
  disconnect() {}
  takeRecords() {
    return [];
  }
}
