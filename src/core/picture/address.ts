import ipaddr from 'ipaddr.js';

import { NONE, type Coded, type None } from '@/contract/coded';
import { LONGEST_ADDRESS } from '@/contract/picture';

import type { PictureTroubleParams } from './fileType';

/** Largest file that is fetched for a picture, bytes. */
export const MOST_FETCHED_BYTES = 20_000_000;

/** Why no picture came from an address. */
export interface AddressTroubleParams {
  notAnAddress: None;
  /** Neither http nor https. */
  notWeb: { scheme: string };
  /** A name or password stands in it. */
  withPassword: None;
  /** Inside a house or on this machine: nothing outside should have us ask there. */
  privatePlace: { host: string };
  notFound: { host: string };
  noAnswer: { host: string };
  answered: { host: string; status: number };
  movedOn: { most: number };
  page: { host: string };
  larger: { most: number };
}
export type AddressTrouble = Coded<AddressTroubleParams & PictureTroubleParams>;

/** What a person entered, as an address that may be asked, or why not. */
export type ReadAddress = { ok: true; url: URL } | { ok: false; why: Coded<AddressTroubleParams> };

const no = (why: Coded<AddressTroubleParams>): ReadAddress => ({ ok: false, why });

/**
 * Reads an address by the URL standard (WHATWG), so that every way of writing an IP address is seen for what
 * it is. Whether its name leads somewhere public is known only once it was looked up: {@link isPublic}.
 */
export function readAddress(text: string): ReadAddress {
  const trimmed = text.trim();
  if (trimmed.length > LONGEST_ADDRESS || !URL.canParse(trimmed))
    return no({ code: 'notAnAddress', params: NONE });
  const url = new URL(trimmed);
  const scheme = url.protocol.slice(0, -1);
  if (scheme !== 'http' && scheme !== 'https') return no({ code: 'notWeb', params: { scheme } });
  if (url.username !== '' || url.password !== '') return no({ code: 'withPassword', params: NONE });
  const ip = url.hostname.replace(/^\[|\]$/gu, '');
  if (ipaddr.isValid(ip) && !isPublic(ip)) return no({ code: 'privatePlace', params: { host: url.host } });
  url.hash = '';
  return { ok: true, url };
}

/**
 * Whether an IP address is one of the public internet, as the registries of special-purpose addresses have it
 * (RFC 6890): none of a house, a link, this machine, a carrier's own net, nor one that only wraps another.
 *
 * @param ip IPv4 or IPv6
 */
export function isPublic(ip: string): boolean {
  if (!ipaddr.isValid(ip)) return false;
  // A v4 address in v6 clothing is judged by what it is.
  const address = ipaddr.process(ip);
  if (address.range() !== 'unicast') return false;
  // Of v6 only 2000::/3 was ever given out for the public internet (RFC 4291, 2.4).
  return address.kind() === 'ipv4' || address.match(ipaddr.parseCIDR('2000::/3'));
}
