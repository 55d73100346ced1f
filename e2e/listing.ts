import type { Attic } from './attic';
import { garmentPicture } from './pictures';

export const MARKETS = ['Brackenmoor', 'Threadwick', 'Nearstile'] as const;

/** Everything the three marketplaces ask of a jumper, typed by a person. */
export async function fillInTheSheet(attic: Attic): Promise<void> {
  await attic.press('Jumper');
  await attic.fill('Brand', 'Kittiwake Mills');
  await attic.press('Who it is for: Men');
  await attic.fill('Size on the label', 'M');
  await attic.fill('Colour', 'Navy');
  await attic.press('Material: Wool');
  await attic.press('Lightly used');
  await attic.addFlaw('darned', 'right elbow', 'Shows', '4.2');
  await attic.fill('Pit to pit', '54');
  await attic.fill('Length', '68,5');
  await attic.fill('Title', 'Kittiwake Mills gansey jumper, navy wool, men’s size M');
  await attic.press('Write the description from the facts');
  await attic.fill('Cost', '6');
  await attic.fill('Price', '48');
  await attic.fill('Weight packed', '820');
  await attic.fill('Spot', 'A3-12');
}

/** Four pictures of a jumper, its sheet filled in, wanted on all three; not sent yet. */
export async function prepareJumper(attic: Attic, title: string): Promise<void> {
  await attic.go('Intake');
  await attic.choose([
    await garmentPicture('front.jpg', {}, 1),
    await garmentPicture('back.jpg', { side: 'back' }, 2),
    await garmentPicture('label.jpg', { zoom: 3, at: [500, 190] }, 3),
    await garmentPicture('flaw.jpg', { zoom: 3.6, at: [216, 556] }, 4),
  ]);
  await attic.sees('Saved, 4 pictures');
  await attic.press('Fill in its sheet');
  await fillInTheSheet(attic);
  await attic.fill('Title', title);
  for (const market of MARKETS) await attic.press(`List it on ${market}`);
  const answered = (await attic.text()).includes('Where to meet: Nearstile asks.');
  if (answered) await attic.press('Harbour steps');
}

/** The same, sent, and waited for until it is live everywhere. */
export async function listJumper(attic: Attic, title: string): Promise<void> {
  await prepareJumper(attic, title);
  await attic.press('Send to 3 marketplaces');
  for (const market of MARKETS) await attic.waitForWindow(`${market}: live`);
}
