/** Answers with one of them set, or taken away where it is null. */
export function withAnswer(
  answers: Readonly<Record<string, string>>,
  id: string,
  value: string | null,
): Record<string, string> {
  const { [id]: _, ...rest } = answers;
  return value === null ? rest : { ...rest, [id]: value };
}
