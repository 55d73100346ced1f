import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';

import { ZONES, type Address } from '@/contract/fulfilment';
import { RETURN_REASONS } from '@/contract/orders';
import { formatMoney } from '@/core/money/money';
import { isUnposted, type OrderRow } from '@/core/orders/orders';
import { trackingSound } from '@/core/orders/tracking';
import { sharesOf } from '@/core/price/profit';
import { ClosingRecord } from '@/parts/trade/ClosingRecord';
import { ItemLine } from '@/parts/trade/ItemLine';
import { MoneyField } from '@/parts/trade/MoneyField';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { WhenListed } from '@/parts/trade/WhenListed';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { LinesField } from '@/parts/ui/LinesField';
import { Notice } from '@/parts/ui/Notice';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { exactly } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { useDraft, useTextDraft } from '@/store/attic/drafts';
import { saveFile } from '@/store/base/files';
import { useCourier } from '@/store/courier/courierLink';
import { useMarketName } from '@/store/courier/useMarketName';
import { stageWords } from '@/store/derived/useOrders';
import { useSales } from '@/store/derived/useSales';
import {
  addressOf,
  arrived,
  backHere,
  cancel,
  closed,
  giveBack,
  handledThere,
  labelsTogether,
  openReturn,
  posted,
  returnDone,
  setAddress,
} from '@/store/fulfilment/orders';
import { packingSlips } from '@/store/fulfilment/paper';

