import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';

import { RETURN_REASONS } from '@/contract/orders';
import { ZONES, type Address } from '@/contract/desk';
import { formatMoney } from '@/core/money/money';
import { isUnposted, type OrderRow } from '@/core/orders/orders';
import { sharesOf } from '@/core/price/profit';
import { trackingSound } from '@/core/orders/tracking';
import { MoneyField } from '@/parts/MoneyField';
import { Notice } from '@/parts/Notice';
import { Card, Page } from '@/parts/Page';
import { Chip, ChipRow, Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { useCourier } from '@/store/courierLink';
import {
  addressOf, arrived, backHere, cancel, closed, giveBack, handledThere, labelsTogether, openReturn, posted, returnDone, setAddress,
} from '@/store/desk/orders'; // prettier-ignore
import { useDraft, useTextDraft } from '@/store/drafts';
import { packingSlips } from '@/store/desk/paper';
import { saveFile } from '@/store/files';

import { ThingLine } from '../attic/ThingLine';
import { ClosingRecord } from '../sales/ClosingRecord';
import { useSales } from '../sales/useSales';
import { BackTo } from '../shell/BackTo';
import { exactly } from '../shell/time';
import { useDo } from '../shell/useDo';
import { useMarketName } from '../shell/useMarketName';
import { LinesField } from './LinesField';
import { stageWords, useOrders } from './useOrders';

/** One order: who gets it, how far it is, what it left; and what to do when it comes to nothing. */
export function OrderPage() {
  const { id = '' } = useLocalSearchParams<{ id?: string }>();
  const row = useOrders().find((r) => r.id === id);
  const thing = useAttic((s) => (row ? s.things[row.thingId] : undefined));
  const closing = useCourier((s) => (row ? (s.things[row.thingId]?.closing ?? null) : null));
  const live = useCourier((s) => (row ? s.things[row.thingId]?.sale?.order === row.sale.order : false));
  const market = useMarketName();
  const currency = useAttic((s) => s.settings.currency);
  const router = useRouter();
  if (!row)
    return (
      <Page title="Order" aside={<BackTo path="/sales" />}>
        <Words tone="soft">There is no such order.</Words>
      </Page>
    );
  return (
    <Page title={`Order ${row.sale.order.slice(0, 16)}`} aside={<BackTo path="/sales" />}>
      <Card label="What was sold">
        {thing ? <ThingLine thing={thing} /> : <Words>Something not in this attic</Words>}
        <Words figures>
          {`${market(row.sale.market)}, ${exactly(row.sale.at)}: ${formatMoney(row.sale.amount, currency)}, ${stageWords(row)}`}
        </Words>
        {isUnposted(row) ? (
          <Press icon="parcel" onPress={() => router.navigate('/packing')}>
            Fetch and pack
          </Press>
        ) : null}
      </Card>
      {row.way === 'post' ? <Parcel row={row} /> : null}
      <Money row={row} />
      <ComesToNothing row={row} />
      {closing && live ? (
        <Card label="Gone everywhere">
          <ClosingRecord closing={closing} sale={row.sale} />
        </Card>
      ) : null}
    </Page>
  );
}

const ZONE_WORDS = { inland: 'Inland', near: 'A neighbouring country', far: 'Further away' } as const;

function Parcel({ row }: { row: OrderRow }) {
  const { record } = row;
  const [asked, setAsked] = useState<Address | null>(null);
  const { run, busy, trouble } = useDo();
  const there = handledThere(row);
  const address = record?.address ?? asked;
  const label = record?.label;
  return (
    <Card label="Parcel">
      <Words kind="heading">Parcel</Words>
      {address ? (
        <View>
          {[address.name, ...address.lines, ZONE_WORDS[address.zone]].filter(Boolean).map((l) => (
            <Words key={l}>{l}</Words>
          ))}
        </View>
      ) : there ? (
        <Press disabled={busy} onPress={() => run(async () => setAsked(await addressOf(row)))}>
          Ask where it goes
        </Press>
      ) : (
        <WriteAddress row={row} />
      )}
      {label ? (
        <>
          <Words figures>{`${label.carrier}, ${label.tracking}`}</Words>
          {trackingSound(label.tracking) === false ? (
            <Notice tone="caution">The last digit of that number does not fit: it was misread somewhere.</Notice>
          ) : null}
        </>
      ) : null}
      {(
        [
          ['Fetched', record?.fetchedAt],
          ['Packed', record?.packedAt],
          ['Handed in', record?.postedAt],
          ['Marketplace told', record?.toldAt],
          ['Arrived', record?.arrivedAt],
        ] as const
      ).map(([words, at]) => (at ? <Words key={words} kind="small" tone="soft" figures>{`${words}: ${exactly(at)}`}</Words> : null))}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      {label ? (
        <Press icon="down" disabled={busy} onPress={() => run(async () => saveFile(await labelsTogether([row]), `label-${label.tracking}.pdf`))}>
          Save the label
        </Press>
      ) : null}
      <Press kind="quiet" disabled={busy} onPress={() => run(async () => saveFile(await packingSlips([row]), `slip-${row.sale.order}.pdf`))}>
        Save the packing slip
      </Press>
      {row.stage === 'toLabel' ? (
        <Press kind="quiet" disabled={busy} onPress={() => run(() => posted([row]))}>
          Posted without a label from here
        </Press>
      ) : null}
      {row.stage === 'underWay' ? <Press onPress={() => arrived(row)}>It has arrived</Press> : null}
      {row.stage === 'arrived' ? <Press onPress={() => closed(row)}>Close this order</Press> : null}
    </Card>
  );
} // prettier-ignore

const Written = z.object({ text: z.string(), zone: z.enum(ZONES) });

const NOT_WRITTEN: z.infer<typeof Written> = { text: '', zone: 'inland' };

function WriteAddress({ row }: { row: OrderRow }) {
  const [{ text, zone }, put, clear] = useDraft(`address:${row.thingId}:${row.sale.order}`, Written, NOT_WRITTEN);
  const [name = '', ...lines] = text.split('\n').map((l) => l.trim()).filter(Boolean); // prettier-ignore
  return (
    <View style={{ gap: 8 }}>
      <LinesField label="Name and address" value={text} onChange={(typed) => put((now) => ({ ...now, text: typed }))} />
      <ChipRow label="Where to">
        {ZONES.map((z) => (
          <Chip key={z} on={z === zone} onPress={() => put((now) => ({ ...now, zone: z }))}>
            {ZONE_WORDS[z]}
          </Chip>
        ))}
      </ChipRow>
      <Press disabled={lines.length === 0} onPress={() => {
        setAddress(row, { name: name.slice(0, 120), lines: lines.slice(0, 6).map((l) => l.slice(0, 120)), zone });
        clear();
      }}>
        Keep this address
      </Press>
    </View>
  );
} // prettier-ignore

function Money({ row }: { row: OrderRow }) {
  const currency = useAttic((s) => s.settings.currency);
  const sold = useSales(true).find((s) => s.thingId === row.thingId && s.sale.order === row.sale.order);
  const cost = useAttic((s) => s.things[row.thingId]?.cost ?? null);
  const owner = useAttic((s) => s.owners[s.things[row.thingId]?.ownerId ?? '']);
  if (!sold?.takeHome || !sold.real) return null;
  const { ours } = sharesOf(row.sale.amount, sold.real.takeHome, owner ?? null);
  const profit = owner ? ours - (cost ?? 0) : cost === null ? null : ours - cost;
  const money = (amount: number) => formatMoney(amount, currency);
  const { real, takeHome } = sold;
  const lines = [
    ['Price', row.sale.amount, ''],
    ['Postage from the buyer', row.sale.postage, ''],
    ['Fees', -real.fees, { statement: 'by the statement', marketplace: 'as told at the sale', schedule: 'by its schedule' }[real.feesFrom]],
    ['Postage', -real.postage, real.postageFrom === 'label' ? 'by the label' : 'by the tariff'],
    ['Packing', -real.packaging, ''],
    ...(real.back ? [['Given back', -real.back, ''] as const] : []),
  ] as const;
  return (
    <Card label="Money">
      <Words kind="heading">Money</Words>
      {lines.map(([words, amount, from]) => (
        <View key={words} style={{ flexDirection: 'row', gap: 8 }}>
          <Words style={{ flex: 1 }}>{from ? `${words}, ${from}` : words}</Words>
          <Words figures>{money(amount)}</Words>
        </View>
      ))}
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Words kind="strong" style={{ flex: 1 }}>
          Left
        </Words>
        <Words kind="strong" figures>
          {money(real.takeHome)}
        </Words>
      </View>
      {profit === null ? null : (
        <View style={{ flexDirection: 'row', gap: 8 }}>
          <Words style={{ flex: 1 }}>{owner ? `After ${owner.name}’s share${cost === null ? '' : ' and cost'}` : 'After what it cost'}</Words>
          <Words figures>{money(profit)}</Words>
        </View>
      )}
      {real.back === 0 && real.takeHome !== takeHome.takeHome ? (
        <Words tone="soft" figures>{`Expected: ${money(takeHome.takeHome)}.`}</Words>
      ) : null}
    </Card>
  );
} // prettier-ignore

const REASON_WORDS: Record<(typeof RETURN_REASONS)[number], string> = {
  notAsDescribed: 'Not as described',
  damaged: 'Damaged on the way',
  wrongThing: 'The wrong thing',
  doesNotFit: 'Does not fit',
  changedMind: 'Changed their mind',
  other: 'Something else',
};

/** Cancelling before it was posted; sending back after. */
function ComesToNothing({ row }: { row: OrderRow }) {
  const { record } = row;
  if (record?.cancelled)
    return (
      <Card label="Cancelled">
        <Words>{`Cancelled on ${exactly(record.cancelled.at)}: ${record.cancelled.why}`}</Words>
      </Card>
    );
  if (record?.back) return <Return row={row} />;
  return isUnposted(row) ? <Cancel row={row} /> : <AskReturn row={row} />;
} // prettier-ignore

function Cancel({ row }: { row: OrderRow }) {
  const [open, setOpen] = useState(false);
  const [why, setWhy] = useState('I am sorry: I can’t send it after all. You get everything back.');
  const { run, busy, trouble } = useDo();
  if (!open)
    return (
      <Press kind="quiet" onPress={() => setOpen(true)}>
        Cancel this order
      </Press>
    );
  return (
    <Card label="Cancel this order">
      <Words kind="heading">Cancel this order</Words>
      <LinesField label="What the buyer is told" value={why} onChange={setWhy} />
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <Press
        kind="trouble"
        disabled={busy || why.trim() === ''}
        onPress={() => run(() => cancel(row, why.trim()))}
      >
        Cancel it and give everything back
      </Press>
      <Press kind="quiet" onPress={() => setOpen(false)}>
        Leave it
      </Press>
    </Card>
  );
}

function AskReturn({ row }: { row: OrderRow }) {
  const [open, setOpen] = useState(false);
  const [reason, setReason] = useState<(typeof RETURN_REASONS)[number] | null>(null);
  const [words, setWords, clearWords] = useTextDraft(`back:${row.thingId}:${row.sale.order}`);
  if (!open)
    return (
      <Press kind="quiet" onPress={() => setOpen(true)}>
        It comes back
      </Press>
    );
  return (
    <Card label="It comes back">
      <Words kind="heading">Why does it come back?</Words>
      <ChipRow label="Reason">
        {RETURN_REASONS.map((r) => (
          <Chip key={r} on={r === reason} onPress={() => setReason(r)}>
            {REASON_WORDS[r]}
          </Chip>
        ))}
      </ChipRow>
      <LinesField label="In the buyer’s words" value={words} onChange={setWords} />
      <Press
        kind="main"
        disabled={reason === null}
        onPress={() => {
          if (!reason) return;
          openReturn(row, reason, words.trim());
          clearWords();
        }}
      >
        Expect it back
      </Press>
    </Card>
  );
}

function Return({ row }: { row: OrderRow }) {
  const back = row.record?.back;
  const thing = useAttic((s) => s.things[row.thingId]);
  const currency = useAttic((s) => s.settings.currency);
  const listings = useCourier((s) => s.things[row.thingId]?.listings ?? NONE);
  const market = useMarketName();
  const router = useRouter();
  const { run, busy, trouble } = useDo();
  const [amount, setAmount] = useState<number | null>(row.sale.amount + row.sale.postage);
  if (!back) return null;
  const where = listings.filter((l) => l.state === 'ended' || l.state === 'sold').map((l) => l.market);
  return (
    <Card label="Return">
      <Words kind="heading">{back.doneAt ? 'Came back' : 'Comes back'}</Words>
      <Words>{[REASON_WORDS[back.reason], back.words].filter(Boolean).join(': ')}</Words>
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      {back.hereAt === null ? (
        <Press kind="main" onPress={() => backHere(row)}>
          It is back in hand
        </Press>
      ) : back.given === null ? (
        <>
          <Words tone="soft">Look it over against its pictures, then give the money back.</Words>
          <MoneyField label="Given back" value={amount} currency={currency} onChange={setAmount} />
          <Press
            kind="main"
            disabled={busy || amount === null || amount <= 0}
            onPress={() => run(() => giveBack(row, amount ?? 0))}
          >
            {`Give ${formatMoney(amount ?? 0, currency)} back`}
          </Press>
        </>
      ) : (
        <>
          <Words figures>
            {`${formatMoney(back.given, currency)} given back${back.feesBack ? `; ${formatMoney(back.feesBack, currency)} of the fees came back` : ''}.`}
          </Words>
          {back.doneAt === null && thing ? (
            <>
              <Words tone="soft">Grade it again with fresh pictures of what is new, then decide.</Words>
              <Press icon="camera" onPress={() => router.navigate(`/thing/${thing.id}?at=condition`)}>
                Grade it again
              </Press>
              {where.length > 0 ? (
                <Press kind="main" onPress={() => returnDone(row, where)}>
                  {`Put it up again on ${where.map(market).join(', ')}`}
                </Press>
              ) : null}
              <Press kind="quiet" onPress={() => returnDone(row, [])}>
                Leave it in stock
              </Press>
            </>
          ) : null}
        </>
      )}
    </Card>
  );
} // prettier-ignore

const NONE: never[] = [];
