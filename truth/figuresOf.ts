import { execFile } from 'node:child_process';
import { promisify } from 'node:util';

import type { Verdict } from './verdict';

/**
 * What `npm run truth` prints, from a process of its own: inside the test runner's sandbox pixels take
 * ten times as long.
 */
export async function figuresOf(...flags: readonly string[]): Promise<Verdict[]> {
  const run = promisify(execFile);
  const { stdout } = await run(process.execPath, ['--import', 'tsx', 'truth/main.ts', ...flags]);
  return (
    stdout
      .trim()
      .split('\n')
      // It prints nothing else.
      .map((line) => JSON.parse(line) as Verdict)
  );
}
