import { useMemo, useState } from 'react';
import { View } from 'react-native';

import type { RuleSheet } from '@/contract/ruleSheet';
import { totalsOf } from '@/core/listing/cells';
import type { MarketCell } from '@/core/listing/twins';
import { formatMoney } from '@/core/money/money';
import { Notice } from '@/parts/Notice';
import { Card, Page } from '@/parts/Page';
import { Chip, ChipRow, Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { useCourier } from '@/store/courierLink';
import { planOver } from '@/store/crosslist';
import { nameOf } from '@/store/names';
import { enqueue } from '@/store/sendQueue';
import { examine } from '@/store/sending';

import { ChangedValues, differencesOf } from './ChangedValues';
import { useSentDrafts, type SentDrafts } from './useSentDrafts';

const HOUR = 3_600_000;
const SPREADS: readonly [string, number][] = [
  ['At once', 0],
  ['Over 2 hours', 2 * HOUR],
  ['Over a day', 24 * HOUR],
];
/** New ones named at first; what changes is always shown in full. */
const FEW = 8;

/**
 * What is about to go out, before it does: which things where, fees and take-home, and old and new of what is up already.
 *
 * @param cells what was ready when the review was opened: nothing else goes
 */
export function Review({ cells, onDone }: { cells: readonly MarketCell[]; onDone: () => void }) {
  const sheets = useCourier((s) => s.sheets);
  const currency = useAttic((s) => s.settings.currency);
  const [off, setOff] = useState<ReadonlySet<string>>(new Set());
  const [spread, setSpread] = useState(0);
  const changing = useMemo(
    () => [...new Set(cells.filter((x) => x.deed === 'resend').map((x) => x.thing))],
    [cells],
  );
  const sent = useSentDrafts(changing);
  const wanted = cells.filter((x) => !off.has(x.market));
  const going = wanted.filter((x) => x.deed !== 'resend' || sent.drafts[x.thing]?.[x.market]);
  const unread = wanted.length - going.length;
  const totals = totalsOf(going);
  const where = [...new Set(going.map((x) => x.market))];
  const say = (amount: number) => formatMoney(amount, currency);
  const sendAll = () => {
    const fresh = going.filter((x) => x.deed !== 'resend');
    if (spread > 0) planOver(fresh, spread);
    enqueue(
      going.map(({ thing, market, deed }) => ({ thing, market, action: 'send', seen: deed === 'resend' })),
    );
    onDone();
  };
  const toggle = (market: string) =>
    setOff((before) => {
      const next = new Set(before);
      if (!next.delete(market)) next.add(market);
      return next;
    });
  return (
    <Page
      title="What goes out"
      aside={
        <Press kind="quiet" onPress={onDone}>
          Not now
        </Press>
      }
    >
      <Words figures role="status">
        {`${listings(going.length)} of ${going.length === 0 ? 'no thing' : things(new Set(going.map((x) => x.thing)).size)} on ${where.length === 1 ? 'one marketplace' : `${where.length} marketplaces`}.${
          totals.ready > 0
            ? ` Fees up to ${say(totals.fees)}, take-home ${say(totals.takeHomeLeast)}${totals.takeHomeMost > totals.takeHomeLeast ? ` to ${say(totals.takeHomeMost)}` : ''}.`
            : ''
        }`}
      </Words>
      {sheets.map((sheet) => {
        const here = cells.filter((x) => x.market === sheet.marketplace);
        return here.length === 0 ? null : (
          <There
            key={sheet.marketplace}
            sheet={sheet}
            cells={here}
            sent={sent}
            on={!off.has(sheet.marketplace)}
            onToggle={() => toggle(sheet.marketplace)}
          />
        );
      })}
      {sent.trouble ? (
        <Notice tone="trouble">{`What is shown there could not be read: ${sent.trouble} What would change there is left out.`}</Notice>
      ) : unread > 0 ? (
        <Words tone="soft">{`What is shown there is being read; ${unread} wait for it…`}</Words>
      ) : null}
      {going.length > 1 ? (
        <ChipRow label="When they go">
          {SPREADS.map(([words, over]) => (
            <Chip key={words} on={spread === over} onPress={() => setSpread(over)}>
              {words}
            </Chip>
          ))}
        </ChipRow>
      ) : null}
      <Press kind="main" icon="send" disabled={going.length === 0} onPress={sendAll}>
        {`Send ${going.length}`}
      </Press>
    </Page>
  );
}

const listings = (n: number) => (n === 1 ? 'One listing' : `${n} listings`);
const things = (n: number) => (n === 1 ? 'one thing' : `${n} things`);

/** What goes to one marketplace; it can be left out as a whole. */
function There(props: {
  sheet: RuleSheet;
  cells: readonly MarketCell[];
  sent: SentDrafts;
  on: boolean;
  onToggle: () => void;
}) {
  const { sheet, cells, sent, on, onToggle } = props;
  const [all, setAll] = useState(false);
  const changed = cells.filter((x) => x.deed === 'resend');
  const fresh = cells.filter((x) => x.deed !== 'resend');
  const fees = totalsOf(cells).fees;
  const counts = [
    fresh.length > 0 ? `${fresh.length} new` : '',
    changed.length > 0 ? `${changed.length} to change` : '',
  ];
  return (
    <Card label={`Going to ${sheet.name}`}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <View style={{ flex: 1 }}>
          <Words kind="strong">{sheet.name}</Words>
          <Words kind="small" tone="soft" figures>
            {`${counts.filter(Boolean).join(', ')} · ${fees > 0 ? `fees up to ${formatMoney(fees, sheet.currency)}` : 'no fees'}`}
          </Words>
        </View>
        <Chip role="checkbox" on={on} label={`Send to ${sheet.name}`} onPress={onToggle}>
          {on ? 'Goes' : 'Left out'}
        </Chip>
      </View>
      {on ? (
        <View role="list" aria-label={`Things for ${sheet.name}`} style={{ gap: 6 }}>
          {changed.map((x) => (
            <Changing key={x.thing} cell={x} sheet={sheet} before={sent.drafts[x.thing]?.[x.market]} />
          ))}
          {(all ? fresh : fresh.slice(0, FEW)).map((x) => (
            <New key={x.thing} cell={x} currency={sheet.currency} />
          ))}
        </View>
      ) : null}
      {on && fresh.length > FEW ? (
        <Press
          kind="quiet"
          label={all ? `Name fewer for ${sheet.name}` : `Name all ${fresh.length} for ${sheet.name}`}
          onPress={() => setAll(!all)}
        >
          {all ? 'Fewer' : `and ${fresh.length - FEW} more`}
        </Press>
      ) : null}
    </Card>
  );
}

function New({ cell, currency }: { cell: MarketCell; currency: string }) {
  const thing = useAttic((s) => s.things[cell.thing]);
  const { price, fees } = cell.check ?? {};
  return (
    <View role="listitem">
      <Words numberOfLines={2}>{thing ? nameOf(thing) : ''}</Words>
      <Words kind="small" figures tone="soft">
        {price == null
          ? ''
          : `${formatMoney(price, currency)}${fees ? `, fees ${formatMoney(fees, currency)}` : ', no fees'}`}
      </Words>
    </View>
  );
}

function Changing(props: {
  cell: MarketCell;
  sheet: RuleSheet;
  before: Parameters<typeof differencesOf>[1] | undefined;
}) {
  const { cell, sheet, before } = props;
  const thing = useAttic((s) => s.things[cell.thing]);
  const values = useMemo(
    () => (thing && before ? differencesOf(examine(thing, sheet), before) : []),
    [thing, sheet, before],
  );
  return (
    <View role="listitem" style={{ gap: 4 }}>
      <Words>{thing ? nameOf(thing) : ''}</Words>
      {before && thing ? (
        <ChangedValues label={`What changes of ${nameOf(thing)} on ${sheet.name}`} values={values} />
      ) : (
        <Words kind="small" tone="soft">
          What is shown there is not known yet.
        </Words>
      )}
    </View>
  );
}
