import { SignButton } from '@/parts/ui/Button';
import { undo, useAttic } from '@/store/attic/attic';

/** Takes the last change back; says which. */
export function UndoButton() {
  const last = useAttic((s) => s.journal.at(-1));
  return (
    <SignButton
      icon="undo"
      label={last ? `Undo: ${last.label}` : 'Nothing to undo'}
      disabled={!last}
      onPress={() => undo()}
    />
  );
}
