import { useRouter } from 'expo-router';

import { CopyFolderTrouble } from '@/parts/trade/CopyFolderTrouble';
import { SaveCopyButton } from '@/parts/trade/SaveCopyButton';
import { Button } from '@/parts/ui/Button';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { sinceWhen } from '@/parts/ui/time';
import { MINUTE, useTime } from '@/store/base/useTime';
import { canKeepFolder } from '@/store/copies/handles';
import type { CopyNeed } from '@/store/copies/useSinceCopy';
import { sinceWords } from '@/wording/copies';

/** What would be lost with this browser, and the one tap against it. */
export function CopyLine({ need }: { need: CopyNeed }) {
  const router = useRouter();
  const now = useTime(MINUTE);
  const { first } = need.since;
  const lost = `${sinceWords(need.since)}${first === null ? '' : `, since ${sinceWhen(first, now)}`}`;
  return (
    <Card label="Not in a copy yet">
      <Text variant="strong" tone={need.sort === 'folder' ? 'trouble' : 'ink'}>
        {need.sort === 'folder' ? `No copies go to “${need.folder.name}” any more` : 'Only in this browser'}
      </Text>
      <Text figures>{`${lost}: lost if this browser is cleared or the device breaks.`}</Text>
      {need.sort === 'folder' ? (
        <CopyFolderTrouble folder={need.folder} />
      ) : (
        <>
          <SaveCopyButton />
          {canKeepFolder() ? (
            <Button variant="quiet" onPress={() => router.navigate('/copies')}>
              Let copies be made by themselves
            </Button>
          ) : null}
        </>
      )}
    </Card>
  );
}
