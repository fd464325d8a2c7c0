/**
 * A picture fetched from an address on the web. Whoever gives an address must not reach what lies behind this server: every name is
 * looked up here, and only public addresses are connected to, whatever the name says the next time and wherever an answer leads.
 */
import { lookup } from 'node:dns';
import type { LookupFunction } from 'node:net';
import ipaddr from 'ipaddr.js';
import { Agent, request } from 'undici';
import { Refusal } from '@loom-kin/core/refusal';
import { MEGABYTES_AT_MOST } from './bounds';

const SECONDS_AT_MOST = 20;
const TURNS_AT_MOST = 5;

/** Whether an address belongs to nobody's own network (RFC 6890 and its like, as ipaddr.js sorts them). */
export const isPublicAddress = (address: string): boolean =>
  ipaddr.isValid(address) && ipaddr.process(address).range() === 'unicast';

class Inside extends Error {}

export interface Fetcher {
  /** The bytes at an address; throws a Refusal with the address where there is no picture. */
  fetch(address: string): Promise<Uint8Array>;
  close(): Promise<void>;
}

/**
 * @param isAllowed which addresses may be connected to; all public ones where nothing is said
 * @param seconds how long an address may take, whatever it answers
 */
export function createFetcher(
  isAllowed: (address: string) => boolean = isPublicAddress,
  seconds = SECONDS_AT_MOST,
): Fetcher {
  const guarded: LookupFunction = (name, options, done) => {
    lookup(name, { ...options, all: true }, (error, found) => {
      if (error) return done(error, '');
      const open = found.filter(({ address }) => isAllowed(address));
      if (open.length === 0) return done(new Inside(), '');
      if (options.all) return done(null, open);
      done(null, open[0]!.address, open[0]!.family);
    });
  };
  const agent = new Agent({ connect: { lookup: guarded, timeout: 8000 }, maxRedirections: 0, pipelining: 0 });

  /** A number as a name is never looked up. */
  function requireHost(url: URL, file: string): void {
    const host = url.hostname.replace(/^\[|\]$/g, '');
    if (ipaddr.isValid(host) && !isAllowed(host)) throw new Refusal('picture.address-inside', { file });
  }

  async function follow(url: URL, file: string, signal: AbortSignal): Promise<Uint8Array> {
    for (let turn = 0; turn <= TURNS_AT_MOST; turn++) {
      requireHost(url, file);
      const answer = await request(url, { dispatcher: agent, signal, headers: { accept: 'image/*' } });
      const { statusCode, headers, body } = answer;
      // What is broken off tells so; nobody listens any more.
      body.on('error', () => undefined);
      const next = headers.location;
      if (statusCode >= 300 && statusCode < 400 && typeof next === 'string') {
        body.destroy();
        url = webAddress(new URL(next, url).href, file);
        continue;
      }
      try {
        if (statusCode !== 200) throw new Refusal('picture.address-refused', { file, status: statusCode });
        const type = String(headers['content-type'] ?? '')
          .split(';')[0]!
          .trim();
        if (/^(text|application\/(json|pdf|xml|javascript))/.test(type))
          throw new Refusal('picture.address-type', { file, type });
        return await bounded(body, file);
      } finally {
        body.destroy();
      }
    }
    throw new Refusal('picture.address-turns', { file });
  }

  return {
    async fetch(address) {
      const file = address.slice(-120);
      const slow = AbortSignal.timeout(seconds * 1000);
      try {
        return await follow(webAddress(address, file), file, slow);
      } catch (error) {
        if (error instanceof Refusal) throw error;
        if (slow.aborted) throw new Refusal('picture.address-silent', { file, seconds });
        const isInside = error instanceof Inside || (error as { cause?: unknown }).cause instanceof Inside;
        throw new Refusal(isInside ? 'picture.address-inside' : 'picture.address-failed', { file });
      }
    },
    close: () => agent.destroy(),
  };
}

function webAddress(text: string, file: string): URL {
  const url = URL.canParse(text) ? new URL(text) : null;
  if (!url || !/^https?:$/.test(url.protocol) || url.username !== '' || url.password !== '')
    throw new Refusal('picture.address', { file });
  return url;
}

/** What comes, as long as it is not too much. */
async function bounded(body: AsyncIterable<Uint8Array>, file: string): Promise<Uint8Array> {
  const chunks: Uint8Array[] = [];
  let length = 0;
  for await (const chunk of body) {
    length += chunk.length;
    if (length > MEGABYTES_AT_MOST * 1024 * 1024)
      throw new Refusal('picture.too-heavy', { file, megabytes: MEGABYTES_AT_MOST });
    chunks.push(chunk);
  }
  return Buffer.concat(chunks);
}
