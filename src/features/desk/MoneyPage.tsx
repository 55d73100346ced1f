import { useState } from 'react';
import { View } from 'react-native';

import type { RuleSheet } from '@/contract/ruleSheet';
import { formatMoney } from '@/core/money/money';
import type { StatementRead } from '@/core/payout/statement';
import { FilePress } from '@/parts/FilePress';
import { Notice } from '@/parts/Notice';
import { Card, Page } from '@/parts/Page';
import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { useCourier } from '@/store/courierLink';
import { fetchStatement, keepStatement, sawMoney } from '@/store/desk/statements';

import { BackTo } from '../shell/BackTo';
import { agoWords } from '../shell/time';
import { useDo } from '../shell/useDo';
import { useReconciled } from './useMoney';

/** What marketplaces paid out, against what was told at the sales. */
export function MoneyPage() {
  const sheets = useCourier((s) => s.sheets).filter((s) => s.statement);
  return (
    <Page title="Payouts" aside={<BackTo path="/ledger" />}>
      <Words tone="soft">Each statement is held against what was told at every sale, order by order.</Words>
      {sheets.map((sheet) => (
        <OfMarket key={sheet.marketplace} sheet={sheet} />
      ))}
    </Page>
  );
}

function OfMarket({ sheet }: { sheet: RuleSheet }) {
  const { marketplace, name } = sheet;
  const currency = useAttic((s) => s.settings.currency);
  const statement = useAttic((s) => s.statements[marketplace]);
  const [read, setRead] = useState<StatementRead | null>(null);
  const { run, busy, trouble } = useDo();
  const money = (amount: number) => formatMoney(amount, currency);
  const { orders, strange, earned, paidOut, owed } = useReconciled(marketplace);
  const off = orders.filter((o) => o.off !== 0);
  const unseen = off.filter((o) => !statement?.seen.includes(o.order)).map((o) => o.order);
  return (
    <Card label={`Payouts of ${name}`}>
      <Words kind="heading">{name}</Words>
      {statement ? (
        <>
          <Words figures>{`Earned ${money(earned)}, paid out ${money(paidOut)}, still to come ${money(owed)}.`}</Words>
          <Words kind="small" tone="soft">{`Read ${agoWords(statement.readAt)}`}</Words>
          {off.length === 0 ? (
            <Notice tone="good">
              {`${orders.filter((o) => o.real !== null).length} orders, all to the cent as told at the sale.`}
            </Notice>
          ) : null}
        </>
      ) : (
        <Words tone="soft">No statement was read yet.</Words>
      )}
      {off.map((o) => (
        <Notice key={o.order} tone="caution">
          {`${o.order}: ${money(Math.abs(o.off))} ${o.off < 0 ? 'less' : 'more'} than told. ${o.fees.expected !== null && o.fees.real !== o.fees.expected ? `Fees ${money(o.fees.real)} instead of ${money(o.fees.expected)}.` : 'Ask them why.'}`}
        </Notice>
      ))}
      {strange.length > 0 ? (
        <Notice tone="caution">{`Orders nobody here knows: ${strange.join(', ')}.`}</Notice>
      ) : null}
      {read && read.trouble.length > 0 ? (
        <Notice tone="trouble">
          {`${read.trouble.length} rows could not be read and were left out: ${read.trouble.slice(0, 3).map((t) => `row ${t.row}, ${t.why}`).join(' ')}`}
        </Notice>
      ) : null}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Press disabled={busy} label={`Fetch the statement of ${name}`} onPress={() => run(async () => setRead(await fetchStatement(marketplace)))}>
          {busy ? 'Asking…' : 'Fetch the statement'}
        </Press>
        <FilePress
          kind="quiet"
          accept=".csv,text/csv,text/plain"
          onFiles={([file]) => file && run(async () => setRead(keepStatement(marketplace, await file.text())))}
        >
          {`Read a file of ${name}`}
        </FilePress>
        {unseen.length > 0 ? (
          <Press kind="quiet" label={`Seen, ${name}`} onPress={() => sawMoney(marketplace, unseen)}>
            Seen
          </Press>
        ) : null}
      </View>
    </Card>
  );
} // prettier-ignore
