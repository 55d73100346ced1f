import { useRouter } from 'expo-router';
import { memo } from 'react';
import { View } from 'react-native';

import type { Item, Settings } from '@/contract/records';
import type { LetGo } from '@/core/courier/known';
import { inlandPostage, weightOf } from '@/core/listing/effective';
import type { Examined } from '@/core/listing/examine';
import { ratesOf } from '@/core/listing/setup';
import { formatWeight, GRAMS_PER_OUNCE, parseWeight } from '@/core/measure/units';
import { formatMoney } from '@/core/money/money';
import { MoneyField } from '@/parts/trade/MoneyField';
import { rankWords } from '@/parts/trade/rankWords';
import { FieldFindings, Section } from '@/parts/trade/Section';
import { Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useLetGo } from '@/store/derived/useLetGo';
import { editItem, removeItem } from '@/store/items/items';
import { useKinds } from '@/store/items/kinds';
import { unpostableWords } from '@/wording/check';
import { typedTrouble } from '@/wording/typed';

import { AskingPrices } from '../price/AskingPrices';
import { Competing } from '../price/Competing';
import { Comps } from '../price/Comps';
import { Floor } from '../price/Floor';
import { MorePrice } from '../price/MorePrice';
import { ParcelSize } from '../price/ParcelSize';

/** What was paid and what is asked. */
export const PriceSection = memo(function PriceSection({
  item,
  findings,
}: {
  item: Item;
  findings: readonly Examined[];
}) {
  const settings = useAttic((s) => s.settings);
  const { currency } = settings;
  return (
    <Section
      name="price"
      title="Price"
      blank={item.price === null}
      summary={item.price === null ? undefined : formatMoney(item.price, currency)}
    >
      <View style={{ flexDirection: 'row', gap: 10 }}>
        <View style={{ flex: 1 }}>
          <MoneyField
            label="Cost"
            value={item.cost}
            currency={currency}
            onChange={(cost) => editItem(item.id, 'cost', { cost })}
          />
        </View>
        <View style={{ flex: 1 }}>
          <MoneyField
            label="Price"
            value={item.price}
            currency={currency}
            onChange={(price) => editItem(item.id, 'price', { price })}
          />
        </View>
      </View>
      <Floor item={item} />
      <DeskFigures item={item} />
      <FieldFindings examined={findings.filter((e) => e.plan?.price == null)} field="price" />
      <AskingPrices item={item} examined={findings} />
      <Comps item={item} />
      {findings.map((e) => (
        <Competing key={e.sheet.marketplace} item={item} examined={e} />
      ))}
      <MorePrice item={item} />
    </Section>
  );
});

/** What the product look-up knows that bears on the price: what it cost new, and how well its like sells. */
function DeskFigures({ item }: { item: Item }) {
  const { priceNew, ranks } = item;
  const lines = [
    ...(priceNew ? [`Cost ${formatMoney(priceNew.amount, priceNew.currency)} when new.`] : []),
    ...(ranks.length > 0 ? [rankWords(ranks)] : []),
  ];
  if (lines.length === 0) return null;
  return (
    <Text tone="soft" figures>
      {lines.join(' ')}
    </Text>
  );
}

const REMOVING: Record<LetGo, string> = {
  free: 'Remove it from the attic',
  listed: 'Listed: withdraw it before removing it',
  notKnown: 'It may be listed: remove it when the courier can be asked',
};

/** Packed weight and where it is stored. The spot is private and never sent. */
export const StoreSection = memo(function StoreSection({
  item,
  findings,
}: {
  item: Item;
  findings: readonly Examined[];
}) {
  const units = useAttic((s) => s.settings.units);
  const currency = useAttic((s) => s.settings.currency);
  const letGo = useLetGo(item.id);
  const router = useRouter();
  const kinds = useKinds();
  const grams = weightOf(item, kinds);
  const rates = ratesOf(useAttic((s) => s.settings));
  const postageWords = wordsOfPostage(inlandPostage(item, kinds, rates), grams, { currency, units });
  return (
    <Section
      name="parcel"
      title="Parcel and spot"
      blank={item.spot === '' && item.weightG === null}
      summary={whereAndHeavy(item, units)}
    >
      <View style={{ flexDirection: 'row', gap: 10 }}>
        <View style={{ flex: 1 }}>
          <Field
            key={units}
            label="Weight packed"
            figures
            keyboard="decimal-pad"
            unit={units === 'metric' ? 'g' : 'oz'}
            value={
              item.weightG === null
                ? ''
                : units === 'metric'
                  ? String(item.weightG)
                  : (item.weightG / GRAMS_PER_OUNCE).toFixed(1)
            }
            refuse={(text) => {
              const parsed = text.trim() === '' ? null : parseWeight(text, units);
              return parsed && !parsed.ok ? typedTrouble(parsed.why) : null;
            }}
            onChange={(text) => {
              const parsed = text.trim() === '' ? null : parseWeight(text, units);
              if (!parsed || parsed.ok) editItem(item.id, 'weight', { weightG: parsed?.value ?? null });
            }}
          />
        </View>
        <View style={{ flex: 1 }}>
          <Field
            label="Spot"
            value={item.spot}
            maxLength={60}
            onChange={(spot) => editItem(item.id, 'spot', { spot })}
          />
        </View>
      </View>
      <Text tone="soft" figures>
        {`${item.weightG === null ? 'Guessed' : 'Weighed'} ${formatWeight(grams, units)}; ` +
          `${postageWords}. ` +
          'The spot stays private.'}
      </Text>
      <ParcelSize item={item} />
      <FieldFindings examined={findings} field="parcel" />
      <Button
        variant="quiet"
        icon="remove"
        disabled={letGo !== 'free'}
        onPress={() => {
          removeItem(item.id);
          router.navigate('/stock');
        }}
      >
        {REMOVING[letGo]}
      </Button>
    </Section>
  );
});

/** "820 g · A3-12", as far as it is known. */
function whereAndHeavy({ weightG, spot }: Item, units: Settings['units']): string | undefined {
  return (
    [weightG === null ? '' : formatWeight(weightG, units), spot].filter(Boolean).join(' · ') || undefined
  );
}

/** What sending it inland costs, counted by weight or by the room it takes; or why it can't go. */
function wordsOfPostage(
  postage: ReturnType<typeof inlandPostage>,
  grams: number,
  { currency, units }: Pick<Settings, 'currency' | 'units'>,
): string {
  if (!postage.ok) return unpostableWords(postage.why).toLocaleLowerCase('en').replace(/\.$/u, '');
  const room =
    postage.chargedG > grams ? ` for the room it takes (${formatWeight(postage.chargedG, units)})` : '';
  return `inland postage ${formatMoney(postage.price, currency)}${room}`;
}
