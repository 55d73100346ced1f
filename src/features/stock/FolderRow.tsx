import { useState } from 'react';
import { View } from 'react-native';

import { plural } from '@/core/language/plural';
import { groupsBelow, groupWords } from '@/core/stock/groups';
import { NewGroup } from '@/parts/trade/NewGroup';
import { Chip, ChipRow } from '@/parts/ui/Button';
import { Said } from '@/parts/ui/Said';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useGroupCounts } from '@/store/derived/useGroupCounts';
import { putIntoGroup } from '@/store/items/groups';

import { HERE } from './Folders';
import type { StockState } from './useStock';

/** Groups as folders, on a narrow screen: one opens, and while items are chosen it takes them. */
export function FolderRow({ stock }: { stock: StockState }) {
  const { chosen, total } = stock;
  if (total === 0) return null;
  return chosen && chosen.size > 0 ? <PutInto stock={stock} chosen={chosen} /> : <Open stock={stock} />;
}

/** The way up, and what lies in the group one stands in. */
function Open({ stock }: { stock: StockState }) {
  const { inGroup, openGroup, around } = stock;
  const groups = useAttic((s) => s.groups);
  const counts = useGroupCounts(around);
  const below = groupsBelow(groups, inGroup);
  const here = inGroup === null ? undefined : groups[inGroup];
  const [making, setMaking] = useState(false);
  return (
    <>
      <ChipRow label="Group" radio={false}>
        {here ? (
          <>
            <Chip role="button" on={false} label="Group above" onPress={() => openGroup(here.parent)}>
              {here.parent === null ? 'Up to all stock' : `Up to ${groups[here.parent]?.name ?? ''}`}
            </Chip>
            <Chip role="button" on label={`Group: ${here.name}`} onPress={() => openGroup(null)}>
              {here.name}
            </Chip>
          </>
        ) : null}
        {below.map((g) => (
          <Chip
            key={g.id}
            role="button"
            on={false}
            label={`Group: ${g.name}`}
            onPress={() => openGroup(g.id)}
          >
            {`${g.name} ${counts[g.id] ?? 0}`}
          </Chip>
        ))}
        <Chip role="button" on={making} label="New group here" onPress={() => setMaking(!making)}>
          + Group
        </Chip>
      </ChipRow>
      {making ? <NewGroup {...HERE} parent={inGroup} onMade={() => setMaking(false)} /> : null}
    </>
  );
}

/** Where the chosen are put with one tap. */
function PutInto({ stock, chosen }: { stock: StockState; chosen: ReadonlySet<string> }) {
  const { inGroup } = stock;
  const groups = useAttic((s) => s.groups);
  const [making, setMaking] = useState(false);
  const [said, setSaid] = useState<string | null>(null);
  const these = plural(chosen.size, 'the one chosen', `the ${chosen.size} chosen`);
  const put = async (id: string) => {
    const name = groupWords(useAttic.getState().groups, id);
    const count = await putIntoGroup([...chosen], id);
    setSaid(
      count === 0
        ? `All of them are in ${name} already.`
        : `${plural(count, 'One is', `${count} are`)} in ${name} now.`,
    );
  };
  return (
    <View style={{ gap: 4 }}>
      <Text variant="small" tone="soft">{`Put ${these} into`}</Text>
      <ChipRow label={`Put ${these} into`} radio={false}>
        {Object.keys(groups)
          .filter((id) => id !== inGroup)
          .map((id) => [id, groupWords(groups, id)] as const)
          .sort((a, b) => a[1].localeCompare(b[1], 'en', { numeric: true }))
          .map(([id, words]) => (
            <Chip key={id} role="button" on={false} label={`Put into ${words}`} onPress={() => void put(id)}>
              {words}
            </Chip>
          ))}
        <Chip role="button" on={making} label="A new group for them" onPress={() => setMaking(!making)}>
          + Group
        </Chip>
      </ChipRow>
      {making ? (
        <NewGroup
          {...HERE}
          parent={inGroup}
          onMade={(id) => {
            setMaking(false);
            void put(id);
          }}
        />
      ) : null}
      <Said words={said} />
    </View>
  );
}
