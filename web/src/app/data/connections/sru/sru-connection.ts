import {
  SEARCH_ANSWER,
  SRU_EXPLANATION,
  createCountAnswerSchema,
  type SruExplanation,
} from '#core/contract/index';
import { createProblem, fail, succeed, type Outcome } from '#core/problem/index';
import type { SruEndpoint } from '#core/sru/index';
import { createConnection, type Answerers, type Connection } from '../connection';
import { countInBatches } from '../count-requests';
import { askDone, askJson } from '../http';
import { createTurns } from '../turns';

const ADDRESS = '/api/sru';

/** A server that speaks SRU, asked by way of Ewer's own server. It counts, and gives records a page at a time. */
export function createSruConnection(endpoint: SruEndpoint, name: string): Connection {
  return createConnection('sru', name, createSruAnswerers(endpoint, name), {
    asksOneByOne: true,
    sorts: ['relevance'],
  });
}

/** The requests that SRU has an answer to. */
export function createSruAnswerers(
  endpoint: SruEndpoint,
  name: string,
): Required<Pick<Answerers, 'count' | 'search'>> {
  const inTurn = createTurns();
  return {
    count: ({ strings }, signal) =>
      countInBatches(strings, async (some) => {
        const schema = createCountAnswerSchema(some.length);
        const body = { endpoint, strings: some };
        const counted = await askJson({ address: `${ADDRESS}/count`, name, body, signal }, schema);
        return counted.ok ? succeed(counted.value.counts) : counted;
      }),
    search: async ({ string, start, rows, sort, further = [], filters = [], facets = [] }, signal) => {
      if (sort !== 'relevance' || further.length + filters.length + facets.length > 0)
        return fail(
          createProblem('not-offered', 'warning', {
            database: name,
            what: 'sorting, filters or counts by facet',
          }),
        );
      const body = { endpoint, string, start, rows };
      return inTurn(() => askJson({ address: `${ADDRESS}/search`, name, body, signal }, SEARCH_ANSWER));
    },
  };
}

/** What a server says of itself. */
export function explainSruServer(endpoint: SruEndpoint): Promise<Outcome<SruExplanation>> {
  const { address: name } = endpoint;
  return askJson({ address: `${ADDRESS}/explain`, name, body: { endpoint } }, SRU_EXPLANATION);
}

/** Tells Ewer's server that the person wants a server to be asked. */
export function confirmSruServer(endpoint: SruEndpoint): Promise<Outcome<true>> {
  return askDone({ address: `${ADDRESS}/endpoints`, name: endpoint.address, body: { endpoint } });
}
