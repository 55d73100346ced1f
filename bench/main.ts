import { benchClosing } from './closing';
import { benchCourier } from './courier';
import { benchCrosslist } from './crosslist';
import { benchEyes } from './eyes';
import { benchLedger } from './ledger';
import { benchLikeness } from './likeness';
import { benchPictures } from './pictures';
import { benchStock } from './stock';
import { benchTables } from './tables';
import { benchWords } from './words';

const BENCHES: Record<string, () => Promise<void>> = {
  closing: benchClosing,
  courier: benchCourier,
  eyes: benchEyes,
  ledger: benchLedger,
  likeness: benchLikeness,
  pictures: benchPictures,
  stock: benchStock,
  tables: benchTables,
  words: benchWords,
  crosslist: benchCrosslist,
};

async function main(): Promise<void> {
  const wanted = process.argv.slice(2);
  const unknown = wanted.find((name) => !(name in BENCHES));
  if (unknown) {
    console.error(`There is no benchmark “${unknown}”; there are: ${Object.keys(BENCHES).join(', ')}.`);
    process.exit(2);
  }
  for (const [name, run] of Object.entries(BENCHES))
    if (wanted.length === 0 || wanted.includes(name)) await run();
}

void main();
