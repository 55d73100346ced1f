import { useRouter } from 'expo-router';
import { memo, useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { groupWords } from '@/core/stock/groups';
import { Section } from '@/parts/trade/Section';
import { capital } from '@/parts/trade/UndoBar';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { exactly } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { toggleGroup } from '@/store/items/groups';
import { codeNow, editItem, giveNewCode, sharesCode } from '@/store/items/items';

import { AnotherLike } from './AnotherLike';

/** Haul, owner and code; another of the same; and what happened to it. Nothing of it is ever sent. */
export const BelongingSection = memo(function BelongingSection({ item }: { item: Item }) {
  const hauls = useAttic((s) => s.hauls);
  const owners = useAttic((s) => s.owners);
  const haul = item.haulId ? hauls[item.haulId] : undefined;
  const owner = item.ownerId ? owners[item.ownerId] : undefined;
  const [open, setOpen] = useState(false);
  const router = useRouter();
  return (
    <Section name="belonging" title="Haul, owner, history" summary={owner ? owner.name : haul?.name}>
      {open ? (
        <HaulAndOwner item={item} />
      ) : (
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <Text
            style={{ flex: 1 }}
          >{`${haul?.name ?? 'No haul'}. ${owner ? `Belongs to ${owner.name}.` : 'Our own.'}`}</Text>
          <Button variant="quiet" label="Change haul or owner" onPress={() => setOpen(true)}>
            Change
          </Button>
        </View>
      )}
      {haul && haul.lines.length > 0 ? (
        <ChipRow label="One of">
          {haul.lines.map((line) => (
            <Chip
              key={line.id}
              on={line.id === item.lineId}
              onPress={() =>
                editItem(item.id, 'line of the haul', { lineId: line.id === item.lineId ? null : line.id })
              }
            >
              {line.what}
            </Chip>
          ))}
        </ChipRow>
      ) : null}
      <GroupChips item={item} />
      <Code item={item} />
      <AnotherLike item={item} />
      <Button onPress={() => router.navigate(`/starting-point?item=${item.id}`)}>
        Copy from another’s listing
      </Button>
      <History item={item} />
    </Section>
  );
});

function HaulAndOwner({ item }: { item: Item }) {
  const hauls = useAttic((s) => s.hauls);
  const owners = useAttic((s) => s.owners);
  const haul = item.haulId ? hauls[item.haulId] : undefined;
  const owner = item.ownerId ? owners[item.ownerId] : undefined;
  return (
    <>
      <ChipRow label="Haul it came with">
        <Chip on={!haul} onPress={() => editItem(item.id, 'haul', { haulId: null, lineId: null })}>
          No haul
        </Chip>
        {Object.values(hauls).map((h) => (
          <Chip
            key={h.id}
            on={h.id === haul?.id}
            onPress={() => editItem(item.id, 'haul', { haulId: h.id, lineId: null })}
          >
            {h.name}
          </Chip>
        ))}
      </ChipRow>
      <ChipRow label="Owner">
        <Chip on={!owner} onPress={() => editItem(item.id, 'owner', { ownerId: null })}>
          Our own
        </Chip>
        {Object.values(owners).map((o) => (
          <Chip
            key={o.id}
            on={o.id === owner?.id}
            onPress={() => editItem(item.id, 'owner', { ownerId: o.id })}
          >
            {o.name}
          </Chip>
        ))}
      </ChipRow>
    </>
  );
}

/** Its code; a new one is offered where its parts have changed or another item has the same. */
function Code({ item }: { item: Item }) {
  const fresh = codeNow(item);
  const twice = useAttic((s) => sharesCode(s.items, item));
  return (
    <>
      <Text figures tone="soft">{`Code ${item.code}`}</Text>
      {twice ? (
        <>
          <Notice tone="caution">Another item has the same code.</Notice>
          <Button onPress={() => giveNewCode(item.id)}>Give it a code of its own</Button>
        </>
      ) : fresh !== item.code ? (
        <Button label={`Give it the new code ${fresh}`} onPress={() => giveNewCode(item.id)}>
          {`Give it a new code: ${fresh}`}
        </Button>
      ) : null}
    </>
  );
}

/** Groups it was put into by hand; those that fill themselves say so in stock. */
function GroupChips({ item }: { item: Item }) {
  const groups = useAttic((s) => s.groups);
  const ids = Object.keys(groups);
  if (ids.length === 0) return null;
  return (
    <ChipRow label="Groups it is in" radio={false}>
      {ids.map((id) => (
        <Chip
          key={id}
          role="checkbox"
          on={item.groupIds.includes(id)}
          label={`In the group ${groupWords(groups, id)}`}
          onPress={() => toggleGroup(item.id, id)}
        >
          {groupWords(groups, id)}
        </Chip>
      ))}
    </ChipRow>
  );
}

const FEW = 4;

/** What happened to it, the newest first. */
function History({ item }: { item: Item }) {
  const lines = useAttic((s) => s.diary[item.id]?.lines) ?? [];
  const [all, setAll] = useState(false);
  const newest = [...lines].reverse();
  return (
    <View role="group" aria-label="History" style={{ gap: 4 }}>
      {(all ? newest : newest.slice(0, FEW)).map((line, i) => (
        <Text key={`${line.at}-${i}`} variant="small" tone="soft" figures>
          {`${exactly(line.at)}, ${line.who}: ${capital(line.what)}`}
        </Text>
      ))}
      <Text variant="small" tone="soft" figures>
        {`${exactly(item.createdAt)}, ${item.author}: It came in`}
      </Text>
      {newest.length > FEW && !all ? (
        <Button variant="quiet" onPress={() => setAll(true)}>
          {`All ${newest.length} lines`}
        </Button>
      ) : null}
    </View>
  );
}
