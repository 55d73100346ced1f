import { useMemo, useState } from 'react';
import { View } from 'react-native';

import type { OwnListing } from '@/contract/ownListing';
import { kindOfListings, offersOf, type FieldOffer } from '@/core/bringIn/takeOver';
import type { SameGroup } from '@/core/bringIn/sameThing';
import { wordsForUse } from '@/core/condition/grade';
import { formatMoney } from '@/core/money/money';
import type { Thing } from '@/contract/records';
import { Notice } from '@/parts/Notice';
import { Card } from '@/parts/Page';
import { Chip, ChipRow, Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { takeApart, takeIn, useBringIn } from '@/store/bringIn';
import { useCourier } from '@/store/courierLink';
import { useKinds } from '@/store/kinds';
import { useColours } from '@/theme/theme';
import { nameOf } from '@/store/names';

import { KindChooser } from '../item/KindPicker';
import { useDo } from '../shell/useDo';
import { useMarketName } from '../shell/useMarketName';

/** One thing that was found, on one marketplace or several: what it is, what is copied of it, and whether they belong together. */
export function FoundThing(props: { group: SameGroup; onBrought: (id: string, title: string) => void }) {
  const { group, onBrought } = props;
  const all = useBringIn((s) => s.listings);
  const covers = useBringIn((s) => s.covers);
  const kinds = useKinds();
  const sheets = useCourier((s) => s.sheets);
  const mappings = useAttic((s) => s.mappings);
  const units = useAttic((s) => s.settings.units);
  const currency = useAttic((s) => s.settings.currency);
  const suggested = useAttic((s) => (group.thing ? s.things[group.thing] : undefined));
  const [isThat, setIsThat] = useState(true);
  const [picked, setPicked] = useState<Record<string, string | null>>({});
  const [ownKind, setOwnKind] = useState<string | null>(null);
  const [open, setOpen] = useState(false);
  const { run, busy, trouble } = useDo();
  const listings = useMemo(() => group.listings.flatMap((id) => all[id] ?? []), [group, all]);
  const target = isThat ? suggested : undefined;
  const kind = target?.kind || (ownKind ?? kindOfListings(listings, kinds, Object.values(mappings), sheets));
  const offers = useMemo(
    () => offersOf(listings, sheets, kinds, kind, units),
    [listings, sheets, kinds, kind, units],
  ); // prettier-ignore
  if (listings.length === 0) return null;
  const chosen = Object.fromEntries(
    offers.flatMap((o) => {
      const value = o.field in picked ? picked[o.field] : usual(o, target);
      return value == null ? [] : [[o.field, value]];
    }),
  );
  const title = chosen.title ?? target?.title ?? listings[0]!.title;
  const most = [...listings].sort((a, b) => b.pictures.length - a.pictures.length)[0]!;
  const picturesOf = (target?.pictureIds.length ?? 0) === 0 && most.pictures.length > 0 ? most : null;
  const bring = () =>
    run(async () => {
      const id = await takeIn({ listings, thing: target?.id ?? null, kind, chosen, picturesOf });
      onBrought(id, title);
    });
  return (
    <Card label={title}>
      {listings.map((l) => (
        <Listed
          key={`${l.market} ${l.ref}`}
          listing={l}
          cover={covers[`${l.market} ${l.ref}`]?.address}
          price={formatMoney(l.price, currency)}
          alone={listings.length === 1}
        />
      ))}
      {listings.length > 1 ? (
        <Words kind="small" tone="soft">
          {`Thought to be one thing${group.why.length > 0 ? `: ${group.why.join(', ')}` : ''}.`}
        </Words>
      ) : null}
      {suggested ? (
        <ChipRow label="Which thing it is">
          <Chip on={isThat} onPress={() => setIsThat(true)}>
            {`It is ${suggested.code}, ${nameOf(suggested)}`}
          </Chip>
          <Chip on={!isThat} onPress={() => setIsThat(false)}>
            A thing of its own
          </Chip>
        </ChipRow>
      ) : null}
      <Words kind="small" tone="soft">
        {[
          kind === ''
            ? 'Its kind has to be said later'
            : `A ${kinds.get(kind)?.name.toLocaleLowerCase('en')}`,
          `${Object.keys(chosen).length} of ${offers.length} fields copied`,
          picturesOf ? `${picturesOf.pictures.length} pictures` : 'no pictures copied',
        ].join(' · ')}
      </Words>
      <Press kind="quiet" label={`What is copied of ${title}`} onPress={() => setOpen(!open)}>
        {open ? 'Less' : 'Choose what is copied'}
      </Press>
      {open && !target?.kind ? (
        <KindChooser
          thing={{ id: '', kind: '', title: listings.map((l) => l.title).join(' '), facts: {}, readings: [] }}
          onChoose={setOwnKind}
        />
      ) : null}
      {open
        ? offers.map((o) => (
            <Copied
              key={o.field}
              offer={o}
              chosen={chosen[o.field] ?? null}
              now={target ? nowSaid(o.field, target, currency) : null}
              onChoose={(value) => setPicked({ ...picked, [o.field]: value })}
            />
          ))
        : null}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <Press kind="main" disabled={busy} label={`Bring in ${title}`} onPress={bring}>
        {busy ? 'Bringing it in…' : target ? `Link to ${target.code}` : 'Bring it in'}
      </Press>
    </Card>
  );
}

/** Copied unless the thing says it already: first what most listings say. */
function usual(offer: FieldOffer, target: Thing | undefined): string | null {
  if (target && nowSaid(offer.field, target, 'EUR') !== null) return null;
  return offer.values[0]?.value ?? null;
}

/** What the thing says itself, in words; null where it says nothing. */
function nowSaid(field: string, thing: Thing, currency: string): string | null {
  if (field === 'title' || field === 'description') return thing[field] || null;
  if (field === 'price') return thing.price === null ? null : formatMoney(thing.price, currency);
  if (field === 'use') return thing.use && wordsForUse(thing.use);
  return thing.facts[field.slice(5)] ?? null;
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
        <Words numberOfLines={2}>{listing.title}</Words>
        <Words kind="small" tone="soft" figures>
          {`${market} · ${price}${listing.state === 'inReview' ? ' · in review' : ''}`}
        </Words>
      </View>
      {alone ? null : (
        <Press
          kind="quiet"
          label={`${listing.title} on ${market} is another thing`}
          onPress={() => takeApart(`${listing.market} ${listing.ref}`)}
        >
          Another
        </Press>
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
      <Words kind="strong">{offer.label}</Words>
      {now === null ? null : <Words kind="small" tone="soft" numberOfLines={2}>{`Now: ${now}`}</Words>}
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
} // prettier-ignore
