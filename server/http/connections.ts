import { ConnectionWish, type ConnectionTested } from '@/contract/courier';
import { letInTrouble } from '@/wording/courier';

import { answerOf, body, tooLarge, type Api } from './asking';
import { NotLetIn, type Connections } from '../courier/connections';
import type { Courier } from '../courier/courier';

const NOT_READ = 'The courier could not read that.';
const LINKS = { resume: 'connected', pause: 'paused', disconnect: 'off' } as const;

/** Connecting a marketplace, testing and pausing the connection, ending it. */
export function connectionRoutes(app: Api, courier: Courier, connections: Connections): void {
  const wish = body(ConnectionWish, NOT_READ);
  app.post('/connections/:market', tooLarge(1_000, 'That is too long.'), wish, async (c) => {
    const market = c.req.param('market');
    const data = c.req.valid('json');
    const adapter = courier.adapter(market);
    if (!adapter) return c.json({ error: NOT_READ }, 400);
    const change = async () => {
      if (data.type === 'test') {
        const from = Date.now();
        await adapter.ruleSheet();
        return c.json({ milliseconds: Date.now() - from } satisfies ConnectionTested);
      }
      if (data.type === 'connect') await connections.letIn(market, data.code);
      await courier.take({
        type: 'connection',
        market,
        link: data.type === 'connect' ? 'connected' : LINKS[data.type],
      });
      return c.json({ milliseconds: null } satisfies ConnectionTested);
    };
    return answerOf(c, adapter.name, change).catch((error: unknown) => {
      if (!(error instanceof NotLetIn)) throw error;
      return c.json({ error: `${adapter.name}: ${letInTrouble(error.why)}` }, 502);
    });
  });
}
