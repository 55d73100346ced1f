import { lookup as dnsLookup, type LookupAddress } from 'node:dns';
import { request as httpRequest, type IncomingMessage } from 'node:http';
import { request as httpsRequest } from 'node:https';
import type { LookupFunction } from 'node:net';

import type { Coded } from '@/contract/coded';
import {
  isPublic,
  MOST_FETCHED_BYTES,
  readAddress,
  type AddressTrouble,
  type AddressTroubleParams,
} from '@/core/picture/address';
import { pictureGate } from '@/core/picture/gate';

/** Moves to another address that are followed. */
const MOST_MOVES = 3;
/** For all of it, milliseconds. */
const FETCH_LIMIT = 15_000;

export type FetchedPicture =
  { ok: true; bytes: Uint8Array<ArrayBuffer> } | { ok: false; why: AddressTrouble };

export interface PictureFromOptions {
  /** Beginnings of addresses on this machine that may be asked all the same: the outside that ships along. */
  ownOutside: readonly string[];
  /** How names are looked up; all addresses of one. */
  lookup?: (host: string) => Promise<readonly LookupAddress[]>;
  /** Which addresses a name may lead to. */
  isAllowed?: (ip: string) => boolean;
  /** For all of it, milliseconds. */
  limit?: number;
}

class No extends Error {
  constructor(readonly why: AddressTrouble) {
    super(why.code);
  }
}
const no = (why: Coded<AddressTroubleParams>) => new No(why);

const lookedUp = (host: string) =>
  new Promise<LookupAddress[]>((done, fail) => {
    dnsLookup(host, { all: true }, (error, all) => (error ? fail(error) : done(all)));
  });

/**
 * Fetches pictures from addresses that people entered. What a name leads to is looked at when the connection
 * is made, so that it can't lead elsewhere a moment later; each move to another address is looked at anew.
 */
export function pictureFrom(options: PictureFromOptions): (address: string) => Promise<FetchedPicture> {
  const { limit = FETCH_LIMIT } = options;
  return async (address) => {
    const signal = AbortSignal.timeout(limit);
    try {
      let next = address;
      for (let moves = 0; moves <= MOST_MOVES; moves += 1) {
        const read = readAddress(next);
        const inside = options.ownOutside.some((start) => ownAddress(next)?.startsWith(start));
        if (!read.ok && !inside) return read;
        const url = read.ok ? read.url : new URL(next);
        const answer = await asked(url, inside, options, signal);
        const moved = movedTo(answer, url);
        if (moved === null) return await taken(answer, url);
        answer.destroy();
        next = moved;
      }
      return { ok: false, why: { code: 'movedOn', params: { most: MOST_MOVES } } };
    } catch (error) {
      if (error instanceof No) return { ok: false, why: error.why };
      throw error;
    }
  };
}

/** As it is written after reading it, so that no way of writing it leads past its beginning. */
const ownAddress = (text: string) => (URL.canParse(text) ? new URL(text).href : null);

function movedTo(answer: IncomingMessage, from: URL): string | null {
  const { location } = answer.headers;
  const status = answer.statusCode ?? 0;
  if (status < 300 || status > 399 || location === undefined) return null;
  return URL.canParse(location, from) ? new URL(location, from).href : location;
}

/** @throws No where it may not be asked, or nobody answers */
function asked(
  url: URL,
  inside: boolean,
  { lookup = lookedUp, isAllowed = isPublic }: PictureFromOptions,
  signal: AbortSignal,
): Promise<IncomingMessage> {
  const { host } = url;
  const onlyAllowed: LookupFunction = (name, { all }, give) => {
    lookup(name).then(
      (found) => {
        if (found.length === 0) return give(no({ code: 'notFound', params: { host } }), '', 0);
        if (!inside && !found.every(({ address }) => isAllowed(address)))
          return give(no({ code: 'privatePlace', params: { host } }), '', 0);
        const [first] = found;
        if (all) give(null, [...found]);
        else give(null, first?.address ?? '', first?.family ?? 0);
      },
      () => give(no({ code: 'notFound', params: { host } }), '', 0),
    );
  };
  return new Promise((done, fail) => {
    const request = url.protocol === 'https:' ? httpsRequest : httpRequest;
    request(url, { lookup: onlyAllowed, agent: false, signal, headers: { accept: 'image/*' } }, done)
      .on('error', (error) => fail(error instanceof No ? error : no({ code: 'noAnswer', params: { host } })))
      .end();
  });
}

/** @throws No where it is no picture that can be taken */
async function taken(answer: IncomingMessage, { host }: URL): Promise<FetchedPicture> {
  const status = answer.statusCode ?? 0;
  const refuse = (why: Coded<AddressTroubleParams>): never => {
    answer.destroy();
    throw no(why);
  };
  if (status !== 200) return refuse({ code: 'answered', params: { host, status } });
  if (answer.headers['content-type']?.startsWith('text/html'))
    return refuse({ code: 'page', params: { host } });
  const most = MOST_FETCHED_BYTES;
  if (Number(answer.headers['content-length'] ?? 0) > most)
    return refuse({ code: 'larger', params: { most } });
  const chunks: Buffer[] = [];
  let size = 0;
  try {
    for await (const chunk of answer) {
      // A stream of an answer without an encoding gives nothing but buffers.
      chunks.push(chunk as Buffer);
      size += (chunk as Buffer).length; // the same one
      if (size > most) return refuse({ code: 'larger', params: { most } });
    }
  } catch (error) {
    if (error instanceof No) throw error;
    return refuse({ code: 'noAnswer', params: { host } });
  }
  const bytes = new Uint8Array(Buffer.concat(chunks));
  const gate = pictureGate(bytes);
  return gate.ok ? { ok: true, bytes } : { ok: false, why: gate.why };
}
