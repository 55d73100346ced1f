import type { Page } from 'puppeteer-core';

import type { Attic } from './attic';

/** Those that a jumper is listed on. */
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

/** Opens a jumper that has all that is asked for, and waits until its pictures are there. */
export async function openReady(attic: Attic, title: string): Promise<void> {
  await attic.openItem(title);
  await attic.page.waitForSelector('::-p-aria(Send to 3 marketplaces):not([aria-disabled=true])');
}

/** The same, sent, and waited for until it is live everywhere. */
export async function listJumper(attic: Attic, title: string): Promise<void> {
  await openReady(attic, title);
  await attic.press('Send to 3 marketplaces');
  for (const market of MARKETS) await attic.waitForSign(`${market}: live`);
}

/**
 * Presses the one button of a public page. Such pages run no scripts, so a person's click is all there is.
 */
export async function pressThere(page: Page, name: string): Promise<void> {
  const button = await page.waitForSelector('form button');
  expect(await button?.evaluate((b) => b.textContent)).toBe(name);
  await Promise.all([page.waitForNavigation(), button?.click()]);
}
