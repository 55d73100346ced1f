import { meetingsSoon } from '@/core/holds/soon';
import { useAttic } from '@/store/attic/attic';
import { repeating } from '@/store/base/repeating';
import { nameOf } from '@/store/items/names';
import { meetingSoonWords } from '@/wording/meeting';

/** How often it is looked whether a meeting is near, milliseconds. */
const EVERY = 30_000;

/** What a device lets a page tell while it is not looked at. `unable`: it has no such thing. */
export type Telling = 'granted' | 'denied' | 'default' | 'unable';

export const mayTell = (): Telling => ('Notification' in window ? Notification.permission : 'unable');

/** Asks whether meetings may be told of while the page is not looked at. */
export async function askToTell(): Promise<Telling> {
  return 'Notification' in window ? Notification.requestPermission() : 'unable';
}

/** From now on meetings that are near are told by the device, each once. @returns stops */
export function tellOfMeetings(): () => void {
  const told = new Set<string>();
  return repeating(
    'telling of meetings',
    async () => {
      if (mayTell() !== 'granted') return;
      const { items, settings } = useAttic.getState();
      for (const { item, hold, meet } of meetingsSoon(
        Object.values(items),
        Date.now(),
        settings.remindMinutes,
      )) {
        const tag = `meeting ${item.id} ${meet.at}`;
        if (told.has(tag)) continue;
        told.add(tag);
        const name = `${item.code} ${nameOf(item)}`;
        await tell(meetingSoonWords({ who: hold.who, meet, name, spot: item.spot }, settings.currency), tag);
      }
    },
    { first: 5_000, every: EVERY },
  );
}

/** Phones let only a service worker tell; where there is none, the page does. */
async function tell(body: string, tag: string): Promise<void> {
  const worker = await navigator.serviceWorker?.getRegistration();
  if (worker) await worker.showNotification('Yonder Attic', { body, tag });
  else new Notification('Yonder Attic', { body, tag });
}
