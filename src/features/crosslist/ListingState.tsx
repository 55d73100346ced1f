import { useState } from 'react';
import { View } from 'react-native';

import type { CourierListingView } from '@/contract/courier';
import type { Item } from '@/contract/records';
import { isAlike } from '@/core/choices/choices';
import { changedSince, type Examined } from '@/core/listing/examine';
import { formatMoney } from '@/core/money/money';
import { goTo } from '@/parts/trade/goTo';
import { MoneyField } from '@/parts/trade/MoneyField';
import { SeeThere } from '@/parts/trade/SeeThere';
import { ShareLink } from '@/parts/trade/ShareLink';
import { TakeDownByHand } from '@/parts/trade/TakeDownByHand';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Notice } from '@/parts/ui/Notice';
import { exactly } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { markSold, withdraw } from '@/store/courier/sending';
import { reasonWords, troubleWords } from '@/wording/courier';

import { AuctionLine } from './AuctionLine';
import { ByHand } from './ByHand';

/** What the courier knows of it there, and what can be done about it. */
export function ListingState(props: {
  item: Item;
  listing: CourierListingView;
  examined: Examined;
  sold: boolean;
}) {
  const { item, listing, examined, sold } = props;
  const { sheet } = examined;
  const { run, busy, trouble } = useAsyncAction();
  const price = examined.effective.price ?? listing.price;
  const live = listing.state === 'live' && listing.want === 'live';
  const waiting =
    listing.want === 'live' && (live || listing.state === 'inReview' || listing.state === 'onItsWay');
  return (
    <>
      <AuctionLine
        listing={listing}
        currency={sheet.currency}
        isAuction={examined.effective.auction !== null}
      />
      {listing.trouble ? (
        <Notice tone={listing.stopped ? 'trouble' : 'caution'}>
          {`${troubleWords(listing.trouble)} ` +
            `${listing.stopped ? 'It is not tried any more: send it again.' : 'The courier keeps trying.'}`}
        </Notice>
      ) : null}
      {listing.doing === 'publish' && listing.nextTryAt && listing.tries === 0 && !sheet.byHand ? (
        <Notice tone="info">{`Planned for ${exactly(listing.nextTryAt)}.`}</Notice>
      ) : null}
      {sheet.byHand && !sold && listing.want === 'live' && listing.doing !== null ? (
        <ByHand item={item} examined={examined} />
      ) : null}
      {sheet.byHand && listing.want === 'gone' && listing.doing === 'withdraw' ? (
        <TakeDownByHand item={item.id} listing={listing} name={sheet.name} />
      ) : null}
      {listing.reasons.map((r) => (
        <Notice
          key={reasonWords(r)}
          tone="trouble"
          onPress={r.field ? () => goTo(r.field, sheet.marketplace) : undefined}
        >
          {r.code ? reasonWords(r) : `${sheet.name} says: ${r.message}`}
        </Notice>
      ))}
      {live && !sold && changedSince(examined, listing.draftHash) ? (
        <Notice tone="info">Changed here since: what would change there is shown below.</Notice>
      ) : null}
      <SeeOrWithdraw
        listing={listing}
        name={sheet.name}
        busy={busy}
        onWithdraw={waiting && !sold ? () => run(() => withdraw(item.id, sheet.marketplace)) : null}
      />
      {live && !sold && (sheet.handover === 'collect' || sheet.byHand) ? (
        <Deal
          market={sheet.name}
          asked={price}
          busy={busy}
          onSold={(amount) => run(() => markSold(item.id, sheet.marketplace, amount))}
        />
      ) : live && !sold ? (
        <SoldThere
          market={sheet.name}
          several={item.choices !== null && isAlike(item.choices)}
          asked={price}
          busy={busy}
          onSold={(amount, order) => run(() => markSold(item.id, sheet.marketplace, amount, order))}
        />
      ) : null}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
    </>
  );
}

/** The way to its page there, and down from there. */
function SeeOrWithdraw(props: {
  listing: CourierListingView;
  name: string;
  busy: boolean;
  /** Null: there is nothing to take down. */
  onWithdraw: (() => void) | null;
}) {
  const { listing, name, busy, onWithdraw } = props;
  const isThere = listing.state === 'sold' || (listing.state === 'live' && listing.want === 'live');
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
      {isThere ? (
        <SeeThere listing={listing} label={`See it on ${name}`}>
          See it there
        </SeeThere>
      ) : null}
      {isThere && listing.state === 'live' ? (
        <ShareLink listing={listing} label={`Share its link on ${name}`} />
      ) : null}
      {onWithdraw ? (
        <Button label={`Withdraw it from ${name}`} disabled={busy} onPress={onWithdraw}>
          Withdraw
        </Button>
      ) : null}
    </View>
  );
}

/** An order the person has before the courier heard of it: by mail, on the marketplace's own page. */
function SoldThere(props: {
  market: string;
  /** There are more of it, just alike: one fewer is told elsewhere. */
  several: boolean;
  asked: number;
  busy: boolean;
  onSold: (amount: number, order: string) => void;
}) {
  const { market, several, asked, busy, onSold } = props;
  const currency = useAttic((s) => s.settings.currency);
  const [open, setOpen] = useState(false);
  const [amount, setAmount] = useState<number | null>(asked);
  const [order, setOrder] = useState('');
  if (!open)
    return (
      <Button variant="quiet" label={`Sold on ${market} already`} onPress={() => setOpen(true)}>
        It was sold there, I have the order
      </Button>
    );
  return (
    <View style={{ gap: 8 }}>
      <Field
        label={`Order number on ${market}`}
        value={order}
        pause={0}
        maxLength={100}
        onChange={setOrder}
      />
      <MoneyField label={`Sold on ${market} for`} value={amount} currency={currency} onChange={setAmount} />
      <Button
        variant="main"
        label={`${several ? 'One fewer' : 'Take it down'}: sold on ${market}`}
        disabled={busy || amount === null || order.trim() === '' || order.trim().startsWith('deal-')}
        onPress={() => amount !== null && onSold(amount, order.trim())}
      >
        {several ? 'One of it is sold' : 'Take it down everywhere else'}
      </Button>
    </View>
  );
}

/** A deal made in person: what was agreed in the end, which may not be what was asked. */
function Deal(props: { market: string; asked: number; busy: boolean; onSold: (amount: number) => void }) {
  const { market, asked, busy, onSold } = props;
  const currency = useAttic((s) => s.settings.currency);
  const [agreed, setAgreed] = useState<number | null>(null);
  const amount = agreed ?? asked;
  return (
    <View style={{ gap: 8 }}>
      <MoneyField
        label={`Agreed on ${market}`}
        value={amount}
        currency={currency}
        emptied="Type what was agreed."
        onChange={setAgreed}
      />
      <Button
        variant="main"
        label={`Sold on ${market} for ${formatMoney(amount, currency)}`}
        disabled={busy}
        onPress={() => onSold(amount)}
      >
        {`Sold for ${formatMoney(amount, currency)}`}
      </Button>
    </View>
  );
}
