import { median, tell } from './figure';
import { timed } from './watch';
import { Attic } from '../e2e/attic';
import { openBrowser, PHONE } from '../e2e/browser';
import { itemPicture } from '../e2e/pictures';
import { ServerProcess } from '../e2e/serverProcess';
import { openShelves, read } from '../server/standins/twinpane/shelves';
import { loadArt } from '../truth/art';
import { drawings } from '../truth/desk/designs';
import { soughtFor } from '../truth/desk/scenes';

/** Pictures that the desk is brought. */
const EACH = 12;
/** Any day will do. */
const NOW = 1_800_000_000_000;

/** How long the desk looks at a picture, and a person on the stall waits from the picture to its price. */
export async function benchLikeness(): Promise<void> {
  const art = await loadArt();
  const shelves = openShelves('assets/twinpane.bin');
  const looks: number[] = [];
  for (const drawing of drawings().slice(0, EACH)) {
    const { picture } = await soughtFor(drawing, art, drawing.no);
    const bytes = picture.toBuffer('image/jpeg', 80);
    looks.push(
      await timed(async () => {
        const sent = read(bytes);
        if (typeof sent === 'string') throw new Error(sent);
        shelves.like(sent, NOW);
      }),
    );
  }
  tell({ name: 'likeness.looked', value: median(looks), unit: 'ms', goal: 250 });
  await benchStall();
}

async function benchStall(): Promise<void> {
  const server = await ServerProcess.start(null);
  const browser = await openBrowser();
  try {
    const attic = await Attic.open({ server, browser }, PHONE);
    await attic.visit('/buying');
    const waits: number[] = [];
    for (const [i, of] of ['boots', 'lamp', 'camera', 'vase', 'satchel'].entries()) {
      const file = await itemPicture(of, 5_100 + i);
      if (i > 0) await attic.press('Put these away');
      waits.push(
        await timed(async () => {
          await attic.choose([file], 'Photograph it');
          await attic.sees('% alike');
        }),
      );
    }
    // From choosing the picture: the phone's own shrinking, both ways, the desk's pause, the finds drawn.
    tell({ name: 'likeness.answered', value: median(waits), unit: 'ms', goal: 2_000 });
  } finally {
    await browser.close();
    await server.kill();
  }
}
