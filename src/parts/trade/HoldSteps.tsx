import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { openHold, type Hold } from '@/core/holds/holds';
import { formatMoney } from '@/core/money/money';
import { useAttic } from '@/store/attic/attic';
import { MINUTE, useTime } from '@/store/base/useTime';
import { useCourier } from '@/store/courier/courierLink';
import { useMarketName } from '@/store/courier/useMarketName';
import { markHandedOver, releaseHold, markReceived } from '@/store/fulfilment/holds';
import { useHoldTalk, writeOfMeeting } from '@/store/fulfilment/meetings';
import { nameOf } from '@/store/items/names';

import { useAsyncAction } from './useAsyncAction';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import { Text } from '../ui/Text';
import { agoWords, dayWords, meetingTime } from '../ui/time';

/** Where a promise stands, and its next step: money before the item, or nobody came. */
export function HoldSteps({ item }: { item: Item }) {
  const currency = useAttic((s) => s.settings.currency);
  const down = useCourier((s) => s.items[item.id]?.hold?.down ?? NONE);
  const market = useMarketName();
  const { run, busy, trouble } = useAsyncAction();
  const hold = openHold(item);
  const talk = useHoldTalk(item);
  if (!hold) return null;
  const { meet } = hold;
  const name = nameOf(item);
  return (
    <View style={{ gap: 8 }}>
      <Text figures>
        {meet
          ? `${hold.who || 'Somebody'}, ${meetingTime(meet.at)}, ${meet.place}: ` +
            `${formatMoney(meet.amount, currency)} ` +
            `${meet.pay === 'cash' ? 'in cash' : 'by transfer'}.`
          : `Promised to ${hold.who || 'somebody'} since ${dayWords(hold.from)}.`}
      </Text>
      {down.length > 0 ? (
        <Text tone="soft">
          {`Taken down for it on ${down.map(market).join(', ')}; it goes up again there if nothing ` +
            'comes of it.'}
        </Text>
      ) : null}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      {meet && talk ? (
        <Told
          meet={meet}
          who={hold.who}
          busy={busy}
          onWrite={(what) => run(() => writeOfMeeting(item.id, talk, what))}
        />
      ) : null}
      {meet && meet.receivedAt === null ? (
        <Button variant="main" label={`Money received for ${name}`} onPress={() => markReceived(item)}>
          {`${formatMoney(meet.amount, currency)} received`}
        </Button>
      ) : null}
      {meet && meet.receivedAt !== null ? (
        <>
          <Text tone="good">{`The money is here. Now it may be handed over.`}</Text>
          <Button
            variant="main"
            disabled={busy}
            label={`Handed over: ${name}`}
            onPress={() => run(() => markHandedOver(item))}
          >
            Handed over
          </Button>
        </>
      ) : null}
      {meet && meet.receivedAt === null ? (
        <Button
          disabled={busy}
          label={`Nobody came for ${name}`}
          onPress={() => run(() => releaseHold(item, true))}
        >
          Nobody came
        </Button>
      ) : null}
      <Button
        variant="quiet"
        disabled={busy}
        label={`Release the hold: ${name}`}
        onPress={() => run(() => releaseHold(item))}
      >
        Release the hold
      </Button>
    </View>
  );
}

/** What the buyer was told of the meeting, and what they may be told now. */
function Told(props: {
  meet: NonNullable<Hold['meet']>;
  who: string;
  busy: boolean;
  onWrite: (what: 'tell' | 'remind') => void;
}) {
  const { meet, who, busy, onWrite } = props;
  const now = useTime(MINUTE);
  const { toldAt, remindedAt, receivedAt, at } = meet;
  if (receivedAt !== null || at < now) return null;
  const said = remindedAt ?? toldAt;
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 8 }}>
      {said === null ? (
        <Button disabled={busy} label={`Tell ${who} where and when`} onPress={() => onWrite('tell')}>
          {`Tell ${who} where and when`}
        </Button>
      ) : (
        <Text variant="small" tone="soft">{`${remindedAt ? 'Reminded' : 'Told'} ${agoWords(said)}.`}</Text>
      )}
      {said !== null && at - now < REMINDED ? (
        <Button
          variant="quiet"
          disabled={busy}
          label={`Remind ${who} of the meeting`}
          onPress={() => onWrite('remind')}
        >
          {remindedAt === null ? 'Remind them' : 'Remind them again'}
        </Button>
      ) : null}
    </View>
  );
}

/** So long before a meeting a reminder is of use, milliseconds. */
const REMINDED = 36 * 3_600_000;

const NONE: string[] = [];
