/** A moment that was written down (ISO 8601) in milliseconds since 1970. No clock is asked. */
export function readMoment(moment: string): number {
  // eslint-disable-next-line no-restricted-globals -- Reads a moment that was written down; no clock is asked.
  return Date.parse(moment);
}
