import { useRouter } from 'expo-router';
import { memo, useState } from 'react';
import { View } from 'react-native';

import type { Thing } from '@/contract/records';
import { groupWords } from '@/core/stock/groups';
import { Notice } from '@/parts/Notice';
import { Chip, ChipRow, Press } from '@/parts/Press';
import { capital } from '@/parts/UndoBar';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { toggleGroup } from '@/store/groups';
import { anotherLike, codeNow, editThing, giveNewCode, sharesCode } from '@/store/things';

import { exactly } from '../shell/time';
import { Section } from './Section';

/** Haul, owner and code; another of the same; and what happened to it. Nothing of it is ever sent. */
export const BelongingSection = memo(function BelongingSection({ thing }: { thing: Thing }) {
  const router = useRouter();
  const hauls = useAttic((s) => s.hauls);
  const owners = useAttic((s) => s.owners);
  const haul = thing.haulId ? hauls[thing.haulId] : undefined;
  const owner = thing.ownerId ? owners[thing.ownerId] : undefined;
  const [open, setOpen] = useState(false);
  const fresh = codeNow(thing);
  const twice = useAttic((s) => sharesCode(s.things, thing));
  return (
    <Section name="belonging" title="Haul, owner, history" summary={owner ? owner.name : haul?.name}>
      {open ? (
        <>
          <ChipRow label="Haul it came with">
            <Chip on={!haul} onPress={() => editThing(thing.id, 'haul', { haulId: null, lineId: null })}>
              No haul
            </Chip>
            {Object.values(hauls).map((h) => (
              <Chip
                key={h.id}
                on={h.id === haul?.id}
                onPress={() => editThing(thing.id, 'haul', { haulId: h.id, lineId: null })}
              >
                {h.name}
              </Chip>
            ))}
          </ChipRow>
          <ChipRow label="Whose it is">
            <Chip on={!owner} onPress={() => editThing(thing.id, 'owner', { ownerId: null })}>
              Our own
            </Chip>
            {Object.values(owners).map((o) => (
              <Chip
                key={o.id}
                on={o.id === owner?.id}
                onPress={() => editThing(thing.id, 'owner', { ownerId: o.id })}
              >
                {o.name}
              </Chip>
            ))}
          </ChipRow>
        </>
      ) : (
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <Words
            style={{ flex: 1 }}
          >{`${haul?.name ?? 'No haul'}. ${owner ? `Belongs to ${owner.name}.` : 'Our own.'}`}</Words>
          <Press kind="quiet" label="Change haul or owner" onPress={() => setOpen(true)}>
            Change
          </Press>
        </View>
      )}
      {haul && haul.lines.length > 0 ? (
        <ChipRow label="One of">
          {haul.lines.map((line) => (
            <Chip
              key={line.id}
              on={line.id === thing.lineId}
              onPress={() =>
                editThing(thing.id, 'line of the haul', { lineId: line.id === thing.lineId ? null : line.id })
              }
            >
              {line.what}
            </Chip>
          ))}
        </ChipRow>
      ) : null}
      <GroupChips thing={thing} />
      <Words figures tone="soft">{`Code ${thing.code}`}</Words>
      {twice ? (
        <>
          <Notice tone="caution">Another thing has the same code.</Notice>
          <Press onPress={() => giveNewCode(thing.id)}>Give it a code of its own</Press>
        </>
      ) : fresh !== thing.code ? (
        <Press label={`Give it the new code ${fresh}`} onPress={() => giveNewCode(thing.id)}>
          {`Give it a new code: ${fresh}`}
        </Press>
      ) : null}
      <Press
        icon="add"
        onPress={() => {
          const id = anotherLike(thing.id);
          if (id) router.navigate(`/thing/${id}`);
        }}
      >
        Another like this
      </Press>
      <History thing={thing} />
    </Section>
  );
});

/** Groups it was put into by hand; those that fill themselves say so in stock. */
function GroupChips({ thing }: { thing: Thing }) {
  const groups = useAttic((s) => s.groups);
  const ids = Object.keys(groups);
  if (ids.length === 0) return null;
  return (
    <ChipRow label="Groups it is in" radio={false}>
      {ids.map((id) => (
        <Chip
          key={id}
          role="checkbox"
          on={thing.groupIds.includes(id)}
          label={`In the group ${groupWords(groups, id)}`}
          onPress={() => toggleGroup(thing.id, id)}
        >
          {groupWords(groups, id)}
        </Chip>
      ))}
    </ChipRow>
  );
}

const FEW = 4;

/** What happened to it, the newest first. */
function History({ thing }: { thing: Thing }) {
  const lines = useAttic((s) => s.diary[thing.id]?.lines) ?? [];
  const [all, setAll] = useState(false);
  const newest = [...lines].reverse();
  return (
    <View role="group" aria-label="History" style={{ gap: 4 }}>
      {(all ? newest : newest.slice(0, FEW)).map((line, i) => (
        <Words key={`${line.at}-${i}`} kind="small" tone="soft" figures>
          {`${exactly(line.at)}, ${line.who}: ${capital(line.what)}`}
        </Words>
      ))}
      <Words kind="small" tone="soft" figures>
        {`${exactly(thing.createdAt)}, ${thing.author}: It came in`}
      </Words>
      {newest.length > FEW && !all ? (
        <Press kind="quiet" onPress={() => setAll(true)}>
          {`All ${newest.length} lines`}
        </Press>
      ) : null}
    </View>
  );
}
