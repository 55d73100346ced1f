import { useState } from 'react';
import { View } from 'react-native';

import type { Pattern, Thing } from '@/contract/records';
import { fillPattern, TONES, unknownTokens } from '@/core/words/pattern';
import { Field } from '@/parts/Field';
import { Notice } from '@/parts/Notice';
import { Card, Page } from '@/parts/Page';
import { Chip, ChipRow, Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { setSettings, useAttic } from '@/store/attic';
import { useKinds } from '@/store/kinds';
import { addPattern, editPattern, removePattern } from '@/store/patterns';
import { nameOf } from '@/store/names';

import { BackTo } from '../shell/BackTo';

/** How descriptions are written: three tones to start from, and the person's own patterns. */
export function Patterns() {
  const patterns = useAttic((s) => s.patterns);
  const [open, setOpen] = useState<string | null>(null);
  const own = Object.values(patterns).sort((a, b) => a.name.localeCompare(b.name, 'en'));
  return (
    <Page title="Patterns" aside={<BackTo path="/attic" />}>
      <Words tone="soft">
        A pattern is text with facts in it: {'{{brand}}'} stands for the brand, and what stands between{' '}
        {'{{#flaws}}'} and {'{{/flaws}}'} is said of each flaw. A section without anything to say vanishes.
        Private facts are never known to it.
      </Words>
      {own.map((pattern) => (
        <Card key={pattern.id} label={`Pattern ${pattern.name}`}>
          <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
            <Words kind="strong" style={{ flex: 1 }}>
              {pattern.name}
            </Words>
            <Press
              kind="quiet"
              label={`Change the pattern ${pattern.name}`}
              onPress={() => setOpen(open === pattern.id ? null : pattern.id)}
            >
              {open === pattern.id ? 'Done' : 'Change'}
            </Press>
          </View>
          {open === pattern.id ? <Editor pattern={pattern} /> : null}
        </Card>
      ))}
      <ShopPatterns />
      <Card label="A new pattern">
        <Words kind="heading">Begin a pattern</Words>
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

/** What search engines show of things in the seller's own shop. */
function ShopPatterns() {
  const shop = useAttic((s) => s.settings.shop);
  const set = (part: Partial<typeof shop>) => setSettings({ shop: { ...shop, ...part } });
  return (
    <Card label="Your own shop">
      <Words kind="heading">Your own shop</Words>
      <Words tone="soft">What search engines show of a thing’s page there: patterns, too.</Words>
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

/** A pattern beside what it makes of a real thing. */
function Editor({ pattern }: { pattern: Pattern }) {
  const things = useAttic((s) => s.things);
  const units = useAttic((s) => s.settings.units);
  const closing = useAttic((s) => s.settings.closingWords);
  const kinds = useKinds();
  const [at, setAt] = useState(0);
  const some = samples(
    things,
    (kind) =>
      pattern.kinds.length === 0 || (kinds.get(kind)?.path ?? []).some((k) => pattern.kinds.includes(k)),
  );
  const thing = some[at % Math.max(1, some.length)];
  const filled = thing && fillPattern(pattern.text, thing, kinds, units, closing);
  const slips = thing && filled?.ok ? unknownTokens(pattern.text, thing, kinds) : [];
  const branches = kinds.children(null);
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
        <Notice tone="caution">{`Nothing has ${slips.map((s) => `“${s}”`).join(', ')}: a slip of the pen? It stays empty.`}</Notice>
      ) : null}
      <Words kind="small" tone="soft">
        The kinds it is for, with all below them; where none is chosen, it is only used when you choose it.
      </Words>
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
      {thing && filled ? (
        <View role="group" aria-label="What it makes of a real thing" style={{ gap: 6 }}>
          <Words kind="small" tone="soft">{`Of ${nameOf(thing)} it makes:`}</Words>
          {filled.ok ? <Words>{filled.text}</Words> : <Notice tone="trouble">{filled.why}</Notice>}
          {some.length > 1 ? (
            <Press kind="quiet" onPress={() => setAt(at + 1)}>
              Try it with another thing
            </Press>
          ) : null}
        </View>
      ) : null}
      <Press
        kind="quiet"
        icon="remove"
        label={`Remove the pattern ${pattern.name}`}
        onPress={() => removePattern(pattern.id)}
      >
        Remove it
      </Press>
    </View>
  );
}

/** A handful of things with something to say, of the kinds asked for. */
function samples(things: Readonly<Record<string, Thing>>, fits: (kind: string) => boolean): Thing[] {
  const some: Thing[] = [];
  for (const thing of Object.values(things)) {
    if (thing.kind !== '' && fits(thing.kind)) some.push(thing);
    if (some.length === 12) break;
  }
  return some;
}
