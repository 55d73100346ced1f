import { useState } from 'react';
import { Pressable, View } from 'react-native';

import type { Item } from '@/contract/records';
import { labelCode } from '@/core/identity/code';
import { canonicalBarcode } from '@/core/identity/gtin';
import { counted } from '@/core/language/plural';
import { ItemLine } from '@/parts/trade/ItemLine';
import { ScanField } from '@/parts/trade/ScanField';
import { Button, SignButton } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Notice } from '@/parts/ui/Notice';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { keepSpot, moveTo, removeSpot } from '@/store/items/hauls';
import { nameOf } from '@/store/items/names';

import { LabelButton } from './LabelButton';

interface Place {
  name: string;
  id: string | null;
  capacity: number | null;
  items: Item[];
}

/** Every place where items are: those kept here, and those that only stand on items' records. */
function usePlaces(): Place[] {
  const spots = useAttic((s) => s.spots);
  const items = useAttic((s) => s.items);
  const places = new Map<string, Place>();
  for (const { id, name, capacity } of Object.values(spots))
    places.set(name, { name, id, capacity, items: [] });
  for (const item of Object.values(items)) {
    if (item.spot === '') continue;
    const place = places.get(item.spot) ?? { name: item.spot, id: null, capacity: null, items: [] };
    place.items.push(item);
    places.set(item.spot, place);
  }
  return [...places.values()].sort((a, b) => a.name.localeCompare(b.name, 'en', { numeric: true }));
}

/** Spots: what is in which, how full they are, moving items by scanning, labels. */
export function Spots() {
  const places = usePlaces();
  const [name, setName] = useState('');
  const [open, setOpen] = useState<string | null>(null);
  const known = places.some((p) => p.name === name.trim());
  return (
    <Page title="Spots" back="/attic">
      <Mover places={places} />
      {places.map((place) => (
        <Card key={place.name} label={place.name}>
          <Pressable
            role="button"
            aria-expanded={open === place.name}
            aria-label={`What is in ${place.name}`}
            onPress={() => setOpen(open === place.name ? null : place.name)}
            style={{ flexDirection: 'row', alignItems: 'center', minHeight: 44, gap: 8 }}
          >
            <Text variant="strong" figures style={{ flex: 1 }}>
              {place.name}
            </Text>
            <Text variant="small" tone={tooFull(place) ? 'trouble' : 'soft'} figures>
              {place.capacity === null
                ? count(place.items.length)
                : `${place.items.length} of ${place.capacity}${tooFull(place) ? ', too full' : ''}`}
            </Text>
          </Pressable>
          {open === place.name ? <Inside place={place} /> : null}
        </Card>
      ))}
      <Card label="A new spot">
        <Field label="Name of a new spot" value={name} maxLength={60} pause={0} onChange={setName} />
        <Button
          icon="add"
          disabled={name.trim() === '' || known}
          onPress={() => {
            keepSpot({ name: name.trim(), capacity: null, note: '' });
            setName('');
          }}
        >
          {known ? 'It is there already' : 'Add this spot'}
        </Button>
      </Card>
    </Page>
  );
}

function tooFull({ capacity, items }: Place): boolean {
  return capacity !== null && items.length > capacity;
}

function count(n: number): string {
  return counted(n, 'item');
}

