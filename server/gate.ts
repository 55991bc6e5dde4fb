import type { RequestHandler } from 'express';
import { createProblem } from '#core/problem/index';
import { sendProblem } from './routes/answers';

/** The names under which a server on this machine is known to it alone. */
export const LOOPBACK_HOSTS: readonly string[] = ['localhost', '127.0.0.1', '[::1]'];

/**
 * Lets in only who means this server: the `Host` must be one that it was told, so that no name that was
 * made to lead here gets in; and of what a browser sends for a page, only what the application's own
 * page sends (Fetch Metadata, W3C: `Sec-Fetch-Site`) and what a person typed as an address.
 * @param hosts names without ports
 */
export function createHostGate(hosts: readonly string[]): RequestHandler {
  return (request, response, next) => {
    if (hosts.includes(readHostName(request.headers.host))) next();
    else sendProblem(response, 421, createProblem('host-refused', 'error'));
  };
}

/** As `createHostGate`, for what answers: pages of other origins get no answer at all. */
export function createSiteGate(hosts: readonly string[]): RequestHandler {
  return (request, response, next) => {
    const site = request.headers['sec-fetch-site'];
    const { origin } = request.headers;
    const isOwnSite = site === undefined || site === 'same-origin' || site === 'none';
    // A browser that does not tell the site tells the origin, at least with what changes something.
    const isOwnOrigin = origin === undefined || isOriginOf(origin, request.headers.host, hosts);
    if (isOwnSite && isOwnOrigin) next();
    else sendProblem(response, 403, createProblem('site-refused', 'error'));
  };
}

function readHostName(host: string | undefined): string {
  return (host ?? '').toLowerCase().replace(/:\d*$/, '');
}

function isOriginOf(origin: string, host: string | undefined, hosts: readonly string[]): boolean {
  if (!URL.canParse(origin)) return false;
  const url = new URL(origin);
  return url.host === host?.toLowerCase() && hosts.includes(url.hostname);
}
