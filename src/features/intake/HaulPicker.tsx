import { useState } from 'react';
import { View } from 'react-native';

import { haulCount, lineFor } from '@/core/hauls/haul';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { isoDay } from '@/store/base/isoDay';
import { startHaul, workIn } from '@/store/items/hauls';

/** Which haul new items belong to. */
export function HaulPicker() {
  const hauls = useAttic((s) => s.hauls);
  const current = useAttic((s) => s.settings.haulId);
  const [open, setOpen] = useState(false);
  const [name, setName] = useState('');
  const lineId = useAttic((s) => s.settings.lineId);
  const items = useAttic((s) => s.items);
  const list = Object.values(hauls)
    .filter((haul) => haul.putAwayAt === null || haul.id === current)
    .sort((a, b) => b.createdAt - a.createdAt);
  const haul = current ? hauls[current] : undefined;
  const lines = haul && haul.lines.length > 1 ? haulCount(haul, Object.values(items)).lines : [];
  const line = haul ? lineFor(haul, lineId) : null;
  return (
    <Card label="Haul">
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <View style={{ flex: 1 }}>
          <Text variant="small" tone="soft">
            Haul
          </Text>
          <Text variant="strong">{current ? (hauls[current]?.name ?? 'No haul') : 'No haul'}</Text>
        </View>
        <Button variant="quiet" onPress={() => setOpen(!open)}>
          {open ? 'Done' : 'Change'}
        </Button>
      </View>
      {lines.length > 0 && current ? (
        <ChipRow label="Which of it">
          {lines.map((l) => (
            <Chip key={l.id} on={l.id === line} onPress={() => workIn(current, l.id === line ? null : l.id)}>
              {l.waiting > 0 ? `${l.what}, ${l.waiting} waiting` : `${l.what}, all taken in`}
            </Chip>
          ))}
        </ChipRow>
      ) : null}
      {open ? (
        <>
          <ChipRow label="Haul to work in">
            {list.map((one) => (
              <Chip key={one.id} on={one.id === current} onPress={() => workIn(one.id)}>
                {one.name}
              </Chip>
            ))}
            <Chip on={current === null} onPress={() => workIn(null)}>
              No haul
            </Chip>
          </ChipRow>
          <Field
            label="A new haul"
            value={name}
            maxLength={200}
            placeholder="Quayside car boot"
            onChange={setName}
          />
          <Button
            disabled={name.trim() === ''}
            onPress={() => {
              startHaul(name.trim(), isoDay(Date.now()));
              setName('');
              setOpen(false);
            }}
          >
            Start this haul
          </Button>
        </>
      ) : null}
    </Card>
  );
}
