/** A whole number that was typed behind `--name`; ends the process where it is none. */
export function argument(name: string, otherwise: number): number {
  const at = process.argv.indexOf(`--${name}`);
  const value = at < 0 ? otherwise : Number(process.argv[at + 1]);
  if (Number.isInteger(value) && value >= 0) return value;
  console.error(`--${name} takes a whole number`);
  process.exit(2);
}
