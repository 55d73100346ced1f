const WEIGHTS = [8, 6, 4, 2, 3, 5, 9, 7];

/**
 * Whether a tracking number of the form of UPU S10 (two letters, eight digits, check digit, two letters) is
 * sound. The check digit is 11 less the weighted sum modulo 11; 10 becomes 0 and 11 becomes 5.
 *
 * @returns null for numbers of another form, which prove nothing
 */
export function trackingSound(number: string): boolean | null {
  const digits = /^[A-Z]{2}(\d{8})(\d)[A-Z]{2}$/u.exec(number.replaceAll(/\s/gu, '').toUpperCase());
  if (!digits?.[1] || !digits[2]) return null;
  const sum = [...digits[1]].reduce((total, d, i) => total + Number(d) * (WEIGHTS[i] ?? 0), 0);
  const left = 11 - (sum % 11);
  return Number(digits[2]) === (left === 10 ? 0 : left === 11 ? 5 : left);
}
