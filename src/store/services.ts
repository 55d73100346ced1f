import { beginRates } from './carrier';
import { beginComingDown } from './comingDown';
import { beginDepot } from './depot';
import { beginOrders } from './desk/orders';
import { answerAlone, beginTalks } from './desk/talks';
import { listen } from './courierLink';
import { goOnTaking } from './goingOn';
import { lead } from './leader';
import { lookUpAsRead, rankOnSales } from './lookUp';
import { keepMeasurementPicturesTrue } from './measuring';
import { watchRoom } from './room';

/** What every page does as long as it is open. */
const EVERY_PAGE = [listen, lookUpAsRead, watchRoom, beginTalks];

/** What one page does for all: done by two, a price would come down twice, and a buyer get two answers. */
const LEADING_PAGE = [goOnTaking, beginComingDown, beginDepot, beginOrders, answerAlone, beginRates, rankOnSales, keepMeasurementPicturesTrue]; // prettier-ignore

/** Begins all that runs by itself while an attic is open. @returns stops all of it */
export function startServices(attic: string): () => void {
  const stops = [...EVERY_PAGE.map((begin) => begin()), lead(attic, () => all(LEADING_PAGE))];
  return () => stops.forEach((stop) => stop());
}

function all(services: readonly (() => () => void)[]): () => void {
  const stops = services.map((begin) => begin());
  return () => stops.forEach((stop) => stop());
}
