import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';

import type { Group } from '@/contract/groups';
import { thingsOf } from '@/core/stock/filter';
import { groupsBelow, groupWords, mayLieBelow } from '@/core/stock/groups';
import { Field } from '@/parts/Field';
import { LinkRow } from '@/parts/LinkRow';
import { Card, Page } from '@/parts/Page';
import { Chip, ChipRow, Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { addGroup, editGroup, removeGroup } from '@/store/groups';

import { BackTo } from '../shell/BackTo';
import { useAround } from '../stock/useAround';

/** Groups of one's own, one below the other; for the seller's order alone. */
export function Groups() {
  const groups = useAttic((s) => s.groups);
  const [open, setOpen] = useState<string | null>(null);
  const rows = flat(groups, null, 0);
  const counts = useCounts();
  return (
    <Page title="Groups" aside={<BackTo path="/attic" />}>
      <Words tone="soft">
        Your own order, never sent anywhere. A thing may be in several; put it there on its sheet, many at
        once in stock, or keep a filter as a group that fills itself.
      </Words>
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
      <NewGroup parent={null} />
    </Page>
  );
}

function Head({ group, count, onOpen }: { group: Group; count: number; onOpen: () => void }) {
  const router = useRouter();
  const things = count === 1 ? '1 thing' : `${count} things`;
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
      <View style={{ flex: 1 }}>
        <LinkRow
          words={group.name}
          more={group.filter ? `${things} · fills itself` : things}
          onPress={() => router.navigate(`/stock?group=${group.id}`)}
        />
      </View>
      <Press kind="quiet" label={`Change the group ${group.name}`} onPress={onOpen}>
        Change
      </Press>
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
          <Words kind="small" tone="soft">
            It lies below
          </Words>
          <ChipRow label="It lies below">
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
                label={`It lies below: ${groupWords(groups, id)}`}
                onPress={() => editGroup(group.id, 'place of a group', { parent: id })}
              >
                {groupWords(groups, id)}
              </Chip>
            ))}
          </ChipRow>
        </>
      ) : null}
      {group.filter ? (
        <Press kind="quiet" onPress={() => editGroup(group.id, 'filter of a group', { filter: null })}>
          Fill it only by hand from now on
        </Press>
      ) : null}
      <NewGroup parent={group.id} />
      <Press
        kind="quiet"
        icon="remove"
        onPress={() => {
          onDone();
          removeGroup(group.id);
        }}
      >
        {`Remove the group ${group.name}: its things stay`}
      </Press>
    </View>
  );
}

function NewGroup({ parent }: { parent: string | null }) {
  const [name, setName] = useState('');
  const add = () => {
    if (name.trim() === '') return;
    addGroup(name.trim(), parent);
    setName('');
  };
  return (
    <View style={{ gap: 8 }}>
      <Field
        label={parent === null ? 'Name of a new group' : 'Name of a group below it'}
        value={name}
        maxLength={80}
        pause={0}
        onChange={setName}
        onEnter={add}
      />
      <Press icon="add" disabled={name.trim() === ''} onPress={add}>
        {parent === null ? 'Add this group' : 'Add it below'}
      </Press>
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

/** How many things each group holds, those below it counted in. */
function useCounts(): Record<string, number> {
  const things = useAttic((s) => s.things);
  const groups = useAttic((s) => s.groups);
  const around = useAround(false);
  return useMemo(() => {
    const all = Object.values(things);
    return Object.fromEntries(Object.values(groups).map((g) => [g.id, thingsOf(g, all, around).length]));
  }, [things, groups, around]);
}