function Inside({ place }: { place: Place }) {
  const spots = useAttic((s) => s.spots);
  const spot = place.id ? spots[place.id] : undefined;
  const keep = (capacity: number | null) =>
    keepSpot(spot ? { ...spot, capacity } : { name: place.name, capacity, note: '' });
  return (
    <>
      {place.items.map((t) => (
        <ItemLine key={t.id} item={t} />
      ))}
      {place.items.length === 0 ? <Text tone="soft">Nothing is in it.</Text> : null}
      <Field
        label={`How many fit in ${place.name}`}
        value={place.capacity === null ? '' : String(place.capacity)}
        figures
        keyboard="number-pad"
        maxLength={6}
        refuse={(text) => (/^(?:[1-9]\d{0,4})?$/u.test(text.trim()) ? null : 'A number, or nothing.')}
        onChange={(text) => keep(text.trim() === '' ? null : Number(text))}
      />
      <LabelButton
        name={`spot-${place.name}`}
        words={`Labels for ${count(place.items.length)} and the spot`}
        labels={[
          { code: place.name, name: 'Spot', spot: place.name },
          ...place.items.map((t) => ({ code: t.code, name: nameOf(t), spot: t.spot })),
        ]}
      />
      {spot && place.items.length === 0 ? (
        <Button variant="quiet" icon="remove" onPress={() => removeSpot(spot.id)}>
          {`Remove the spot ${spot.name}`}
        </Button>
      ) : null}
    </>
  );
}

/** A spot first, then items: each goes where it was put, with one undo for all. */
function Mover({ places }: { places: readonly Place[] }) {
  const items = useAttic((s) => s.items);
  const [target, setTarget] = useState<string | null>(null);
  const [moving, setMoving] = useState<string[]>([]);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [done, setDone] = useState<string | null>(null);
  const move = () => {
    if (target === null || moving.length === 0) return;
    moveTo(target, moving);
    setDone(`${count(moving.length)} now in ${target}.`);
    setMoving([]);
  };
  const scanned = (text: string) => {
    setTrouble(null);
    setDone(null);
    const place = places.find((p) => p.name.toLocaleLowerCase('en') === text.toLocaleLowerCase('en'));
    if (place) {
      // A spot after items closes what was scanned: no finger is needed between two shelves.
      move();
      return setTarget(place.name);
    }
    const item = itemBy(Object.values(items), text);
    if (item.length > 1)
      return setTrouble(`${item.length} items have “${text}”: scan the code on the item itself.`);
    const one = item[0];
    if (!one) return setTrouble(`“${text}” is neither a spot nor an item of this attic. Nothing was moved.`);
    setMoving((ids) => (ids.includes(one.id) ? ids : [...ids, one.id]));
  };
  return (
    <Card label="Move items">
      <Text variant="heading">Move items</Text>
      <ScanField label="Scan a spot, then items" onText={scanned} />
      {trouble ? <Notice tone="caution">{trouble}</Notice> : null}
      {done ? (
        <Text tone="good" role="status">
          {done}
        </Text>
      ) : null}
      <Text tone="soft">
        The spot again, or the next one, puts there what was scanned before it: no press is needed.
      </Text>
      {target !== null ? <Text variant="strong" figures>{`To ${target}`}</Text> : null}
      {moving.map((id) => {
        const item = items[id];
        return item ? (
          <View key={id} style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
            <Text style={{ flex: 1 }} numberOfLines={1}>
              {`${labelCode(item.code, item.spot)} ${nameOf(item)}`}
            </Text>
            <SignButton
              icon="remove"
              label={`Not ${item.code}`}
              onPress={() => setMoving((ids) => ids.filter((other) => other !== id))}
            />
          </View>
        ) : null;
      })}
      {moving.length > 0 ? (
        <Button variant="main" disabled={target === null} onPress={move}>
          {target === null ? 'Scan the spot they go to' : `Move ${count(moving.length)} to ${target}`}
        </Button>
      ) : null}
    </Card>
  );
}

/** By its code, alone or with its spot as on the label; by its barcode otherwise. */
function itemBy(items: readonly Item[], text: string): Item[] {
  const wanted = text.toLocaleLowerCase('en');
  const byCode = items.filter((t) =>
    [t.code, labelCode(t.code, t.spot)].some((code) => code.toLocaleLowerCase('en') === wanted),
  );
  const barcode = canonicalBarcode(text);
  return byCode.length > 0
    ? byCode
    : items.filter((t) => t.facts.barcode && canonicalBarcode(t.facts.barcode) === barcode);
}
