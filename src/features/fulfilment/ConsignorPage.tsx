import { useLocalSearchParams } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';

import type { Owner } from '@/contract/records';
import { consignorStatement, type ConsignorLine } from '@/core/consign/statement';
import { plural } from '@/core/language/plural';
import { formatMoney } from '@/core/money/money';
import { MoneyField } from '@/parts/trade/MoneyField';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Notice } from '@/parts/ui/Notice';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { dayWords } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { useTextDraft } from '@/store/attic/drafts';
import { saveFile } from '@/store/base/files';
import { MINUTE, useTime } from '@/store/base/useTime';
import { useMarketName } from '@/store/courier/useMarketName';
import { consignedSales } from '@/store/derived/consigned';
import { useSales } from '@/store/derived/useSales';
import { payConsignor, statementCsv } from '@/store/fulfilment/consignors';
import { statementPdf } from '@/store/fulfilment/paper';
import { useColours } from '@/theme/theme';

const SORT_WORDS = { sold: 'sold', cameBack: 'came back', paid: 'paid' } as const;

/** What a consignor earned, was paid and is owed, line by line. */
export function ConsignorPage() {
  const { owner: id = '' } = useLocalSearchParams<{ owner?: string }>();
  const owner = useAttic((s) => s.owners[id]);
  const currency = useAttic((s) => s.settings.currency);
  const now = useTime(MINUTE);
  const [months, setMonths] = useState(12);
  const { from, statement } = useStatement(owner, months, now);
  const market = useMarketName();
  const { run, busy, trouble } = useAsyncAction();
  if (!owner || !statement)
    return (
      <Page title="Statement" back="/owners">
        <Text tone="soft">There is no such consignor.</Text>
      </Page>
    );
  const money = (amount: number) => formatMoney(amount, currency);
  const period = `${dayWords(from)} to ${dayWords(now)}`;
  return (
    <Page title={`Statement for ${owner.name}`} back="/owners">
      <ChipRow label="Over">
        {[1, 3, 12, 120].map((m) => (
          <Chip key={m} on={m === months} onPress={() => setMonths(m)}>
            {m === 120 ? 'All' : plural(m, 'A month', `${m} months`)}
          </Chip>
        ))}
      </ChipRow>
      <Card label="Balance">
        <Text variant="heading" figures>{`Owed: ${money(statement.after)}`}</Text>
        <Text figures>
          {`Carried over ${money(statement.before)}, earned ${money(statement.earned)}, paid ` +
            `${money(statement.paid)}.`}
        </Text>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          <Button
            icon="down"
            disabled={busy}
            onPress={() =>
              run(async () =>
                saveFile(await statementPdf(owner.name, period, statement), `statement-${owner.name}.pdf`),
              )
            }
          >
            Save as PDF
          </Button>
          <Button
            onPress={() => saveFile(statementCsv(statement, market, currency), `statement-${owner.name}.csv`)}
          >
            Save as a table
          </Button>
        </View>
        {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      </Card>
      <Lines lines={statement.lines} currency={currency} />
      <Pay ownerId={owner.id} owed={statement.after} currency={currency} />
    </Page>
  );
}

/** What they earned and were paid in the last months, and what came over from before; null for nobody. */
function useStatement(owner: Owner | undefined, months: number, now: number) {
  const items = useAttic((s) => s.items);
  const payments = useAttic((s) => s.payments);
  const sales = useSales(true);
  const from = useMemo(() => monthsAgo(now, months), [now, months]);
  const statement = useMemo(() => {
    if (!owner) return null;
    const mine = consignedSales(owner.id, sales, items);
    const paid = Object.values(payments).filter((p) => p.ownerId === owner.id);
    return consignorStatement(owner, mine, paid, from, now + 60_000);
  }, [owner, sales, items, payments, from, now]);
  return { from, statement };
}

function Lines({ lines, currency }: { lines: readonly ConsignorLine[]; currency: string }) {
  const c = useColours();
  const market = useMarketName();
  const money = (amount: number) => formatMoney(amount, currency);
  return (
    <Card label="Lines">
      {lines.length === 0 ? <Text tone="soft">Nothing in this time.</Text> : null}
      {lines.map((l, i) => (
        <View
          key={i}
          style={{
            flexDirection: 'row',
            gap: 8,
            borderTopWidth: i > 0 ? 1 : 0,
            borderColor: c.line,
            paddingVertical: 6,
          }}
        >
          <View style={{ flex: 1 }}>
            <Text numberOfLines={2}>{l.what || 'Payment'}</Text>
            <Text variant="small" tone="soft" figures>
              {[
                dayWords(l.at),
                SORT_WORDS[l.sort],
                l.market && market(l.market),
                l.price ? `${money(l.price)} less ${money(l.costs)}` : '',
              ]
                .filter(Boolean)
                .join(' · ')}
            </Text>
          </View>
          <View style={{ alignItems: 'flex-end' }}>
            <Text variant="strong" figures>
              {money(l.amount)}
            </Text>
            <Text variant="small" tone="soft" figures>
              {money(l.balance)}
            </Text>
          </View>
        </View>
      ))}
    </Card>
  );
}

function Pay({ ownerId, owed, currency }: { ownerId: string; owed: number; currency: string }) {
  const [amount, setAmount] = useState<number | null>(null);
  const [note, setNote, clearNote] = useTextDraft(`paid:${ownerId}`);
  const wanted = amount ?? (owed > 0 ? owed : null);
  return (
    <Card label="Pay">
      <Text variant="heading">Paid to them</Text>
      <MoneyField label="Amount paid" value={wanted} currency={currency} onChange={setAmount} />
      <Field label="Note" value={note} pause={0} maxLength={200} onChange={setNote} />
      <Button
        variant="main"
        disabled={wanted === null || wanted <= 0}
        onPress={() => {
          if (wanted === null) return;
          payConsignor(ownerId, wanted, note.trim());
          setAmount(null);
          clearNote();
        }}
      >
        {wanted === null ? 'Write it down' : `Write down ${formatMoney(wanted, currency)} as paid`}
      </Button>
    </Card>
  );
}

function monthsAgo(now: number, months: number): number {
  const day = new Date(now);
  return new Date(day.getFullYear(), day.getMonth() - months, day.getDate()).getTime();
}
