import { firefox } from './firefox';
import { walk } from './walk';
import { webkit } from './webkit';

const say = (line: string) => process.stdout.write(`${line}\n`);
/** Only those named behind the command; all where none is. */
const wanted = process.argv.slice(2).join(' ').toLowerCase();

/** What is said first is the browser, then how far it came: a line a step. */
async function main(): Promise<void> {
  let failed = 0;
  for (const browser of [firefox, webkit].filter((b) => b.name.toLowerCase().includes(wanted)))
    try {
      say(`\n${browser.name}`);
      await walk(browser, (step, ms) => say(`  ${step} (${(ms / 1_000).toFixed(1)} s)`));
    } catch (error) {
      failed += 1;
      console.error(error);
    }
  say(failed === 0 ? '\nThe path can be walked in all of them.' : `\nNot in ${failed} of them.`);
  process.exit(failed === 0 ? 0 : 1);
}

void main();
