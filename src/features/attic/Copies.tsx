import { useState } from 'react';

import { SaveCopyButton } from '@/parts/trade/SaveCopyButton';
import { Button } from '@/parts/ui/Button';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { agoWords } from '@/parts/ui/time';
import { isEmptyAttic, useAttic } from '@/store/attic/attic';
import { canKeepFolder } from '@/store/copies/handles';
import { askToLast, useLasting } from '@/store/copies/lasting';

import { amounts } from './copyAmounts';
import { CopyFolderCard } from './CopyFolderCard';
import { ReadCopy } from './ReadCopy';

/** Everything in the attic as a file to keep elsewhere, by itself or by hand, and the way back from one. */
export function Copies() {
  // An empty attic is where a copy is read; elsewhere one is made.
  // What is told of reading it stays where it is while the attic fills.
  const [empty] = useState(() => isEmptyAttic());
  return (
    <Page title="Backup copy" back="/attic">
      {empty ? <ReadCopy /> : null}
      <CopyFolderCard />
      <SaveCopy />
      {empty ? null : <ReadCopy />}
      <Lasting />
    </Page>
  );
}

function SaveCopy() {
  const copiedAt = useAttic((s) => s.settings.copiedAt);
  const items = useAttic((s) => Object.keys(s.items).length);
  const pictures = useAttic((s) => Object.keys(s.pictures).length);
  return (
    <Card label="Save a copy">
      <Text variant="heading">Save one</Text>
      <Text tone="soft" figures>
        {`All of it in one file: ${amounts({ items, pictures, others: 0 }) || 'an empty attic'}, ` +
          'with everything you wrote, set and decided. It is only in this browser otherwise. Keep ' +
          'the file in another place; it holds what is private, too.'}
      </Text>
      <Text figures>
        {copiedAt === null ? 'None was saved yet.' : `The last one was saved ${agoWords(copiedAt)}.`}
      </Text>
      <SaveCopyButton variant={canKeepFolder() ? 'plain' : 'main'} />
    </Card>
  );
}

/** Whether the browser itself keeps what is here. */
function Lasting() {
  const lasting = useLasting((s) => s.lasting);
  return (
    <Card label="What this browser keeps">
      <Text variant="heading">What this browser keeps</Text>
      <Text>
        {lasting === true
          ? 'It has promised not to clear the attic by itself. A lost or broken device takes it along ' +
            'all the same.'
          : lasting === false
            ? 'It has not promised to keep the attic: where the device runs short of room, it may clear ' +
              'all of it. Copies elsewhere are what protects you.'
            : 'It was not asked yet to keep the attic even where the device runs short of room. That is ' +
              'done when you change something.'}
      </Text>
      {lasting === true ? null : <Button onPress={() => void askToLast()}>Ask it to keep everything</Button>}
    </Card>
  );
}
