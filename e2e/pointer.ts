import type { Page } from 'puppeteer-core';

import { patience, SLOWER } from './injectLatency';

/** What is to be pressed: by a selector, or by what it is called aloud. */
export interface Wanted {
  selector?: string;
  name?: string;
  /** Where it is looked for, by a selector. */
  within?: string;
}

const PATIENCE = patience(30_000);
/**
 * How long something that went away under the finger may take to be there again, drawn anew by what was being
 * loaded.
 */
const BACK_WITHIN = 2_500 * SLOWER;

/**
 * Presses something as a person does: once it is there, in sight, at rest, not switched off and not covered,
 * and nothing else that comes to lie under the finger instead.
 * All of that is found out in the page, frame by frame, so that it costs no more than a person would wait.
 */
export async function pressOn(page: Page, wanted: Wanted): Promise<void> {
  const end = Date.now() + PATIENCE;
  let wentAt: number | null = null;
  let pressed = false;
  for (;;) {
    const place = await page.evaluate(findPlace, wanted);
    // It went away under the finger and stays away: that was what the press did.
    if (!place && wentAt !== null && Date.now() > wentAt + BACK_WITHIN) return;
    if (place) {
      await page.mouse.click(place.x, place.y);
      pressed = true;
    }
    if (pressed) {
      // A page that moved under the finger: the press went elsewhere, and a person presses again. A busy page
      // may take the press only now, and what was pressed is called something else then.
      const hit = await whatWasHit(page);
      if (hit === 'it') return;
      if (hit === 'gone') wentAt ??= Date.now();
    }
    if (Date.now() > end) {
      // A page that is gone says nothing any more.
      const there = await page.evaluate(() => document.body.innerText).catch(() => '');
      throw new Error(`waited in vain to press ${JSON.stringify(wanted)}. It says:\n${there}`);
    }
  }
}

/**
 * What took the press: what was wanted, something else, or what was wanted and went away under it. A page
 * that is gone took it.
 */
function whatWasHit(page: Page): Promise<'it' | 'other' | 'gone'> {
  return page
    .evaluate(async () => {
      const note = window as { pressHit?: boolean; pressedOn?: Element };
      // A busy page takes the press some frames later: asked too early, it would be given twice.
      for (let end = performance.now() + 1_000; note.pressHit === undefined && performance.now() < end;)
        await new Promise((done) => requestAnimationFrame(done));
      const { pressHit, pressedOn } = note;
      return pressHit === true ? 'it' : pressedOn?.isConnected === false ? 'gone' : 'other';
    })
    .catch((error: unknown) => {
      if (/context|navigat|detached|closed/iu.test(String(error))) return 'it';
      throw error;
    });
}

/** In the page: where to press; null when it is not ready within a moment. */
async function findPlace({ selector, name, within }: Wanted): Promise<{ x: number; y: number } | null> {
  const PRESSABLE = 'button, a, input, textarea, select, [role], [aria-label], [tabindex]';
  const frame = () => new Promise((done) => requestAnimationFrame(done));
  const words = (text: string | null) => (text ?? '').replace(/\s+/gu, ' ').trim();
  const called = (element: Element) => {
    const labelled = element.getAttribute('aria-label');
    return labelled === null ? words(element.textContent) : words(labelled);
  };
  const isShown = (element: Element) => {
    const { width, height } = element.getBoundingClientRect();
    return (
      width > 0 && height > 0 && element.checkVisibility() && !element.closest('[aria-hidden=true], [inert]')
    );
  };
  const find = (): Element | undefined => {
    const roots = within ? [...document.querySelectorAll(within)] : [document.body];
    for (const root of roots)
      for (const element of root.querySelectorAll(selector ?? PRESSABLE))
        if ((name === undefined || called(element) === words(name)) && isShown(element)) {
          // The innermost of that name takes the press; what is around it only bears the name too.
          const inner =
            name === undefined
              ? null
              : [...element.querySelectorAll(PRESSABLE)].find((e) => called(e) === words(name) && isShown(e));
          return inner ?? element;
        }
    return undefined;
  };
  for (let tries = 0; tries < 30; tries += 1) {
    const element = find();
    if (!element || element.closest('[aria-disabled=true], [disabled]')) {
      await frame();
      continue;
    }
    let box = element.getBoundingClientRect();
    if (box.top < 0 || box.left < 0 || box.bottom > innerHeight || box.right > innerWidth) {
      element.scrollIntoView({ block: 'center', inline: 'center', behavior: 'instant' });
      await frame();
      box = element.getBoundingClientRect();
    }
    await frame();
    await frame();
    const now = element.getBoundingClientRect();
    const atRest = element.isConnected && Math.abs(now.x - box.x) < 0.5 && Math.abs(now.y - box.y) < 0.5;
    const [x, y] = [now.x + now.width / 2, now.y + now.height / 2];
    const top = document.elementFromPoint(x, y);
    if (atRest && top && (element.contains(top) || top.contains(element))) {
      const note = window as { pressHit?: boolean; pressedOn?: Element };
      Object.assign(note, { pressHit: undefined, pressedOn: undefined });
      // Drawn anew meanwhile, it is another element of the same name.
      const isAlike = (e: Element) =>
        e.matches(selector ?? PRESSABLE) &&
        (name === undefined || called(e) === words(name)) &&
        (!within || e.closest(within) !== null);
      const isOn = ({ target }: Event) => {
        if (!(target instanceof Element)) return false;
        // What is around it took the press only where it lies on top. Otherwise the press began and ended on
        // two things, and went to what is around both.
        if (element.contains(target) || (target === top && target.contains(element))) return true;
        for (let e: Element | null = target; e; e = e.parentElement) if (isAlike(e)) return true;
        return false;
      };
      // A press is down and up on the same: a picture that comes in between moves the button away under the
      // finger.
      const onClick = (event: Event) => {
        if ((note.pressHit = isOn(event))) return;
        // Whatever came to lie there was not meant: a person sees the page move and lifts the finger.
        event.stopImmediatePropagation();
        event.preventDefault();
      };
      const once = { capture: true, once: true };
      addEventListener('click', onClick, once);
      addEventListener('pointerdown', (event) => isOn(event) && (note.pressedOn = element), once);
      return { x, y };
    }
    // Under the bar at the bottom, or a head that stays: brought to the middle.
    element.scrollIntoView({ block: 'center', inline: 'center', behavior: 'instant' });
  }
  return null;
}
