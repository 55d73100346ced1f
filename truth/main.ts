import { loadArt } from './art';
import { colouringFigures } from './colouring';
import { cuttingFigures } from './cutting';
import { FONTS, loadFonts } from './fonts';
import { judgingFigures } from './judging';
import { likenessFigures } from './likeness';
import { measuringFigures } from './measuring';
import { readingFigures } from './reading';
import { splittingFigures } from './several';
import { showingFigures } from './showing';
import type { Verdict } from './verdict';

/**
 * `npm run truth`: how well pictures are seen that nobody tuned for. One JSON line a figure. `--tuning`
 * looks at the seeds that may be tuned on, `--short` at a few of them; names of parts (judging,
 * reading, showing, splitting, colour, measuring, cutting, likeness) at these only.
 */
async function main(flags: readonly string[]): Promise<void> {
  const art = await loadArt();
  loadFonts();
  const isShort = flags.includes('--short');
  const from = flags.includes('--tuning') || isShort ? 0 : REPORTED;
  const letters = from === REPORTED ? FONTS.reported : FONTS.tuning;
  const tell = ({ name, value, unit, goal, holds }: Verdict) =>
    console.log(JSON.stringify({ name, value: Math.round(value * 10_000) / 10_000, unit, goal, holds }));
  const parts = flags.filter((flag) => !flag.startsWith('--'));
  const wants = (part: string) => parts.length === 0 || parts.includes(part);
  if (wants('judging'))
    for (const figure of await judgingFigures(art, {
      from,
      sets: isShort ? 12 : 72,
      letters,
    }))
      tell(figure);
  if (wants('reading'))
    for (const figure of await readingFigures(art, {
      from,
      ...(isShort ? { labels: 14, boards: 6, barcodes: 5 } : { labels: 60, boards: 40, barcodes: 30 }),
      letters,
    }))
      tell(figure);
  if (wants('showing'))
    for (const figure of await showingFigures(art, { from, each: isShort ? 4 : 60, letters })) tell(figure);
  if (wants('splitting'))
    for (const figure of await splittingFigures(art, { from, sessions: isShort ? 2 : 20, letters }))
      tell(figure);
  if (wants('colour'))
    for (const figure of await colouringFigures(art, { from, tens: isShort ? 3 : 20 })) tell(figure);
  if (wants('measuring'))
    for (const figure of await measuringFigures(art, {
      from,
      scenes: isShort ? 6 : 60,
      empty: isShort ? 2 : 24,
    }))
      tell(figure);
  if (wants('cutting'))
    for (const figure of await cuttingFigures(art, { from, each: isShort ? 4 : 30 })) tell(figure);
  if (wants('likeness'))
    for (const figure of await likenessFigures(art, {
      from,
      ...(isShort ? { every: 3, each: 1, strangers: 40 } : { every: 1, each: 6, strangers: 330 }),
    }))
      tell(figure);
}

/** Seeds from here on are never looked at while anything is tuned. */
const REPORTED = 10_000;

main(process.argv.slice(2)).catch((error: unknown) => {
  console.error(error);
  process.exit(1);
});
