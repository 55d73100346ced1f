import { create } from 'zustand';

const KEY = 'yonder-attic-many';

/** The items that are being filled in together, as long as this page's tab is open. */
export const useMany = create<{ ids: readonly string[] }>(() => ({ ids: remembered() }));

export function fillInMany(ids: readonly string[]): void {
  useMany.setState({ ids });
  try {
    sessionStorage.setItem(KEY, JSON.stringify(ids));
  } catch {
    // Only a reload would miss it.
  }
}

function remembered(): readonly string[] {
  try {
    const ids: unknown = JSON.parse(sessionStorage.getItem(KEY) ?? '[]');
    return Array.isArray(ids) ? ids.filter((id) => typeof id === 'string') : [];
  } catch {
    // Nothing that can be read was left there: then nothing is being filled in.
    return [];
  }
}
