import { FACETS, type SearchAnswer, type SearchRequest } from '#core/contract/index';
import type { Outcome } from '#core/problem/index';
import type { AskedSet } from './found-works';
import type { Judged } from './read-address';

/** So many records come at a time. */
export const PAGE = 50;

/** What is read: a page at a time as it is searched, or works by their numbers. */
export interface Asked {
  readonly sets: readonly AskedSet[];
  readonly request: Pick<SearchRequest, 'sort' | 'filters' | 'among'>;
  readonly sample: number | undefined;
  readonly behind: number | undefined;
  readonly judged: readonly Judged[];
}

/** One page; of a database that cannot sort or filter, as it comes. */
export async function askPage(
  { sets, request }: Asked,
  page: number,
  isPlain: boolean,
  stop: AbortSignal,
): Promise<{ readonly outcome: Outcome<SearchAnswer>; readonly isPlain: boolean }> {
  const { connection, strings, sentLimiters } = sets[0]!;
  const [string = '', ...further] = strings;
  const paged = {
    ...request,
    string,
    sentLimiters,
    ...(further.length > 0 && { further }),
    start: page * PAGE,
    rows: PAGE,
  };
  if (!isPlain) {
    const outcome = await connection.ask('search', { ...paged, ...(page === 0 && { facets: FACETS }) }, stop);
    const isRefused = !outcome.ok && outcome.problem.code === 'not-offered';
    if (!isRefused || request.filters || request.among || further.length > 0)
      return { outcome, isPlain: false };
  }
  return { outcome: await connection.ask('search', { ...paged, sort: 'relevance' }, stop), isPlain: true };
}

/** Whether the same is asked. */
export function isSameAsked(one: Asked | undefined, other: Asked | undefined): boolean {
  return write(one) === write(other);
}

function write(asked: Asked | undefined): string {
  if (!asked) return '';
  const { sets, request, sample, behind, judged } = asked;
  const texts = sets.map(({ database, strings, sentLimiters }) => [database, strings, sentLimiters]);
  return JSON.stringify([texts, request, sample, behind, judged]);
}
