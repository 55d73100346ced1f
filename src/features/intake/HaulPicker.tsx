import { useState } from 'react';
import { View } from 'react-native';

import { haulCount, lineFor } from '@/core/hauls/haul';
import { Field } from '@/parts/Field';
import { Card } from '@/parts/Page';
import { Chip, ChipRow, Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { startHaul, workIn } from '@/store/hauls';
import { isoDay } from '@/store/isoDay';

/** Which haul new things belong to. */
export function HaulPicker() {
  const hauls = useAttic((s) => s.hauls);
  const current = useAttic((s) => s.settings.haulId);
  const [open, setOpen] = useState(false);
  const [name, setName] = useState('');
  const lineId = useAttic((s) => s.settings.lineId);
  const things = useAttic((s) => s.things);
  const list = Object.values(hauls)
    .filter((haul) => haul.putAwayAt === null || haul.id === current)
    .sort((a, b) => b.createdAt - a.createdAt);
  const haul = current ? hauls[current] : undefined;
  const lines = haul && haul.lines.length > 1 ? haulCount(haul, Object.values(things)).lines : [];
  const line = haul ? lineFor(haul, lineId) : null;
  return (
    <Card label="Haul">
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <View style={{ flex: 1 }}>
          <Words kind="small" tone="soft">
            Haul
          </Words>
          <Words kind="strong">{current ? (hauls[current]?.name ?? 'No haul') : 'No haul'}</Words>
        </View>
        <Press kind="quiet" onPress={() => setOpen(!open)}>
          {open ? 'Done' : 'Change'}
        </Press>
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
          <Press
            disabled={name.trim() === ''}
            onPress={() => {
              startHaul(name.trim(), isoDay(Date.now()));
              setName('');
              setOpen(false);
            }}
          >
            Start this haul
          </Press>
        </>
      ) : null}
    </Card>
  );
}
