import type { HttpBindings } from '@hono/node-server';
import { serveStatic } from '@hono/node-server/serve-static';
import { Hono } from 'hono';

/** The files of the demo world, under the path they are mounted at. */
export function demoFiles(root: string, mount: string): Hono<{ Bindings: HttpBindings }> {
  const app = new Hono<{ Bindings: HttpBindings }>();
  app.use(serveStatic({ root, rewriteRequestPath: (path) => path.slice(mount.length) }));
  return app;
}

/** The exported app: files as they are, every other path is the single page. */
export function pages(root: string): Hono<{ Bindings: HttpBindings }> {
  const app = new Hono<{ Bindings: HttpBindings }>();
  app.use(async (c, next) => {
    await next();
    // Bundled files carry a hash in their names; the page itself must be asked for anew.
    const hashed = /[.-][0-9a-f]{32}\./.test(c.req.path);
    c.header('Cache-Control', hashed ? 'public, max-age=31536000, immutable' : 'no-cache');
  });
  app.use(serveStatic({ root, precompressed: true }));
  app.get('*', async (c, next) => {
    if (/\.[a-z0-9]{2,5}$/i.test(c.req.path) || c.req.path.startsWith('/vision/'))
      return c.text('No such file.', 404);
    return serveStatic({ root, path: 'index.html', precompressed: true })(c, next);
  });
  return app;
}
