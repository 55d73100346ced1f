import type { MiddlewareHandler } from 'hono';
import { timingSafeEqual } from 'node:crypto';

/** Only the names this server goes by: a page elsewhere that points its name at us is turned away. */
export function hostCheck(port: number): MiddlewareHandler {
  const ours = new Set([`127.0.0.1:${port}`, `localhost:${port}`]);
  return async (c, next) => (ours.has(c.req.header('host') ?? '') ? next() : c.text('Unknown host.', 421));
}

/**
 * Calls of the app's own pages only: no other site, no sandboxed visitor's page, and with the session's
 * token.
 */
export function sessionCheck(port: number, token: string): MiddlewareHandler {
  const right = Buffer.from(token);
  return async (c, next) => {
    if (!fromOwnPage(port, c.req.header('origin'), c.req.header('sec-fetch-site')))
      return c.json({ error: 'Only the app’s own pages may ask this.' }, 403);
    const given = Buffer.from(c.req.header('x-attic-session') ?? '');
    if (given.length !== right.length || !timingSafeEqual(given, right))
      return c.json({ error: 'The session is over: reload the page.' }, 401);
    return next();
  };
}

/** Whether a request comes from a page of this very origin (or from no browser at all). */
export function fromOwnPage(port: number, origin: string | undefined, site: string | undefined): boolean {
  if (site !== undefined && site !== 'same-origin' && site !== 'none') return false;
  return (
    origin === undefined || origin === `http://127.0.0.1:${port}` || origin === `http://localhost:${port}`
  );
}

/** Headers of everything but the stand-ins' pages, which set stricter ones of their own. */
export function securityHeaders(): MiddlewareHandler {
  const policy = [
    "default-src 'none'",
    "script-src 'self' 'wasm-unsafe-eval'",
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' blob: data:",
    "media-src 'self' blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "manifest-src 'self'",
    "base-uri 'none'",
    "form-action 'none'",
    "frame-ancestors 'none'",
  ].join('; ');
  return async (c, next) => {
    await next();
    if (!c.res.headers.has('Content-Security-Policy')) c.header('Content-Security-Policy', policy);
    c.header('X-Content-Type-Options', 'nosniff');
    c.header('Referrer-Policy', 'no-referrer');
    c.header('Cross-Origin-Opener-Policy', 'same-origin');
    c.header('Permissions-Policy', 'camera=(self), geolocation=(), microphone=()');
  };
}
