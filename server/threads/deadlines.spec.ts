import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { TOO_SLOW, type CountRequest, type SearchRequest, type SruCountRequest } from '#core/contract/index';
import { openCollections, type StandinCollection } from '../collections/index';
import { HOSTILE_REQUESTS, type HostileRequest } from '../testing/hostile-requests';
import { makeSmallHoldings, type SmallHoldings } from '../testing/small-holdings';
import { doJob } from './do-job';
import type { Job } from './jobs';
import { Turn } from './turn';

let holdings: SmallHoldings;
let collections: ReadonlyMap<string, StandinCollection>;

beforeAll(async () => {
  holdings = await makeSmallHoldings(6_000);
  collections = await openCollections(holdings.folder);
}, 300_000);
afterAll(() => holdings.remove());

/** The job that the server makes of a request. */
const createJob = ({ path, body }: HostileRequest): Job => {
  const [, , what, database = '', kind] = path.split('/');
  if (what === 'sru') return { kind: 'catalogue-count', database: 'northern', ...(body as SruCountRequest) };
  if (kind === 'search')
    return {
      kind,
      database,
      request: {
        start: 0,
        rows: 100,
        sort: 'relevance',
        ...(body as Partial<SearchRequest>),
      } as SearchRequest,
    };
  if (kind === 'unions') return { kind, database, ...(body as { unions: string[][]; sentLimiters: object }) };
  if (kind === 'laboratory') return { kind: 'count-neutral', database, ...(body as { query: string }) };
  return { kind: 'count', database, ...(body as CountRequest) };
};

describe('work that could be long', () => {
  it.each(HOSTILE_REQUESTS.map((request) => [request.name, request] as const))(
    'looks at the clock all the while: %s',
    async (_, request) => {
      let longest = 0;
      let last = performance.now();
      const turn = new Turn(
        () => performance.now(),
        { work: 600, wall: 10_000, slice: Infinity },
        {
          isGivenUp: () => {
            longest = Math.max(longest, performance.now() - last);
            last = performance.now();
            return false;
          },
          doOthersWait: () => false,
        },
      );
      const start = performance.now();
      last = start;
      const outcome = await doJob(createJob(request), turn, { collections });
      const took = performance.now() - start;
      expect(outcome).toBeDefined();
      // It stops soon after its time, or was ready before; reading one long string is the longest that it never looks.
      expect(longest).toBeLessThan(1_500);
      expect(took).toBeLessThan(3_000);
    },
  );

  it('never lets a slow string fail the others of its batch, nor over SRU: it may be asked again', async () => {
    const slow = HOSTILE_REQUESTS.find(({ name }) => name === 'the same over SRU')!.body as SruCountRequest;
    const strings = [...slow.strings, 'bats', 'not a query (', ...slow.strings, 'lamps'];
    let looks = 0;
    const turn = new Turn(
      () => looks++,
      { work: 400, wall: Infinity, slice: Infinity },
      { isGivenUp: () => false, doOthersWait: () => false },
    );
    const job = { kind: 'catalogue-count', database: 'northern', endpoint: slow.endpoint, strings } as const;
    const outcome = await doJob(job, turn, { collections });
    const entries = outcome.ok ? outcome.value : [];
    expect(entries.map((entry) => ('problem' in entry ? entry.problem.code : 'counted'))).toEqual([
      TOO_SLOW,
      'counted',
      'diagnostic',
      TOO_SLOW,
      'counted',
    ]);
  });
});
