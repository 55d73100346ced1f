import { nanoid } from 'nanoid';
import { useState } from 'react';
import { View } from 'react-native';

import { SEVERITIES, type Flaw, type Item } from '@/contract/records';
import { SEVERITY_NAMES } from '@/core/condition/grade';
import { LengthField } from '@/parts/trade/LengthField';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Stage, UNITS } from '@/parts/ui/Stage';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useKinds } from '@/store/items/kinds';
import { usePictureAddress } from '@/store/pictures/usePictureAddress';
import { usePicturesOf } from '@/store/pictures/usePicturesOf';
import { useColours } from '@/theme/theme';

/** One flaw: what, where, how bad, how large, and the place in a picture that shows it. */
export function FlawForm(props: { item: Item; before: Flaw | null; onDone: (flaw: Flaw | null) => void }) {
  const { item, before, onDone } = props;
  const units = useAttic((s) => s.settings.units);
  const kind = useKinds().get(item.kind);
  const [flaw, setFlaw] = useState<Flaw>(
    before ?? {
      id: nanoid(10),
      type: '',
      place: '',
      severity: 'slight',
      sizeMm: null,
      pictureId: null,
      pin: null,
    },
  );
  const put = (part: Partial<Flaw>) => setFlaw((f) => ({ ...f, ...part }));
  const chips = (label: string, list: readonly string[], value: string, set: (text: string) => void) =>
    list.length > 0 ? (
      <ChipRow label={label}>
        {list.map((text) => (
          <Chip key={text} on={value === text} onPress={() => set(text)}>
            {text}
          </Chip>
        ))}
      </ChipRow>
    ) : null;
  return (
    <View role="group" aria-label={before ? `Change the flaw ${before.type}` : 'New flaw'} style={{ gap: 9 }}>
      {chips('Flaws seen often', kind?.flaws ?? [], flaw.type, (text) => put({ type: text }))}
      <Field
        label="What is wrong"
        value={flaw.type}
        maxLength={400}
        pause={0}
        onChange={(text) => put({ type: text })}
      />
      {chips('Usual places', kind?.places ?? [], flaw.place, (place) => put({ place }))}
      <Field
        label="Where on the item"
        value={flaw.place}
        maxLength={400}
        onChange={(place) => put({ place })}
      />
      <ChipRow label="Severity">
        {SEVERITIES.map((s) => (
          <Chip key={s} on={flaw.severity === s} onPress={() => put({ severity: s })}>
            {SEVERITY_NAMES[s]}
          </Chip>
        ))}
      </ChipRow>
      <LengthField
        label="Size of the flaw"
        value={flaw.sizeMm}
        units={units}
        onChange={(sizeMm) => put({ sizeMm })}
      />
      <Pin item={item} flaw={flaw} onPut={put} />
      <View style={{ flexDirection: 'row', gap: 10 }}>
        <Button
          variant="main"
          disabled={flaw.type.trim() === ''}
          style={{ flex: 1 }}
          onPress={() => onDone({ ...flaw, type: flaw.type.trim(), place: flaw.place.trim() })}
        >
          Keep this flaw
        </Button>
        <Button onPress={() => onDone(null)}>Cancel</Button>
      </View>
    </View>
  );
}

/** The picture that shows it, with a pin where it is. */
function Pin(props: { item: Item; flaw: Flaw; onPut: (part: Partial<Flaw>) => void }) {
  const { item, flaw, onPut } = props;
  const c = useColours();
  const pictures = usePicturesOf(item);
  const address = usePictureAddress(flaw.pictureId ?? undefined, 'full');
  const shown = pictures.find(({ id }) => id === flaw.pictureId);
  const plain = pictures
    .filter((picture) => !picture.made && !picture.clip)
    .map(({ id }) => ({ id, n: item.pictureIds.indexOf(id) + 1 }));
  if (plain.length === 0) return null;
  const shape = shown ? shown.width / shown.height : 1;
  return (
    <View style={{ gap: 8 }}>
      <ChipRow label="Picture that shows it">
        {plain.map(({ id, n }) => (
          <Chip
            key={id}
            on={flaw.pictureId === id}
            label={`Flaw shown in picture ${n}`}
            onPress={() =>
              onPut(flaw.pictureId === id ? { pictureId: null, pin: null } : { pictureId: id, pin: null })
            }
          >
            {`Picture ${n}`}
          </Chip>
        ))}
      </ChipRow>
      {shown ? (
        <>
          <Text variant="small" tone="soft">
            {flaw.pin ? 'Tap again to move the pin.' : 'Tap where it is.'}
          </Text>
          <Stage
            address={address}
            alt="The picture with the flaw"
            shape={shape}
            maxHeight="40vh"
            onDown={(at) => onPut({ pin: { x: within(at.x), y: within(at.y) } })}
          >
            {flaw.pin ? (
              <g transform={`translate(${flaw.pin.x * UNITS} ${(flaw.pin.y * UNITS) / shape})`} data-pin>
                <circle r={46} fill="none" stroke="#fff" strokeWidth={16} />
                <circle r={46} fill="none" stroke={c.brick} strokeWidth={8} />
              </g>
            ) : null}
          </Stage>
        </>
      ) : null}
    </View>
  );
}

const within = (share: number) => Math.min(1, Math.max(0, share));
