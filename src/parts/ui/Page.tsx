import type { Href } from 'expo-router';
import type { ReactNode } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';

import { SPACE, useColours, useWide } from '@/theme/theme';

import { BackTo } from './BackTo';
import { Text } from './Text';

export interface PageProps {
  title: string;
  /** Where back leads when one came from nowhere; absent on a place of the bar. Always at the left. */
  back?: Href;
  /** Beside the title. */
  aside?: ReactNode;
  children: ReactNode;
  /** How wide the text may run on a wide screen; pixels. */
  maxWidth?: number;
}

/** A place: its title and a scrolling column. */
export function Page({ title, back, aside, children, maxWidth = 860 }: PageProps) {
  const c = useColours();
  const wide = useWide();
  return (
    <ScrollView
      style={{ flex: 1, backgroundColor: c.ground }}
      contentContainerStyle={[styles.inside, wide && styles.wide, { maxWidth: wide ? maxWidth : undefined }]}
      keyboardShouldPersistTaps="handled"
      tabIndex={0}
      role="main"
      aria-label={title}
    >
      <PageHead title={title} back={back} aside={aside} />
      {children}
    </ScrollView>
  );
}

/** The head of a place that scrolls in a way of its own: the way back, its title, what stands beside it. */
export function PageHead({ title, back, aside }: Pick<PageProps, 'title' | 'back' | 'aside'>) {
  return (
    <View style={styles.head}>
      {back ? (
        // Its sign, not the room around it, stands at the margin.
        <View style={{ marginLeft: -10 }}>
          <BackTo path={back} />
        </View>
      ) : null}
      <Text variant="title" style={{ flex: 1 }}>
        {title}
      </Text>
      {aside}
    </View>
  );
}

/** One sheet of paper on the ground. */
export function Card({
  children,
  tone = 'plain',
  label,
}: {
  children: ReactNode;
  tone?: 'plain' | 'trouble';
  label?: string;
}) {
  const c = useColours();
  return (
    <View
      {...(label ? { role: 'group' as const, 'aria-label': label } : {})}
      style={[
        styles.card,
        { backgroundColor: c.surface, borderColor: tone === 'trouble' ? c.brick : c.line },
        tone === 'trouble' && { borderWidth: 2 },
      ]}
    >
      {children}
    </View>
  );
}

const styles = StyleSheet.create({
  inside: { padding: SPACE.l, gap: SPACE.m, paddingBottom: 40, width: '100%' },
  wide: { paddingHorizontal: 32, paddingTop: 28 },
  head: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s, minHeight: 44 },
  card: { borderWidth: 1, borderRadius: 12, padding: SPACE.m, gap: SPACE.s },
});
