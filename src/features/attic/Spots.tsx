import { useState } from 'react';
import { Pressable, View } from 'react-native';

import type { Thing } from '@/contract/records';
import { canonicalBarcode } from '@/core/identity/gtin';
import { labelCode } from '@/core/identity/code';
import { Field } from '@/parts/Field';
import { Notice } from '@/parts/Notice';
import { Card, Page } from '@/parts/Page';
import { Press, SignPress } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { keepSpot, moveTo, removeSpot } from '@/store/hauls';
import { nameOf } from '@/store/names';

import { BackTo } from '../shell/BackTo';
import { LabelPress } from './LabelPress';
import { ScanField } from './ScanField';
import { ThingLine } from './ThingLine';

interface Place {
  name: string;
  id: string | null;
  capacity: number | null;
  things: Thing[];
}

/** Every place where things are: those kept here, and those that only stand on things' records. */
function usePlaces(): Place[] {
  const spots = useAttic((s) => s.spots);
  const things = useAttic((s) => s.things);
  const places = new Map<string, Place>();
  for (const { id, name, capacity } of Object.values(spots))
    places.set(name, { name, id, capacity, things: [] });
  for (const thing of Object.values(things)) {
    if (thing.spot === '') continue;
    const place = places.get(thing.spot) ?? { name: thing.spot, id: null, capacity: null, things: [] };
    place.things.push(thing);
    places.set(thing.spot, place);
  }
  return [...places.values()].sort((a, b) => a.name.localeCompare(b.name, 'en', { numeric: true }));
}

/** Spots: what is in which, how full they are, moving things by scanning, labels. */
export function Spots() {
  const places = usePlaces();
  const [name, setName] = useState('');
  const [open, setOpen] = useState<string | null>(null);
  const known = places.some((p) => p.name === name.trim());
  return (
    <Page title="Spots" aside={<BackTo path="/attic" />}>
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
            <Words kind="strong" figures style={{ flex: 1 }}>
              {place.name}
            </Words>
            <Words kind="small" tone={tooFull(place) ? 'trouble' : 'soft'} figures>
              {place.capacity === null
                ? count(place.things.length)
                : `${place.things.length} of ${place.capacity}${tooFull(place) ? ', too full' : ''}`}
            </Words>
          </Pressable>
          {open === place.name ? <Inside place={place} /> : null}
        </Card>
      ))}
      <Card label="A new spot">
        <Field label="Name of a new spot" value={name} maxLength={60} pause={0} onChange={setName} />
        <Press
          icon="add"
          disabled={name.trim() === '' || known}
          onPress={() => {
            keepSpot({ name: name.trim(), capacity: null, note: '' });
            setName('');
          }}
        >
          {known ? 'It is there already' : 'Add this spot'}
        </Press>
      </Card>
    </Page>
  );
}

function tooFull({ capacity, things }: Place): boolean {
  return capacity !== null && things.length > capacity;
}

function count(n: number): string {
  return n === 1 ? '1 thing' : `${n} things`;
}

function Inside({ place }: { place: Place }) {
  const spots = useAttic((s) => s.spots);
  const spot = place.id ? spots[place.id] : undefined;
  const keep = (capacity: number | null) =>
    keepSpot(spot ? { ...spot, capacity } : { name: place.name, capacity, note: '' });
  return (
    <>
      {place.things.map((t) => (
        <ThingLine key={t.id} thing={t} />
      ))}
      {place.things.length === 0 ? <Words tone="soft">Nothing is in it.</Words> : null}
      <Field
        label={`How many fit in ${place.name}`}
        value={place.capacity === null ? '' : String(place.capacity)}
        figures
        keyboard="number-pad"
        maxLength={6}
        refuse={(text) => (/^(?:[1-9]\d{0,4})?$/u.test(text.trim()) ? null : 'A number, or nothing.')}
        onChange={(text) => keep(text.trim() === '' ? null : Number(text))}
      />
      <LabelPress
        name={`spot-${place.name}`}
        words={`Labels for ${count(place.things.length)} and the spot`}
        labels={[
          { code: place.name, name: 'Spot', spot: place.name },
          ...place.things.map((t) => ({ code: t.code, name: nameOf(t), spot: t.spot })),
        ]}
      />
      {spot && place.things.length === 0 ? (
        <Press kind="quiet" icon="remove" onPress={() => removeSpot(spot.id)}>
          {`Remove the spot ${spot.name}`}
        </Press>
      ) : null}
    </>
  );
}

/** A spot first, then things: each goes where it was put, with one undo for all. */
function Mover({ places }: { places: readonly Place[] }) {
  const things = useAttic((s) => s.things);
  const [target, setTarget] = useState<string | null>(null);
  const [moving, setMoving] = useState<string[]>([]);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [done, setDone] = useState<string | null>(null);
  const scanned = (text: string) => {
    setTrouble(null);
    setDone(null);
    const place = places.find((p) => p.name.toLocaleLowerCase('en') === text.toLocaleLowerCase('en'));
    if (place) return setTarget(place.name);
    const thing = thingBy(Object.values(things), text);
    if (thing.length > 1)
      return setTrouble(`${thing.length} things have “${text}”: scan the code on the thing itself.`);
    const one = thing[0];
    if (!one) return setTrouble(`“${text}” is neither a spot nor a thing of this attic. Nothing was moved.`);
    setMoving((ids) => (ids.includes(one.id) ? ids : [...ids, one.id]));
  };
  const move = () => {
    if (target === null) return;
    moveTo(target, moving);
    setDone(`${count(moving.length)} now in ${target}.`);
    setMoving([]);
  };
  return (
    <Card label="Move things">
      <Words kind="heading">Move things</Words>
      <ScanField label="Scan a spot, then things" onText={scanned} />
      {trouble ? <Notice tone="caution">{trouble}</Notice> : null}
      {done ? (
        <Words tone="good" role="status">
          {done}
        </Words>
      ) : null}
      {target !== null ? <Words kind="strong" figures>{`To ${target}`}</Words> : null}
      {moving.map((id) => {
        const thing = things[id];
        return thing ? (
          <View key={id} style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
            <Words style={{ flex: 1 }} numberOfLines={1}>
              {`${labelCode(thing.code, thing.spot)} ${nameOf(thing)}`}
            </Words>
            <SignPress
              icon="remove"
              label={`Not ${thing.code}`}
              onPress={() => setMoving((ids) => ids.filter((other) => other !== id))}
            />
          </View>
        ) : null;
      })}
      {moving.length > 0 ? (
        <Press kind="main" disabled={target === null} onPress={move}>
          {target === null ? 'Scan the spot they go to' : `Move ${count(moving.length)} to ${target}`}
        </Press>
      ) : null}
    </Card>
  );
}

/** By its code, alone or with its spot as on the label; by its barcode otherwise. */
function thingBy(things: readonly Thing[], text: string): Thing[] {
  const wanted = text.toLocaleLowerCase('en');
  const byCode = things.filter((t) =>
    [t.code, labelCode(t.code, t.spot)].some((code) => code.toLocaleLowerCase('en') === wanted),
  );
  const barcode = canonicalBarcode(text);
  return byCode.length > 0
    ? byCode
    : things.filter((t) => t.facts.barcode && canonicalBarcode(t.facts.barcode) === barcode);
}
