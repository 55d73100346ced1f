import { useRouter } from 'expo-router';
import { useState } from 'react';

import { haulCount } from '@/core/hauls/haul';
import { Field } from '@/parts/Field';
import { LinkRow } from '@/parts/LinkRow';
import { Card, Page } from '@/parts/Page';
import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { startHaul } from '@/store/hauls';
import { isoDay } from '@/store/isoDay';

import { BackTo } from '../shell/BackTo';

/** Everything bought together, newest first. */
export function Hauls() {
  const router = useRouter();
  const hauls = useAttic((s) => s.hauls);
  const things = useAttic((s) => s.things);
  const all = Object.values(things);
  const [name, setName] = useState('');
  const [away, setAway] = useState(false);
  const sorted = Object.values(hauls).sort((a, b) => (a.date < b.date ? 1 : -1));
  const put = sorted.filter((h) => h.putAwayAt !== null);
  const list = away ? sorted : sorted.filter((h) => h.putAwayAt === null);
  return (
    <Page title="Hauls" aside={<BackTo path="/attic" />}>
      {list.map((haul) => {
        const { bought, waiting } = haulCount(haul, all);
        return (
          <Card key={haul.id}>
            <LinkRow
              words={haul.name}
              more={[
                haul.date,
                haul.source,
                `${bought} bought`,
                waiting > 0 ? `${waiting} waiting` : '',
                haul.putAwayAt === null ? '' : 'put away',
              ]
                .filter(Boolean)
                .join(' · ')}
              label={haul.name}
              onPress={() => router.navigate(`/hauls/${haul.id}`)}
            />
          </Card>
        );
      })}
      {put.length > 0 ? (
        <Press kind="quiet" onPress={() => setAway(!away)}>
          {away ? 'Leave out what is put away' : `Show ${put.length} put away`}
        </Press>
      ) : null}
      {sorted.length === 0 ? (
        <Words tone="soft">
          Things bought together share a cost and a day. Begin with what the last one is called.
        </Words>
      ) : null}
      <Card label="A new haul">
        <Field label="Name of a new haul" value={name} maxLength={200} pause={0} onChange={setName} />
        <Press
          icon="add"
          disabled={name.trim() === ''}
          onPress={() => router.navigate(`/hauls/${startHaul(name.trim(), isoDay(Date.now()))}`)}
        >
          Start this haul
        </Press>
      </Card>
    </Page>
  );
}
