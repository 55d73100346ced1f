/** Whether two words are the same but for case and spaces around them. */
export function sameWord(a: string, b: string): boolean {
  return a.trim().toLocaleLowerCase('en') === b.trim().toLocaleLowerCase('en');
}
