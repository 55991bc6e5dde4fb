import type { Clock } from '#core/holding/index';
import { createProblem, fail, type Outcome } from '#core/problem/index';
import { createApp, type AppParts } from '../app';
import type { StandinCollection } from '../collections/index';
import type { Fault } from '../faults';
import { doJob } from '../threads/do-job';
import type { AnswerTo, Asker, Job, Work } from '../threads/jobs';
import { Turn } from '../threads/turn';

const LIMITS = { work: 2_000, wall: 60_000, slice: Infinity };

/** Does jobs in the thread that asks: for tests of what they answer. */
export function createWorkHere(
  collections: ReadonlyMap<string, StandinCollection>,
  clock: Clock = () => 0,
): Work {
  return {
    isReady: true,
    do<J extends Job>(job: J, asker: Asker): Promise<Outcome<AnswerTo<J>>> {
      const turn = new Turn(clock, LIMITS, {
        isGivenUp: () => asker.signal.aborted,
        doOthersWait: () => false,
      });
      return asker.signal.aborted
        ? Promise.resolve(fail(createProblem('request-given-up', 'error')))
        : doJob(job, turn, { collections });
    },
  };
}

/** The application over some collections, all in one thread. */
export function createTestApp(
  collections: ReadonlyMap<string, StandinCollection>,
  parts: Partial<AppParts> & { readonly clock?: Clock } = {},
  hasFaults = true,
): ReturnType<typeof createApp> {
  const { clock, ...rest } = parts;
  const standins = new Map(
    [...collections].map(([id, { standin, size, vocabulary }]) => [
      id,
      { standin, size, hasThesaurus: vocabulary.headings.length > 0 },
    ]),
  );
  const work = createWorkHere(collections, clock);
  return createApp({
    standins,
    work,
    wallClock: () => 0,
    ...(hasFaults && { faults: new Map<string, Fault>() }),
    ...rest,
  });
}
