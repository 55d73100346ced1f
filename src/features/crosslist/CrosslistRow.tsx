import { memo } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';

import { planId, type Item } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';
import { deedOf } from '@/core/listing/cells';
import { notTaken, stateWords, signLabel, signState } from '@/core/listing/signState';
import { formatMoney } from '@/core/money/money';
import { ListingSign } from '@/parts/trade/ListingSign';
import { PictureView } from '@/parts/trade/PictureView';
import { Text } from '@/parts/ui/Text';
import { Tick } from '@/parts/ui/Tick';
import { useAttic } from '@/store/attic/attic';
import { useChecks } from '@/store/courier/checking';
import { useCourier } from '@/store/courier/courierLink';
import { wantMany } from '@/store/courier/crosslist';
import { cellKey, useQueue } from '@/store/courier/sendQueue';
import { nameOf } from '@/store/items/names';
import { useColours } from '@/theme/theme';
import { findingWords } from '@/wording/check';
import { reasonWords } from '@/wording/courier';

export const CELL_HEIGHT = 86;
export const STACK_HEIGHT = 146;

export interface CrosslistRowProps {
  item: Item;
  sheets: readonly RuleSheet[];
  chosen: boolean;
  /** Marketplaces it can't go to with the others, and the item that goes there before it. */
  twins?: Readonly<Record<string, string>>;
  onChoose: (id: string) => void;
  /** Opens the item at a field. */
  onOpen: (id: string, at: string) => void;
}

/** The marketplaces across; a press on a name plans all that is shown or chosen for it, or none. */
export function CrosslistHead(props: { sheets: readonly RuleSheet[]; onPlan: (market: string) => void }) {
  const c = useColours();
  return (
    <View role="row" style={[styles.line, { backgroundColor: c.raised, height: 52 }]}>
      <Text variant="small" role="columnheader" style={[styles.tickColumn, { fontWeight: '600' }]}>
        Pick
      </Text>
      <Text variant="small" role="columnheader" style={[styles.title, { fontWeight: '600' }]}>
        Item
      </Text>
      {props.sheets.map((sheet) => (
        <View key={sheet.marketplace} role="columnheader" style={styles.cell}>
          <Pressable
            role="button"
            aria-label={`Plan all for ${sheet.name}, or none`}
            onPress={() => props.onPlan(sheet.marketplace)}
            style={styles.name}
          >
            <Text variant="small" numberOfLines={1} style={{ fontWeight: '600' }}>
              {sheet.name}
            </Text>
          </Pressable>
        </View>
      ))}
    </View>
  );
}

/** One item on a wide screen: a window per marketplace. */
export const CrosslistRow = memo(function CrosslistRow(props: CrosslistRowProps) {
  const { item, sheets, chosen, twins, onChoose, onOpen } = props;
  const c = useColours();
  return (
    <View
      role="row"
      style={[
        styles.line,
        {
          height: CELL_HEIGHT,
          borderTopWidth: 1,
          borderColor: c.line,
          backgroundColor: chosen ? c.mossTint : c.surface,
        },
      ]}
    >
      <View role="cell" style={styles.tickColumn}>
        <Choose item={item} chosen={chosen} onChoose={onChoose} />
      </View>
      <View role="cell" style={[styles.title, { flexDirection: 'row', alignItems: 'center', gap: 10 }]}>
        <PictureView id={item.pictureIds[0]} alt="" style={{ width: 52, height: 52 }} />
        <ItemLink item={item} onOpen={onOpen} />
      </View>
      {sheets.map((sheet) => (
        <View key={sheet.marketplace} role="cell" style={styles.cell}>
          <CellPress item={item} sheet={sheet} twin={twins?.[sheet.marketplace]} onOpen={onOpen} size={32} />
        </View>
      ))}
    </View>
  );
});

/** One item on a phone: its windows in a row to press. */
export const StackedRow = memo(function StackedRow(props: CrosslistRowProps) {
  const { item, sheets, chosen, twins, onChoose, onOpen } = props;
  const c = useColours();
  return (
    <View
      style={[
        styles.stack,
        { backgroundColor: chosen ? c.mossTint : c.surface, borderColor: chosen ? c.moss : c.line },
      ]}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 10 }}>
        <Choose item={item} chosen={chosen} onChoose={onChoose} />
        <PictureView id={item.pictureIds[0]} alt="" style={{ width: 48, height: 48 }} />
        <ItemLink item={item} onOpen={onOpen} />
      </View>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between' }}>
        {sheets.map((sheet) => (
          <CellPress
            key={sheet.marketplace}
            item={item}
            sheet={sheet}
            twin={twins?.[sheet.marketplace]}
            onOpen={onOpen}
            size={30}
          />
        ))}
      </View>
    </View>
  );
});

