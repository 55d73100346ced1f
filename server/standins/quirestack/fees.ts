/** What Quirestack keeps of an order, tax included, in cents. */
export function withheld(rack: string, priceCents: number): number {
  const share = Math.max(60, Math.floor(((priceCents + 280) * 135 + 500) / 1_000));
  const sum = share + (rack === 'pages' ? 75 : 95);
  return sum + Math.floor((sum * 2 + 5) / 10);
}
