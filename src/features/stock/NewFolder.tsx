import { useState } from 'react';
import { View } from 'react-native';

import { Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { addGroup } from '@/store/items/groups';

/** Makes a group where one stands. */
export function NewFolder({ within, onDone }: { within: string | null; onDone: (id: string) => void }) {
  const [name, setName] = useState('');
  const make = () => {
    if (name.trim() !== '') onDone(addGroup(name.trim(), within));
  };
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
      <View style={{ flex: 1 }}>
        <Field
          label="Name of the new group"
          value={name}
          maxLength={80}
          pause={0}
          autoFocus
          onChange={setName}
          onEnter={make}
        />
      </View>
      <Button icon="add" disabled={name.trim() === ''} label="Make this group here" onPress={make}>
        Make it
      </Button>
    </View>
  );
}
