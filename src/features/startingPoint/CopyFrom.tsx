import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';

import type { PublicListing } from '@/contract/publicListing';
import type { Item } from '@/contract/records';
import { startOffers, usualStart } from '@/core/bringIn/startingPoint';
import { kindOfListings, nowSaid, offersOf, type FieldOffer } from '@/core/bringIn/takeOver';
import { counted, plural } from '@/core/language/plural';
import { KindChooser } from '@/parts/trade/KindPicker';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Button, Chip, ChipRow } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { useKinds } from '@/store/items/kinds';
import { keepTheirPictures, startFrom, theirPictures } from '@/store/research/publicListings';

import { OfferedLine } from './Offered';

/** What is copied of somebody else's listing: chosen, with a tap each. */
export function CopyFrom(props: { listing: PublicListing; item: Item | undefined; onBack: () => void }) {
  const { listing, item, onBack } = props;
  const router = useRouter();
  const kinds = useKinds();
  const sheets = useCourier((s) => s.sheets);
  const mappings = useAttic((s) => s.mappings);
  const units = useAttic((s) => s.settings.units);
  const { busy, trouble, run } = useAsyncAction();
  const [ownKind, setOwnKind] = useState<string | null>(null);
  const said = item?.kind ?? '';
  const kind = said || (ownKind ?? kindOfListings([listing], kinds, Object.values(mappings), sheets));
  const offers = useMemo(
    () => startOffers(offersOf([listing], sheets, kinds, kind, units), item),
    [listing, sheets, kinds, kind, units, item],
  );
  const [picked, setPicked] = useState<Readonly<Record<string, boolean>>>({});
  const chosen = chosenOf(offers, picked, item);
  const category = sheets
    .find((s) => s.marketplace === listing.market)
    ?.categories.find((c) => c.leaf && c.id === listing.category);
  const [withCategory, setWithCategory] = useState(false);
  const [withPictures, setWithPictures] = useState(false);
  const copies = Object.keys(chosen).length + (withCategory ? 1 : 0);
  const copy = () =>
    run(async () => {
      // First what may fail: pressed again after that, it would begin another item.
      const pictures = withPictures ? await theirPictures(listing) : [];
      const id = startFrom({ listing, itemId: item?.id ?? null, kind, chosen, category: withCategory });
      await keepTheirPictures(id, pictures);
      router.navigate(`/item/${id}`);
    });
  return (
    <Card label="What is copied">
      <OfferedLine listing={listing} />
      <Text variant="small" tone="soft">
        {kind === '' ? 'Its kind has to be said later.' : `Taken for: ${kinds.get(kind)?.name ?? kind}.`}
      </Text>
      {said === '' ? (
        <KindChooser
          item={{ id: '', kind, title: listing.title, facts: {}, readings: [] }}
          onChoose={setOwnKind}
        />
      ) : null}
      <ChipRow label="What is copied" radio={false}>
        {offers.map((offer) => (
          <Chip
            key={offer.field}
            role="checkbox"
            on={chosen[offer.field] !== undefined}
            onPress={() => setPicked({ ...picked, [offer.field]: chosen[offer.field] === undefined })}
          >
            {offerWords(offer, item)}
          </Chip>
        ))}
        {category ? (
          <Chip role="checkbox" on={withCategory} onPress={() => setWithCategory(!withCategory)}>
            {`Category there: ${category.name}`}
          </Chip>
        ) : null}
      </ChipRow>
      <TheirPictures listing={listing} on={withPictures} onChange={setWithPictures} />
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 10 }}>
        <Button
          variant="main"
          disabled={busy || (copies === 0 && !withPictures && item !== undefined)}
          onPress={copy}
          style={{ flexGrow: 1 }}
        >
          {busy ? 'Copying…' : copyWords(copies, item)}
        </Button>
        <Button variant="quiet" onPress={onBack}>
          Another listing
        </Button>
      </View>
    </Card>
  );
}

const copyWords = (copies: number, item: Item | undefined): string =>
  item
    ? `Copy ${counted(copies, 'value')} to ${item.code}`
    : `Begin an item with ${counted(copies, 'value')}`;

/** Their pictures: whose they are, and that they are not sent. */
function TheirPictures(props: { listing: PublicListing; on: boolean; onChange: (on: boolean) => void }) {
  const { listing, on, onChange } = props;
  const many = listing.pictures.length;
  if (many === 0) return null;
  return (
    <View style={{ gap: 5 }}>
      <Text variant="small" tone="soft">
        {`${plural(many, 'The picture is', 'The pictures are')} ${listing.seller}’s: to compare with, ` +
          'never sent without their leave.'}
      </Text>
      <ChipRow label="Their pictures" radio={false}>
        <Chip role="checkbox" on={on} onPress={() => onChange(!on)}>
          {`Keep ${counted(many, 'picture')} to compare`}
        </Chip>
      </ChipRow>
    </View>
  );
}

/** What is copied, by field: what was pressed, else the usual. */
function chosenOf(
  offers: readonly FieldOffer[],
  picked: Readonly<Record<string, boolean>>,
  item: Item | undefined,
): Record<string, string> {
  const usual = usualStart(offers, item);
  return Object.fromEntries(
    offers.flatMap(({ field, values }) => {
      const value = values[0]?.value;
      return value !== undefined && (picked[field] ?? field in usual) ? [[field, value]] : [];
    }),
  );
}

/** What would be copied, and what it stands for. */
function offerWords({ field, label, values }: FieldOffer, item: Item | undefined): string {
  const shown = values[0]?.shown ?? '';
  const words = `${label}: ${shown.length > 60 ? `${shown.slice(0, 60)}…` : shown}`;
  const now = item && field.startsWith('fact:') ? nowSaid(field, item) : null;
  return now === null ? words : `${words} (now ${now})`;
}
