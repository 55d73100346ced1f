import { useDraggable, useDroppable } from '@dnd-kit/core';
import { useMemo, useState } from 'react';
import { Pressable, ScrollView, View } from 'react-native';

import type { Group } from '@/contract/groups';
import { counted } from '@/core/language/plural';
import { groupsBelow, withAllBelow } from '@/core/stock/groups';
import { NewGroup } from '@/parts/trade/NewGroup';
import { Button } from '@/parts/ui/Button';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useGroupCounts } from '@/store/derived/useGroupCounts';
import { useColours } from '@/theme/theme';

import type { StockState } from './useStock';

/** What is dragged, and onto what it may be let go. */
export type Dragged = { type: 'item'; id: string } | { type: 'group'; id: string };
export const ALL_STOCK = 'all-stock';

/** How a group is made in the one that is open. */
export const HERE = { label: 'Name of the new group', words: 'Make this group here', autoFocus: true };

/** Groups as folders beside the table: one opens; items and groups are dragged onto others. */
export function Folders({ stock }: { stock: StockState }) {
  const { inGroup, openGroup, around } = stock;
  const groups = useAttic((s) => s.groups);
  const items = useAttic((s) => s.items);
  const total = useMemo(() => Object.values(items).filter((t) => t.left === null).length, [items]);
  const counts = useGroupCounts(around);
  const [making, setMaking] = useState(false);
  return (
    <ScrollView
      keyboardShouldPersistTaps="handled"
      role="navigation"
      aria-label="Groups"
      style={{ flexGrow: 0, width: 232 }}
      contentContainerStyle={{ gap: 2, paddingVertical: 20, paddingLeft: 16, paddingRight: 8 }}
    >
      <Folder
        id={null}
        name="All stock"
        count={total}
        depth={0}
        here={inGroup === null}
        onOpen={() => openGroup(null)}
      />
      <Below groups={groups} parent={null} depth={0} stock={stock} counts={counts} />
      {making ? (
        <NewGroup {...HERE} parent={inGroup} onMade={() => setMaking(false)} />
      ) : (
        <Button
          variant="quiet"
          icon="add"
          label="New group here"
          onPress={() => setMaking(true)}
          style={{ alignSelf: 'flex-start' }}
        >
          {inGroup === null ? 'New group' : `New group in ${groups[inGroup]?.name ?? ''}`}
        </Button>
      )}
    </ScrollView>
  );
}

/** The groups below one; those of a closed one are not shown. */
function Below(props: {
  groups: Readonly<Record<string, Group>>;
  parent: string | null;
  depth: number;
  stock: StockState;
  counts: Readonly<Record<string, number>>;
}) {
  const { groups, parent, depth, stock, counts } = props;
  const { inGroup, openGroup } = stock;
  // Deeper than anybody keeps things; a circle would never end.
  if (depth > 12) return null;
  return groupsBelow(groups, parent).map((g) => {
    const isOpen = inGroup !== null && withAllBelow(groups, g.id).has(inGroup);
    return (
      <View key={g.id}>
        <Folder
          id={g.id}
          name={g.name}
          count={counts[g.id] ?? 0}
          depth={depth}
          here={inGroup === g.id}
          fills={g.filter !== null}
          onOpen={() => openGroup(inGroup === g.id ? g.parent : g.id)}
        />
        {isOpen || depth > 0 ? <Below {...props} parent={g.id} depth={depth + 1} /> : null}
      </View>
    );
  });
}

function Folder(props: {
  /** Null: all of stock. */
  id: string | null;
  name: string;
  count: number;
  depth: number;
  here: boolean;
  /** By itself, by its filter. */
  fills?: boolean;
  onOpen: () => void;
}) {
  const { id, name, count, depth, here, fills = false, onOpen } = props;
  const c = useColours();
  const { isOver, setNodeRef } = useDroppable({ id: id ?? ALL_STOCK });
  const drag = useDraggable({
    id: `group ${id ?? ''}`,
    data: { type: 'group', id: id ?? '' } satisfies Dragged,
    disabled: id === null,
  });
  const { setNodeRef: setDragged, listeners } = drag;
  return (
    <div ref={setNodeRef}>
      <div ref={setDragged} {...listeners}>
        <Pressable
          role="link"
          aria-label={`Group: ${name}, ${counted(count, 'item')}`}
          aria-current={here ? 'page' : undefined}
          onPress={onOpen}
          style={{
            flexDirection: 'row',
            alignItems: 'center',
            gap: 8,
            minHeight: 40,
            paddingRight: 10,
            paddingLeft: 10 + Math.min(depth, 6) * 14,
            borderRadius: 10,
            borderWidth: 2,
            borderColor: isOver ? c.moss : 'transparent',
            backgroundColor: here || isOver ? c.mossTint : undefined,
          }}
        >
          <Text variant={here ? 'strong' : 'body'} numberOfLines={1} style={{ flex: 1 }}>
            {name}
          </Text>
          {fills ? (
            <Text variant="small" tone="soft">
              auto
            </Text>
          ) : null}
          <Text variant="small" tone="soft" figures>
            {String(count)}
          </Text>
        </Pressable>
      </div>
    </div>
  );
}
