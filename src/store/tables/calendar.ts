import type { EventAttributes } from 'ics';

import { toCome, type ToCome } from '@/core/tables/calendar';
import { useAttic } from '@/store/attic/attic';
import { Expected, fault } from '@/store/base/faults';
import { saveFile } from '@/store/base/files';
import { isoDay } from '@/store/base/isoDay';
import { marketName, useCourier } from '@/store/courier/courierLink';
import { standingOf } from '@/store/derived/standing';
import { nameOf } from '@/store/items/names';

/** How long a meeting is held free, and a listing that goes up, minutes. */
const MEETING = 30;
const GOING_UP = 5;

/** What is planned, as it stands now. */
function toComeNow(now: number): ToCome[] {
  const { items, plans, owners } = useAttic.getState();
  const views = useCourier.getState().items;
  return toCome(items, Object.values(plans), owners, (i) => standingOf(views[i.id]) === 'sold', now);
}

const END_WORDS = { back: 'to go back', given: 'to be given away', bought: 'to be bought' } as const;

function eventOf(one: ToCome): EventAttributes {
  const name = nameOf(one.item);
  const at = new Date(one.at);
  const day = [at.getFullYear(), at.getMonth() + 1, at.getDate()] as const;
  const common = { uid: `${one.uid}@yonder-attic`, productId: '-//Yonder Attic//EN' };
  const timed = { start: one.at, startInputType: 'utc', startOutputType: 'utc' } as const;
  const code = `Code ${one.item.code}`;
  switch (one.sort) {
    case 'goesUp':
      return {
        ...common,
        ...timed,
        duration: { minutes: GOING_UP },
        title: `${name} goes up at ${marketName(one.market)}`,
        description: code,
      };
    case 'meeting':
      return {
        ...common,
        ...timed,
        duration: { minutes: MEETING },
        title: `Meet ${one.who}: ${name}`,
        location: one.place,
        alarms: [
          {
            action: 'display',
            description: `Meet ${one.who}: ${one.place}`,
            trigger: { before: true, minutes: useAttic.getState().settings.remindMinutes },
          },
        ],
        description: one.market === null ? code : `${code}, promised at ${marketName(one.market)}`,
      };
    case 'ending':
      return {
        ...common,
        start: [...day],
        duration: { days: 1 },
        title: `${name}: time of ${one.owner.name} is over, ${END_WORDS[one.owner.atEnd]}`,
        description: code,
      };
  }
}

/**
 * Saves what is planned as a calendar; of meetings a device that keeps it reminds by itself.
 *
 * @returns how many events are in it
 * @throws Expected in words for a person
 * @see RFC 5545
 */
export async function saveCalendar(now: number): Promise<number> {
  const all = toComeNow(now);
  if (all.length === 0) throw new Expected('Nothing is planned: nothing was saved.');
  const { createEvents } = await import('ics');
  const { error, value } = createEvents(all.map(eventOf), { calName: 'Yonder Attic' });
  if (!value) {
    fault('saving a calendar', error ?? new Error('no calendar was made'));
    throw new Expected('The calendar could not be made. Nothing was changed.');
  }
  saveFile(new Blob([value], { type: 'text/calendar;charset=utf-8' }), `calendar-${isoDay(now)}.ics`);
  return all.length;
}
