import { memo } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';

import type { Item } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';
import { signState, type SignState } from '@/core/listing/signState';
import { formatMoney } from '@/core/money/money';
import { goes, type OutLine } from '@/core/outgoing/lines';
import { ListingSign } from '@/parts/trade/ListingSign';
import { PictureView } from '@/parts/trade/PictureView';
import { Text } from '@/parts/ui/Text';
import { meetingTime } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { nameOf } from '@/store/items/names';
import { useColours } from '@/theme/theme';
import { findingWords } from '@/wording/check';

export const OUT_HEIGHT = 152;
export const OUT_LINE = 84;

export interface OutRowProps {
  item: Item;
  sheets: readonly RuleSheet[];
  /** Of this item, one a sheet. */
  lines: readonly OutLine[];
  /** Marketplaces taken out for it. */
  out: ReadonlySet<string>;
  /** When it goes; null: at once. */
  at: number | null;
  onToggle: (item: string, market: string) => void;
  /** Opens the item at a field. */
  onOpen: (id: string, at: string) => void;
}

/** One item on a phone: what goes where, what it costs, and what stands against it. */
export const OutRow = memo(function OutRow(props: OutRowProps) {
  const { item, sheets, onOpen } = props;
  const c = useColours();
  return (
    <View style={[styles.row, { backgroundColor: c.surface, borderColor: c.line }]}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 10 }}>
        <PictureView id={item.pictureIds[0]} alt="" style={{ width: 52, height: 52 }} />
        <Name {...props} onOpen={onOpen} />
      </View>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between' }}>
        {sheets.map((sheet, i) => (
          <OutCell key={sheet.marketplace} {...props} sheet={sheet} line={props.lines[i]} />
        ))}
      </View>
    </View>
  );
});

/** One item in the table of a wide screen. */
export const OutTableRow = memo(function OutTableRow(props: OutRowProps) {
  const { item, sheets } = props;
  const c = useColours();
  return (
    <View role="row" style={[styles.line, { borderColor: c.line, backgroundColor: c.surface }]}>
      <View role="cell" style={[styles.name, { flexDirection: 'row', alignItems: 'center', gap: 10 }]}>
        <PictureView id={item.pictureIds[0]} alt="" style={{ width: 52, height: 52 }} />
        <Name {...props} />
      </View>
      {sheets.map((sheet, i) => (
        <View key={sheet.marketplace} role="cell" style={styles.cell}>
          <OutCell {...props} sheet={sheet} line={props.lines[i]} />
        </View>
      ))}
    </View>
  );
});

/** The marketplaces across, each with how many go there and what they cost together. */
export function OutHead({ sheets, words }: { sheets: readonly RuleSheet[]; words: readonly string[] }) {
  const c = useColours();
  return (
    <View role="row" style={[styles.line, { backgroundColor: c.raised, height: 62 }]}>
      <Text variant="small" role="columnheader" style={[styles.name, { fontWeight: '600' }]}>
        Item
      </Text>
      {sheets.map((sheet, i) => (
        <View key={sheet.marketplace} role="columnheader" style={styles.cell}>
          <Text variant="small" numberOfLines={1} style={{ fontWeight: '600' }}>
            {sheet.name}
          </Text>
          <Text variant="small" tone="soft" figures numberOfLines={1}>
            {words[i] ?? ''}
          </Text>
        </View>
      ))}
    </View>
  );
}

/** Its name, and what is to be said of it in one line: what stands against it first. */
function Name({ item, lines, out, at, sheets, onOpen }: OutRowProps) {
  const currency = useAttic((s) => s.settings.currency);
  const stopped = lines.find((l) => l.says === 'stopped');
  const going = lines.filter((l) => goes(l) && !out.has(l.market));
  const cautious = going.find((l) => l.says === 'cautious');
  const where = sheets.find((s) => s.marketplace === (stopped ?? cautious)?.market)?.letters ?? '';
  const left = going.flatMap((l) => (l.takeHome === null ? [] : [l.takeHome]));
  const say = (amount: number) => formatMoney(amount, currency);
  const [least, most] = [Math.min(...left), Math.max(...left)];
  const words = [
    goesWords(at, going),
    left.length === 0 ? '' : `leaves ${say(least)}${most > least ? ` to ${say(most)}` : ''}`,
  ].filter(Boolean);
  const about = stopped ?? cautious;
  return (
    <Pressable
      role="link"
      onPress={() => onOpen(item.id, stopped?.why?.field ?? 'markets')}
      style={{ flex: 1, minHeight: 44, justifyContent: 'center' }}
    >
      <Text variant="strong" numberOfLines={1}>
        {nameOf(item)}
      </Text>
      <Text variant="small" tone="soft" figures numberOfLines={1}>
        {words.join(' · ') || ' '}
      </Text>
      {about ? (
        <Text variant="small" tone={stopped ? 'trouble' : 'soft'} numberOfLines={1}>
          {`${where}: ${whyWords(about)}`}
        </Text>
      ) : null}
    </Pressable>
  );
}

