import { createContext, useContext, type ReactNode } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';

import type { Examined } from '@/core/listing/examine';
import { findingKey, type CheckField, type Finding } from '@/core/listing/findings';
import { Text } from '@/parts/ui/Text';
import { Icon } from '@/theme/Icon';
import { useColours } from '@/theme/theme';

import { FindingNotice } from './FindingNotice';
import { GO_TO, sectionId } from './goTo';
import { useUnfolded } from './useUnfolded';

export interface SectionProps {
  /** Short name, for going to it. */
  name: string;
  title: string;
  /** What it holds, in a few words, shown when folded too. */
  summary?: string;
  /** There is nothing in it yet, and something is to be: it begins open. */
  blank?: boolean;
  children: ReactNode;
}

/** How a page's sections begin, and what is missing in each. */
export const Folding = createContext<{
  /** `asNeeded`: folded, unless something is missing or nothing is there yet. */
  starts: 'open' | 'asNeeded';
  /** How much is missing, by the section's name. */
  missing: Readonly<Record<string, number>>;
}>({ starts: 'open', missing: {} });

/** Opens or folds every section of the page. */
export function foldAll(open: boolean): void {
  window.dispatchEvent(new CustomEvent(GO_TO, { detail: open }));
}

/** One part of the sheet; folds on a tap of its head. */
export function Section({ name, title, summary, blank = false, children }: SectionProps) {
  const c = useColours();
  const { starts, missing } = useContext(Folding);
  const lacks = missing[name] ?? 0;
  const [open, setOpen] = useUnfolded(name, starts === 'open' || blank || lacks > 0, true);
  return (
    <View
      id={sectionId(name)}
      role="region"
      aria-label={title}
      style={[styles.card, { backgroundColor: c.surface, borderColor: c.line }]}
    >
      <Pressable
        role="button"
        aria-expanded={open}
        aria-label={title}
        onPress={() => setOpen(!open)}
        style={styles.head}
      >
        <Text variant="heading" style={{ flex: 1 }}>
          {title}
        </Text>
        {lacks > 0 && !open ? (
          <Text variant="small" tone="trouble" numberOfLines={1} figures style={{ flexShrink: 1 }}>
            {`${lacks} missing`}
          </Text>
        ) : summary ? (
          <Text variant="small" tone="soft" numberOfLines={1} figures style={{ flexShrink: 1 }}>
            {summary}
          </Text>
        ) : null}
        <Icon name={open ? 'unfold' : 'forward'} colour={c.soft} size={20} />
      </Pressable>
      {open ? <View style={styles.body}>{children}</View> : null}
    </View>
  );
}

/** What the marketplaces an item is wanted on say about one field, right under it. */
export function FieldFindings({ examined, field }: { examined: readonly Examined[]; field: CheckField }) {
  // The same of several marketplaces is said once.
  const said = new Map<string, { finding: Finding; examined: Examined }>();
  for (const one of examined)
    for (const finding of one.findings)
      if (finding.field === field && (finding.level === 'blocker' || !said.has(findingKey(finding))))
        said.set(findingKey(finding), { finding, examined: one });
  return [...said].map(([key, { finding, examined: one }]) => (
    <FindingNotice key={key} finding={finding} examined={one} />
  ));
}

const styles = StyleSheet.create({
  card: { borderWidth: 1, borderRadius: 12 },
  head: { flexDirection: 'row', alignItems: 'center', gap: 8, paddingHorizontal: 12, minHeight: 52 },
  body: { paddingHorizontal: 12, paddingBottom: 14, gap: 10 },
});
