import { memo } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';

import { planId, type Thing } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';
import { deedOf } from '@/core/listing/cells';
import { notTaken, stateWords, windowLabel, windowState } from '@/core/listing/windowState';
import { formatMoney } from '@/core/money/money';
import { PictureView } from '@/parts/PictureView';
import { Tick } from '@/parts/Tick';
import { Window } from '@/parts/Window';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { useChecks } from '@/store/checking';
import { useCourier } from '@/store/courierLink';
import { wantMany } from '@/store/crosslist';
import { cellKey, useQueue } from '@/store/sendQueue';
import { nameOf } from '@/store/names';
import { useColours } from '@/theme/theme';

export const CELL_HEIGHT = 86;
export const STACK_HEIGHT = 146;

export interface CrosslistRowProps {
  thing: Thing;
  sheets: readonly RuleSheet[];
  chosen: boolean;
  /** Marketplaces it can't go to with the others, and the thing that goes there before it. */
  twins?: Readonly<Record<string, string>>;
  onChoose: (id: string) => void;
  /** Opens the thing at a field. */
  onOpen: (id: string, at: string) => void;
}

/** The marketplaces across; a press on a name plans all that is shown or chosen for it, or none. */
export function CrosslistHead(props: { sheets: readonly RuleSheet[]; onPlan: (market: string) => void }) {
  const c = useColours();
  return (
    <View role="row" style={[styles.line, { backgroundColor: c.raised, height: 52 }]}>
      <Words kind="small" role="columnheader" style={[styles.tickColumn, { fontWeight: '600' }]}>
        Pick
      </Words>
      <Words kind="small" role="columnheader" style={[styles.title, { fontWeight: '600' }]}>
        Thing
      </Words>
      {props.sheets.map((sheet) => (
        <View key={sheet.marketplace} role="columnheader" style={styles.cell}>
          <Pressable
            role="button"
            aria-label={`Plan all for ${sheet.name}, or none`}
            onPress={() => props.onPlan(sheet.marketplace)}
            style={styles.name}
          >
            <Words kind="small" numberOfLines={1} style={{ fontWeight: '600' }}>
              {sheet.name}
            </Words>
          </Pressable>
        </View>
      ))}
    </View>
  );
}

/** One thing on a wide screen: a window per marketplace. */
export const CrosslistRow = memo(function CrosslistRow(props: CrosslistRowProps) {
  const { thing, sheets, chosen, twins, onChoose, onOpen } = props;
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
        <Choose thing={thing} chosen={chosen} onChoose={onChoose} />
      </View>
      <View role="cell" style={[styles.title, { flexDirection: 'row', alignItems: 'center', gap: 10 }]}>
        <PictureView id={thing.pictureIds[0]} alt="" style={{ width: 52, height: 52 }} />
        <ThingLink thing={thing} onOpen={onOpen} />
      </View>
      {sheets.map((sheet) => (
        <View key={sheet.marketplace} role="cell" style={styles.cell}>
          <CellPress
            thing={thing}
            sheet={sheet}
            twin={twins?.[sheet.marketplace]}
            onOpen={onOpen}
            size={32}
          />
        </View>
      ))}
    </View>
  );
});

/** One thing on a phone: its windows in a row to press. */
export const StackedRow = memo(function StackedRow(props: CrosslistRowProps) {
  const { thing, sheets, chosen, twins, onChoose, onOpen } = props;
  const c = useColours();
  return (
    <View
      style={[
        styles.stack,
        { backgroundColor: chosen ? c.mossTint : c.surface, borderColor: chosen ? c.moss : c.line },
      ]}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 10 }}>
        <Choose thing={thing} chosen={chosen} onChoose={onChoose} />
        <PictureView id={thing.pictureIds[0]} alt="" style={{ width: 48, height: 48 }} />
        <ThingLink thing={thing} onOpen={onOpen} />
      </View>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between' }}>
        {sheets.map((sheet) => (
          <CellPress
            key={sheet.marketplace}
            thing={thing}
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

/** The thing's name; a press opens it at its marketplaces. */
function ThingLink({ thing, onOpen }: Pick<CrosslistRowProps, 'thing' | 'onOpen'>) {
  return (
    <Pressable
      role="link"
      onPress={() => onOpen(thing.id, 'markets')}
      style={{ flex: 1, minHeight: 44, justifyContent: 'center' }}
    >
      <Words kind="strong" numberOfLines={2}>
        {nameOf(thing)}
      </Words>
    </Pressable>
  );
}

function Choose(props: { thing: Thing; chosen: boolean; onChoose: (id: string) => void }) {
  const { thing, chosen, onChoose } = props;
  return (
    <Pressable
      role="checkbox"
      aria-checked={chosen}
      aria-label={`Choose ${nameOf(thing)}`}
      onPress={() => onChoose(thing.id)}
      style={styles.choose}
    >
      <Tick on={chosen} />
    </Pressable>
  );
}

/**
 * One thing on one marketplace. A press plans it, or takes the plan back; where something stands against it, or it is
 * there already, it opens the thing at the place.
 */
function CellPress(props: {
  thing: Thing;
  sheet: RuleSheet;
  twin: string | undefined;
  onOpen: (id: string, at: string) => void;
  size: number;
}) {
  const { thing, sheet, twin, onOpen, size } = props;
  const c = useColours();
  const market = sheet.marketplace;
  const currency = useAttic((s) => s.settings.currency);
  const plan = useAttic((s) => s.plans[planId(thing.id, market)]);
  const view = useCourier((s) => s.things[thing.id]);
  const check = useChecks((s) => s[thing.id]?.find((x) => x.market === market));
  const job = useQueue((s) => s[cellKey(thing.id, market)]);
  const listing = view?.listings.find((l) => l.market === market);
  const deed = deedOf(check, plan, listing, !!view?.sale);
  const blocker = deed === 'fix' ? check?.blockers[0] : undefined;
  const refused = listing && notTaken(listing) ? listing.reasons[0] : undefined;
  const twinned = useAttic((s) => (twin === undefined ? undefined : s.things[twin]));
  const same =
    twinned &&
    `${nameOf(twinned)} (${twinned.code}) goes there under the same title at the same price: one of them has to differ`;
  const trouble = job?.state === 'failed' ? job.why : (refused?.message ?? blocker?.message ?? same);
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
  const state = windowState(listing, plan);
  const words = windowLabel(sheet.name, listing, plan, currency);
  const planned = state === 'notPlanned' || state === 'draft' || state === 'ended';
  return (
    <Pressable
      role="button"
      aria-label={`${nameOf(thing)}, ${words}${trouble ? `; ${trouble}` : ''}`}
      onPress={() =>
        trouble || !planned
          ? onOpen(thing.id, trouble ? at : 'markets')
          : wantMany([thing.id], market, !plan?.wanted)
      }
      style={({ pressed }) => [styles.press, { opacity: pressed ? 0.6 : 1 }]}
    >
      <Window letters={sheet.letters} state={state} label={stateWords(listing, plan)} size={size} />
      <Words
        kind="small"
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
      </Words>
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