/** The item's name; a press opens it at its marketplaces. */
function ItemLink({ item, onOpen }: Pick<CrosslistRowProps, 'item' | 'onOpen'>) {
  return (
    <Pressable
      role="link"
      onPress={() => onOpen(item.id, 'markets')}
      style={{ flex: 1, minHeight: 44, justifyContent: 'center' }}
    >
      <Text variant="strong" numberOfLines={2}>
        {nameOf(item)}
      </Text>
    </Pressable>
  );
}

function Choose(props: { item: Item; chosen: boolean; onChoose: (id: string) => void }) {
  const { item, chosen, onChoose } = props;
  return (
    <Pressable
      role="checkbox"
      aria-checked={chosen}
      aria-label={`Choose ${nameOf(item)}`}
      onPress={() => onChoose(item.id)}
      style={styles.choose}
    >
      <Tick on={chosen} />
    </Pressable>
  );
}

/**
 * One item on one marketplace. A press plans it, or takes the plan back; where something stands against it,
 * or it is there already, it opens the item at the place.
 */
function CellPress(props: {
  item: Item;
  sheet: RuleSheet;
  twin: string | undefined;
  onOpen: (id: string, at: string) => void;
  size: number;
}) {
  const { item, sheet, twin, onOpen, size } = props;
  const c = useColours();
  const market = sheet.marketplace;
  const currency = useAttic((s) => s.settings.currency);
  const plan = useAttic((s) => s.plans[planId(item.id, market)]);
  const view = useCourier((s) => s.items[item.id]);
  const check = useChecks((s) => s[item.id]?.find((x) => x.market === market));
  const job = useQueue((s) => s[cellKey(item.id, market)]);
  const listing = view?.listings.find((l) => l.market === market);
  const deed = deedOf(check, plan, listing, !!view?.sale);
  const blocker = deed === 'fix' ? check?.blockers[0] : undefined;
  const refused = listing && notTaken(listing) ? listing.reasons[0] : undefined;
  const twinned = useAttic((s) => (twin === undefined ? undefined : s.items[twin]));
  const same =
    twinned &&
    `${nameOf(twinned)} (${twinned.code}) goes there under the same title at the same price: one ` +
      'of them has to differ';
  const trouble =
    job?.state === 'failed'
      ? job.why
      : ((refused && reasonWords(refused)) ?? (blocker ? findingWords(blocker) : same));
  const at = job?.field || refused?.field || blocker?.field || (same ? 'title' : 'markets');
  const under =
    job && job.state !== 'failed'
      ? job.state === 'waiting'
        ? 'waits'
        : job.action === 'send'
          ? 'sending'
          : 'taking down'
      : trouble
        ? 'look'
        : deed === 'resend'
          ? 'changed'
          : (check?.price ?? listing?.price ?? null) !== null && (plan?.wanted || listing)
            ? formatMoney(check?.price ?? listing?.price ?? 0, currency)
            : '';
  const state = signState(listing, plan);
  const words = signLabel(sheet.name, listing, plan, currency);
  const planned = state === 'notPlanned' || state === 'draft' || state === 'ended';
  return (
    <Pressable
      role="button"
      aria-label={`${nameOf(item)}, ${words}${trouble ? `; ${trouble}` : ''}`}
      onPress={() =>
        trouble || !planned
          ? onOpen(item.id, trouble ? at : 'markets')
          : wantMany([item.id], market, !plan?.wanted)
      }
      style={({ pressed }) => [styles.press, { opacity: pressed ? 0.6 : 1 }]}
    >
      <ListingSign letters={sheet.letters} state={state} label={stateWords(listing, plan)} size={size} />
      <Text
        variant="small"
        figures
        numberOfLines={1}
        tone={trouble ? 'trouble' : 'soft'}
        style={{
          fontSize: 12,
          lineHeight: 14,
          color: trouble ? c.brick : deed === 'resend' ? c.slate : undefined,
        }}
      >
        {under || ' '}
      </Text>
    </Pressable>
  );
}

const styles = StyleSheet.create({
  line: { flexDirection: 'row', alignItems: 'center', gap: 8, paddingHorizontal: 10 },
  tickColumn: { width: 44 },
  title: { flex: 1, minWidth: 200 },
  cell: { width: 92, alignItems: 'center' },
  name: { minHeight: 44, justifyContent: 'center', alignItems: 'center', alignSelf: 'stretch' },
  choose: { width: 44, height: 44, alignItems: 'center', justifyContent: 'center' },
  press: { minWidth: 44, minHeight: 64, alignItems: 'center', justifyContent: 'center', gap: 1 },
  stack: {
    height: STACK_HEIGHT,
    borderWidth: 1,
    borderRadius: 12,
    padding: 8,
    justifyContent: 'space-between',
  },
});
