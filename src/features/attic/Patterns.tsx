import { useState } from 'react';
import { View } from 'react-native';

import type { Pattern, Item } from '@/contract/records';
import { fillPattern, TONES, unknownTokens } from '@/core/words/pattern';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Notice } from '@/parts/ui/Notice';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { setSettings, useAttic } from '@/store/attic/attic';
import { useKinds } from '@/store/items/kinds';
import { nameOf } from '@/store/items/names';
import { addPattern, editPattern, removePattern } from '@/store/items/patterns';
import { patternTroubleWords } from '@/wording/words';

/** How descriptions are written: three tones to start from, and the person's own patterns. */
export function Patterns() {
  const patterns = useAttic((s) => s.patterns);
  const [open, setOpen] = useState<string | null>(null);
  const own = Object.values(patterns).sort((a, b) => a.name.localeCompare(b.name, 'en'));
  return (
    <Page title="Patterns" back="/attic">
      <Text tone="soft">
        A pattern is text with facts in it: {'{{brand}}'} stands for the brand, and what stands between{' '}
        {'{{#flaws}}'} and {'{{/flaws}}'} is said of each flaw. A section without anything to say vanishes.
        Private facts are never known to it.
      </Text>
      {own.map((pattern) => (
        <Card key={pattern.id} label={`Pattern ${pattern.name}`}>
          <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
            <Text variant="strong" style={{ flex: 1 }}>
              {pattern.name}
            </Text>
            <Button
              variant="quiet"
              label={`Change the pattern ${pattern.name}`}
              onPress={() => setOpen(open === pattern.id ? null : pattern.id)}
            >
              {open === pattern.id ? 'Done' : 'Change'}
            </Button>
          </View>
          {open === pattern.id ? <Editor pattern={pattern} /> : null}
        </Card>
      ))}
      <ShopPatterns />
      <Card label="A new pattern">
        <Text variant="heading">Begin a pattern</Text>
        <ChipRow label="Begin with a tone" radio={false}>
          {TONES.map((tone) => (
            <Chip
              key={tone.id}
              role="button"
              on={false}
              label={`Begin with the tone ${tone.name}`}
              onPress={() => setOpen(addPattern({ name: `${tone.name}, my way`, text: tone.text }))}
            >
              {tone.name}
            </Chip>
          ))}
        </ChipRow>
      </Card>
    </Page>
  );
}

/** What search engines show of items in the seller's own shop. */
function ShopPatterns() {
  const shop = useAttic((s) => s.settings.shop);
  const set = (part: Partial<typeof shop>) => setSettings({ shop: { ...shop, ...part } });
  return (
    <Card label="Your own shop">
      <Text variant="heading">Your own shop</Text>
      <Text tone="soft">What search engines show of an item’s page there: patterns, too.</Text>
      <Field
        label="Name of the shop"
        value={shop.name}
        maxLength={40}
        onChange={(name) => set({ name: name.trim() })}
      />
      <Field
        label="Address of the shop"
        value={shop.address}
        maxLength={300}
        placeholder="https://"
        refuse={(t) =>
          t.trim() === '' || /^https?:\/\/\S+$/u.test(t.trim()) ? null : 'An address begins with https://.'
        }
        onChange={(address) => set({ address: address.trim() })}
      />
      <Field
        label="Title for search engines"
        value={shop.title}
        maxLength={400}
        onChange={(title) => set({ title })}
      />
      <Field
        label="Description for search engines"
        value={shop.description}
        multiline
        maxLength={2_000}
        onChange={(description) => set({ description })}
      />
    </Card>
  );
}

/** A pattern beside what it makes of a real item. */
function Editor({ pattern }: { pattern: Pattern }) {
  const items = useAttic((s) => s.items);
  const units = useAttic((s) => s.settings.units);
  const closing = useAttic((s) => s.settings.closingWords);
  const kinds = useKinds();
  const [at, setAt] = useState(0);
  const some = samples(
    items,
    (kind) =>
      pattern.kinds.length === 0 || (kinds.get(kind)?.path ?? []).some((k) => pattern.kinds.includes(k)),
  );
  const item = some[at % Math.max(1, some.length)];
  const filled = item && fillPattern(pattern.text, item, kinds, units, closing);
  const slips = item && filled?.ok ? unknownTokens(pattern.text, item, kinds) : [];
  return (
    <View style={{ gap: 10 }}>
      <Field
        label="Name of the pattern"
        value={pattern.name}
        maxLength={80}
        refuse={(t) => (t.trim() === '' ? 'It needs a name.' : null)}
        onChange={(name) => editPattern(pattern.id, { name: name.trim() })}
      />
      <Field
        label="Text of the pattern"
        value={pattern.text}
        multiline
        maxLength={6_000}
        onChange={(text) => editPattern(pattern.id, { text })}
      />
      {slips.length > 0 ? (
        <Notice tone="caution">
          {`Nothing has ${slips.map((s) => `“${s}”`).join(', ')}: a slip of the pen? It stays empty.`}
        </Notice>
      ) : null}
      <Text variant="small" tone="soft">
        The kinds it is for, with all below them; where none is chosen, it is only used when you choose it.
      </Text>
      <KindsFor pattern={pattern} />
      {item && filled ? (
        <View role="group" aria-label="Preview on a real item" style={{ gap: 6 }}>
          <Text variant="small" tone="soft">{`Of ${nameOf(item)} it makes:`}</Text>
          {filled.ok ? (
            <Text>{filled.text}</Text>
          ) : (
            <Notice tone="trouble">{patternTroubleWords(filled.why)}</Notice>
          )}
          {some.length > 1 ? (
            <Button variant="quiet" onPress={() => setAt(at + 1)}>
              Try it with another item
            </Button>
          ) : null}
        </View>
      ) : null}
      <Button
        variant="quiet"
        icon="remove"
        label={`Remove the pattern ${pattern.name}`}
        onPress={() => removePattern(pattern.id)}
      >
        Remove it
      </Button>
    </View>
  );
}

function KindsFor({ pattern }: { pattern: Pattern }) {
  const branches = useKinds().children(null);
  return (
    <ChipRow label="Kinds it is for" radio={false}>
      {branches.map((kind) => (
        <Chip
          key={kind.id}
          role="checkbox"
          on={pattern.kinds.includes(kind.id)}
          label={`For ${kind.name}`}
          onPress={() =>
            editPattern(pattern.id, {
              kinds: pattern.kinds.includes(kind.id)
                ? pattern.kinds.filter((k) => k !== kind.id)
                : [...pattern.kinds, kind.id],
            })
          }
        >
          {kind.name}
        </Chip>
      ))}
    </ChipRow>
  );
}

/** A handful of items with something to say, of the kinds asked for. */
function samples(items: Readonly<Record<string, Item>>, fits: (kind: string) => boolean): Item[] {
  const some: Item[] = [];
  for (const item of Object.values(items)) {
    if (item.kind !== '' && fits(item.kind)) some.push(item);
    if (some.length === 12) break;
  }
  return some;
}
