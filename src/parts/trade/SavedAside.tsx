import { View } from 'react-native';

import { SavedWords } from './SavedWords';
import { UndoButton } from './UndoButton';

/** Beside the title of a page that changes items: whether all is saved, and undo. */
export function SavedAside() {
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 4 }}>
      <SavedWords />
      <UndoButton />
    </View>
  );
}
