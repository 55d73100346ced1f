/** "wool, cotton and linen"; an empty text for nothing. */
export function listed(words: readonly string[], last: 'and' | 'or'): string {
  return words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} ${last} ${words.at(-1)}`;
}

/** "1 item", "3 items". */
export function counted(n: number, one: string): string {
  return n === 1 ? `1 ${one}` : `${n} ${one}s`;
}
