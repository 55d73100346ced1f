import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import type { Group } from '@/contract/groups';
import { counted } from '@/core/language/plural';
import { EVERYTHING } from '@/core/stock/filter';
import { groupsBelow, groupWords, mayLieBelow } from '@/core/stock/groups';
import { NewGroup } from '@/parts/trade/NewGroup';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { LinkRow } from '@/parts/ui/LinkRow';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useAround } from '@/store/derived/useAround';
import { useGroupCounts } from '@/store/derived/useGroupCounts';
import { editGroup, removeGroup } from '@/store/items/groups';

/** Groups of one's own, one below the other; for the seller's order alone. */
export function Groups() {
  const groups = useAttic((s) => s.groups);
  const [open, setOpen] = useState<string | null>(null);
  const rows = flat(groups, null, 0);
  const counts = useGroupCounts(useAround(EVERYTHING, { checks: true }));
  return (
    <Page title="Groups" back="/attic">
      <Text tone="soft">
        Your own order, never sent anywhere. An item may be in several; put it there on its sheet, many at
        once in stock, or keep a filter as a group that fills itself.
      </Text>
      {rows.map(({ group, depth }) => (
        <Card key={group.id} label={`Group ${group.name}`}>
          <View style={{ paddingLeft: Math.min(depth, 4) * 16 }}>
            <Head
              group={group}
              count={counts[group.id] ?? 0}
              onOpen={() => setOpen(open === group.id ? null : group.id)}
            />
            {open === group.id ? <Change group={group} onDone={() => setOpen(null)} /> : null}
          </View>
        </Card>
      ))}
      <NewGroup parent={null} label="Name of a new group" words="Add this group" />
    </Page>
  );
}

function Head({ group, count, onOpen }: { group: Group; count: number; onOpen: () => void }) {
  const router = useRouter();
  const items = counted(count, 'item');
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
      <View style={{ flex: 1 }}>
        <LinkRow
          words={group.name}
          more={group.filter ? `${items} · fills itself` : items}
          onPress={() => router.navigate(`/stock?group=${group.id}`)}
        />
      </View>
      <Button variant="quiet" label={`Change the group ${group.name}`} onPress={onOpen}>
        Change
      </Button>
    </View>
  );
}

function Change({ group, onDone }: { group: Group; onDone: () => void }) {
  const groups = useAttic((s) => s.groups);
  const places = Object.keys(groups).filter((id) => mayLieBelow(groups, group.id, id));
  return (
    <View style={{ gap: 8 }}>
      <Field
        label="Name of the group"
        value={group.name}
        maxLength={80}
        refuse={(text) => (text.trim() === '' ? 'It needs a name.' : null)}
        onChange={(name) => editGroup(group.id, 'name of a group', { name: name.trim() })}
      />
      {places.length > 0 ? (
        <>
          <Text variant="small" tone="soft">
            Parent group
          </Text>
          <ChipRow label="Parent group">
            <Chip
              on={group.parent === null}
              onPress={() => editGroup(group.id, 'place of a group', { parent: null })}
            >
              No other
            </Chip>
            {places.map((id) => (
              <Chip
                key={id}
                on={group.parent === id}
                label={`Parent group: ${groupWords(groups, id)}`}
                onPress={() => editGroup(group.id, 'place of a group', { parent: id })}
              >
                {groupWords(groups, id)}
              </Chip>
            ))}
          </ChipRow>
        </>
      ) : null}
      {group.filter ? (
        <Button variant="quiet" onPress={() => editGroup(group.id, 'filter of a group', { filter: null })}>
          Fill it only by hand from now on
        </Button>
      ) : null}
      <NewGroup parent={group.id} label="Name of a group below it" words="Add it below" />
      <Button
        variant="quiet"
        icon="remove"
        onPress={() => {
          onDone();
          removeGroup(group.id);
        }}
      >
        {`Remove the group ${group.name}: its items stay`}
      </Button>
    </View>
  );
}

function flat(
  groups: Readonly<Record<string, Group>>,
  parent: string | null,
  depth: number,
): { group: Group; depth: number }[] {
  return groupsBelow(groups, parent).flatMap((group) => [
    { group, depth },
    ...(depth < 12 ? flat(groups, group.id, depth + 1) : []),
  ]);
}
