/** Stands in for the router in tests of single pages: what is open there, and where the person was sent. */
let params: Record<string, string> = {};
export const went: string[] = [];

/** What the address of the page under test says. */
export function setParams(now: Record<string, string>): void {
  params = now;
}

const go = (to: string | { pathname: string; params?: Record<string, string> }) => {
  went.push(typeof to === 'string' ? to : `${to.pathname}?${new URLSearchParams(to.params).toString()}`);
};
const router = {
  navigate: go,
  push: go,
  replace: go,
  back: () => go('back'),
  canGoBack: () => true,
  setParams: (more: Record<string, string>) => Object.assign(params, more),
};

export const useRouter = () => router;
export const useLocalSearchParams = () => params;
export const usePathname = () => '/';
export const Slot = () => null;
