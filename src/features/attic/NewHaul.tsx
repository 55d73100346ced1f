import { useRouter } from 'expo-router';
import { useState } from 'react';

import { Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Card } from '@/parts/ui/Page';
import { isoDay } from '@/store/base/isoDay';
import { startHaul } from '@/store/items/hauls';

/** A haul begins with what it is called. */
export function NewHaul() {
  const router = useRouter();
  const [name, setName] = useState('');
  return (
    <Card label="A new haul">
      <Field label="Name of a new haul" value={name} maxLength={200} pause={0} onChange={setName} />
      <Button
        icon="add"
        disabled={name.trim() === ''}
        onPress={() => {
          router.navigate(`/hauls/${startHaul(name.trim(), isoDay(Date.now()))}`);
          setName('');
        }}
      >
        Start this haul
      </Button>
    </Card>
  );
}
