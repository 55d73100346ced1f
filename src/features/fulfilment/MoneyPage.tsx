import { useState } from 'react';
import { View } from 'react-native';

import type { RuleSheet } from '@/contract/ruleSheet';
import { formatMoney } from '@/core/money/money';
import type { StatementRead } from '@/core/payout/statement';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Button } from '@/parts/ui/Button';
import { FileButton } from '@/parts/ui/FileButton';
import { Notice } from '@/parts/ui/Notice';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { agoWords } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { useReconciled } from '@/store/derived/useMoney';
import { fetchStatement, keepStatement, sawMoney } from '@/store/fulfilment/statements';
import { rowTrouble } from '@/wording/money';

/** What marketplaces paid out, against what was told at the sales. */
export function MoneyPage() {
  const sheets = useCourier((s) => s.sheets).filter((s) => s.statement);
  return (
    <Page title="Payouts" back="/ledger">
      <Text tone="soft">Each statement is held against what was told at every sale, order by order.</Text>
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
  const { run, busy, trouble } = useAsyncAction();
  const money = (amount: number) => formatMoney(amount, currency);
  const { orders, strange, earned, paidOut, owed } = useReconciled(marketplace);
  const off = orders.filter((o) => o.off !== 0);
  const unseen = off.filter((o) => !statement?.seen.includes(o.order)).map((o) => o.order);
  return (
    <Card label={`Payouts of ${name}`}>
      <Text variant="heading">{name}</Text>
      {statement ? (
        <>
          <Text
            figures
          >{`Earned ${money(earned)}, paid out ${money(paidOut)}, still to come ${money(owed)}.`}</Text>
          <Text variant="small" tone="soft">{`Read ${agoWords(statement.readAt)}`}</Text>
          {off.length === 0 ? (
            <Notice tone="good">
              {`${orders.filter((o) => o.real !== null).length} orders, all to the cent as told at the sale.`}
            </Notice>
          ) : null}
        </>
      ) : (
        <Text tone="soft">No statement was read yet.</Text>
      )}
      {off.map((o) => (
        <Notice key={o.order} tone="caution">
          {`${o.order}: ${money(Math.abs(o.off))} ${o.off < 0 ? 'less' : 'more'} than told. ` +
            `${
              o.fees.expected !== null && o.fees.real !== o.fees.expected
                ? `Fees ${money(o.fees.real)} instead of ${money(o.fees.expected)}.`
                : 'Ask them why.'
            }`}
        </Notice>
      ))}
      {strange.length > 0 ? (
        <Notice tone="caution">{`Orders nobody here knows: ${strange.join(', ')}.`}</Notice>
      ) : null}
      {read && read.trouble.length > 0 ? (
        <Notice tone="trouble">
          {`${read.trouble.length} rows could not be read and were left out: ${read.trouble
            .slice(0, 3)
            .map((t) => `row ${t.row}, ${rowTrouble(t.why)}`)
            .join(' ')}`}
        </Notice>
      ) : null}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Button
          disabled={busy}
          label={`Fetch the statement of ${name}`}
          onPress={() => run(async () => setRead(await fetchStatement(marketplace)))}
        >
          {busy ? 'Asking…' : 'Fetch the statement'}
        </Button>
        <FileButton
          variant="quiet"
          accept=".csv,text/csv,text/plain"
          onFiles={([file]) =>
            file && run(async () => setRead(keepStatement(marketplace, await file.text())))
          }
        >
          {`Read a file of ${name}`}
        </FileButton>
        {unseen.length > 0 ? (
          <Button variant="quiet" label={`Seen, ${name}`} onPress={() => sawMoney(marketplace, unseen)}>
            Seen
          </Button>
        ) : null}
      </View>
    </Card>
  );
}
