import { useState } from 'react';

import { NEWEST_KEPT } from '@/core/copy/kept';
import { counted, plural } from '@/core/language/plural';
import { CopyFolderTrouble } from '@/parts/trade/CopyFolderTrouble';
import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { agoWords, sinceWhen } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { unlessExpected } from '@/store/base/faults';
import { MINUTE, useTime } from '@/store/base/useTime';
import {
  chooseFolder,
  copyFolderTrouble,
  copyToFolder,
  leaveFolder,
  useCopyFolder,
  type CopyFolder,
} from '@/store/copies/folder';
import { canKeepFolder } from '@/store/copies/handles';
import { useSinceCopy } from '@/store/copies/useSinceCopy';
import { sinceWords } from '@/wording/copies';

/** Copies by themselves: the folder they go to, how it stands, what is not in one yet. */
export function CopyFolderCard() {
  const { isKnown, folder, busy } = useCopyFolder();
  const { failed, ask } = useAsking();
  return (
    <Card label="Copies by themselves">
      <Text variant="heading">Copies by themselves</Text>
      {!canKeepFolder() ? (
        <>
          <Text tone="soft">
            This browser can’t keep a folder, so Today reminds you instead. On a computer, a browser that can
            makes a copy by itself after each day’s work.
          </Text>
          <Since />
        </>
      ) : folder ? (
        <Kept folder={folder} ask={ask} />
      ) : isKnown ? (
        <Choose ask={ask} />
      ) : null}
      {failed ? (
        <Notice tone="trouble">The browser did not let it be used. Choose another folder.</Notice>
      ) : null}
      {busy ? (
        <Text figures role="status">
          {busy.of === 0 ? 'Copying …' : `Copying ${busy.done} of ${counted(busy.of, 'file')} …`}
        </Text>
      ) : null}
    </Card>
  );
}

type Asked = (work: () => Promise<void>) => () => void;

/** What is done with a folder fails by what the browser says of it, if at all: that is told beside it. */
function useAsking() {
  const [failed, setFailed] = useState(false);
  const ask: Asked = (work) => () => {
    setFailed(false);
    work().catch((error: unknown) => {
      unlessExpected('choosing a folder for copies')(error);
      setFailed(true);
    });
  };
  return { failed, ask };
}

function Choose({ ask }: { ask: Asked }) {
  return (
    <>
      <Text tone="soft">
        {'Choose a folder once, best on another drive or one that is kept elsewhere, too. A copy goes ' +
          'there after each day’s work and whenever much was changed; each is read back to be sure. ' +
          `The newest ${NEWEST_KEPT} stay, and one of every month; pictures are stored once for all of them.`}
      </Text>
      <Button variant="main" icon="attic" onPress={ask(chooseFolder)}>
        Choose a folder
      </Button>
      <Since />
    </>
  );
}

function Kept({ folder, ask }: { folder: CopyFolder; ask: Asked }) {
  const busy = useCopyFolder((s) => s.busy !== null);
  const { copiedAt, copies, name } = folder;
  return (
    <>
      <Text figures>
        {`In the folder “${name}”: ` +
          (copiedAt === null
            ? 'no copy yet.'
            : `${plural(copies, 'one copy', `${copies} copies`)}, the last one ${agoWords(copiedAt)}, read ` +
              'back and whole.')}
      </Text>
      <Since />
      <CopyFolderTrouble folder={folder} />
      {copyFolderTrouble(folder) === null ? (
        <Button disabled={busy} onPress={ask(copyToFolder)}>
          Make a copy now
        </Button>
      ) : null}
      <Button variant="quiet" disabled={busy} onPress={ask(chooseFolder)}>
        Choose another folder
      </Button>
      <Button variant="quiet" disabled={busy} onPress={ask(leaveFolder)}>
        No more copies by themselves
      </Button>
    </>
  );
}

/** What would be lost with this browser. */
function Since() {
  const since = useSinceCopy();
  const copiedAt = useAttic((s) => s.settings.copiedAt);
  const now = useTime(MINUTE);
  return (
    <Text tone="soft" figures>
      {since.first === null
        ? copiedAt === null
          ? 'Nothing was made or changed here yet.'
          : 'Nothing was changed since the last copy.'
        : `Not in a copy yet: ${sinceWords(since)}, since ${sinceWhen(since.first, now)}.`}
    </Text>
  );
}
