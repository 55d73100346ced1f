import { dequal } from 'dequal';

import type { Change } from '@/contract/sync';
import { questions } from '@/core/sync/questions';
import { asksNobody, namesOrder, THERE } from '@/core/sync/registers';
import { ofRecordKey, recordKey } from '@/core/sync/replica';

import type { SimDevice } from './device';
import { bytesName } from './messages';

/** What a device did itself, and others had not seen, as it stood before it came back as somebody new. */
interface Own {
  key: string;
  path: string;
  value: unknown;
}

/** Of lists the order is everybody's, and what is fetched is nobody's. */
const isOnesWord = (collection: string, path: string) =>
  path !== THERE && !asksNobody(collection, path) && !namesOrder(collection, path);

/** Worked out from all changes there ever were, not as devices do. */
export function standingOf(device: SimDevice, host: SimDevice, made: readonly Change[]): Own[] {
  const unseen = made.filter(({ by, n }) => by === device.id && n > (host.replica.seen[by] ?? 0));
  return unseen.flatMap(({ by, n, records }) => {
    // What was taken out long ago, and all knew that it knew of, is not remembered.
    const isHeld = device.replica.held.get(by)?.some((one) => one.n === n) ?? false;
    return records.flatMap(({ collection, id, writes }) => {
      const now = device.read(collection, id);
      if (!now) return [];
      return writes
        .filter(({ value }) => isHeld || value !== undefined)
        .filter(({ path, value }) => isOnesWord(collection, path) && dequal(now[path], value))
        .map(({ path, value }) => ({ key: recordKey(collection, id), path, value }));
    });
  });
}

/** Finds what is neither there afterwards nor asked about. */
export function broughtBack(device: SimDevice, own: readonly Own[], violations: string[]): void {
  const asked = questions(device.replica);
  for (const { key, path, value } of own) {
    const { collection, id } = ofRecordKey(key);
    const now = device.read(collection, id);
    const picture = collection === 'pictures' ? id : path.replace('pictureIds/', '');
    const isPicture = collection === 'pictures' || path.startsWith('pictureIds/');
    // Of a picture of which there is nothing left there is no record.
    if (
      isPicture &&
      device.read('pictures', picture) === null &&
      !device.bytes.has(bytesName('small', picture))
    )
      continue;
    if (now && dequal(now[path], value)) continue;
    const question = asked.find((one) => one.id === id && one.collection === collection && one.path === path);
    if (question?.wanted.some((one) => dequal(one.value, value))) continue;
    violations.push(`${device.id} came back without ${key} ${path} ${JSON.stringify(value) ?? 'none'}`);
  }
}
