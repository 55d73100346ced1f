import { useMemo, useState } from 'react';
import { View } from 'react-native';

import type { OwnListing } from '@/contract/ownListing';
import type { Item } from '@/contract/records';
import type { SameGroup } from '@/core/bringIn/sameItem';
import { kindOfListings, nowSaid, offersOf, type FieldOffer } from '@/core/bringIn/takeOver';
import { wordsForUse } from '@/core/condition/grade';
import { formatMoney } from '@/core/money/money';
import { KindChooser } from '@/parts/trade/KindPicker';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { takeApart, takeIn, useBringIn } from '@/store/courier/bringIn';
import { useCourier } from '@/store/courier/courierLink';
import { useMarketName } from '@/store/courier/useMarketName';
import { useKinds } from '@/store/items/kinds';
import { nameOf } from '@/store/items/names';
import { useColours } from '@/theme/theme';
import { sameReason } from '@/wording/bringIn';

/**
 * One item that was found, on one marketplace or several: what it is, what is copied of it, and whether they
 * belong together.
 */
export function FoundItem(props: { group: SameGroup; onBrought: (id: string, title: string) => void }) {
  const { group, onBrought } = props;
  const all = useBringIn((s) => s.listings);
  const kinds = useKinds();
  const sheets = useCourier((s) => s.sheets);
  const mappings = useAttic((s) => s.mappings);
  const units = useAttic((s) => s.settings.units);
  const currency = useAttic((s) => s.settings.currency);
  const suggested = useAttic((s) => (group.item ? s.items[group.item] : undefined));
  const [isThat, setIsThat] = useState(true);
  const [picked, setPicked] = useState<Record<string, string | null>>({});
  const [ownKind, setOwnKind] = useState<string | null>(null);
  const [open, setOpen] = useState(false);
  const { run, busy, trouble } = useAsyncAction();
  const listings = useMemo(() => group.listings.flatMap((id) => all[id] ?? []), [group, all]);
  const target = isThat ? suggested : undefined;
  const kind = target?.kind || (ownKind ?? kindOfListings(listings, kinds, Object.values(mappings), sheets));
  const offers = useMemo(
    () => offersOf(listings, sheets, kinds, kind, units),
    [listings, sheets, kinds, kind, units],
  );
  const [first] = listings;
  if (!first) return null;
  const chosen = chosenOf(offers, picked, target);
  const title = chosen.title ?? target?.title ?? first.title;
  const most = listings.reduce((a, b) => (b.pictures.length > a.pictures.length ? b : a));
  const picturesOf = (target?.pictureIds.length ?? 0) === 0 && most.pictures.length > 0 ? most : null;
  const bring = () =>
    run(async () => {
      const id = await takeIn({ listings, item: target?.id ?? null, kind, chosen, picturesOf });
      onBrought(id, title);
    });
  return (
    <Card label={title}>
      <AllListed listings={listings} />
      {listings.length > 1 ? (
        <Text variant="small" tone="soft">
          {'Thought to be one ' +
            `item${group.why.length > 0 ? `: ${group.why.map(sameReason).join(', ')}` : ''}.`}
        </Text>
      ) : null}
      {suggested ? <WhichItem suggested={suggested} isThat={isThat} onChoose={setIsThat} /> : null}
      <Text variant="small" tone="soft">
        {[
          kind === ''
            ? 'Its kind has to be said later'
            : `A ${kinds.get(kind)?.name.toLocaleLowerCase('en')}`,
          `${Object.keys(chosen).length} of ${offers.length} fields copied`,
          picturesOf ? `${picturesOf.pictures.length} pictures` : 'no pictures copied',
        ].join(' · ')}
      </Text>
      <Button variant="quiet" label={`What is copied of ${title}`} onPress={() => setOpen(!open)}>
        {open ? 'Less' : 'Choose what is copied'}
      </Button>
      {open && !target?.kind ? (
        <KindChooser
          item={{ id: '', kind: '', title: listings.map((l) => l.title).join(' '), facts: {}, readings: [] }}
          onChoose={setOwnKind}
        />
      ) : null}
      {open
        ? offers.map((o) => (
            <Copied
              key={o.field}
              offer={o}
              chosen={chosen[o.field] ?? null}
              now={target ? inWords(o.field, target, currency) : null}
              onChoose={(value) => setPicked({ ...picked, [o.field]: value })}
            />
          ))
        : null}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <Button variant="main" disabled={busy} label={`Bring in ${title}`} onPress={bring}>
        {busy ? 'Bringing it in…' : target ? `Link to ${target.code}` : 'Bring it in'}
      </Button>
    </Card>
  );
}

