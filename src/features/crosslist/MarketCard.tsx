import { useState } from 'react';
import { View } from 'react-native';

import type { CourierListingView } from '@/contract/courier';
import type { Thing } from '@/contract/records';
import { stateWords, windowLabel, windowState } from '@/core/listing/windowState';
import { formatMoney } from '@/core/money/money';
import { Field } from '@/parts/Field';
import { MoneyField } from '@/parts/MoneyField';
import { Notice } from '@/parts/Notice';
import { Chip, Press } from '@/parts/Press';
import { Window } from '@/parts/Window';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { useCourier } from '@/store/courierLink';
import { changedSince, type Examined } from '@/core/listing/examine';
import { markSold, send, withdraw } from '@/store/sending';
import { editPlan } from '@/store/things';
import { useColours } from '@/theme/theme';

import { FindingNotice } from '../item/FindingNotice';
import { goTo, sectionOf } from '../item/goTo';
import { agoWords, exactly } from '../shell/time';
import { useDo } from '../shell/useDo';
import { ByHand } from './ByHand';
import { Fees } from './Fees';
import { OwnValues } from './OwnValues';
import { Preview } from './Preview';
import { SeeThere } from './SeeThere';
import { TakeDownByHand } from './TakeDownByHand';

export interface MarketCardProps {
  thing: Thing;
  examined: Examined;
}

/** One thing on one marketplace: its window, its own values, the check, fees, and what can be done. */
export function MarketCard({ thing, examined }: MarketCardProps) {
  const c = useColours();
  const { sheet, plan, effective, findings } = examined;
  const view = useCourier((s) => s.things[thing.id]);
  const currency = useAttic((s) => s.settings.currency);
  const listing = view?.listings.find((l) => l.market === sheet.marketplace);
  const sold = !!view?.sale;
  const wanted = plan?.wanted ?? false;
  const up = listing !== undefined && (listing.want === 'live' || listing.doing !== null);
  const blockers = findings.filter((f) => f.level === 'blocker');
  // Cautions about what all marketplaces share are said once, at the field itself.
  const cautions = findings.filter((f) => f.level === 'caution' && sectionOf(f.field) === 'markets');
  return (
    <View
      role="group"
      aria-label={sheet.name}
      style={{ borderWidth: 1, borderColor: c.line, borderRadius: 10, padding: 10, gap: 9 }}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 10 }}>
        <Window
          letters={sheet.letters}
          state={windowState(listing, plan)}
          label={windowLabel(sheet.name, listing, plan, currency)}
          size={42}
        />
        <View style={{ flex: 1 }}>
          <Words kind="strong">{sheet.name}</Words>
          <Words kind="small" tone="soft">
            {[stateWords(listing, plan), listing && agoWords(listing.since)].filter(Boolean).join(', ')}
          </Words>
        </View>
        {!up && !sold ? (
          <Chip
            role="checkbox"
            label={`List it on ${sheet.name}`}
            on={wanted}
            onPress={() =>
              editPlan(
                thing.id,
                sheet.marketplace,
                wanted ? `not on ${sheet.name}` : `wanted on ${sheet.name}`,
                { wanted: !wanted },
              )
            }
          >
            List it here
          </Chip>
        ) : null}
      </View>
      {listing ? <ListingState thing={thing} listing={listing} examined={examined} sold={sold} /> : null}
      {wanted && !sold ? (
        <>
          <Link market={sheet.marketplace} name={sheet.name} />
          <OwnValues thing={thing} examined={examined} />
          {effective.condition ? (
            <Words kind="small" tone="soft">{`Condition there: ${effective.condition.label}`}</Words>
          ) : null}
          {blockers.map((f) => (
            <FindingNotice
              key={f.field + f.message}
              finding={f}
              examined={examined}
              onPress={() => goTo(f.field)}
            />
          ))}
          {cautions.map((f) => (
            <FindingNotice key={f.field + f.message} finding={f} examined={examined} />
          ))}
          <Preview examined={examined} />
          {blockers.length === 0 && !up ? <ReadyThere thing={thing} examined={examined} /> : null}
          {examined.takeHome ? (
            <Fees thing={thing} takeHome={examined.takeHome} effective={effective} currency={currency} />
          ) : null}
        </>
      ) : null}
    </View>
  );
}

/** Nothing stands against it: it can go there by itself, or with the others. */
function ReadyThere({ thing, examined }: MarketCardProps) {
  const { run, busy, trouble } = useDo();
  const { name } = examined.sheet;
  return (
    <>
      <Notice tone="good">Checked against their rules: ready to send.</Notice>
      <Press
        kind="quiet"
        label={`Send only to ${name}`}
        disabled={busy}
        onPress={() => run(() => send(thing, examined.sheet))}
      >
        {busy ? 'Sending it…' : 'Send only there'}
      </Press>
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
    </>
  );
}

