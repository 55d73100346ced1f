import { useState } from 'react';
import { Pressable, View } from 'react-native';

import { listed } from '@/core/language/listed';
import type { Examined } from '@/core/listing/examine';
import { findingKey, type Finding } from '@/core/listing/findings';
import { goTo, sectionOf } from '@/parts/trade/goTo';
import { Button } from '@/parts/ui/Button';
import { Text } from '@/parts/ui/Text';
import { Icon } from '@/theme/Icon';
import { useColours } from '@/theme/theme';
import { findingWords } from '@/wording/check';

/** Something that keeps an item from going where it is planned. */
export interface Lacking {
  finding: Finding;
  /** Where it stands in the way. */
  markets: { id: string; name: string }[];
}

/** What keeps an item from where it is planned, each once, with everywhere it does. */
export function lackingOf(wanted: readonly Examined[]): Lacking[] {
  const all = new Map<string, Lacking>();
  for (const { sheet, findings } of wanted)
    for (const finding of findings) {
      if (finding.level !== 'blocker') continue;
      // The same field lacks the same thing, whoever asks; what one marketplace asks is its own.
      const key = sectionOf(finding.field) === 'markets' ? findingKey(finding) : finding.field;
      const known = all.get(key) ?? { finding, markets: [] };
      const isNamed = known.markets.some((m) => m.id === sheet.marketplace);
      all.set(key, {
        ...known,
        markets: isNamed ? known.markets : [...known.markets, { id: sheet.marketplace, name: sheet.name }],
      });
    }
  return [...all.values()];
}

/** How much is missing in each section of the sheet. */
export function lackingBySection(lacking: readonly Lacking[]): Record<string, number> {
  const count: Record<string, number> = {};
  for (const { finding } of lacking) {
    const name = sectionOf(finding.field);
    count[name] = (count[name] ?? 0) + 1;
  }
  return count;
}

/** Lines shown before one asks for the rest. */
const FIRST = 3;

/** What is missing, on top, each a press away from where it is put right. */
export function Missing({ lacking }: { lacking: readonly Lacking[] }) {
  const c = useColours();
  const [all, setAll] = useState(false);
  if (lacking.length === 0) return null;
  const shown = all || lacking.length <= FIRST + 1 ? lacking : lacking.slice(0, FIRST);
  const rest = lacking.length - shown.length;
  return (
    <View
      role="list"
      aria-label="What is missing"
      style={{ borderRadius: 12, backgroundColor: c.brickTint, paddingHorizontal: 12, paddingVertical: 4 }}
    >
      {shown.map(({ finding, markets }) => (
        <View key={findingKey(finding)} role="listitem">
          <Pressable
            role="link"
            aria-label={`Put right: ${findingWords(finding)}`}
            onPress={() => goTo(finding.field, markets[0]?.id)}
            style={{ flexDirection: 'row', alignItems: 'center', gap: 8, minHeight: 44 }}
          >
            <View style={{ flex: 1 }}>
              <Text tone="trouble">{findingWords(finding)}</Text>
              <Text variant="small" tone="soft" numberOfLines={1}>
                {listed(
                  markets.map((m) => m.name),
                  'and',
                )}
              </Text>
            </View>
            <Icon name="forward" colour={c.brick} size={18} />
          </Pressable>
        </View>
      ))}
      {rest > 0 ? (
        <Button variant="quiet" onPress={() => setAll(true)}>{`${rest} more missing`}</Button>
      ) : null}
    </View>
  );
}
