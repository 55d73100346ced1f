import { useState, type ReactNode } from 'react';
import { Pressable, ScrollView, View } from 'react-native';

import type { Item } from '@/contract/records';
import { plural } from '@/core/language/plural';
import type { Examined } from '@/core/listing/examine';
import { signLabel, signState, stateWords } from '@/core/listing/signState';
import { formatMoney } from '@/core/money/money';
import { goTo } from '@/parts/trade/goTo';
import { ListingSign } from '@/parts/trade/ListingSign';
import { SeeThere } from '@/parts/trade/SeeThere';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Switch } from '@/parts/ui/Switch';
import { Text } from '@/parts/ui/Text';
import { agoWords } from '@/parts/ui/time';
import { useCourier } from '@/store/courier/courierLink';
import { withdraw } from '@/store/courier/sending';
import { wantOn } from '@/store/items/items';
import { Icon } from '@/theme/Icon';
import { useColours, useWide } from '@/theme/theme';
import { findingWords } from '@/wording/check';
import { reasonWords, troubleWords } from '@/wording/courier';
import { priceWhyWords } from '@/wording/price';

import { useGlances, type GlanceLine } from './useGlances';

/** Every marketplace of an item at a glance: a table at the desk, folded lines on a phone. */
export function Glance({ item, examined }: { item: Item; examined: readonly Examined[] }) {
  const c = useColours();
  const wide = useWide();
  const lines = useGlances(item, examined);
  const Line = wide ? Row : FoldedLine;
  return (
    <ScrollView
      style={{
        flexGrow: 0,
        maxHeight: wide ? '50%' : '72%',
        backgroundColor: c.surface,
        borderBottomWidth: 1,
        borderColor: c.line,
      }}
      tabIndex={0}
      aria-label="All its marketplaces"
    >
      {lines.length === 0 ? (
        <Text tone="soft" style={{ padding: 12 }}>
          No marketplace is connected, or its rules are still being read.
        </Text>
      ) : (
        <View role="table" aria-label="Its marketplaces at a glance">
          {wide ? <Heads /> : null}
          {lines.map((line) => (
            <Line key={line.examined.sheet.marketplace} item={item} line={line} />
          ))}
        </View>
      )}
    </ScrollView>
  );
}

interface LineProps {
  item: Item;
  line: GlanceLine;
}

/** Why it is in the state it is, or what it lacks; null: there is nothing to say. */
function saidOf({
  listing,
  glance,
  examined,
  market,
}: GlanceLine): { words: string; isTrouble: boolean } | null {
  const { plan, sheet } = examined;
  const [reason] = listing?.reasons ?? [];
  if (reason) return { words: reasonWords(reason), isTrouble: true };
  if (listing?.trouble) return { words: troubleWords(listing.trouble), isTrouble: listing.stopped };
  if (market && market.link !== 'connected')
    return {
      words: market.link === 'off' ? 'not connected' : `${sheet.name} is paused`,
      isTrouble: market.link === 'off',
    };
  const [blocker, ...more] = glance.blockers;
  if (blocker && plan?.wanted)
    return {
      words: `${findingWords(blocker)}${more.length > 0 ? ` And ${more.length} more.` : ''}`,
      isTrouble: !glance.isUp,
    };
  return plan?.wanted && !glance.isUp ? { words: 'Ready to send.', isTrouble: false } : null;
}

/** Whether it is to be there: on and off before it is up; what is up asks once more before it comes down. */
function Listed({ item, line }: LineProps) {
  const { sheet, plan } = line.examined;
  const sold = useCourier((s) => s.items[item.id]?.sale != null);
  const [asks, setAsks] = useState(false);
  const { run, busy, trouble } = useAsyncAction();
  const { isUp } = line.glance;
  const on = isUp || (plan?.wanted ?? false);
  const press = () => {
    if (isUp) return setAsks(!asks);
    wantOn(item.id, sheet, !on);
  };
  return (
    <View>
      <Switch label={`Listed on ${sheet.name}`} on={on} disabled={sold || busy} onPress={press} />
      {asks && isUp ? (
        <Button
          variant="trouble"
          label={`Take it down from ${sheet.name}`}
          disabled={busy}
          onPress={() => run(() => withdraw(item.id, sheet.marketplace))}
        >
          Take down
        </Button>
      ) : null}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
    </View>
  );
}

