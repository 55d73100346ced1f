import { SignPress } from '@/parts/Press';
import { undo, useAttic } from '@/store/attic';

/** Takes the last change back; says which. */
export function UndoPress() {
  const last = useAttic((s) => s.journal.at(-1));
  return (
    <SignPress
      icon="undo"
      label={last ? `Undo: ${last.label}` : 'Nothing to undo'}
      disabled={!last}
      onPress={() => undo()}
    />
  );
}
