/** Words that begin a line of their own: "to fetch" is "To fetch". */
export function sentence(words: string): string {
  return words.charAt(0).toLocaleUpperCase('en') + words.slice(1);
}
