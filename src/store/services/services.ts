import { lead } from '@/store/attic/leader';
import { watchRoom } from '@/store/attic/room';
import { beginCopies, watchFolder } from '@/store/copies/folder';
import { watchLasting } from '@/store/copies/lasting';
import { beginAuctions } from '@/store/courier/auctions';
import { beginComingDown } from '@/store/courier/comingDown';
import { beginDepot } from '@/store/courier/depot';
import { listen } from '@/store/courier/hearing';
import { keepWhatIsHeard } from '@/store/courier/lastKnown';
import { goOnSending } from '@/store/courier/outgoing';
import { beginRates } from '@/store/fulfilment/carrier';
import { tellOfMeetings } from '@/store/fulfilment/meetingReminders';
import { beginOrders } from '@/store/fulfilment/orders';
import { answerAlone, beginTalks, keepTalks } from '@/store/fulfilment/talks';
import { goOnTaking } from '@/store/pictures/goingOn';
import { keepLooking } from '@/store/pictures/looking';
import { keepMeasurementPicturesTrue } from '@/store/pictures/measuring';
import { watchShared } from '@/store/pictures/shared';
import { keepUnderstanding } from '@/store/pictures/understanding';
import { beginFollowing } from '@/store/research/following';
import { findAlikeAsSeen } from '@/store/research/likeness';
import { lookUpAsRead, rankOnEvents } from '@/store/research/lookUp';

/** What every page does as long as it is open. */
const EVERY_PAGE = [
  listen,
  goOnTaking,
  lookUpAsRead,
  watchRoom,
  watchLasting,
  watchFolder,
  watchShared,
  beginTalks,
  beginAuctions,
];

/** What one page does for all: done by two, a price would come down twice, and a buyer get two answers. */
const LEADING_PAGE = [
  keepLooking,
  keepUnderstanding,
  keepWhatIsHeard,
  goOnSending,
  keepTalks,
  beginCopies,
  beginComingDown,
  beginFollowing,
  beginDepot,
  beginOrders,
  answerAlone,
  tellOfMeetings,
  beginRates,
  findAlikeAsSeen,
  rankOnEvents,
  keepMeasurementPicturesTrue,
];

/** Begins all that runs by itself while an attic is open. @returns stops all of it */
export function startServices(attic: string): () => void {
  const stops = [...EVERY_PAGE.map((begin) => begin()), lead(attic, () => all(LEADING_PAGE))];
  return () => stops.forEach((stop) => stop());
}

function all(services: readonly (() => () => void)[]): () => void {
  const stops = services.map((begin) => begin());
  return () => stops.forEach((stop) => stop());
}
