import type { MiddlewareHandler } from 'hono';
import { secureHeaders } from 'hono/secure-headers';
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

/** Headers of everything; the stand-ins' pages set a stricter policy of their own, which stays. */
export function securityHeaders(): MiddlewareHandler {
  const own = ["'self'"];
  const nobody = ["'none'"];
  return secureHeaders({
    overwrite: false,
    contentSecurityPolicy: {
      defaultSrc: nobody,
      scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
      styleSrc: ["'self'", "'unsafe-inline'"],
      imgSrc: ["'self'", 'blob:', 'data:'],
      mediaSrc: ["'self'", 'blob:'],
      fontSrc: own,
      connectSrc: own,
      workerSrc: own,
      manifestSrc: own,
      baseUri: nobody,
      formAction: nobody,
      frameAncestors: nobody,
    },
    permissionsPolicy: { camera: ['self'], geolocation: [], microphone: [] },
    referrerPolicy: 'no-referrer',
    xFrameOptions: 'DENY',
    // This machine is reached without encryption, and stand-ins' pages, which are nobody's origin, show
    // pictures.
    strictTransportSecurity: false,
    crossOriginResourcePolicy: false,
    originAgentCluster: false,
  });
}
