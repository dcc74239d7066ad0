import dns from 'node:dns';
import { createWriteStream } from 'node:fs';
import http from 'node:http';
import https from 'node:https';
import type { LookupFunction } from 'node:net';
import path from 'node:path';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import ipaddr from 'ipaddr.js';

/** Why nothing was fetched. Wording is in the web app's catalogue. */
export type FetchRefusal = 'addressUnusable' | 'addressPrivate' | 'addressSilent' | 'addressRefused' | 'fileTooLarge';

export class FetchRefused extends Error {
  readonly reason: FetchRefusal;

  constructor(reason: FetchRefusal, cause?: unknown) {
    super(reason, { cause });
    this.reason = reason;
  }
}

export interface FetchLimits {
  readonly maxBytes: number;
  /** For the whole of it. */
  readonly timeMs: number;
  /** Whether this server may go to a network address. */
  readonly isAllowed: (ip: string) => boolean;
  /** Addresses that begin like this may be anywhere: the school's own choice. Where they lead on to may not. */
  readonly trustedPrefix?: string | undefined;
}

export const defaultFetchLimits: FetchLimits = {
  maxBytes: 2 * 1024 ** 3,
  timeMs: 30 * 60_000,
  isAllowed: isPublicAddress,
};

const maxRedirects = 5;
/** A server that says nothing for this long is taken for dead. */
const silentMs = 20_000;

/** An address of the open network: not this machine's, this building's or anybody's inner one. */
export function isPublicAddress(ip: string): boolean {
  if (!ipaddr.isValid(ip)) return false;
  const address = ipaddr.process(ip);
  if (address.range() !== 'unicast') return false;
  // Of IPv6 only what is given out for the open network, 2000::/3 (RFC 4291, 2.4): the rest leads inwards, through
  // translators, or nowhere.
  return address.kind() === 'ipv4' || (address.toByteArray()[0] ?? 0) >> 5 === 1;
}

export interface Fetched {
  readonly fileName: string;
  readonly byteLength: number;
}

/**
 * Fetches a file from an address that a teacher gave. Where a name leads is looked at when the connection is made, at
 * every redirection anew, so that no name and no redirection leads into this server's own network.
 * @param target where the file is written
 * @throws FetchRefused
 */
export async function fetchAddress(address: string, target: string, limits = defaultFetchLimits): Promise<Fetched> {
  const signal = AbortSignal.timeout(limits.timeMs);
  let url = toUrl(address);
  for (let hop = 0; hop <= maxRedirects; hop++) {
    const response = await request(url, limits, signal);
    const { statusCode = 0, headers } = response;
    if (statusCode >= 300 && statusCode < 400 && headers.location) {
      response.resume();
      url = toUrl(headers.location, url);
      continue;
    }
    if (statusCode !== 200) {
      response.destroy();
      throw new FetchRefused('addressRefused', statusCode);
    }
    if (Number(headers['content-length'] ?? 0) > limits.maxBytes) {
      response.destroy();
      throw new FetchRefused('fileTooLarge');
    }
    const byteLength = await save(response, target, limits, signal);
    return { fileName: fileNameOf(url, headers['content-disposition']), byteLength };
  }
  throw new FetchRefused('addressRefused', 'too many redirections');
}

function toUrl(address: string, base?: URL): URL {
  try {
    const url = new URL(address, base);
    if (url.protocol === 'http:' || url.protocol === 'https:') return url;
  } catch {
    // Said below, as for every address that is none.
  }
  throw new FetchRefused('addressUnusable');
}

function request(url: URL, limits: FetchLimits, signal: AbortSignal): Promise<http.IncomingMessage> {
  const { trustedPrefix } = limits;
  const isTrusted = trustedPrefix !== undefined && url.href.startsWith(trustedPrefix);
  const isAllowed = isTrusted ? () => true : limits.isAllowed;
  const host = url.hostname.replace(/^\[|\]$/g, '');
  // A host that is a number is never looked up.
  if (ipaddr.isValid(host) && !isAllowed(host)) return Promise.reject(new FetchRefused('addressPrivate'));
  const { get } = url.protocol === 'https:' ? https : http;
  return new Promise((resolve, reject) => {
    const asked = get(url, { lookup: guardedLookup(isAllowed), signal, timeout: silentMs, headers: { accept: '*/*' } });
    asked.on('response', resolve);
    asked.on('timeout', () => asked.destroy(new Error('silent')));
    asked.on('error', (error) =>
      reject(error instanceof FetchRefused ? error : new FetchRefused('addressSilent', error)),
    );
  });
}

/** Looks a name up and refuses it when any of its addresses is one that this server may not go to. */
function guardedLookup(isAllowed: FetchLimits['isAllowed']): LookupFunction {
  return (hostname, options, callback) => {
    dns.lookup(hostname, { ...options, all: true }, (error, addresses) => {
      if (error) return callback(error, '', 0);
      if (!addresses.every(({ address }) => isAllowed(address)))
        return callback(new FetchRefused('addressPrivate'), '', 0);
      const [first] = addresses;
      if (options.all) callback(null, addresses);
      else callback(null, first?.address ?? '', first?.family ?? 4);
    });
  };
}

async function save(
  response: http.IncomingMessage,
  target: string,
  { maxBytes }: FetchLimits,
  signal: AbortSignal,
): Promise<number> {
  let byteLength = 0;
  const counter = new Transform({
    transform(chunk: Buffer, _encoding, done) {
      byteLength += chunk.length;
      done(byteLength > maxBytes ? new FetchRefused('fileTooLarge') : null, chunk);
    },
  });
  try {
    await pipeline(response, counter, createWriteStream(target), { signal });
    return byteLength;
  } catch (error) {
    throw error instanceof FetchRefused ? error : new FetchRefused('addressSilent', error);
  }
}

/** The name that the server gives the file, or the last piece of its address. */
function fileNameOf(url: URL, disposition: string | undefined): string {
  const given = /filename\*?=(?:UTF-8'')?"?([^";]+)/i.exec(disposition ?? '')?.[1];
  const last = path.posix.basename(url.pathname);
  try {
    return decodeURIComponent(given ?? last).slice(0, 200) || url.hostname;
  } catch {
    return (given ?? last).slice(0, 200) || url.hostname;
  }
}
