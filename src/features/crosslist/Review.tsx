import { useMemo, useState } from 'react';
import { View } from 'react-native';

import type { RuleSheet } from '@/contract/ruleSheet';
import { plural } from '@/core/language/plural';
import { totalsOf } from '@/core/listing/cells';
import type { MarketCell } from '@/core/listing/twins';
import { formatMoney } from '@/core/money/money';
import { ChangedValues, differencesOf } from '@/parts/trade/ChangedValues';
import { toggled } from '@/parts/trade/toggled';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { planOver } from '@/store/courier/crosslist';
import { examine } from '@/store/courier/sending';
import { enqueue } from '@/store/courier/sendQueue';
import { useSentDrafts, type SentDrafts } from '@/store/derived/useSentDrafts';
import { nameOf } from '@/store/items/names';

const HOUR = 3_600_000;
const SPREADS: readonly [string, number][] = [
  ['At once', 0],
  ['Over 2 hours', 2 * HOUR],
  ['Over a day', 24 * HOUR],
];
/** New ones named at first; what changes is always shown in full. */
const FEW = 8;

/**
 * What is about to go out, before it does: which items where, fees and take-home, and old and new of what is
 * up already.
 *
 * @param cells what was ready when the review was opened: nothing else goes
 */
export function Review({ cells, onDone }: { cells: readonly MarketCell[]; onDone: () => void }) {
  const sheets = useCourier((s) => s.sheets);
  const [off, setOff] = useState<ReadonlySet<string>>(new Set());
  const [spread, setSpread] = useState(0);
  const changing = useMemo(
    () => [...new Set(cells.filter((x) => x.deed === 'resend').map((x) => x.item))],
    [cells],
  );
  const sent = useSentDrafts(changing);
  const wanted = cells.filter((x) => !off.has(x.market));
  const going = wanted.filter((x) => x.deed !== 'resend' || sent.drafts[x.item]?.[x.market]);
  const unread = wanted.length - going.length;
  const sendAll = () => {
    const fresh = going.filter((x) => x.deed !== 'resend');
    if (spread > 0) planOver(fresh, spread);
    enqueue(
      going.map(({ item, market, deed }) => ({ item, market, action: 'send', seen: deed === 'resend' })),
    );
    onDone();
  };
  return (
    <Page
      title="What goes out"
      aside={
        <Button variant="quiet" onPress={onDone}>
          Not now
        </Button>
      }
    >
      <InAll going={going} />
      {sheets.map((sheet) => {
        const here = cells.filter((x) => x.market === sheet.marketplace);
        return here.length === 0 ? null : (
          <There
            key={sheet.marketplace}
            sheet={sheet}
            cells={here}
            sent={sent}
            on={!off.has(sheet.marketplace)}
            onToggle={() => setOff((before) => toggled(before, sheet.marketplace))}
          />
        );
      })}
      {sent.trouble ? (
        <Notice tone="trouble">
          {`What is shown there could not be read: ${sent.trouble} What would change there is left ` + 'out.'}
        </Notice>
      ) : unread > 0 ? (
        <Text tone="soft">{`What is shown there is being read; ${unread} wait for it…`}</Text>
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
      <Button variant="main" icon="send" disabled={going.length === 0} onPress={sendAll}>
        {`Send ${going.length}`}
      </Button>
    </Page>
  );
}

/** What goes out in all, and what it costs and brings. */
function InAll({ going }: { going: readonly MarketCell[] }) {
  const currency = useAttic((s) => s.settings.currency);
  const say = (amount: number) => formatMoney(amount, currency);
  const { ready, fees, takeHomeLeast: least, takeHomeMost: most } = totalsOf(going);
  const markets = new Set(going.map((x) => x.market)).size;
  const where = plural(markets, 'one marketplace', `${markets} marketplaces`);
  const what = going.length === 0 ? 'no item' : items(new Set(going.map((x) => x.item)).size);
  return (
    <Text figures role="status">
      {`${listings(going.length)} of ${what} on ${where}.` +
        (ready > 0
          ? ` Fees up to ${say(fees)}, take-home ${say(least)}${most > least ? ` to ${say(most)}` : ''}.`
          : '')}
    </Text>
  );
}

const listings = (n: number) => plural(n, 'One listing', `${n} listings`);
const items = (n: number) => plural(n, 'one item', `${n} items`);

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
          <Text variant="strong">{sheet.name}</Text>
          <Text variant="small" tone="soft" figures>
            {`${counts.filter(Boolean).join(', ')} · ` +
              `${fees > 0 ? `fees up to ${formatMoney(fees, sheet.currency)}` : 'no fees'}`}
          </Text>
        </View>
        <Chip role="checkbox" on={on} label={`Send to ${sheet.name}`} onPress={onToggle}>
          {on ? 'Goes' : 'Left out'}
        </Chip>
      </View>
      {on ? (
        <View role="list" aria-label={`Items for ${sheet.name}`} style={{ gap: 6 }}>
          {changed.map((x) => (
            <Changing key={x.item} cell={x} sheet={sheet} before={sent.drafts[x.item]?.[x.market]} />
          ))}
          {(all ? fresh : fresh.slice(0, FEW)).map((x) => (
            <New key={x.item} cell={x} currency={sheet.currency} />
          ))}
        </View>
      ) : null}
      {on && fresh.length > FEW ? (
        <Button
          variant="quiet"
          label={all ? `Name fewer for ${sheet.name}` : `Name all ${fresh.length} for ${sheet.name}`}
          onPress={() => setAll(!all)}
        >
          {all ? 'Fewer' : `and ${fresh.length - FEW} more`}
        </Button>
      ) : null}
    </Card>
  );
}

function New({ cell, currency }: { cell: MarketCell; currency: string }) {
  const item = useAttic((s) => s.items[cell.item]);
  const { price, fees } = cell.check ?? {};
  return (
    <View role="listitem">
      <Text numberOfLines={2}>{item ? nameOf(item) : ''}</Text>
      <Text variant="small" figures tone="soft">
        {price == null
          ? ''
          : `${formatMoney(price, currency)}${fees ? `, fees ${formatMoney(fees, currency)}` : ', no fees'}`}
      </Text>
    </View>
  );
}

function Changing(props: {
  cell: MarketCell;
  sheet: RuleSheet;
  before: Parameters<typeof differencesOf>[1] | undefined;
}) {
  const { cell, sheet, before } = props;
  const item = useAttic((s) => s.items[cell.item]);
  const values = useMemo(
    () => (item && before ? differencesOf(examine(item, sheet), before) : []),
    [item, sheet, before],
  );
  return (
    <View role="listitem" style={{ gap: 4 }}>
      <Text>{item ? nameOf(item) : ''}</Text>
      {before && item ? (
        <ChangedValues label={`What changes of ${nameOf(item)} on ${sheet.name}`} values={values} />
      ) : (
        <Text variant="small" tone="soft">
          What is shown there is not known yet.
        </Text>
      )}
    </View>
  );
}
