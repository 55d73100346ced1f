import { Pressable, View } from 'react-native';

import type { Item } from '@/contract/records';
import type { Examined } from '@/core/listing/examine';
import { findingKey } from '@/core/listing/findings';
import { priceWhy } from '@/core/listing/glance';
import { isUp, notTaken, signLabel, signState, stateWords } from '@/core/listing/signState';
import { formatMoney } from '@/core/money/money';
import { FindingNotice } from '@/parts/trade/FindingNotice';
import { cardName, goTo, sectionId, sectionOf } from '@/parts/trade/goTo';
import { ListingSign } from '@/parts/trade/ListingSign';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { useUnfolded } from '@/parts/trade/useUnfolded';
import { Button, Chip } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { agoWords } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { send } from '@/store/courier/sending';
import { wantOn } from '@/store/items/items';
import { Icon } from '@/theme/Icon';
import { useColours } from '@/theme/theme';
import { priceWhyWords } from '@/wording/price';

import { Fees } from './Fees';
import { ListingState } from './ListingState';
import { OwnValues } from './OwnValues';
import { Preview } from './Preview';

export interface MarketCardProps {
  item: Item;
  examined: Examined;
}

/** One item on one marketplace: one line, or its own values, the check, fees, and what can be done. */
export function MarketCard({ item, examined }: MarketCardProps) {
  const c = useColours();
  const { sheet, plan } = examined;
  const view = useCourier((s) => s.items[item.id]);
  const listing = view?.listings.find((l) => l.market === sheet.marketplace);
  const sold = !!view?.sale;
  const wanted = plan?.wanted ?? false;
  const up = isUp(listing);
  // What a person has to do there by hand asks, too.
  const asks =
    listing !== undefined &&
    (notTaken(listing) || listing.trouble !== null || (sheet.byHand === true && listing.doing !== null));
  const blockers = examined.findings.filter((f) => f.level === 'blocker');
  const isAsked = wanted && blockers.some((f) => sectionOf(f.field) === 'markets');
  const [open, setOpen] = useUnfolded(cardName(sheet.marketplace), asks || isAsked);
  const count = blockers.length;
  const price = examined.effective.price;
  const money = price === null ? null : formatMoney(price, sheet.currency);
  return (
    <View
      id={sectionId(cardName(sheet.marketplace))}
      role="group"
      aria-label={sheet.name}
      style={{ borderWidth: 1, borderColor: c.line, borderRadius: 10, paddingHorizontal: 10, gap: 9 }}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 10, minHeight: 56 }}>
        <Pressable
          role="button"
          aria-label={`${sheet.name}, all of it`}
          aria-expanded={open}
          onPress={() => setOpen(!open)}
          style={{ flex: 1, flexDirection: 'row', alignItems: 'center', gap: 10, minHeight: 48 }}
        >
          <ListingSign
            letters={sheet.letters}
            state={signState(listing, plan)}
            label={signLabel(sheet.name, listing, plan, sheet.currency)}
            size={open ? 42 : 30}
          />
          <View style={{ flex: 1 }}>
            <Text variant="strong">{sheet.name}</Text>
            <Text variant="small" tone={wanted && !up && count > 0 ? 'trouble' : 'soft'} figures>
              {[
                stateWords(listing, plan) + (listing ? `, ${agoWords(listing.since)}` : ''),
                wanted && !up && !sold ? (count > 0 ? `${count} missing` : 'ready') : '',
                wanted || up ? (money ?? '') : '',
              ]
                .filter(Boolean)
                .join(' · ')}
            </Text>
          </View>
          <Icon name={open ? 'unfold' : 'forward'} colour={c.soft} size={20} />
        </Pressable>
        {!up && !sold ? <ListIt item={item} examined={examined} wanted={wanted} /> : null}
      </View>
      {open ? (
        <View style={{ gap: 9, paddingBottom: 10 }}>
          {listing ? <ListingState item={item} listing={listing} examined={examined} sold={sold} /> : null}
          {wanted && !sold ? <Planned item={item} examined={examined} up={up} /> : null}
          {!wanted && !listing ? (
            <Text tone="soft">It is not planned here: choose “List it here” first.</Text>
          ) : null}
        </View>
      ) : null}
    </View>
  );
}

function ListIt({ item, examined, wanted }: MarketCardProps & { wanted: boolean }) {
  const { sheet } = examined;
  return (
    <Chip
      role="checkbox"
      label={`List it on ${sheet.name}`}
      on={wanted}
      onPress={() => wantOn(item.id, sheet, !wanted)}
    >
      List it here
    </Chip>
  );
}

/** What goes there, or is there: what differs, what stands against it, what buyers see, what it leaves. */
function Planned({ item, examined, up }: MarketCardProps & { up: boolean }) {
  const currency = useAttic((s) => s.settings.currency);
  const { sheet, effective, findings } = examined;
  const blockers = findings.filter((f) => f.level === 'blocker');
  // Cautions about what all marketplaces share are said once, at the field itself.
  const cautions = findings.filter((f) => f.level === 'caution' && sectionOf(f.field) === 'markets');
  return (
    <>
      <Link market={sheet.marketplace} name={sheet.name} />
      {effective.price === null ? null : (
        <Text variant="small" tone="soft" figures>
          {`${formatMoney(effective.price, sheet.currency)}: ` +
            `${priceWhyWords(priceWhy(item, examined), sheet.currency)}.`}
        </Text>
      )}
      <OwnValues item={item} examined={examined} />
      {effective.condition ? (
        <Text variant="small" tone="soft">{`Condition there: ${effective.condition.label}`}</Text>
      ) : null}
      {blockers.map((f) => (
        <FindingNotice
          key={findingKey(f)}
          finding={f}
          examined={examined}
          onPress={() => goTo(f.field, sheet.marketplace)}
        />
      ))}
      {cautions.map((f) => (
        <FindingNotice key={findingKey(f)} finding={f} examined={examined} />
      ))}
      <Preview item={item} examined={examined} />
      {blockers.length === 0 && !up ? <ReadyThere item={item} examined={examined} /> : null}
      {examined.takeHome ? (
        <Fees item={item} takeHome={examined.takeHome} effective={effective} currency={currency} />
      ) : null}
    </>
  );
}

/** Nothing stands against it: it can go there by itself, or with the others. */
function ReadyThere({ item, examined }: MarketCardProps) {
  const { run, busy, trouble } = useAsyncAction();
  const { name } = examined.sheet;
  return (
    <>
      <Notice tone="good">Checked against their rules: ready to send.</Notice>
      <Button
        variant="quiet"
        label={`Send only to ${name}`}
        disabled={busy}
        onPress={() => run(() => send(item, examined.sheet))}
      >
        {busy ? 'Sending it…' : 'Send only there'}
      </Button>
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
