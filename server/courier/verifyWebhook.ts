import { createHmac, timingSafeEqual } from 'node:crypto';

/** Longest age of a signed message, milliseconds. */
const OLDEST = 300_000;

/**
 * Whether a message is from who it says: `when:signature`, the signature being HMAC-SHA-256 over `when.body`
 * in hex.
 *
 * @param seal the header's value
 */
export function verifyWebhook(seal: string | undefined, body: string, secret: string, now: number): boolean {
  const [at, signature] = (seal ?? '').split(':');
  if (!at || !signature || !(Math.abs(now - Number(at)) < OLDEST)) return false;
  const right = createHmac('sha256', secret).update(`${at}.${body}`).digest();
  const given = Buffer.from(signature, 'hex');
  return given.length === right.length && timingSafeEqual(given, right);
}
