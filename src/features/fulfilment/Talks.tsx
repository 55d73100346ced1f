import { useLocalSearchParams, useRouter } from 'expo-router';
import { useEffect, useMemo, type ReactNode } from 'react';
import { z } from 'zod';

import { isTheirs, openHold } from '@/core/holds/holds';
import { plural } from '@/core/language/plural';
import {
  INBOX,
  inboxOf,
  talksByItem,
  waits,
  type Inbox,
  type TalkOf,
  type TalksOfItem,
} from '@/core/talks/talks';
import { Calm } from '@/parts/trade/Calm';
import { PictureView } from '@/parts/trade/PictureView';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Button, Chip, ChipRow } from '@/parts/ui/Button';
import { ListDetail } from '@/parts/ui/ListDetail';
import { Notice } from '@/parts/ui/Notice';
import { Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { agoWords } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { useDraft } from '@/store/attic/drafts';
import { useCourier } from '@/store/courier/courierLink';
import { useMarketName } from '@/store/courier/useMarketName';
import { readTalks, useTalks } from '@/store/fulfilment/talks';
import { nameOr } from '@/store/items/names';
import { useWide } from '@/theme/theme';
import { troubleWords } from '@/wording/courier';

import { OfItem } from './OfItem';

const TITLE = 'Messages and offers';

/** What buyers ask and offer, of all marketplaces, by item: several buyers of one side by side. */
export function Talks() {
  const talks = useTalks((s) => s.talks);
  const wide = useWide();
  const all = useMemo(() => talksByItem(talks), [talks]);
  const [part, setPart] = useDraft('inbox-part', InboxPart, 'all');
  const meets = useMeets();
  const groups = inboxOf(all, part, meets);
  const filter = <Parts all={all} part={part} meets={meets} onPart={setPart} />;
  if (wide && groups.length > 0) return <TalksDesk groups={groups} filter={filter} />;
  return (
    <Page title={TITLE} back="/sales" maxWidth={1240}>
      {all.length > 0 ? filter : null}
      <Asked none={all.length === 0} />
      {all.length > 0 && groups.length === 0 ? <Text tone="soft">Nothing of that kind just now.</Text> : null}
      {groups.map((group) => (
        <OfItem key={keyOf(group)} group={group} />
      ))}
    </Page>
  );
}

const keyOf = (group: TalksOfItem) => group.item ?? `${group.talks[0]?.market} ${group.talks[0]?.id}`;

const InboxPart = z.enum(INBOX);
const PART_NAMES: Record<Inbox, string> = {
  all: 'All',
  waiting: 'Waiting for you',
  offers: 'Offers',
  meetings: 'Meetings',
};

/** Which part of the inbox is shown, with how many items each holds. */
function Parts(props: {
  all: readonly TalksOfItem[];
  part: Inbox;
  meets: (talk: TalkOf) => boolean;
  onPart: (part: Inbox) => void;
}) {
  const { all, part, meets, onPart } = props;
  return (
    <ChipRow label="Of the inbox">
      {INBOX.map((one) => (
        <Chip key={one} on={one === part} label={PART_NAMES[one]} onPress={() => onPart(one)}>
          {`${PART_NAMES[one]} ${inboxOf(all, one, meets).length}`}
        </Chip>
      ))}
    </ChipRow>
  );
}

/** Whether a meeting is arranged with a buyer, and not over. */
function useMeets(): (talk: TalkOf) => boolean {
  const items = useAttic((s) => s.items);
  return (talk) => {
    const item = talk.item ? items[talk.item] : undefined;
    const hold = item && openHold(item);
    return hold?.meet != null && isTheirs(hold, talk);
  };
}

/** At a desk: the items that are asked about, and the buyers of the one that is chosen. */
function TalksDesk({ groups, filter }: { groups: readonly TalksOfItem[]; filter: ReactNode }) {
  const router = useRouter();
  const { about } = useLocalSearchParams<{ about?: string }>();
  const items = useAttic((s) => s.items);
  const here = groups.find((g) => keyOf(g) === about) ?? groups[0];
  const lines = groups.map((group) => {
    const item = group.item ? items[group.item] : undefined;
    const name = nameOr(item, group.what);
    const waiting = group.talks.filter(waits).length;
    const last = Math.max(...group.talks.map((t) => t.changedAt));
    return {
      id: keyOf(group),
      name: `About ${name}`,
      words: name,
      more: [
        waiting > 0 ? plural(waiting, 'one waits for you', `${waiting} wait for you`) : '',
        plural(group.talks.length, 'one buyer', `${group.talks.length} buyers`),
        agoWords(last),
      ]
        .filter(Boolean)
        .join(' · '),
      picture: <PictureView id={item?.pictureIds[0]} alt="" style={{ width: 48, height: 48 }} />,
      marked: waiting > 0,
    };
  });
  return (
    <ListDetail
      title={TITLE}
      back="/sales"
      lines={lines}
      here={here ? keyOf(here) : null}
      onHere={(next) => router.setParams({ about: next })}
      above={
        <>
          {filter}
          <Asked none={false} />
        </>
      }
    >
      {here ? <OfItem key={keyOf(here)} group={here} /> : null}
    </ListDetail>
  );
}

/** Whom could be asked, and asking again. */
function Asked({ none }: { none: boolean }) {
  const { missing, readAt } = useTalks();
  const market = useMarketName();
  const { run, busy, trouble } = useAsyncAction();
  const connected = useCourier((s) => s.connected);
  const look = () => run(readTalks);
  // eslint-disable-next-line react-hooks/exhaustive-deps -- asked when the page opens, and by hand
  useEffect(() => (connected ? look() : undefined), [connected]);
  return (
    <>
      {missing.map((m) => (
        <Notice
          key={m.market}
          tone="caution"
        >{`${market(m.market)} could not be asked: ${troubleWords(m.why)}`}</Notice>
      ))}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      {connected ? null : (
        <Text tone="soft">
          {readAt === null ? 'No marketplace was asked yet.' : `As it was ${agoWords(readAt)}.`}
        </Text>
      )}
      {readAt !== null && none ? (
        missing.length === 0 ? (
          <Calm
            heading="Nobody has written"
            words="Questions and offers from every marketplace come here, sorted by item."
          />
        ) : (
          <Text tone="soft">Where it could be asked, nobody has written.</Text>
        )
      ) : null}
      <Button variant="quiet" disabled={busy} onPress={look} style={{ alignSelf: 'flex-start' }}>
        {busy ? 'Asking…' : 'Ask again'}
      </Button>
    </>
  );
}
