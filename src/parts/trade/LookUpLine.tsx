import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { isbn10From13, readBarcode } from '@/core/identity/gtin';
import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { lookUpItem, useLookUps } from '@/store/research/lookUp';
import { typedTrouble } from '@/wording/typed';

/**
 * How the look-up of an item's barcode stands, and the way to ask again. Nothing where there is no barcode.
 */
export function LookUpLine({ item }: { item: Pick<Item, 'id' | 'facts' | 'readings'> }) {
  const state = useLookUps((s) => s[item.id]);
  const barcode = item.facts.barcode ?? item.readings.find((r) => r.field === 'fact:barcode')?.value;
  if (!barcode) return null;
  const read = readBarcode(barcode);
  if (!read.ok) return <Notice tone="caution">{`Barcode ${barcode}: ${typedTrouble(read.why)}`}</Notice>;
  if (state && 'asking' in state)
    return (
      <Text tone="soft" variant="small" role="status" figures>
        {`Looking up ${barcode}…`}
      </Text>
    );
  const ten = isbn10From13(read.gtin14.slice(1));
  const ask = (
    <View>
      <Text variant="small" tone="soft" figures>
        {ten === null ? read.type : `${read.type}, in ten figures ${ten}`}
      </Text>
      <Button variant="quiet" icon="search" onPress={() => void lookUpItem(item.id, barcode)}>
        {state ? 'Look it up again' : 'Look the barcode up'}
      </Button>
    </View>
  );
  if (!state) return ask;
  return (
    <View style={{ gap: 4 }}>
      <Notice tone={'unknown' in state ? 'info' : 'caution'}>
        {'unknown' in state
          ? `The product look-up has no card for ${state.unknown}. The barcode is kept: fill in the ` +
            'rest by hand.'
          : `${state.trouble} The barcode is kept; nothing else was changed.`}
      </Notice>
      {ask}
    </View>
  );
}