/** Said where the connection keeps something from going. */
function Link({ market, name }: { market: string; name: string }) {
  const link = useCourier((s) => s.markets.find((m) => m.id === market));
  if (!link || (link.link === 'connected' && !link.locked)) return null;
  return (
    <Notice tone="caution">
      {link.link === 'off'
        ? `${name} is not connected: nothing can be sent there.`
        : link.link === 'paused'
          ? `${name} is paused: what you send waits until you go on.`
          : `${name} no longer lets us in: what you send waits until a new code is brought.`}
    </Notice>
  );
}

/** What the courier knows of it there, and what can be done about it. */
function ListingState(props: {
  thing: Thing;
  listing: CourierListingView;
  examined: Examined;
  sold: boolean;
}) {
  const { thing, listing, examined, sold } = props;
  const { sheet } = examined;
  const { run, busy, trouble } = useDo();
  const price = examined.effective.price ?? listing.price;
  const live = listing.state === 'live' && listing.want === 'live';
  const waiting =
    listing.want === 'live' && (live || listing.state === 'inReview' || listing.state === 'onItsWay');
  return (
    <>
      {listing.trouble ? (
        <Notice tone={listing.stopped ? 'trouble' : 'caution'}>
          {`${listing.trouble} ${listing.stopped ? 'It is not tried any more: send it again.' : 'The courier keeps trying.'}`}
        </Notice>
      ) : null}
      {listing.doing === 'publish' && listing.nextTryAt && listing.tries === 0 && !sheet.byHand ? (
        <Notice tone="info">{`Planned for ${exactly(listing.nextTryAt)}.`}</Notice>
      ) : null}
      {sheet.byHand && !sold && listing.want === 'live' && listing.doing !== null ? (
        <ByHand thing={thing} examined={examined} />
      ) : null}
      {sheet.byHand && listing.want === 'gone' && listing.doing === 'withdraw' ? (
        <TakeDownByHand thing={thing.id} listing={listing} name={sheet.name} />
      ) : null}
      {listing.reasons.map((r) => (
        <Notice key={r.message} tone="trouble" onPress={r.field ? () => goTo(r.field) : undefined}>
          {`${sheet.name} says: ${r.message}`}
        </Notice>
      ))}
      {live && !sold && changedSince(examined, listing.draftPrint) ? (
        <Notice tone="info">Changed here since: what would change there is shown below.</Notice>
      ) : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {live || listing.state === 'sold' ? (
          <SeeThere listing={listing} label={`See it on ${sheet.name}`}>
            See it there
          </SeeThere>
        ) : null}
        {waiting && !sold ? (
          <Press
            label={`Withdraw it from ${sheet.name}`}
            disabled={busy}
            onPress={() => run(() => withdraw(thing.id, sheet.marketplace))}
          >
            Withdraw
          </Press>
        ) : null}
      </View>
      {live && !sold && (sheet.handover === 'collect' || sheet.byHand) ? (
        <Deal
          market={sheet.name}
          asked={price}
          busy={busy}
          onSold={(amount) => run(() => markSold(thing.id, sheet.marketplace, amount))}
        />
      ) : live && !sold ? (
        <SoldThere
          market={sheet.name}
          asked={price}
          busy={busy}
          onSold={(amount, order) => run(() => markSold(thing.id, sheet.marketplace, amount, order))}
        />
      ) : null}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
    </>
  );
}

/** An order the person has before the courier heard of it: by mail, on the marketplace's own page. */
function SoldThere(props: { market: string; asked: number; busy: boolean; onSold: (amount: number, order: string) => void }) {
  const { market, asked, busy, onSold } = props;
  const currency = useAttic((s) => s.settings.currency);
  const [open, setOpen] = useState(false);
  const [amount, setAmount] = useState<number | null>(asked);
  const [order, setOrder] = useState('');
  if (!open)
    return (
      <Press kind="quiet" label={`Sold on ${market} already`} onPress={() => setOpen(true)}>
        It was sold there, I have the order
      </Press>
    );
  return (
    <View style={{ gap: 8 }}>
      <Field label={`Order number on ${market}`} value={order} pause={0} maxLength={100} onChange={setOrder} />
      <MoneyField label={`Sold on ${market} for`} value={amount} currency={currency} onChange={setAmount} />
      <Press
        kind="main"
        label={`Take it down: sold on ${market}`}
        disabled={busy || amount === null || order.trim() === '' || order.trim().startsWith('deal-')}
        onPress={() => amount !== null && onSold(amount, order.trim())}
      >
        Take it down everywhere else
      </Press>
    </View>
  );
} // prettier-ignore

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
      <Press
        kind="main"
        label={`Sold on ${market} for ${formatMoney(amount, currency)}`}
        disabled={busy}
        onPress={() => onSold(amount)}
      >
        {`Sold for ${formatMoney(amount, currency)}`}
      </Press>
    </View>
  );
}
