/**
 * FNV-1a over UTF-16 code units, twice with different seeds, 16 hexadecimal digits: to tell whether a text is
 * still the same, not for security.
 *
 * @see Fowler, Noll, Vo: the offset basis and prime of 32 bits
 */
export function hashOf(text: string): string {
  return [0x811c9dc5, 0x01000193].map((seed) => fnv(text, seed).toString(16).padStart(8, '0')).join('');
}

function fnv(text: string, seed: number): number {
  let hash = seed;
  for (let i = 0; i < text.length; i += 1) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193) >>> 0;
  return hash;
}
