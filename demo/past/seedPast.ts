import { mkdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

import { pastBefore } from './past';
import type { Ledger } from '../../server/courier/ledger';
import type { World } from '../seedDemo';

/**
 * Gives a ledger that has no line yet the year before today, and keeps what belongs to it for browsers: both
 * are of the same day, whenever a browser comes.
 *
 * @param world the demo world's folder
 * @param data the server's own
 */
export async function seedPast(ledger: Ledger, world: string, data: string): Promise<void> {
  if (!ledger.isNew) return;
  // Written by the demo's own build, of records that their schemas parsed.
  const { settings, past } = JSON.parse(readFileSync(join(world, 'world.json'), 'utf8')) as World;
  if (!past) return;
  const now = Date.now();
  const { records, lines } = pastBefore(
    now,
    settings.codePattern,
    (drawing) => statSync(join(world, 'pictures', `${drawing}-full.jpg`)).size,
  );
  mkdirSync(join(data, 'demo'), { recursive: true });
  writeFileSync(join(data, 'demo', 'past.json'), JSON.stringify(records));
  await ledger.append(lines, now);
}
