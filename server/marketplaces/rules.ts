import { RuleSheet } from '@/contract/ruleSheet';

import type { Seat } from './manifest';
import type { Adapter } from '../courier/adapter';
import { call, readAs } from '../courier/call';

/** A marketplace that publishes its rules as a sheet of ours. @param path where, `/v1/rules` */
export function rulesAt({ address, token }: Seat, path: string): Pick<Adapter, 'ruleSheet'> {
  return {
    async ruleSheet() {
      const { body } = await call(`${address}${path}`, { token: token(), expected: [200] });
      return readAs(RuleSheet, body);
    },
  };
}
