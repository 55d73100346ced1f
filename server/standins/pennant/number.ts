const WEIGHTS = [8, 6, 4, 2, 3, 5, 9, 7];

/**
 * A tracking number after UPU S10: two letters, a serial of eight digits, its check digit, a country code
 * (here one nobody has).
 */
export function trackingNumber(serial: number): string {
  const digits = String(serial).padStart(8, '0');
  const sum = [...digits].reduce((total, d, i) => total + Number(d) * (WEIGHTS[i] ?? 0), 0);
  const left = 11 - (sum % 11);
  const check = left === 10 ? 0 : left === 11 ? 5 : left;
  return `PN${digits}${check}QZ`;
}
