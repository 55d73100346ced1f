import { fieldsOf, keysOf } from '@/contract/fields';
import type { Change } from '@/contract/sync';
import { joined } from '@/core/sync/seen';
import { settle } from '@/core/sync/settle';
import { snapshotOf } from '@/core/sync/snapshot';
import { take } from '@/core/sync/take';
import { inverse } from '@/core/sync/undo';

import { noFigures } from './attic';
import type { Behaviour } from './behaviour';
import { SyncWorld } from './world';

describe('one attic on two to five devices, in a simulated world', () => {
  // All come to the same; nothing is lost or silently overwritten; no number twice; no picture's record
  // without bytes; taking away and changing meet in a question.
  it('keeps its promises through 500 attics of faults', () => {
    const failed = [];
    const total = noFigures();
    for (let seed = 1; seed <= 500; seed += 1) {
      const { violations, figures } = new SyncWorld(seed).run();
      for (const key of keysOf(figures)) total[key] += figures[key];
      if (violations.length > 0) failed.push({ seed, violations });
    }
    expect(failed).toEqual([]);
    // They are rough enough to mean something.
    expect(total.changes).toBeGreaterThan(20_000);
    expect(total.asked).toBeGreaterThan(200);
    expect(total.wiped).toBeGreaterThan(400);
    expect(total.relaysWiped).toBeGreaterThan(400);
    expect(total.brought).toBeGreaterThan(200);
  });

  it('goes the same from the same seed', () => {
    expect(new SyncWorld(42).run()).toEqual(new SyncWorld(42).run());
  });

  // A check that can't fail proves nothing: each way of breaking the merge has to be noticed.
  const lastWins: Behaviour['take'] = (replica, shelf, change) =>
    take(replica, shelf, {
      ...change,
      seen: joined(change.seen, { ...replica.seen, [change.by]: change.n - 1 }),
    });
  const broken: Record<string, Partial<Behaviour>> = {
    'lets what comes last win, and asks nobody': { take: lastWins },
    'takes over changes before what they rest on': {
      take: (replica, shelf, change) => take(replica, shelf, { ...change, seen: {} }),
    },
    'takes away for good what another changed': {
      take: (replica, shelf, change) => {
        const taken = take(replica, shelf, change);
        for (const { collection, id } of taken.flatMap(takenAwayBy)) shelf.write(collection, id, null);
        return taken;
      },
    },
    'gives numbers without regard to others': {
      number: (blocks, _chance, isUsed) => {
        let number = 1;
        while (isUsed(number)) number += 1;
        return { number, blocks };
      },
    },
    'forgets what somebody who is away has not seen': {
      settle: (replica) => settle({ ...replica, members: new Map([...replica.members].slice(0, 1)) }),
    },
    'takes back what others wrote since': {
      inverse: (done, now, held) =>
        inverse(
          done,
          now && { ...now, ...Object.fromEntries(done.writes.map((w) => [w.path, w.value])) },
          held,
        ),
    },
    'hands on no changes to whoever joins': { snapshot: (replica) => ({ ...snapshotOf(replica), held: [] }) },
    'does not bring back what it did unseen': { bringsBack: false },
    'tells of a picture before its bytes are safe': { recordsFirst: true },
    'drops bytes along with the record': { dropsAtOnce: true },
    'drops at the relay what one device has': { relayDropsEarly: true },
  };

  // Those that show rarely are looked for where one is known to.
  const from: Record<string, number> = {
    'takes back what others wrote since': 195,
    'hands on no changes to whoever joins': 105,
  };

  it.each(Object.entries(broken))('finds out one that %s', (name, behaviour) => {
    expect(seedOfFailure(behaviour, from[name] ?? 1)).toBeLessThan(400);
  });
});

function takenAwayBy({ records }: Change) {
  return records.filter(({ writes }) =>
    writes.some((write) => write.path === '*' && fieldsOf(write).value === false),
  );
}

/** The first attic that goes wrong, or does not come to an end. */
function seedOfFailure(behaviour: Partial<Behaviour>, from: number): number {
  for (let seed = from; seed < 400; seed += 1) {
    try {
      if (new SyncWorld(seed, behaviour).run().violations.length > 0) return seed;
    } catch {
      // It stumbled over itself.
      return seed;
    }
  }
  return Infinity;
}
