/** "wool, cotton and linen"; an empty text for nothing. */
export function listed(words: readonly string[], last: 'and' | 'or'): string {
  return words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} ${last} ${words.at(-1)}`;
}