/** What is copied, by field: what was picked, else the usual. */
function chosenOf(
  offers: readonly FieldOffer[],
  picked: Readonly<Record<string, string | null>>,
  target: Item | undefined,
): Record<string, string> {
  return Object.fromEntries(
    offers.flatMap((o) => {
      const value = o.field in picked ? picked[o.field] : usual(o, target);
      return value == null ? [] : [[o.field, value]];
    }),
  );
}

function AllListed({ listings }: { listings: readonly OwnListing[] }) {
  const covers = useBringIn((s) => s.covers);
  const currency = useAttic((s) => s.settings.currency);
  return listings.map((l) => (
    <Listed
      key={`${l.market} ${l.ref}`}
      listing={l}
      cover={covers[`${l.market} ${l.ref}`]?.address}
      price={formatMoney(l.price, currency)}
      alone={listings.length === 1}
    />
  ));
}

function WhichItem(props: { suggested: Item; isThat: boolean; onChoose: (isThat: boolean) => void }) {
  const { suggested, isThat, onChoose } = props;
  return (
    <ChipRow label="Which item it is">
      <Chip on={isThat} onPress={() => onChoose(true)}>
        {`It is ${suggested.code}, ${nameOf(suggested)}`}
      </Chip>
      <Chip on={!isThat} onPress={() => onChoose(false)}>
        An item of its own
      </Chip>
    </ChipRow>
  );
}

/** Copied unless the item says it already: first what most listings say. */
function usual(offer: FieldOffer, target: Item | undefined): string | null {
  if (target && nowSaid(offer.field, target) !== null) return null;
  return offer.values[0]?.value ?? null;
}

/** What the item says itself, in words; null where it says nothing. */
function inWords(field: string, item: Item, currency: string): string | null {
  if (field === 'price') return item.price === null ? null : formatMoney(item.price, currency);
  if (field === 'use') return item.use && wordsForUse(item.use);
  return nowSaid(field, item);
}

function Listed(props: { listing: OwnListing; cover: string | undefined; price: string; alone: boolean }) {
  const { listing, cover, price, alone } = props;
  const c = useColours();
  const market = useMarketName()(listing.market);
  return (
    <View style={{ flexDirection: 'row', gap: 10, alignItems: 'center' }}>
      <View style={{ width: 64, height: 64, borderRadius: 8, overflow: 'hidden', backgroundColor: c.raised }}>
        {cover ? <img src={cover} alt="" style={{ width: 64, height: 64, objectFit: 'cover' }} /> : null}
      </View>
      <View style={{ flex: 1, gap: 2 }}>
        <Text numberOfLines={2}>{listing.title}</Text>
        <Text variant="small" tone="soft" figures>
          {`${market} · ${price}${listing.state === 'inReview' ? ' · in review' : ''}`}
        </Text>
      </View>
      {alone ? null : (
        <Button
          variant="quiet"
          label={`${listing.title} on ${market} is another item`}
          onPress={() => takeApart(`${listing.market} ${listing.ref}`)}
        >
          Another
        </Button>
      )}
    </View>
  );
}

function Copied(props: {
  offer: FieldOffer;
  chosen: string | null;
  now: string | null;
  onChoose: (value: string | null) => void;
}) {
  const { offer, chosen, now, onChoose } = props;
  const market = useMarketName();
  const names = (ids: readonly string[]) => ids.map(market).join(', ');
  return (
    <View role="group" aria-label={offer.label} style={{ gap: 4 }}>
      <Text variant="strong">{offer.label}</Text>
      {now === null ? null : <Text variant="small" tone="soft" numberOfLines={2}>{`Now: ${now}`}</Text>}
      <ChipRow label={`Which ${offer.label.toLocaleLowerCase('en')}`}>
        {offer.values.map((v) => (
          <Chip
            key={v.value}
            on={chosen === v.value}
            label={`${v.shown} (${names(v.markets)})`}
            onPress={() => onChoose(v.value)}
          >
            {`${v.shown.length > 90 ? `${v.shown.slice(0, 90)}…` : v.shown} · ${names(v.markets)}`}
          </Chip>
        ))}
        <Chip on={chosen === null} label={`Don’t copy ${offer.label}`} onPress={() => onChoose(null)}>
          {now === null ? 'Leave it open' : 'Keep what it says'}
        </Chip>
      </ChipRow>
    </View>
  );
}
