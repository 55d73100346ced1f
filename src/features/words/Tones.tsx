import { useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { allPatterns, describe, patternFor } from '@/core/words/descriptionFor';
import { writtenAnew } from '@/core/words/inStep';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { setSettings, useAttic } from '@/store/attic/attic';
import { editItem } from '@/store/items/items';
import { useKinds } from '@/store/items/kinds';
import { patternTroubleWords } from '@/wording/words';

/** Writes the description: by the kind's own pattern, or in the tone that is chosen. */
export function Tones({ item }: { item: Item }) {
  const kinds = useKinds();
  const units = useAttic((s) => s.settings.units);
  const tone = useAttic((s) => s.settings.tone);
  const closing = useAttic((s) => s.settings.closingWords);
  const own = useAttic((s) => s.patterns);
  const [why, setWhy] = useState<string | null>(null);
  const now = patternFor(item, own, tone, kinds);
  const write = (pattern = now) => {
    const stored = useAttic.getState().items[item.id] ?? item;
    const filled = describe(stored, pattern, kinds, units, closing);
    setWhy(filled.ok ? null : `${pattern.name}: ${patternTroubleWords(filled.why)} Nothing was changed.`);
    if (filled.ok)
      editItem(item.id, 'description written from the facts', (t) =>
        writtenAnew(t, { description: filled.text }),
      );
  };
  return (
    <View style={{ gap: 8 }}>
      <Button icon="write" onPress={() => write()}>
        Write the description from the facts
      </Button>
      <ChipRow label="In which tone">
        {allPatterns(own).map((pattern) => (
          <Chip
            key={pattern.id}
            label={`Tone: ${pattern.name}`}
            on={pattern.id === now.id}
            onPress={() => {
              setSettings({ tone: pattern.id });
              write(pattern);
            }}
          >
            {pattern.name}
          </Chip>
        ))}
      </ChipRow>
      {why ? <Notice tone="trouble">{why}</Notice> : null}
    </View>
  );
}
