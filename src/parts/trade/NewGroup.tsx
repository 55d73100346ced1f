import { useState } from 'react';
import { View } from 'react-native';

import { Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { addGroup } from '@/store/items/groups';

/** Makes a group of one's own where one stands. */
export function NewGroup(props: {
  /** The group it lies in; null: outermost. */
  parent: string | null;
  label: string;
  /** What the button says. */
  words: string;
  autoFocus?: boolean;
  onMade?: (id: string) => void;
}) {
  const { parent, label, words, autoFocus, onMade } = props;
  const [name, setName] = useState('');
  const isNamed = name.trim() !== '';
  const make = () => {
    if (!isNamed) return;
    const id = addGroup(name.trim(), parent);
    setName('');
    onMade?.(id);
  };
  return (
    <View style={{ gap: 8 }}>
      <Field
        label={label}
        value={name}
        maxLength={80}
        pause={0}
        autoFocus={autoFocus}
        onChange={setName}
        onEnter={make}
      />
      <Button icon="add" disabled={!isNamed} onPress={make}>
        {words}
      </Button>
    </View>
  );
}
