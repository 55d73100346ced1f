import { View } from 'react-native';

import type { Thing } from '@/contract/records';
import { isbn10From13, readBarcode } from '@/core/identity/gtin';
import { Notice } from '@/parts/Notice';
import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { lookUpThing, useLookUps } from '@/store/lookUp';

/** How the look-up of a thing's barcode stands, and the way to ask again. Nothing where there is no barcode. */
export function LookUpLine({ thing }: { thing: Pick<Thing, 'id' | 'facts' | 'readings'> }) {
  const state = useLookUps((s) => s[thing.id]);
  const barcode = thing.facts.barcode ?? thing.readings.find((r) => r.field === 'fact:barcode')?.value;
  if (!barcode) return null;
  const read = readBarcode(barcode);
  if (!read.ok) return <Notice tone="caution">{`Barcode ${barcode}: ${read.why}`}</Notice>;
  if (state && 'asking' in state)
    return (
      <Words tone="soft" kind="small" role="status" figures>
        {`Looking up ${barcode}…`}
      </Words>
    );
  const ten = isbn10From13(read.gtin14.slice(1));
  const ask = (
    <View>
      <Words kind="small" tone="soft" figures>
        {ten === null ? read.kind : `${read.kind}, in ten figures ${ten}`}
      </Words>
      <Press kind="quiet" icon="search" onPress={() => void lookUpThing(thing.id, barcode)}>
        {state ? 'Look it up again' : 'Look the barcode up'}
      </Press>
    </View>
  );
  if (!state) return ask;
  return (
    <View style={{ gap: 4 }}>
      <Notice tone={'unknown' in state ? 'info' : 'caution'}>
        {'unknown' in state
          ? `The look-up desk has no card for ${state.unknown}. The barcode is kept: fill in the rest by hand.`
          : `${state.trouble} The barcode is kept; nothing else was changed.`}
      </Notice>
      {ask}
    </View>
  );
}
