import { memo } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';

import { Text } from '@/parts/ui/Text';
import { Tick } from '@/parts/ui/Tick';
import { useColours } from '@/theme/theme';
import { cellTrouble } from '@/wording/tables';
import type { ShownLine } from '@/workers/tablereader.worker';

export const LINE_HEIGHT = 92;

interface LineRowProps {
  line: ShownLine | undefined;
  /** What the product look-up calls it; empty: not asked, or not known. */
  known: string;
  isOut: boolean;
  isOpen: boolean;
  onTick: (line: number, isOut: boolean) => void;
  onOpen: (line: number) => void;
}

/** What one line of the table would do. */
export const LineRow = memo(function LineRow({ line, known, isOut, isOpen, onTick, onOpen }: LineRowProps) {
  const c = useColours();
  if (!line) return <View style={[styles.row, { backgroundColor: c.surface, borderColor: c.line }]} />;
  const takes = line.outcome === 'new' || line.outcome === 'changes';
  const isRefused = line.outcome === 'refused';
  return (
    <View
      style={[
        styles.row,
        { backgroundColor: isOpen ? c.mossTint : c.surface, borderColor: isRefused ? c.brick : c.line },
      ]}
    >
      {takes ? (
        <Pressable
          role="checkbox"
          aria-checked={!isOut}
          aria-label={`Take line ${line.line}`}
          onPress={() => onTick(line.line, !isOut)}
          style={styles.tick}
        >
          <Tick on={!isOut} />
        </Pressable>
      ) : null}
      <Pressable
        role="button"
        aria-label={`Line ${line.line}: ${line.name || 'no name'}`}
        onPress={() => onOpen(line.line)}
        style={styles.words}
      >
        <Text variant="strong" numberOfLines={1} figures>
          {[known || line.name || 'no name', line.times > 1 ? `× ${line.times}` : '']
            .filter(Boolean)
            .join(' ')}
        </Text>
        <Text variant="small" tone={isRefused ? 'trouble' : 'soft'} numberOfLines={2} figures>
          {`Line ${line.line} · ${lineWords(line)}`}
        </Text>
      </Pressable>
    </View>
  );
});

/** What a line would do, or why it can't, in a few words. */
export function lineWords(line: ShownLine): string {
  const [trouble] = line.troubles;
  const { outcome, changes } = line;
  if (outcome === 'refused' && trouble) {
    const said = trouble.text ? `“${trouble.text.slice(0, 40)}”: ` : '';
    const more = line.troubles.length > 1 ? ` And ${line.troubles.length - 1} more.` : '';
    return `${said}${cellTrouble(trouble.why)}${more}`;
  }
  const left = line.troubles.length > 0 ? `${line.troubles.length} left out · ` : '';
  if (outcome === 'same') return `${left}the same as it is here`;
  if (outcome === 'new')
    return `new · ${left}${changes
      .filter((ch) => ch.field !== 'title')
      .map((ch) => `${named(ch.label)} ${valued(ch.label, ch.after)}`)
      .join(' · ')}`;
  return (
    left +
    changes
      .map((ch) => `${named(ch.label)} ${valued(ch.label, ch.before)} → ${valued(ch.label, ch.after)}`)
      .join(' · ')
  );
}

/** A column's label ends in its unit: "Price, EUR". */
const UNIT = /, (\S{1,3})$/u;
function named(label: string): string {
  return label.replace(UNIT, '');
}

function valued(label: string, text: string): string {
  const unit = UNIT.exec(label)?.[1];
  return unit && text !== '' ? `${short(text)} ${unit}` : short(text);
}

function short(text: string): string {
  const bare = text.replace(/\s+/gu, ' ');
  return bare === '' ? '—' : bare.length > 40 ? `${bare.slice(0, 40)}…` : bare;
}

const styles = StyleSheet.create({
  row: {
    height: LINE_HEIGHT,
    borderWidth: 1,
    borderRadius: 10,
    flexDirection: 'row',
    alignItems: 'center',
    overflow: 'hidden',
  },
  tick: { width: 52, alignSelf: 'stretch', alignItems: 'center', justifyContent: 'center' },
  words: { flex: 1, minWidth: 0, alignSelf: 'stretch', justifyContent: 'center', gap: 2, padding: 10 },
});
