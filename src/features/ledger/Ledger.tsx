import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';

import type { LedgerLine } from '@/contract/courier';
import { takingsOf } from '@/core/ledger/takings';
import { formatMoney } from '@/core/money/money';
import { LinkRow } from '@/parts/LinkRow';
import { Card, Page } from '@/parts/Page';
import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { ledgerFile, ledgerLines, useCourier } from '@/store/courierLink';
import { saveFile } from '@/store/files';
import { unlessExpected } from '@/store/faults';
import { useColours } from '@/theme/theme';
import { nameOr } from '@/store/names';

import { useSales } from '../sales/useSales';
import { useUnheard } from '../shell/Calm';
import { exactly } from '../shell/time';
import { useDo } from '../shell/useDo';

/** Money made so far, by marketplace, and everything the courier did, line by line. */
export function Ledger() {
  const router = useRouter();
  return (
    <Page title="Ledger">
      <Money />
      <Card label="Statements">
        <LinkRow
          words="Payouts"
          more="what marketplaces paid, against what they told"
          onPress={() => router.navigate('/payouts')}
        />
        <LinkRow
          words="Consignors"
          more="what each is owed, and why"
          onPress={() => router.navigate('/owners')}
        />
      </Card>
      <Lines />
    </Page>
  );
}

function Money() {
  const sales = useSales();
  const things = useAttic((s) => s.things);
  const currency = useAttic((s) => s.settings.currency);
  const markets = useCourier((s) => s.markets);
  const figures = sales.flatMap((s) =>
    s.real ? [{ sale: s.sale, takeHome: s.real.takeHome, cost: things[s.thingId]?.cost ?? null }] : [],
  );
  const total = takingsOf(figures);
  const money = (amount: number) => formatMoney(amount, currency);
  const why = useUnheard();
  return (
    <Card label="Takings">
      <Words kind="heading">Takings</Words>
      {total.count === 0 ? <Words tone="soft">{why ?? 'Nothing sold yet.'}</Words> : null}
      {markets.map((market) => {
        const part = takingsOf(figures.filter((f) => f.sale.market === market.id));
        if (part.count === 0) return null;
        return (
          <Row
            key={market.id}
            name={market.name}
            detail={`${part.count} sold for ${money(part.turnover)}`}
            amount={money(part.takeHome)}
          />
        );
      })}
      {total.count > 0 ? (
        <>
          <Row
            name="Take-home"
            detail={`${total.count} sold for ${money(total.turnover)}`}
            amount={money(total.takeHome)}
            strong
          />
          <Row
            name="After cost"
            detail={
              total.costUnknown > 0 ? `cost unknown for ${total.costUnknown}` : 'take-home less what was paid'
            }
            amount={money(total.profit)}
            strong
          />
        </>
      ) : null}
    </Card>
  );
}

function Row(props: { name: string; detail: string; amount: string; strong?: boolean }) {
  const kind = props.strong ? 'strong' : 'body';
  return (
    <View style={{ flexDirection: 'row', gap: 10, alignItems: 'baseline' }}>
      <View style={{ flex: 1 }}>
        <Words kind={kind}>{props.name}</Words>
        <Words kind="small" tone="soft" figures>
          {props.detail}
        </Words>
      </View>
      <Words kind={kind} figures>
        {props.amount}
      </Words>
    </View>
  );
}

function Lines() {
  const c = useColours();
  const [lines, setLines] = useState<LedgerLine[]>([]);
  const [more, setMore] = useState(false);
  const things = useAttic((s) => s.things);
  const markets = useCourier((s) => s.markets);
  const views = useCourier((s) => s.things);
  const { run, busy, trouble } = useDo();
  // Asked again whenever something happened, so that the list is never behind what the page knows.
  useEffect(() => {
    let wanted = true;
    void ledgerLines()
      .then((answer) => {
        if (!wanted) return;
        setLines(answer.lines);
        setMore(answer.more);
      })
      // Without an answer the list stays as it was, and the page says that the courier is away.
      .catch(unlessExpected('reading the ledger'));
    return () => {
      wanted = false;
    };
  }, [views]);
  return (
    <Card label="What the courier did">
      <Words kind="heading">What the courier did</Words>
      <Press
        icon="down"
        disabled={busy}
        onPress={() => run(async () => saveFile(await ledgerFile(), 'courier-ledger.csv'))}
      >
        Save the whole ledger
      </Press>
      {lines.map((line, i) => (
        <View key={`${line.seq}.${i}`} style={{ borderTopWidth: 1, borderColor: c.line, paddingVertical: 5 }}>
          <Words>
            {[
              line.market && (markets.find((m) => m.id === line.market)?.name ?? line.market),
              line.thing && nameOr(things[line.thing], ''),
            ]
              .filter(Boolean)
              .join(' · ')}
            {line.market || line.thing ? ': ' : ''}
            {line.words}
          </Words>
          <Words kind="small" tone="soft" figures>{`${exactly(line.at)} · line ${line.seq}`}</Words>
        </View>
      ))}
      {trouble ? <Words tone="trouble">{trouble}</Words> : null}
      {more ? (
        <Press
          disabled={busy}
          onPress={() =>
            run(async () => {
              const answer = await ledgerLines(lines.at(-1)?.seq);
              setLines([...lines, ...answer.lines]);
              setMore(answer.more);
            })
          }
        >
          Show earlier lines
        </Press>
      ) : null}
    </Card>
  );
}
