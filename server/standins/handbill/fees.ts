/** What the board keeps: eight in a hundred, at least 0.50, at most 40.00; in cents. */
export function boardFee(priceCents: number): number {
  const eight = Math.floor((priceCents * 8 + 50) / 100);
  return eight < 50 ? 50 : eight > 4_000 ? 4_000 : eight;
}
