/** What taking a card costs, in cents. */
export function cardCost(totalCents: number): number {
  return Math.floor((totalCents * 16 + 500) / 1_000) + 22;
}
