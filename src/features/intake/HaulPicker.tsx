import { useState } from 'react';
import { View } from 'react-native';

import { Field } from '@/parts/Field';
import { Card } from '@/parts/Page';
import { Chip, ChipRow, Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { setSettings, useAttic } from '@/store/attic';
import { startHaul } from '@/store/hauls';

/** Which haul new things belong to. */
export function HaulPicker() {
  const hauls = useAttic((s) => s.hauls);
  const current = useAttic((s) => s.settings.haulId);
  const [open, setOpen] = useState(false);
  const [name, setName] = useState('');
  const list = Object.values(hauls).sort((a, b) => b.createdAt - a.createdAt);
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
      {open ? (
        <>
          <ChipRow label="Haul to work in">
            {list.map((haul) => (
              <Chip key={haul.id} on={haul.id === current} onPress={() => setSettings({ haulId: haul.id })}>
                {haul.name}
              </Chip>
            ))}
            <Chip on={current === null} onPress={() => setSettings({ haulId: null })}>
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
              startHaul(name.trim(), new Date().toISOString().slice(0, 10));
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
