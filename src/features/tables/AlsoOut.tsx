import { useState } from 'react';

import { counted, plural } from '@/core/language/plural';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Card } from '@/parts/ui/Page';
import { Said } from '@/parts/ui/Said';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { saveCalendar } from '@/store/tables/calendar';
import { saveLiveStock } from '@/store/tables/liveStock';
import { savePictures } from '@/store/tables/tableOut';

/** What goes out in other forms than a table. */
export function AlsoOut() {
  const pictures = useAttic((s) => Object.keys(s.pictures).length);
  const { run, busy, trouble } = useAsyncAction();
  const [said, setSaid] = useState<string | null>(null);
  const doing = (work: () => Promise<string>) =>
    run(async () => {
      setSaid(null);
      setSaid(await work());
    });
  const all = () =>
    savePictures(Object.values(useAttic.getState().items), (n, of) => setSaid(`${n} of ${of} items …`));
  return (
    <Card label="In other forms">
      <Text variant="heading">In other forms</Text>
      <Button
        icon="down"
        disabled={busy || pictures === 0}
        onPress={() => doing(async () => `${counted(await all(), 'picture')} saved.`)}
      >
        {plural(pictures, 'The picture, named by its item’s code', `${pictures} pictures, named by code`)}
      </Button>
      <Button
        icon="down"
        disabled={busy}
        onPress={() =>
          doing(async () => `${counted(saveLiveStock(Date.now()), 'live item')} saved as schema.org data.`)
        }
      >
        What is live, for other programs
      </Button>
      <Button
        icon="down"
        disabled={busy}
        onPress={() => doing(async () => `${counted(await saveCalendar(Date.now()), 'event')} saved.`)}
      >
        What is planned, as a calendar
      </Button>
      <Said words={said} />
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <Text variant="small" tone="soft">
        A calendar holds listings that go up by themselves, meetings with buyers, and the ends of
        consignments. A backup copy of everything is on its own page.
      </Text>
    </Card>
  );
}
