import { useState } from 'react';
import { View } from 'react-native';

import type { Pattern } from '@/contract/records';
import { fillPattern, TONES } from '@/core/words/pattern';
import { PatternField } from '@/parts/trade/PatternField';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Notice } from '@/parts/ui/Notice';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useKinds } from '@/store/items/kinds';
import { nameOf } from '@/store/items/names';
import { addPattern, editPattern, removePattern } from '@/store/items/patterns';
import { patternTroubleWords } from '@/wording/words';

import { PageParts } from './PageParts';
import { SavedAnswers } from './SavedAnswers';
import { ShopPatterns } from './ShopPatterns';
import { samples, useTokens } from './useTokens';

/** How descriptions are written: three tones to start from, and the person's own patterns. */
export function Patterns() {
  const patterns = useAttic((s) => s.patterns);
  const [open, setOpen] = useState<string | null>(null);
  const own = Object.values(patterns).sort((a, b) => a.name.localeCompare(b.name, 'en'));
  return (
    <Page title="Patterns" back="/attic">
      <Text tone="soft">
        A pattern is text with facts in it, put in by a tap: {'{{brand}}'} stands for the brand, and what
        stands between {'{{#flaws}}'} and {'{{/flaws}}'} is said of each flaw. A section without anything to
        say vanishes. Private facts are never known to it.
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
      <PageParts />
      <SavedAnswers />
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
  const may = useTokens(item);
  return (
    <View style={{ gap: 10 }}>
      <Field
        label="Name of the pattern"
        value={pattern.name}
        maxLength={80}
        refuse={(t) => (t.trim() === '' ? 'It needs a name.' : null)}
        onChange={(name) => editPattern(pattern.id, { name: name.trim() })}
      />
      <PatternField
        label="Text of the pattern"
        value={pattern.text}
        multiline
        maxLength={6_000}
        {...may}
        onChange={(text) => editPattern(pattern.id, { text })}
      />
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