function Sign({ line, size }: { line: GlanceLine; size: number }) {
  const { sheet, plan } = line.examined;
  return (
    <ListingSign
      letters={sheet.letters}
      state={signState(line.listing, plan)}
      label={signLabel(sheet.name, line.listing, plan, sheet.currency)}
      size={size}
    />
  );
}

/** The price there, and that buyers still see another one. */
function priceWords({ glance, examined }: GlanceLine): string {
  const { currency } = examined.sheet;
  if (glance.price === null) return '–';
  const shown = glance.shown === null ? '' : ` (shown: ${formatMoney(glance.shown, currency)})`;
  return `${formatMoney(glance.price, currency)}${shown}`;
}

const HEADS: readonly [string, number][] = [
  ['Marketplace', 150],
  ['Listed', 96],
  ['Price', 92],
  ['Why', 170],
  ['Left', 44],
  ['State', 210],
  ['Number there', 150],
  ['Compared', 112],
  ['Fees', 70],
  ['Leaves', 80],
];
/** Columns whose words may take what room there is. */
const GROWS = new Set(['Why', 'State']);

function Cell({ at, children }: { at: number; children: ReactNode }) {
  const [name, width] = HEADS[at] ?? ['', 0];
  return (
    <View role="cell" style={{ flexGrow: GROWS.has(name) ? 1 : 0, flexShrink: 1, flexBasis: width }}>
      {children}
    </View>
  );
}

function Heads() {
  return (
    <View role="row" style={{ flexDirection: 'row', gap: 8, paddingHorizontal: 12, paddingTop: 6 }}>
      {HEADS.map(([name, width]) => (
        <View
          key={name}
          role="columnheader"
          style={{ flexGrow: GROWS.has(name) ? 1 : 0, flexShrink: 1, flexBasis: width }}
        >
          <Text variant="small" tone="soft">
            {name}
          </Text>
        </View>
      ))}
    </View>
  );
}

/** A marketplace as a row of the table. */
function Row({ item, line }: LineProps) {
  const c = useColours();
  const { examined, glance, listing, market } = line;
  const { sheet, plan } = examined;
  const said = saidOf(line);
  const money = (amount: number | null) => (amount === null ? '–' : formatMoney(amount, sheet.currency));
  const small = (words: string) => (
    <Text variant="small" figures numberOfLines={2}>
      {words}
    </Text>
  );
  return (
    <View
      role="row"
      aria-label={sheet.name}
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        gap: 8,
        paddingHorizontal: 12,
        minHeight: 44,
        borderTopWidth: 1,
        borderColor: c.line,
      }}
    >
      <Cell at={0}>
        <Pressable
          role="button"
          aria-label={`To ${sheet.name}, all of it`}
          onPress={() => goTo('markets', sheet.marketplace)}
          style={{ flexDirection: 'row', alignItems: 'center', gap: 8, minHeight: 44 }}
        >
          <Sign line={line} size={22} />
          <Text variant="strong" style={{ flexShrink: 1 }}>
            {sheet.name}
          </Text>
        </Pressable>
      </Cell>
      <Cell at={1}>
        <Listed item={item} line={line} />
      </Cell>
      <Cell at={2}>
        <Text figures>{priceWords(line)}</Text>
      </Cell>
      <Cell at={3}>{small(priceWhyWords(glance.why, sheet.currency))}</Cell>
      <Cell at={4}>{small(glance.left === null ? '1' : String(glance.left))}</Cell>
      <Cell at={5}>
        {small(stateWords(listing, plan))}
        {said ? (
          <Text variant="small" tone={said.isTrouble ? 'trouble' : 'soft'} numberOfLines={2}>
            {said.words}
          </Text>
        ) : null}
      </Cell>
      <Cell at={6}>
        <NumberThere line={line} />
      </Cell>
      <Cell at={7}>{small(market?.comparedAt && glance.isUp ? agoWords(market.comparedAt) : '–')}</Cell>
      <Cell at={8}>{small(money(glance.fees))}</Cell>
      <Cell at={9}>
        <Text figures>{money(glance.takeHome)}</Text>
      </Cell>
    </View>
  );
}

