import type { Href } from 'expo-router';
import { View } from 'react-native';

import { BackTo } from '@/parts/ui/BackTo';

import { SavedWords } from './SavedWords';
import { UndoButton } from './UndoButton';

/** Beside the title of a page that changes items: whether all is saved, undo, and the way back. */
export function SavedAside({ back }: { back: Href }) {
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 4 }}>
      <SavedWords />
      <UndoButton />
      <BackTo path={back} />
    </View>
  );
}
