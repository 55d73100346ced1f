import { useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { sourcesOf, type SourcedWords } from '@/core/words/sources';
import { tagsFor } from '@/core/words/tags';
import { Button } from '@/parts/ui/Button';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useKinds } from '@/store/items/kinds';
import { writeAnew, writtenBy } from '@/store/writing/inStep';
import { useColours } from '@/theme/theme';
import { sourceName } from '@/wording/words';

import { Crop } from '../pictures/Crop';
import { Tones } from '../words/Tones';

/** As many as a marketplace takes at most, and as long. */
const TAGS = { max: 12, longest: 40 };

/** Title, tags and description as the facts make them, and what each word of them rests on. */
export function Written({ item }: { item: Item }) {
  const kinds = useKinds();
  const tags = tagsFor(item, kinds, [], TAGS);
  if (item.kind === '' || (item.title === '' && Object.keys(item.readFrom).length === 0)) return null;
  return (
    <Card label="What buyers read">
      <Text variant="heading">What buyers read</Text>
      {item.title === '' ? (
        <Button icon="write" onPress={() => writeAnew(item.id)}>
          Write title and description
        </Button>
      ) : (
        <>
          <Text variant="strong" role="status">
            {item.title}
          </Text>
          {tags.length > 0 ? <Text variant="small" tone="soft">{`Tags: ${tags.join(', ')}`}</Text> : null}
          <Text variant="small" style={{ fontSize: 15, lineHeight: 21 }}>
            {item.description}
          </Text>
          <Tones item={item} />
          <Sources item={item} tags={tags} />
        </>
      )}
    </Card>
  );
}

/** What each word rests on: a fact and where it was read, the kind, the tone, or a person's typing. */
function Sources({ item, tags }: { item: Item; tags: readonly string[] }) {
  const [open, setOpen] = useState(false);
  // The tone it is written in is the settings' own.
  useAttic((s) => s.settings.tone);
  const by = open ? writtenBy(item) : null;
  const told = by ? sourcesOf([item.title, ...tags, item.description].join('\n'), item, by) : [];
  const own = told.filter((t) => t.source.of !== 'pattern' && t.source.of !== 'closing');
  const rest = [...new Set(told.filter((t) => !own.includes(t)).map((t) => t.words))];
  return (
    <View style={{ gap: 8 }}>
      <Button variant="quiet" onPress={() => setOpen(!open)}>
        {open ? 'Put away where the words come from' : 'Where does each word come from?'}
      </Button>
      {open ? (
        <View role="list" aria-label="Where each word comes from" style={{ gap: 8 }}>
          {once(own).map((one) => (
            <SourceLine key={JSON.stringify(one)} item={item} one={one} />
          ))}
          {rest.length > 0 ? (
            <Text variant="small" tone="soft">{`The tone’s own words: ${rest.join(' … ')}`}</Text>
          ) : null}
        </View>
      ) : null}
    </View>
  );
}

/** The same words of the same source are told once, however often they stand there. */
function once(told: readonly SourcedWords[]): SourcedWords[] {
  const seen = new Set<string>();
  return told.filter((one) => {
    const key = JSON.stringify({ ...one, words: one.words.toLocaleLowerCase('en') });
    return !seen.has(key) && seen.add(key);
  });
}

function SourceLine({ item, one }: { item: Item; one: SourcedWords }) {
  const c = useColours();
  const kinds = useKinds();
  const field = 'id' in one.source && one.source.of !== 'flaw' ? `${one.source.of}:${one.source.id}` : null;
  const flaw =
    one.source.of === 'flaw' ? item.flaws.find((f) => 'id' in one.source && f.id === one.source.id) : null;
  const from = field ? item.readFrom[field] : flaw ? item.readFrom[`flaw:${flaw.id}`] : undefined;
  const isStill = from !== undefined && stillSo(item, field, from.value);
  return (
    <View
      role="listitem"
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        gap: 8,
        borderTopWidth: 1,
        borderColor: c.line,
        paddingTop: 6,
      }}
    >
      <View style={{ flex: 1, minWidth: 0 }}>
        <Text variant="strong">{one.words}</Text>
        <Text variant="small" tone={one.source.of === 'typed' ? 'trouble' : 'soft'}>
          {sourceName(one.source, item.kind, kinds)}
          {isStill ? ', read and confirmed' : ''}
        </Text>
      </View>
      {isStill && from.pictureId ? (
        <Crop
          of={[{ pictureId: from.pictureId, box: from.box, laid: null }]}
          alt={`Where it stands: ${from.words}`}
          height={44}
          width={110}
        />
      ) : null}
    </View>
  );
}

/** Whether the item still says what was read there. */
function stillSo(item: Item, field: string | null, value: string): boolean {
  if (field === null) return true;
  const id = field.slice(field.indexOf(':') + 1);
  return field.startsWith('fact:') ? item.facts[id] === value : String(item.measurements[id]) === value;
}
