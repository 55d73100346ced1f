import { format } from 'date-fns';
import { useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { openHold } from '@/core/holds/holds';
import { MoneyField } from '@/parts/trade/MoneyField';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { setSettings, useAttic } from '@/store/attic/attic';
import { useTextDraft } from '@/store/attic/drafts';
import { useCourier } from '@/store/courier/courierLink';
import { arrangeMeeting, holdFor, type Meeting } from '@/store/fulfilment/holds';

/** Place, time, money: what the two agree on before an item is handed over in person. */
export function Arrange(props: { item: Item; who: string; market: string; amount: number | null }) {
  const { item, who, market } = props;
  const settings = useAttic((s) => s.settings);
  const listed = useCourier((s) => s.items[item.id]?.listings.find((l) => l.market === market)?.price);
  const [open, setOpen] = useState(false);
  const [place, setPlace, clearPlace] = useTextDraft(
    `meet:${item.id}:${who}`,
    settings.meetingPlaces[0] ?? '',
  );
  const [when, setWhen] = useState(() => format(Date.now() + 3_600_000, "yyyy-MM-dd'T'HH:mm"));
  const [pay, setPay] = useState<Meeting['pay']>('cash');
  const [amount, setAmount] = useState<number | null>(props.amount ?? listed ?? item.price);
  const { run, busy, trouble } = useAsyncAction();
  if (!open)
    return (
      <Button icon="sales" label={`Arrange a meeting with ${who}`} onPress={() => setOpen(true)}>
        Arrange a meeting
      </Button>
    );
  const at = Date.parse(when);
  const meet: Meeting | null =
    place.trim() !== '' && Number.isFinite(at) && amount !== null
      ? { place: place.trim(), at, pay, amount, receivedAt: null, handedAt: null, missedAt: null }
      : null;
  const keep = (meeting: Meeting) =>
    run(async () => {
      rememberPlace(meeting.place);
      if (openHold(item)) arrangeMeeting(item, meeting, market);
      else await holdFor(item, who, meeting, market);
      clearPlace();
      setOpen(false);
    });
  return (
    <View role="group" aria-label={`Meeting with ${who}`} style={{ gap: 8 }}>
      {settings.meetingPlaces.length > 0 ? (
        <ChipRow label="Where">
          {settings.meetingPlaces.map((p) => (
            <Chip key={p} on={p === place} onPress={() => setPlace(p)}>
              {p}
            </Chip>
          ))}
        </ChipRow>
      ) : null}
      <Field label="Public place" value={place} pause={0} maxLength={120} onChange={setPlace} />
      <Field
        label="When"
        value={when}
        pause={0}
        maxLength={16}
        hint="Day and time, 2026-11-08 15:30"
        refuse={(text) =>
          Number.isFinite(Date.parse(text.trim().replace(' ', 'T'))) ? null : 'A day and a time.'
        }
        onChange={(text) => setWhen(text.trim().replace(' ', 'T'))}
      />
      <MoneyField label="For" value={amount} currency={settings.currency} onChange={setAmount} />
      <ChipRow label="Paid">
        <Chip on={pay === 'cash'} onPress={() => setPay('cash')}>
          In cash
        </Chip>
        <Chip on={pay === 'transfer'} onPress={() => setPay('transfer')}>
          By transfer
        </Chip>
      </ChipRow>
      <Meanwhile />
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <Button variant="main" disabled={busy || !meet} onPress={() => meet && keep(meet)}>
        {`Promise it to ${who}`}
      </Button>
      <Text variant="small" tone="soft">
        It is sold only once it is handed over.
      </Text>
    </View>
  );
}

/** A place that was met at once is offered the next time. */
function rememberPlace(place: string): void {
  const { meetingPlaces } = useAttic.getState().settings;
  if (!meetingPlaces.includes(place)) setSettings({ meetingPlaces: [...meetingPlaces, place] });
}

/** What becomes of its listings elsewhere while it is promised. */
function Meanwhile() {
  const settings = useAttic((s) => s.settings);
  return (
    <ChipRow label="Elsewhere meanwhile">
      <Chip
        on={settings.whenPromised === 'withdraw'}
        onPress={() => setSettings({ whenPromised: 'withdraw' })}
      >
        Taken down
      </Chip>
      <Chip on={settings.whenPromised === 'leave'} onPress={() => setSettings({ whenPromised: 'leave' })}>
        Left up
      </Chip>
    </ChipRow>
  );
}
