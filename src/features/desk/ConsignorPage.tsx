import { useLocalSearchParams } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';

import { consignorStatement, type ConsignedSale } from '@/core/consign/statement';
import { formatMoney } from '@/core/money/money';
import { MoneyField } from '@/parts/MoneyField';
import { Field } from '@/parts/Field';
import { Notice } from '@/parts/Notice';
import { Card, Page } from '@/parts/Page';
import { Chip, ChipRow, Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { useTextDraft } from '@/store/drafts';
import { payConsignor, statementCsv } from '@/store/desk/consignors';
import { statementPdf } from '@/store/desk/paper';
import { saveFile } from '@/store/files';
import { useColours } from '@/theme/theme';
import { nameOf } from '@/store/names';

import { useSales } from '../sales/useSales';
import { BackTo } from '../shell/BackTo';
import { dayWords } from '../shell/time';
import { useDo } from '../shell/useDo';
import { useMarketName } from '../shell/useMarketName';
import { MINUTE, useTime } from '../shell/useTime';

const SORT_WORDS = { sold: 'sold', cameBack: 'came back', paid: 'paid' } as const;

/** What a consignor earned, was paid and is owed, line by line. */
export function ConsignorPage() {
  const { owner: id = '' } = useLocalSearchParams<{ owner?: string }>();
  const owner = useAttic((s) => s.owners[id]);
  const things = useAttic((s) => s.things);
  const payments = useAttic((s) => s.payments);
  const currency = useAttic((s) => s.settings.currency);
  const sales = useSales(true);
  const market = useMarketName();
  const now = useTime(MINUTE);
  const [months, setMonths] = useState(12);
  const from = useMemo(() => monthsAgo(now, months), [now, months]);
  const statement = useMemo(() => {
    if (!owner) return null;
    const mine = sales.flatMap((s): ConsignedSale[] => {
      const thing = things[s.thingId];
      if (thing?.ownerId !== owner.id || !s.takeHome) return [];
      // What coming back cost is the business's own: the consignor is owed as if nothing had been sold.
      const takeHome = s.undone ? s.takeHome.takeHome : (s.real?.takeHome ?? s.takeHome.takeHome);
      return [{ order: s.sale.order, what: nameOf(thing), code: thing.code, market: s.sale.market, at: s.sale.at, price: s.sale.amount, takeHome, undoneAt: s.undoneAt }];
    }); // prettier-ignore
    const paid = Object.values(payments).filter((p) => p.ownerId === owner.id);
    return consignorStatement(owner, mine, paid, from, now + 60_000);
  }, [owner, sales, things, payments, from, now]);
  const c = useColours();
  const { run, busy, trouble } = useDo();
  if (!owner || !statement)
    return (
      <Page title="Statement" aside={<BackTo path="/owners" />}>
        <Words tone="soft">There is no such consignor.</Words>
      </Page>
    );
  const money = (amount: number) => formatMoney(amount, currency);
  const period = `${dayWords(from)} to ${dayWords(now)}`;
  return (
    <Page title={`Statement for ${owner.name}`} aside={<BackTo path="/owners" />}>
      <ChipRow label="Over">
        {[1, 3, 12, 120].map((m) => (
          <Chip key={m} on={m === months} onPress={() => setMonths(m)}>
            {m === 1 ? 'A month' : m === 120 ? 'All' : `${m} months`}
          </Chip>
        ))}
      </ChipRow>
      <Card label="Balance">
        <Words kind="heading" figures>{`Owed: ${money(statement.after)}`}</Words>
        <Words figures>
          {`Carried over ${money(statement.before)}, earned ${money(statement.earned)}, paid ${money(statement.paid)}.`}
        </Words>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          <Press
            icon="down"
            disabled={busy}
            onPress={() => run(async () => saveFile(await statementPdf(owner.name, period, statement), `statement-${owner.name}.pdf`))}
          >
            Save as PDF
          </Press>
          <Press onPress={() => saveFile(statementCsv(statement, market, currency), `statement-${owner.name}.csv`)}>
            Save as a table
          </Press>
        </View>
        {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      </Card>
      <Card label="Lines">
        {statement.lines.length === 0 ? <Words tone="soft">Nothing in this time.</Words> : null}
        {statement.lines.map((l, i) => (
          <View key={i} style={{ flexDirection: 'row', gap: 8, borderTopWidth: i > 0 ? 1 : 0, borderColor: c.line, paddingVertical: 6 }}>
            <View style={{ flex: 1 }}>
              <Words numberOfLines={2}>{l.what || 'Payment'}</Words>
              <Words kind="small" tone="soft" figures>
                {[dayWords(l.at), SORT_WORDS[l.sort], l.market && market(l.market), l.price ? `${money(l.price)} less ${money(l.costs)}` : '']
                  .filter(Boolean)
                  .join(' · ')}
              </Words>
            </View>
            <View style={{ alignItems: 'flex-end' }}>
              <Words kind="strong" figures>
                {money(l.amount)}
              </Words>
              <Words kind="small" tone="soft" figures>
                {money(l.balance)}
              </Words>
            </View>
          </View>
        ))}
      </Card>
      <Pay ownerId={owner.id} owed={statement.after} currency={currency} />
    </Page>
  );
} // prettier-ignore

function Pay({ ownerId, owed, currency }: { ownerId: string; owed: number; currency: string }) {
  const [amount, setAmount] = useState<number | null>(null);
  const [note, setNote, clearNote] = useTextDraft(`paid:${ownerId}`);
  const wanted = amount ?? (owed > 0 ? owed : null);
  return (
    <Card label="Pay">
      <Words kind="heading">Paid to them</Words>
      <MoneyField label="Amount paid" value={wanted} currency={currency} onChange={setAmount} />
      <Field label="Note" value={note} pause={0} maxLength={200} onChange={setNote} />
      <Press
        kind="main"
        disabled={wanted === null || wanted <= 0}
        onPress={() => {
          if (wanted === null) return;
          payConsignor(ownerId, wanted, note.trim());
          setAmount(null);
          clearNote();
        }}
      >
        {wanted === null ? 'Write it down' : `Write down ${formatMoney(wanted, currency)} as paid`}
      </Press>
    </Card>
  );
}

function monthsAgo(now: number, months: number): number {
  const day = new Date(now);
  return new Date(day.getFullYear(), day.getMonth() - months, day.getDate()).getTime();
}
