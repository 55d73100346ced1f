import { Attic } from './attic';
import { WIDE } from './browser';
import { listJumper } from './listing';
import { garmentPicture } from './pictures';
import { until } from './serverProcess';
import { startTestServer } from './testServer';
import { jumpersReady } from './world';

const TITLE = 'Gansey jumper with a clip to see, size M';
const at = startTestServer({
  world: () => jumpersReady([TITLE]),
  scene: () => garmentPicture('sending.mjpeg', {}, 71),
});

it('sends cleaned-up pictures and the clip, in the new order, and never somebody else’s', async () => {
  const attic = await Attic.open(at, WIDE);
  await listJumper(attic, TITLE);
  await attic.waitForSign('Brackenmoor: live');
  const shown = async (address: string) => {
    const html = await (await fetch(address)).text();
    return {
      // Each stands there once more, large.
      pictures: [...html.matchAll(/src="([^"]*\/picture\/[^"]+)" alt="[^"]* of \d+"/gu)].map(
        (m) => m[1] ?? '',
      ),
      film: /src="([^"]*\/clip\/[^"]+)"/u.exec(html)?.[1] ?? null,
    };
  };
  const address = await attic.publicPage('Brackenmoor');
  const before = await shown(address);
  expect(before.film).toBeNull();

  // The last picture turns out to be somebody else's; the first is made white; a clip is added.
  const count = (await attic.page.$$('[data-picture]')).length;
  await attic.page.locator(`[data-picture]:nth-child(${count})`).click();
  await attic.press('About this picture');
  await attic.press('A stock picture');
  await attic.sees('not sent');
  await attic.page.locator('[data-picture]:nth-child(1)').click();
  await attic.press('Clean up picture 1');
  await attic.press('White');
  await attic.sees('Kept, 1 step');
  await attic.press('Back to the sheet');
  await attic.choose(['e2e/fixtures/turn-around.webm'], 'Add pictures');
  await attic.waitFor('[data-picture][aria-label*=", clip"]');
  await attic.sees('not your own');

  await attic.press('Change it on all 3');
  await until('the listing shows the film', async () => (await shown(address)).film !== null, 60_000);
  const after = await shown(address);
  // One picture fewer, the clip's still one more.
  expect(after.pictures).toHaveLength(before.pictures.length);
  expect(new Set(after.pictures).size).toBe(after.pictures.length);
  const clip = new Uint8Array(
    await (await fetch(new URL(after.film ?? '', at.server.address))).arrayBuffer(),
  );
  expect([...clip.slice(0, 4)]).toEqual([0x1a, 0x45, 0xdf, 0xa3]);
  expect(attic.complaints).toEqual([]);
});
