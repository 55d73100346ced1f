import { Button } from '@/parts/ui/Button';
import { Text } from '@/parts/ui/Text';
import { unlessExpected } from '@/store/base/faults';
import {
  allowFolder,
  copyFolderTrouble,
  copyToFolder,
  useCopyFolder,
  type CopyFolder,
} from '@/store/copies/folder';
import { FOLDER_TROUBLE } from '@/wording/copies';

/** Why no copies go to their folder, and the one tap that puts it right; nothing where they do. */
export function CopyFolderTrouble({ folder }: { folder: CopyFolder }) {
  const busy = useCopyFolder((s) => s.busy !== null);
  const why = copyFolderTrouble(folder);
  if (why === null) return null;
  const isAllowed = folder.permission === 'granted';
  const mend = isAllowed ? copyToFolder : allowFolder;
  return (
    <>
      <Text tone="trouble">{FOLDER_TROUBLE[why]}</Text>
      <Button
        variant="trouble"
        disabled={busy}
        onPress={() => void mend().catch(unlessExpected('making a copy'))}
      >
        {busy ? 'Copying …' : isAllowed ? 'Try again' : 'Allow it again'}
      </Button>
    </>
  );
}
