import type { Href } from 'expo-router';
import { useEffect, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import { Pressable, View } from 'react-native';

import { useColours } from '@/theme/theme';

import { LongList } from './LongList';
import { PageHead } from './Page';
import { useShortcuts } from './shortcuts';
import { Text } from './Text';

/** One line of a list at a desk. */
export interface DeskLine {
  id: string;
  /** Said aloud; what it is named by. */
  name: string;
  words: string;
  more?: string;
  /** At its right end, in figures. */
  end?: string;
  picture?: ReactNode;
  /** It needs a person. */
  marked?: boolean;
}

const HEIGHT = 76;

/**
 * A place at a desk: a list at the left, what is chosen of it at the right. Arrows go through the list, Enter
 * into what is chosen.
 */
export function ListDetail(props: {
  title: string;
  /** Where back leads when one came from nowhere; absent on a place of the bar. */
  back?: Href;
  lines: readonly DeskLine[];
  here: string | null;
  onHere: (id: string) => void;
  /** Above the list, scrolling along. */
  above?: ReactNode;
  /** What is chosen. */
  children: ReactNode;
}) {
  const { title, back, lines, here, onHere, above, children } = props;
  const c = useColours();
  const { detail, list, onKeyDown } = useKeys(lines, here, onHere);
  const chosen = lines.find((l) => l.id === here);
  return (
    <View role="main" aria-label={title} style={{ flex: 1, flexDirection: 'row', minHeight: 0 }}>
      <div
        ref={list}
        // What is pressed keeps its Enter to itself.
        onKeyDownCapture={onKeyDown}
        style={{ display: 'flex', width: 420, minHeight: 0, borderRight: `1px solid ${c.line}` }}
      >
        <LongList
          label={`${title}: list`}
          role="region"
          items={lines}
          keyOf={(l) => l.id}
          height={HEIGHT}
          gap={4}
          row={(line) => <Line line={line} on={line.id === here} onPress={() => onHere(line.id)} />}
        >
          <PageHead title={title} back={back} />
          {above}
        </LongList>
      </div>
      <div
        // Another line begins at its top.
        key={here}
        ref={detail}
        role="region"
        aria-label={chosen?.name ?? 'Nothing chosen'}
        tabIndex={0}
        style={{ flex: 1, overflowY: 'auto', minHeight: 0 }}
      >
        <View style={{ gap: 12, maxWidth: 860, paddingVertical: 28, paddingHorizontal: 32 }}>{children}</View>
      </div>
    </View>
  );
}

/** Told of on `?`; the list does it itself. */
const KEYS = [
  { key: 'ArrowUp', words: 'The line above, in the list' },
  { key: 'ArrowDown', words: 'The line below, in the list' },
  { key: 'Enter', words: 'Into what is chosen' },
];

/**
 * Arrows choose the line before and after, and take the focus along; Enter goes on to what is chosen. Where
 * nothing has the focus, keys are the list's.
 */
function useKeys(lines: readonly DeskLine[], here: string | null, onHere: (id: string) => void) {
  const detail = useRef<HTMLDivElement>(null);
  const list = useRef<HTMLDivElement>(null);
  const [byKey, setByKey] = useState<string | null>(null);
  useShortcuts(KEYS);
  useEffect(() => {
    if (byKey !== null && byKey === here)
      list.current?.querySelector<HTMLElement>('[aria-current=true]')?.focus();
  }, [byKey, here]);
  /** @returns whether the key did anything */
  const go = (key: string, onLine: boolean): boolean => {
    if (key === 'Enter' && onLine) {
      detail.current?.focus();
      return true;
    }
    const by = key === 'ArrowDown' ? 1 : key === 'ArrowUp' ? -1 : 0;
    const next = by === 0 ? undefined : lines[lines.findIndex((l) => l.id === here) + by];
    if (!next) return false;
    setByKey(next.id);
    onHere(next.id);
    return true;
  };
  const latest = useRef(go);
  useEffect(() => {
    latest.current = go;
  });
  useEffect(() => {
    const onKey = (event: globalThis.KeyboardEvent) => {
      if (event.target === document.body && !event.defaultPrevented && latest.current(event.key, true))
        event.preventDefault();
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, []);
  const onKeyDown = (event: KeyboardEvent<HTMLDivElement>) => {
    const { key, target } = event;
    if (target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement) return;
    const onLine = target instanceof HTMLElement && target.getAttribute('aria-current') !== null;
    if (go(key, onLine)) event.preventDefault();
  };
  return { detail, list, onKeyDown };
}

function Line({ line, on, onPress }: { line: DeskLine; on: boolean; onPress: () => void }) {
  const c = useColours();
  return (
    <Pressable
      role="link"
      aria-label={line.name}
      aria-current={on ? 'true' : undefined}
      onPress={onPress}
      style={{
        height: HEIGHT,
        flexDirection: 'row',
        alignItems: 'center',
        gap: 12,
        paddingHorizontal: 12,
        borderRadius: 10,
        borderLeftWidth: 4,
        borderColor: line.marked ? c.brass : 'transparent',
        backgroundColor: on ? c.mossTint : c.surface,
      }}
    >
      {line.picture}
      <View style={{ flex: 1, minWidth: 0 }}>
        <Text variant={on ? 'strong' : 'body'} numberOfLines={1}>
          {line.words}
        </Text>
        {line.more ? (
          <Text variant="small" tone="soft" figures numberOfLines={1}>
            {line.more}
          </Text>
        ) : null}
      </View>
      {line.end ? (
        <Text variant="small" figures>
          {line.end}
        </Text>
      ) : null}
    </Pressable>
  );
}