/** When it goes, where that is not at once. */
function goesWords(at: number | null, going: readonly OutLine[]): string {
  const times = new Set(at === null ? going.flatMap((l) => l.at ?? []) : [at]);
  const [first] = times;
  return first === undefined ? '' : times.size > 1 ? 'at their own times' : meetingTime(first);
}

/** Why a line does not go. */
export function whyWords(line: OutLine): string {
  if (line.twin !== null) return 'another of these goes there under the same title at the same price';
  return line.why ? findingWords(line.why) : '';
}

/** One line: a press takes it out, or puts it back; where something stands against it, it leads there. */
function OutCell(props: OutRowProps & { sheet: RuleSheet; line: OutLine | undefined }) {
  const { item, sheet, line, out, onToggle, onOpen } = props;
  const c = useColours();
  if (!line) return null;
  const isOut = out.has(sheet.marketplace);
  const going = goes(line) && !isOut;
  const state: SignState =
    line.says === 'stopped'
      ? 'refused'
      : line.says === 'none'
        ? signState(line.listing, undefined)
        : line.deed === 'withdraw'
          ? going
            ? 'goingDown'
            : signState(line.listing, undefined)
          : going
            ? 'draft'
            : 'notPlanned';
  const fees = line.fees === null ? '' : line.fees === 0 ? 'no fees' : formatMoney(line.fees, sheet.currency);
  const under =
    line.says === 'stopped'
      ? 'look'
      : line.says === 'asked'
        ? '…'
        : line.says === 'none'
          ? ''
          : isOut
            ? 'left out'
            : line.deed === 'withdraw'
              ? 'comes down'
              : fees;
  const price = line.price === null ? '' : `, ${formatMoney(line.price, sheet.currency)}`;
  const spoken =
    line.says === 'stopped'
      ? `stopped: ${whyWords(line)}`
      : line.says === 'none'
        ? 'nothing to do'
        : line.says === 'asked'
          ? 'being checked'
          : isOut
            ? 'left out'
            : line.deed === 'withdraw'
              ? 'comes down'
              : `goes${price}, fees ${fees}`;
  const canToggle = goes(line);
  return (
    <Pressable
      role={canToggle ? 'checkbox' : 'button'}
      {...(canToggle ? { 'aria-checked': !isOut } : {})}
      aria-label={`${nameOf(item)}, ${sheet.name}: ${spoken}`}
      disabled={line.says === 'none' || line.says === 'asked'}
      onPress={() =>
        canToggle ? onToggle(item.id, sheet.marketplace) : onOpen(item.id, line.why?.field ?? 'title')
      }
      style={({ pressed }) => [
        styles.press,
        { opacity: pressed ? 0.6 : line.says === 'none' ? 0.35 : isOut ? 0.5 : 1 },
      ]}
    >
      <ListingSign letters={sheet.letters} state={state} label={spoken} size={30} />
      <Text
        variant="small"
        figures
        numberOfLines={1}
        style={{ fontSize: 12, lineHeight: 14, color: line.says === 'stopped' ? c.brick : c.soft }}
      >
        {under || ' '}
      </Text>
    </Pressable>
  );
}

const styles = StyleSheet.create({
  row: {
    height: OUT_HEIGHT,
    borderWidth: 1,
    borderRadius: 12,
    padding: 8,
    justifyContent: 'space-between',
  },
  line: {
    height: OUT_LINE,
    flexDirection: 'row',
    alignItems: 'center',
    gap: 8,
    paddingHorizontal: 10,
    borderTopWidth: 1,
  },
  name: { flex: 1, minWidth: 200 },
  cell: { width: 96, alignItems: 'center' },
  press: { minWidth: 44, minHeight: 64, alignItems: 'center', justifyContent: 'center', gap: 1 },
});
