import type { Dialect } from '#core/dialect/index';
import { LIMITER_NAMES, LIMITERS } from '#core/limiter/index';
import type { OwnConnection } from '#core/project/index';

/** What is searched without a field, in words. */
export function describeUnmarked({ fields }: Dialect): string {
  return fields.unmarked.includes('text') ? 'the full text' : fields.unmarked.join(', ');
}

/** Its thesaurus in words. */
export function describeThesaurus({ headings }: Dialect): string {
  if (!headings) return 'none';
  return headings.flat ? 'a flat list of headings' : 'a thesaurus with headings below headings';
}

/** How the limiters are applied: in the string, sent with it or by hand, or not at all. */
export function describeLimiters({ limiters }: Dialect): string {
  const named = (how: readonly string[]): string =>
    LIMITER_NAMES.filter((name) => how.includes(limiters[name].how))
      .map((name) => LIMITERS[name].label)
      .join(', ');
  const parts = [
    ['in the string', named(['string'])],
    ['by hand', named(['box', 'hand'])],
    ['not', named(['none'])],
  ] as const;
  return parts.flatMap(([how, names]) => (names === '' ? [] : [`${how}: ${names}`])).join('; ');
}

/** How a database is reached, in words. */
export function describeConnection(connection: OwnConnection | undefined, isSru: boolean): string {
  if (connection?.kind === 'collection') return 'your own records, counted on this machine';
  if (connection?.kind === 'by-hand') return 'searched by hand, counts are typed in';
  return connection?.kind === 'sru' || isSru ? 'searched over SRU' : 'ships with Ewer';
}
