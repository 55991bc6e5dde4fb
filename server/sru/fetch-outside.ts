import { lookup as lookUpName } from 'node:dns/promises';
import http from 'node:http';
import https from 'node:https';
import type { LookupFunction } from 'node:net';
import { asksToWait, readRetryAfter } from '#core/contract/index';
import { createProblem, fail, succeed, type Outcome, type Problem } from '#core/problem/index';
import { isPrivateAddress } from './addresses';

/** What a fetch outside is held to. */
export interface OutsideLimits {
  /** Addresses of this machine and of private networks are let through. */
  readonly allowsPrivate: boolean;
  readonly seconds: number;
  readonly bytes: number;
  /** Requests a second to one host. */
  readonly perSecond: number;
  /** Gives the addresses of a name. */
  readonly resolve?: (name: string) => Promise<readonly string[]>;
}

export const USUAL_LIMITS: OutsideLimits = {
  allowsPrivate: false,
  seconds: 10,
  bytes: 8 * 1024 * 1024,
  perSecond: 10,
};

const MAX_REDIRECTS = 3;

/** Fetches a text from outside; whatever goes wrong is a problem. */
export type FetchOutside = (address: string, signal?: AbortSignal) => Promise<Outcome<string>>;

/**
 * A fetch that goes only where it may: http and https, no redirects to other hosts, no addresses of
 * this machine or of private networks unless allowed, each name resolved once and the connection
 * pinned to what it gave, with limits of time, size and rate.
 */
export function createFetchOutside(limits: OutsideLimits = USUAL_LIMITS): FetchOutside {
  const turns = new Map<string, Promise<void>>();
  const takeTurn = (host: string): Promise<void> => {
    const before = turns.get(host) ?? Promise.resolve();
    const pause = new Promise<void>(
      (resolve) => void before.then(() => setTimeout(resolve, 1_000 / limits.perSecond)),
    );
    turns.set(host, pause);
    return before;
  };
  return async (address, signal) => {
    const first = readAddress(address);
    if (!first.ok) return first;
    const place = await resolveHost(first.value, limits);
    if (!place.ok) return place;
    let url = first.value;
    for (let redirects = 0; redirects <= MAX_REDIRECTS; redirects++) {
      await takeTurn(url.host);
      const answer = await request(url, place.value, limits, signal);
      if (!answer.ok) return answer;
      if (answer.value.redirect === undefined) return succeed(answer.value.text);
      const next = URL.canParse(answer.value.redirect, url.href)
        ? new URL(answer.value.redirect, url)
        : undefined;
      if (next?.host !== url.host || next.protocol !== url.protocol)
        return refuse(url, 'it sends on to another address');
      url = next;
    }
    return refuse(url, 'it sends on again and again');
  };
}

/** An address that may be asked at all: http or https, without a name and password in it. */
export function readAddress(address: string): Outcome<URL> {
  const url = URL.canParse(address) ? new URL(address) : undefined;
  if (!url || !['http:', 'https:'].includes(url.protocol))
    return fail(
      createProblem('address-refused', 'error', {
        host: address.slice(0, 200),
        why: 'only http and https are asked',
      }),
    );
  if (url.username !== '' || url.password !== '') return refuse(url, 'it holds a name or a password');
  return succeed(url);
}

function refuse(url: URL, why: string): { ok: false; problem: Problem } {
  return { ok: false, problem: createProblem('address-refused', 'error', { host: url.hostname, why }) };
}

async function resolveHost(url: URL, limits: OutsideLimits): Promise<Outcome<string>> {
  const name = url.hostname.replace(/^\[|\]$/g, '');
  const resolve =
    limits.resolve ?? (async (host) => (await lookUpName(host, { all: true })).map(({ address }) => address));
  const addresses = await resolve(name).catch(() => []);
  const [address] = addresses;
  if (address === undefined) return refuse(url, 'its name is not known');
  if (!limits.allowsPrivate && addresses.some(isPrivateAddress))
    return refuse(url, 'it is an address of this machine or of a private network');
  return succeed(address);
}

interface Answer {
  readonly text: string;
  readonly redirect?: string;
}

function request(
  url: URL,
  address: string,
  limits: OutsideLimits,
  signal: AbortSignal | undefined,
): Promise<Outcome<Answer>> {
  const { host } = url;
  return new Promise((done) => {
    const stop = (problem: Problem): void => {
      done(fail(problem));
      sent.destroy();
    };
    // The name is not looked up a second time: what it gave is what is asked.
    const pinned: LookupFunction = (_, options, answer) => {
      const family = address.includes(':') ? 6 : 4;
      if (options.all) answer(null, [{ address, family }]);
      else answer(null, address, family);
    };
    const send = url.protocol === 'https:' ? https.request : http.request;
    const sent = send(
      url,
      {
        lookup: pinned,
        agent: false,
        headers: { Accept: 'application/xml, text/xml', 'Accept-Encoding': 'identity' },
        ...(signal && { signal }),
      },
      (response) => {
        const status = response.statusCode ?? 0;
        const { location } = response.headers;
        if (status >= 300 && status < 400 && location !== undefined) {
          done(succeed({ text: '', redirect: location }));
          response.resume();
          sent.destroy();
          return;
        }
        const retryAfter = response.headers['retry-after'];
        if (asksToWait(status, retryAfter)) {
          const seconds = readRetryAfter(retryAfter, Date.now());
          stop(createProblem('service-busy', 'error', { database: host, seconds }));
          return;
        }
        if (status !== 200) {
          stop(createProblem('service-failed', 'error', { database: host, status }));
          return;
        }
        const chunks: Buffer[] = [];
        let size = 0;
        response.on('data', (chunk: Buffer) => {
          size += chunk.length;
          if (size > limits.bytes)
            stop(
              createProblem('answer-too-large', 'error', {
                database: host,
                most: `${Math.round(limits.bytes / 1024 / 1024)} MiB`,
              }),
            );
          else chunks.push(chunk);
        });
        response.on('end', () => done(decode(Buffer.concat(chunks), host)));
        response.on('error', () =>
          stop(createProblem('service-failed', 'error', { database: host, status })),
        );
      },
    );
    const timer = setTimeout(
      () => stop(createProblem('service-slow', 'error', { database: host, seconds: limits.seconds })),
      limits.seconds * 1000,
    );
    sent.on('close', () => clearTimeout(timer));
    sent.on('error', () =>
      done(fail(createProblem('service-failed', 'error', { database: host, status: 0 }))),
    );
    sent.end();
  });
}

function decode(bytes: Buffer, database: string): Outcome<Answer> {
  try {
    return succeed({ text: new TextDecoder('utf-8', { fatal: true }).decode(bytes) });
  } catch {
    return fail(createProblem('answer-invalid', 'error', { database }));
  }
}
