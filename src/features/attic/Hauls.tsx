import { useRouter } from 'expo-router';
import { useState } from 'react';

import { haulCount } from '@/core/hauls/haul';
import { Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { LinkRow } from '@/parts/ui/LinkRow';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { isoDay } from '@/store/base/isoDay';
import { startHaul } from '@/store/items/hauls';

/** Everything bought together, newest first. */
export function Hauls() {
  const router = useRouter();
  const hauls = useAttic((s) => s.hauls);
  const items = useAttic((s) => s.items);
  const all = Object.values(items);
  const [name, setName] = useState('');
  const [away, setAway] = useState(false);
  const sorted = Object.values(hauls).sort((a, b) => (a.date < b.date ? 1 : -1));
  const put = sorted.filter((h) => h.putAwayAt !== null);
  const list = away ? sorted : sorted.filter((h) => h.putAwayAt === null);
  return (
    <Page title="Hauls" back="/attic">
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
        <Button variant="quiet" onPress={() => setAway(!away)}>
          {away ? 'Leave out what is put away' : `Show ${put.length} put away`}
        </Button>
      ) : null}
      {sorted.length === 0 ? (
        <Text tone="soft">
          Items bought together share a cost and a day. Begin with what the last one is called.
        </Text>
      ) : null}
      <Card label="A new haul">
        <Field label="Name of a new haul" value={name} maxLength={200} pause={0} onChange={setName} />
        <Button
          icon="add"
          disabled={name.trim() === ''}
          onPress={() => router.navigate(`/hauls/${startHaul(name.trim(), isoDay(Date.now()))}`)}
        >
          Start this haul
        </Button>
      </Card>
    </Page>
  );
}
