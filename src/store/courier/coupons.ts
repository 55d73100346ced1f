import { CouponsAnswer, type Coupon } from '@/contract/atMarket';

import { ask, askWith } from './courierLink';

/** @throws CourierTrouble with words for a person, as all of these */
export async function coupons(market: string): Promise<Coupon[]> {
  return CouponsAnswer.parse(await (await ask(`/coupons/${market}`)).json()).coupons;
}

export async function putCoupon(market: string, coupon: Coupon): Promise<void> {
  await askWith(`/coupons/${market}`, coupon, 'PUT');
}

export async function endCoupon(market: string, code: string): Promise<void> {
  await ask(`/coupons/${market}/${code}`, { method: 'DELETE' });
}
