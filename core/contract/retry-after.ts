/** What is waited when a service asks to wait and does not say, readably, how long: seconds. */
const USUAL_WAIT = 30;
/** Nobody waits longer before asking again: a day. */
const LONGEST_WAIT = 86_400;
/** The one form in which services may write a moment (RFC 9110, 5.6.7, IMF-fixdate). */
const MOMENT = /^[A-Z][a-z]{2}, \d{2} [A-Z][a-z]{2} \d{4} \d{2}:\d{2}:\d{2} GMT$/;

/**
 * The seconds to wait by a `Retry-After` field (RFC 9110, 10.2.3), which is a number of seconds or a moment; from 1 to a day.
 * @param now milliseconds since 1970
 */
export function readRetryAfter(field: string | null | undefined, now: number): number {
  const text = field?.trim() ?? '';
  if (/^\d+$/.test(text)) return bound(Number(text));
  // eslint-disable-next-line no-restricted-globals -- Reads a moment that was written down; no clock is asked.
  const moment = MOMENT.test(text) ? Date.parse(text) : Number.NaN;
  return Number.isNaN(moment) ? USUAL_WAIT : bound(Math.ceil((moment - now) / 1_000));
}

function bound(seconds: number): number {
  return Math.min(Math.max(1, seconds), LONGEST_WAIT);
}

/** Whether an answer asks to wait: too many requests, or out of service for a time that it tells. */
export function asksToWait(status: number, retryAfter: string | null | undefined): boolean {
  return status === 429 || (status === 503 && (retryAfter ?? '') !== '');
}
