/** What Quirestack keeps of an order, tax included, in cents. */
export function withheld(rack: string, priceCents: number, fromDepot = false): number {
  const share = Math.max(60, Math.floor(((priceCents + (fromDepot ? 0 : 280)) * 135 + 500) / 1_000));
  const sum = share + (rack === 'pages' ? 75 : 95) + (fromDepot ? 190 : 0);
  return sum + Math.floor((sum * 2 + 5) / 10);
}
