/** Lets whatever a finger asked for go first, in the middle of long work. */
export function yieldToMain(): Promise<void> {
  return new Promise((done) => setTimeout(done));
}
