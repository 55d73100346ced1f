/** Answers with one of them set, or taken away where it is null. */
export function withAnswer(
  answers: Readonly<Record<string, string>>,
  id: string,
  value: string | null,
): Record<string, string> {
  const { [id]: _, ...rest } = answers;
  return value === null ? rest : { ...rest, [id]: value };
}

/** The same after a change of one, from its own value or what stands there without; empty is taken away. */
export function withChanged(
  answers: Readonly<Record<string, string>>,
  id: string,
  without: string | undefined,
  change: (now: string) => string,
): Record<string, string> {
  const value = change(answers[id] ?? without ?? '');
  return withAnswer(answers, id, value === '' ? null : value);
}