/** One order: who gets it, how far it is, what it left; and what to do when it comes to nothing. */
export function OrderBody({ row }: { row: OrderRow }) {
  const item = useAttic((s) => s.items[row.itemId]);
  const closing = useCourier((s) => s.items[row.itemId]?.closing ?? null);
  const live = useCourier((s) => s.items[row.itemId]?.sale?.order === row.sale.order);
  const market = useMarketName();
  const currency = useAttic((s) => s.settings.currency);
  const router = useRouter();
  return (
    <>
      <Text tone="soft" figures>{`Order ${row.sale.order}, ${market(row.sale.market)}`}</Text>
      <Card label="What was sold">
        {item ? <ItemLine item={item} /> : <Text>Something not in this attic</Text>}
        <Text figures>
          {`${market(row.sale.market)}, ${exactly(row.sale.at)}: ` +
            `${formatMoney(row.sale.amount, currency)}, ${stageWords(row)}`}
        </Text>
        {item ? <WhenListed item={item} sale={row.sale} /> : null}
        {isUnposted(row) ? (
          <Button icon="parcel" onPress={() => router.navigate('/packing')}>
            Fetch and pack
          </Button>
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
    </>
  );
}

const ZONE_WORDS = { inland: 'Inland', near: 'A neighbouring country', far: 'Further away' } as const;

function Parcel({ row }: { row: OrderRow }) {
  const { record } = row;
  const [asked, setAsked] = useState<Address | null>(null);
  const { run, busy, trouble } = useAsyncAction();
  const there = handledThere(row);
  const address = record?.address ?? asked;
  const label = record?.label;
  return (
    <Card label="Parcel">
      <Text variant="heading">Parcel</Text>
      {address ? (
        <View>
          {[address.name, ...address.lines, ZONE_WORDS[address.zone]].filter(Boolean).map((l) => (
            <Text key={l}>{l}</Text>
          ))}
        </View>
      ) : there ? (
        <Button disabled={busy} onPress={() => run(async () => setAsked(await addressOf(row)))}>
          Ask where it goes
        </Button>
      ) : (
        <WriteAddress row={row} />
      )}
      {label ? (
        <>
          <Text figures>{`${label.carrier}, ${label.tracking}`}</Text>
          {trackingSound(label.tracking) === false ? (
            <Notice tone="caution">
              The last digit of that number does not fit: it was misread somewhere.
            </Notice>
          ) : null}
        </>
      ) : null}
      {(
        [
          ['Picked', record?.fetchedAt],
          ['Packed', record?.packedAt],
          ['Handed in', record?.postedAt],
          ['Marketplace told', record?.toldAt],
          ['Arrived', record?.arrivedAt],
        ] as const
      ).map(([words, at]) =>
        at ? <Text key={words} variant="small" tone="soft" figures>{`${words}: ${exactly(at)}`}</Text> : null,
      )}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      {label ? (
        <Button
          icon="down"
          disabled={busy}
          onPress={() =>
            run(async () => saveFile(await labelsTogether([row]), `label-${label.tracking}.pdf`))
          }
        >
          Save the label
        </Button>
      ) : null}
      <Button
        variant="quiet"
        disabled={busy}
        onPress={() => run(async () => saveFile(await packingSlips([row]), `slip-${row.sale.order}.pdf`))}
      >
        Save the packing slip
      </Button>
      {row.stage === 'toLabel' ? (
        <Button variant="quiet" disabled={busy} onPress={() => run(() => posted([row]))}>
          Posted without a label from here
        </Button>
      ) : null}
      {row.stage === 'underWay' ? <Button onPress={() => arrived(row)}>It has arrived</Button> : null}
      {row.stage === 'arrived' ? <Button onPress={() => closed(row)}>Close this order</Button> : null}
    </Card>
  );
}

const Written = z.object({ text: z.string(), zone: z.enum(ZONES) });

const NOT_WRITTEN: z.infer<typeof Written> = { text: '', zone: 'inland' };

function WriteAddress({ row }: { row: OrderRow }) {
  const [{ text, zone }, put, clear] = useDraft(
    `address:${row.itemId}:${row.sale.order}`,
    Written,
    NOT_WRITTEN,
  );
  const [name = '', ...lines] = text
    .split('\n')
    .map((l) => l.trim())
    .filter(Boolean);
  return (
    <View style={{ gap: 8 }}>
      <LinesField
        label="Name and address"
        value={text}
        onChange={(typed) => put((now) => ({ ...now, text: typed }))}
      />
      <ChipRow label="Where to">
        {ZONES.map((z) => (
          <Chip key={z} on={z === zone} onPress={() => put((now) => ({ ...now, zone: z }))}>
            {ZONE_WORDS[z]}
          </Chip>
        ))}
      </ChipRow>
      <Button
        disabled={lines.length === 0}
        onPress={() => {
          setAddress(row, {
            name: name.slice(0, 120),
            lines: lines.slice(0, 6).map((l) => l.slice(0, 120)),
            zone,
          });
          clear();
        }}
      >
        Keep this address
      </Button>
    </View>
  );
}

function Money({ row }: { row: OrderRow }) {
  const currency = useAttic((s) => s.settings.currency);
  const sold = useSales(true).find((s) => s.itemId === row.itemId && s.sale.order === row.sale.order);
  const cost = useAttic((s) => s.items[row.itemId]?.cost ?? null);
  const owner = useAttic((s) => s.owners[s.items[row.itemId]?.ownerId ?? '']);
  if (!sold?.takeHome || !sold.real) return null;
  const { ours } = sharesOf(row.sale.amount, sold.real.takeHome, owner ?? null);
  const profit = owner ? ours - (cost ?? 0) : cost === null ? null : ours - cost;
  const money = (amount: number) => formatMoney(amount, currency);
  const { real, takeHome } = sold;
  const lines = [
    ['Price', row.sale.amount, ''],
    ['Postage from the buyer', row.sale.postage, ''],
    [
      'Fees',
      -real.fees,
      { statement: 'by the statement', marketplace: 'as told at the sale', schedule: 'by its schedule' }[
        real.feesFrom
      ],
    ],
    ['Postage', -real.postage, real.postageFrom === 'label' ? 'by the label' : 'by the tariff'],
    ['Packing', -real.packaging, ''],
    ...(real.back ? [['Given back', -real.back, ''] as const] : []),
  ] as const;
  return (
    <Card label="Money">
      <Text variant="heading">Money</Text>
      {lines.map(([words, amount, from]) => (
        <View key={words} style={{ flexDirection: 'row', gap: 8 }}>
          <Text style={{ flex: 1 }}>{from ? `${words}, ${from}` : words}</Text>
          <Text figures>{money(amount)}</Text>
        </View>
      ))}
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Text variant="strong" style={{ flex: 1 }}>
          Left
        </Text>
        <Text variant="strong" figures>
          {money(real.takeHome)}
        </Text>
      </View>
      {profit === null ? null : (
        <View style={{ flexDirection: 'row', gap: 8 }}>
          <Text style={{ flex: 1 }}>
            {owner ? `After ${owner.name}’s share${cost === null ? '' : ' and cost'}` : 'After what it cost'}
          </Text>
          <Text figures>{money(profit)}</Text>
        </View>
      )}
      {real.back === 0 && real.takeHome !== takeHome.takeHome ? (
        <Text tone="soft" figures>{`Expected: ${money(takeHome.takeHome)}.`}</Text>
      ) : null}
    </Card>
  );
}

const REASON_WORDS: Record<(typeof RETURN_REASONS)[number], string> = {
  notAsDescribed: 'Not as described',
  damaged: 'Damaged on the way',
  wrongItem: 'The wrong item',
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
        <Text>{`Cancelled on ${exactly(record.cancelled.at)}: ${record.cancelled.why}`}</Text>
      </Card>
    );
  if (record?.back) return <Return row={row} />;
  return isUnposted(row) ? <Cancel row={row} /> : <AskReturn row={row} />;
}

function Cancel({ row }: { row: OrderRow }) {
  const [open, setOpen] = useState(false);
  const [why, setWhy] = useState('I am sorry: I can’t send it after all. You get everything back.');
  const { run, busy, trouble } = useAsyncAction();
  if (!open)
    return (
      <Button variant="quiet" onPress={() => setOpen(true)}>
        Cancel this order
      </Button>
    );
  return (
    <Card label="Cancel this order">
      <Text variant="heading">Cancel this order</Text>
      <LinesField label="What the buyer is told" value={why} onChange={setWhy} />
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <Button
        variant="trouble"
        disabled={busy || why.trim() === ''}
        onPress={() => run(() => cancel(row, why.trim()))}
      >
        Cancel it and give everything back
      </Button>
      <Button variant="quiet" onPress={() => setOpen(false)}>
        Leave it
      </Button>
    </Card>
  );
}

function AskReturn({ row }: { row: OrderRow }) {
  const [open, setOpen] = useState(false);
  const [reason, setReason] = useState<(typeof RETURN_REASONS)[number] | null>(null);
  const [words, setWords, clearWords] = useTextDraft(`back:${row.itemId}:${row.sale.order}`);
  if (!open)
    return (
      <Button variant="quiet" onPress={() => setOpen(true)}>
        It comes back
      </Button>
    );
  return (
    <Card label="It comes back">
      <Text variant="heading">Why does it come back?</Text>
      <ChipRow label="Reason">
        {RETURN_REASONS.map((r) => (
          <Chip key={r} on={r === reason} onPress={() => setReason(r)}>
            {REASON_WORDS[r]}
          </Chip>
        ))}
      </ChipRow>
      <LinesField label="In the buyer’s words" value={words} onChange={setWords} />
      <Button
        variant="main"
        disabled={reason === null}
        onPress={() => {
          if (!reason) return;
          openReturn(row, reason, words.trim());
          clearWords();
        }}
      >
        Expect it back
      </Button>
    </Card>
  );
}

function Return({ row }: { row: OrderRow }) {
  const back = row.record?.back;
  const item = useAttic((s) => s.items[row.itemId]);
  const currency = useAttic((s) => s.settings.currency);
  const listings = useCourier((s) => s.items[row.itemId]?.listings ?? NONE);
  const market = useMarketName();
  const router = useRouter();
  const { run, busy, trouble } = useAsyncAction();
  const [amount, setAmount] = useState<number | null>(row.sale.amount + row.sale.postage);
  if (!back) return null;
  const where = listings.filter((l) => l.state === 'ended' || l.state === 'sold').map((l) => l.market);
  return (
    <Card label="Return">
      <Text variant="heading">{back.doneAt ? 'Came back' : 'Comes back'}</Text>
      <Text>{[REASON_WORDS[back.reason], back.words].filter(Boolean).join(': ')}</Text>
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      {back.hereAt === null ? (
        <Button variant="main" onPress={() => backHere(row)}>
          It is back in hand
        </Button>
      ) : back.given === null ? (
        <>
          <Text tone="soft">Look it over against its pictures, then give the money back.</Text>
          <MoneyField label="Given back" value={amount} currency={currency} onChange={setAmount} />
          <Button
            variant="main"
            disabled={busy || amount === null || amount <= 0}
            onPress={() => run(() => giveBack(row, amount ?? 0))}
          >
            {`Give ${formatMoney(amount ?? 0, currency)} back`}
          </Button>
        </>
      ) : (
        <>
          <Text figures>
            {`${formatMoney(back.given, currency)} given ` +
              `back${
                back.feesBack ? `; ${formatMoney(back.feesBack, currency)} of the fees came back` : ''
              }.`}
          </Text>
          {back.doneAt === null && item ? (
            <>
              <Text tone="soft">Grade it again with fresh pictures of what is new, then decide.</Text>
              <Button icon="camera" onPress={() => router.navigate(`/item/${item.id}?at=condition`)}>
                Grade it again
              </Button>
              {where.length > 0 ? (
                <Button variant="main" onPress={() => returnDone(row, where)}>
                  {`List it again on ${where.map(market).join(', ')}`}
                </Button>
              ) : null}
              <Button variant="quiet" onPress={() => returnDone(row, [])}>
                Leave it in stock
              </Button>
            </>
          ) : null}
        </>
      )}
    </Card>
  );
}

const NONE: never[] = [];
