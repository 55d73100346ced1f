import { Sha256 } from '@/contract/common';
import { Command, CommandBy } from '@/contract/courier';

import { tooLarge, type Api } from './asking';
import { jsonBody } from './jsonBody';
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
  app.put('/pictures/:hash', tooLarge(PICTURE_LIMIT, 'The picture is over 8 MB.'), async (c) => {
    const hash = Sha256.safeParse(c.req.param('hash'));
    if (!hash.success) return c.json({ error: 'A picture goes by its SHA-256.' }, 400);
    const kept = await shelf.put(hash.data, new Uint8Array(await c.req.arrayBuffer()));
    return kept === 'kept' ? c.body(null, 204) : c.json({ error: `The file is ${kept}.` }, 422);
  });

  app.put('/clips/:hash', tooLarge(CLIP_LIMIT, 'The clip is over 31 MB.'), async (c) => {
    const hash = Sha256.safeParse(c.req.param('hash'));
    if (!hash.success) return c.json({ error: 'A clip goes by its SHA-256.' }, 400);
    const kept = await shelf.put(hash.data, new Uint8Array(await c.req.arrayBuffer()), 'clip');
    return kept === 'kept' ? c.body(null, 204) : c.json({ error: `The file is ${kept}.` }, 422);
  });

  app.post('/commands', tooLarge(COMMAND_LIMIT, 'The command is too long.'), async (c) => {
    const told = await jsonBody(c);
    const command = Command.safeParse(told);
    const by = CommandBy.safeParse(told);
    if (!command.success) return c.json({ error: 'The courier could not read that command.' }, 400);
    if (command.data.type === 'send')
      for (const hash of [...command.data.draft.pictures, command.data.draft.clip?.hash ?? []].flat())
        if (!(await shelf.has(hash))) return c.json({ error: 'A picture has not arrived yet.' }, 409);
    return c.json(await courier.command(command.data, by.success ? by.data.by : undefined));
  });
}
