import { Sha256 } from '@/contract/common';
import { GivenCommand } from '@/contract/courier';

import { body, tooLarge, type Api } from './asking';
import type { Courier } from '../courier/courier';
import type { PictureShelf } from '../courier/pictureShelf';

/** The largest picture a marketplace could ask for, with room. */
const PICTURE_LIMIT = 8_000_000;
/** A clip as large as a marketplace could take, with room; under what the server takes at all. */
const CLIP_LIMIT = 31_000_000;
const COMMAND_LIMIT = 200_000;

/** What is sent: pictures and clips onto the shelf first, then the command. */
export function sendingRoutes(app: Api, courier: Courier, shelf: PictureShelf): void {
  app.get('/pictures/:hash', async (c) => {
    const hash = Sha256.safeParse(c.req.param('hash'));
    return hash.success && (await shelf.has(hash.data))
      ? c.body(null, 204)
      : c.json({ error: 'Not here.' }, 404);
  });
  const shelving = (path: 'pictures' | 'clips', most: number, what: string) =>
    app.put(`/${path}/:hash`, tooLarge(most, `The ${what} is over ${most / 1e6} MB.`), async (c) => {
      const hash = Sha256.safeParse(c.req.param('hash'));
      if (!hash.success) return c.json({ error: `A ${what} goes by its SHA-256.` }, 400);
      const bytes = new Uint8Array(await c.req.arrayBuffer());
      const kept = await shelf.put(hash.data, bytes, path === 'clips' ? 'clip' : 'picture');
      return kept === 'kept' ? c.body(null, 204) : c.json({ error: `The file is ${kept}.` }, 422);
    });
  shelving('pictures', PICTURE_LIMIT, 'picture');
  shelving('clips', CLIP_LIMIT, 'clip');

  const given = body(GivenCommand, 'The courier could not read that command.');
  app.post('/commands', tooLarge(COMMAND_LIMIT, 'The command is too long.'), given, async (c) => {
    const { command, by } = c.req.valid('json');
    if (command.type === 'send')
      for (const hash of [...command.draft.pictures, command.draft.clip?.hash ?? []].flat())
        if (!(await shelf.has(hash))) return c.json({ error: 'A picture has not arrived yet.' }, 409);
    return c.json(await courier.command(command, by));
  });
}
