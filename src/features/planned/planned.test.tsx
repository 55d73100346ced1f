import { planId } from '@/contract/records';
import { useAttic } from '@/store/attic/attic';
import { commandsIn, listed, told } from '@/testing/courier';
import { fill, open, press, sees } from '@/testing/page';
import { went } from '@/testing/router';
import { manyItems } from '@/testing/world';

import { Planned } from './Planned';

const AT = new Date(Date.now() + 3 * 86_400_000).setHours(18, 20, 0, 0);
const waiting = (market: string, at: number) =>
  listed(market, { state: 'onItsWay', doing: 'publish', nextTryAt: at });

it('what goes when is shown on a calendar, by the hour and in a list, in order of time', async () => {
  const many = await manyItems();
  told(many.id('Kittiwake'), { listings: [waiting('brackenmoor', AT + 9_000)] });
  told(many.id('Ostler'), { listings: [waiting('brackenmoor', AT), waiting('threadwick', AT)] });
  await open(Planned);
  const lines = [...document.querySelectorAll('[aria-label="Planned listings"] [role=listitem]')];
  expect(lines.map((l) => l.textContent?.slice(0, 6))).toEqual(['Ostler', 'Kittiw']);
  expect(document.querySelector('[role=listitem][aria-label="18:00"]')?.textContent).toContain('18:20Ostler');
  await press(/^Ostler/u);
  expect(went.at(-1)).toBe(`/item/${many.id('Ostler')}?at=markets`);
});

it('one is pressed for another day, with all of its marketplaces, without being sent anew', async () => {
  const many = await manyItems();
  const id = many.id('Ostler');
  told(id, { listings: [waiting('brackenmoor', AT), waiting('threadwick', AT)] });
  const asked = await open(Planned);
  await press(/^18:20, Ostler/u);
  const later = new Date(AT + 86_400_000).setHours(9, 40, 0, 0);
  const text = new Date(later - new Date(later).getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
  await fill('It goes on', text);
  expect(commandsIn(asked)).toEqual(
    ['brackenmoor', 'threadwick'].map((market) => ({ type: 'retime', item: id, market, notBefore: later })),
  );
  expect(useAttic.getState().plans[planId(id, 'brackenmoor')]?.startAt).toBe(later);
});

it('one that left meanwhile stays as it is, and that is said', async () => {
  const many = await manyItems();
  told(many.id('Ostler'), { listings: [waiting('brackenmoor', AT)] });
  await open(Planned, { answers: { '/commands': () => ({ accepted: false, refusal: 'notPlanned' }) } });
  await press(/^18:20, Ostler/u);
  await press('Send it at once');
  await sees('It no longer waits for its time');
});
