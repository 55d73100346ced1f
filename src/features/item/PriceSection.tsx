import { memo } from 'react';
import { useRouter } from 'expo-router';
import { View } from 'react-native';

import type { Thing } from '@/contract/records';
import { ratesOf } from '@/core/listing/setup';
import { formatMoney } from '@/core/money/money';
import { formatWeight, GRAMS_PER_OUNCE, parseWeight } from '@/core/measure/units';
import { floorHere, inlandPostage, weightOf } from '@/core/listing/effective';
import { Field } from '@/parts/Field';
import { MoneyField } from '@/parts/MoneyField';
import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { useCourier } from '@/store/courierLink';
import { useKinds } from '@/store/kinds';
import type { Examined } from '@/core/listing/examine';
import { editThing, removeThing } from '@/store/things';

import { AskingPrices } from '../price/AskingPrices';
import { Competing } from '../price/Competing';
import { Comps } from '../price/Comps';
import { Floor } from '../price/Floor';
import { MorePrice } from '../price/MorePrice';
import { ParcelSize } from '../price/ParcelSize';
import { rankWords } from '../sales/rankWords';
import { FieldFindings, Section } from './Section';

/** What was paid and what is asked. */
export const PriceSection = memo(function PriceSection({
  thing,
  findings,
}: {
  thing: Thing;
  findings: readonly Examined[];
}) {
  const settings = useAttic((s) => s.settings);
  const kinds = useKinds();
  const { currency } = settings;
  return (
    <Section
      name="price"
      title="Price"
      summary={thing.price === null ? undefined : formatMoney(thing.price, currency)}
    >
      <View style={{ flexDirection: 'row', gap: 10 }}>
        <View style={{ flex: 1 }}>
          <MoneyField
            label="Cost"
            value={thing.cost}
            currency={currency}
            onChange={(cost) => editThing(thing.id, 'cost', { cost })}
          />
        </View>
        <View style={{ flex: 1 }}>
          <MoneyField
            label="Price"
            value={thing.price}
            currency={currency}
            onChange={(price) => editThing(thing.id, 'price', { price })}
          />
        </View>
      </View>
      <Floor thing={thing} />
      <DeskFigures thing={thing} />
      <FieldFindings examined={findings.filter((e) => e.plan?.price == null)} field="price" />
      <AskingPrices thing={thing} examined={findings} />
      <Comps thing={thing} />
      {findings.map((e) => (
        <Competing
          key={e.sheet.marketplace}
          thing={thing}
          examined={e}
          floor={floorHere(thing, kinds, settings)}
        />
      ))}
      <MorePrice thing={thing} />
    </Section>
  );
});

/** What the look-up desk knows that bears on the price: what it cost new, and how well its like sells. */
function DeskFigures({ thing }: { thing: Thing }) {
  const { priceNew, ranks } = thing;
  const lines = [
    ...(priceNew ? [`Cost ${formatMoney(priceNew.amount, priceNew.currency)} when new.`] : []),
    ...(ranks.length > 0 ? [rankWords(ranks)] : []),
  ];
  if (lines.length === 0) return null;
  return (
    <Words tone="soft" figures>
      {lines.join(' ')}
    </Words>
  );
}

/** Packed weight and where it is stored. The spot is private and never sent. */
export const StoreSection = memo(function StoreSection({
  thing,
  findings,
}: {
  thing: Thing;
  findings: readonly Examined[];
}) {
  const units = useAttic((s) => s.settings.units);
  const currency = useAttic((s) => s.settings.currency);
  const listed = useCourier(
    (s) => s.things[thing.id]?.listings.some((l) => l.want === 'live' || l.doing !== null) ?? false,
  );
  const router = useRouter();
  const kinds = useKinds();
  const grams = weightOf(thing, kinds);
  const rates = ratesOf(useAttic((s) => s.settings));
  const postage = inlandPostage(thing, kinds, rates);
  return (
    <Section name="parcel" title="Parcel and spot" summary={thing.spot || undefined}>
      <View style={{ flexDirection: 'row', gap: 10 }}>
        <View style={{ flex: 1 }}>
          <Field
            key={units}
            label="Weight packed"
            figures
            keyboard="decimal-pad"
            unit={units === 'metric' ? 'g' : 'oz'}
            value={
              thing.weightG === null
                ? ''
                : units === 'metric'
                  ? String(thing.weightG)
                  : (thing.weightG / GRAMS_PER_OUNCE).toFixed(1)
            }
            refuse={(text) => {
              const parsed = text.trim() === '' ? null : parseWeight(text, units);
              return parsed && !parsed.ok ? parsed.why : null;
            }}
            onChange={(text) => {
              const parsed = text.trim() === '' ? null : parseWeight(text, units);
              if (!parsed || parsed.ok) editThing(thing.id, 'weight', { weightG: parsed?.value ?? null });
            }}
          />
        </View>
        <View style={{ flex: 1 }}>
          <Field
            label="Spot"
            value={thing.spot}
            maxLength={60}
            onChange={(spot) => editThing(thing.id, 'spot', { spot })}
          />
        </View>
      </View>
      <Words tone="soft" figures>
        {`${thing.weightG === null ? 'Guessed' : 'Weighed'} ${formatWeight(grams, units)}; ${postage.ok ? `inland postage ${formatMoney(postage.price, currency)}${postage.chargedG > grams ? ` for the room it takes (${formatWeight(postage.chargedG, units)})` : ''}` : postage.why.toLocaleLowerCase('en').replace(/\.$/u, '')}. The spot stays private.`}
      </Words>
      <ParcelSize thing={thing} />
      <FieldFindings examined={findings} field="parcel" />
      <Press
        kind="quiet"
        icon="remove"
        disabled={listed}
        onPress={() => {
          removeThing(thing.id);
          router.navigate('/stock');
        }}
      >
        {listed ? 'Listed: withdraw it before removing it' : 'Remove it from the attic'}
      </Press>
    </Section>
  );
});