/** Its number there; pressed, its page there. */
function NumberThere({ line }: { line: GlanceLine }) {
  const { listing, glance, examined } = line;
  const { name } = examined.sheet;
  if (!listing?.url || glance.number === null) return <Text variant="small">{glance.number ?? '–'}</Text>;
  return (
    <SeeThere listing={listing} label={`See it on ${name}: ${glance.number}`} quiet>
      {glance.number}
    </SeeThere>
  );
}

/** A marketplace as a line that unfolds. */
function FoldedLine({ item, line }: LineProps) {
  const c = useColours();
  const [open, setOpen] = useState(false);
  const { examined, listing } = line;
  const { sheet, plan } = examined;
  const said = saidOf(line);
  return (
    <View
      role="row"
      aria-label={sheet.name}
      style={{ borderTopWidth: 1, borderColor: c.line, paddingHorizontal: 12, paddingVertical: 3 }}
    >
      <View role="cell" style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <Pressable
          role="button"
          aria-label={`${sheet.name} at a glance`}
          aria-expanded={open}
          onPress={() => setOpen(!open)}
          style={{ flex: 1, flexDirection: 'row', alignItems: 'center', gap: 10, minHeight: 48 }}
        >
          <Sign line={line} size={30} />
          <View style={{ flex: 1 }}>
            <View style={{ flexDirection: 'row', gap: 8 }}>
              <Text variant="strong" style={{ flex: 1 }}>
                {sheet.name}
              </Text>
              <Text figures>{priceWords(line)}</Text>
            </View>
            <Text variant="small" tone={said?.isTrouble ? 'trouble' : 'soft'} numberOfLines={1}>
              {[stateWords(listing, plan), said?.words].filter(Boolean).join(': ')}
            </Text>
          </View>
          <Icon name={open ? 'unfold' : 'forward'} colour={c.soft} size={18} />
        </Pressable>
        <Listed item={item} line={line} />
      </View>
      {open ? <Facts line={line} said={said?.words ?? null} isTrouble={said?.isTrouble ?? false} /> : null}
    </View>
  );
}

function Facts({ line, said, isTrouble }: { line: GlanceLine; said: string | null; isTrouble: boolean }) {
  const { examined, glance, market } = line;
  const { sheet } = examined;
  const money = (amount: number) => formatMoney(amount, sheet.currency);
  const facts: [string, string | null][] = [
    ['Price', priceWhyWords(glance.why, sheet.currency)],
    ['Left', glance.left === null ? null : plural(glance.left, 'one piece', `${glance.left} pieces`)],
    ['Compared', market?.comparedAt && glance.isUp ? agoWords(market.comparedAt) : null],
    ['Fees', glance.fees === null ? null : money(glance.fees)],
    ['Leaves', glance.takeHome === null ? null : money(glance.takeHome)],
    ['Number there', glance.number],
  ];
  return (
    <View role="cell" style={{ gap: 4, paddingBottom: 10, paddingLeft: 40 }}>
      {said ? <Text tone={isTrouble ? 'trouble' : 'soft'}>{said}</Text> : null}
      {facts.map(([name, words]) =>
        words === null ? null : (
          <View key={name} style={{ flexDirection: 'row', gap: 8 }}>
            <Text variant="small" tone="soft" style={{ width: 96 }}>
              {name}
            </Text>
            <Text variant="small" figures style={{ flex: 1 }}>
              {words}
            </Text>
          </View>
        ),
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Button label={`To ${sheet.name}, all of it`} onPress={() => goTo('markets', sheet.marketplace)}>
          All of it
        </Button>
        {line.listing && glance.isUp ? (
          <SeeThere listing={line.listing} label={`See its page on ${sheet.name}`}>
            See it there
          </SeeThere>
        ) : null}
      </View>
    </View>
  );
}
