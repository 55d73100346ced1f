/** What Oldhollow keeps of a sale, tax included, in cents. */
export function keeps(priceCents: number, postageCents: number, daysUp: number): number {
  const shelf = Math.ceil(Math.max(1, daysUp) / 90) * 22;
  let share = 0;
  for (let cent = 0; cent < priceCents; cent += 1) share += cent < 10_000 ? 950 : cent < 100_000 ? 700 : 400;
  const payment = Math.floor(((priceCents + postageCents) * 310) / 10_000 + 0.5) + 25;
  const sum = shelf + Math.floor(share / 10_000 + 0.5) + payment;
  return sum + Math.floor(sum / 5 + 0.5);
}
