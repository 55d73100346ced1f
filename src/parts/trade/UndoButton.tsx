import { SignButton } from '@/parts/ui/Button';
import { useAttic } from '@/store/attic/attic';
import { takeBack, useIsTakeable } from '@/store/derived/takeBack';

/** Takes the last change back; says which. */
export function UndoButton() {
  const last = useAttic((s) => s.journal.at(-1));
  const takeable = useIsTakeable(last);
  return (
    <SignButton
      icon="undo"
      label={
        !last
          ? 'Nothing to undo'
          : takeable
            ? `Undo: ${last.label}`
            : 'Listed: withdraw it before undoing that'
      }
      disabled={!takeable}
      onPress={() => last && takeBack(last)}
    />
  );
}
