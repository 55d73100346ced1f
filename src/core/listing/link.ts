/**
 * Where a page of a marketplace may be opened: only by http(s), at the marketplace's own origin and below its
 * own path. A link that a marketplace, or a person, hands in may lead anywhere; all others are shown as text.
 *
 * @param home where the marketplace's pages are; relative to `here` where they come with the app; null:
 * nobody knows
 * @param here address of the page that shows the link
 */
export function ownAddress(url: string, home: string | null, here: string): string | null {
  if (home === null || !/^(?:https?:|\/)/iu.test(url)) return null;
  try {
    const base = new URL(home, here);
    const to = new URL(url, base.origin === new URL(here).origin ? here : base);
    const own =
      /^https?:$/u.test(to.protocol) &&
      to.origin === base.origin &&
      to.username === '' &&
      to.password === '' &&
      `${to.pathname}/`.startsWith(base.pathname);
    return own ? to.href : null;
  } catch {
    // No address at all.
    return null;
  }
}
