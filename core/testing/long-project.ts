import {
  createProject,
  type KeptState,
  type Project,
  type Run,
  type SearchState,
  type Tally,
  type Variant,
} from '../project';
import { createTally } from './projects';

/** How long a made-up project is. */
export interface ProjectLength {
  readonly databases: readonly string[];
  readonly states: number;
  readonly variants: number;
  readonly notes: number;
}

const START = 1_750_000_000_000;
const MINUTE = 60_000;
/** A moment so many times ten minutes after the start. */
function writeMoment(turn: number): string {
  // eslint-disable-next-line no-restricted-globals -- Writes a moment that is given; no clock is asked.
  return new Date(START + turn * 10 * MINUTE).toISOString();
}

/** A project in which much was done: a term more in each state, a variant now and then, notes, and a run at the end. */
export function createLongProject({ databases, states, variants, notes }: ProjectLength): Project {
  const begun = createProject('long', 'A long search', writeMoment(0), databases);
  const kept = Array.from({ length: states }, (_, at): KeptState => ({
    id: `state-${at}`,
    state: createState(at, databases),
    moment: writeMoment(at),
    question: 'Do lamps draw moths?',
    reasons: {},
  }));
  const tallies = kept.flatMap(({ id, moment }, at): Tally[] =>
    databases.slice(0, 3).map((database) =>
      createTally(`${id}-${database}`, {
        database,
        state: id,
        string: `(lamp* OR word${at})`,
        total: 100 + (at % 900),
        ...(moment !== undefined && { moment }),
      }),
    ),
  );
  const frozen = Array.from({ length: variants }, (_, at): Variant => ({
    id: `variant-${at}`,
    name: `variant ${at}`,
    note: `What changed in ${at}, and why.`,
    moment: writeMoment(Math.floor((at * states) / variants) + 0.5),
    frozen: createState(at * 7, databases),
  }));
  const run: Run = {
    id: 'run',
    name: 'the run',
    variant: frozen.at(-1)?.id ?? '',
    moment: writeMoment(states + 1),
    databases: databases.map((database) => ({
      database,
      name: `The ${database} index`,
      string: Array.from({ length: 60 }, (_, at) => `"word ${at}"`).join(' OR '),
      limiters: {},
      boxes: [],
      without: [],
      differences: [],
      tally: `run-${database}`,
    })),
  };
  return {
    ...begun,
    working: { ...begun.working, ...createState(states, databases), question: 'Do lamps draw moths?' },
    states: kept,
    variants: frozen,
    tallies: [
      ...tallies,
      ...databases.map((database) => createTally(`run-${database}`, { database, total: 120 })),
    ],
    runs: [run],
    notes: Array.from({ length: notes }, (_, at) => ({
      id: `note-${at}`,
      moment: writeMoment(at + 0.25),
      text: `What was thought at ${at}.`,
    })),
  };
}

function createState(at: number, databases: readonly string[]): SearchState {
  const terms = Array.from({ length: 10 + (at % 20) }, (_, term) => ({
    id: `t${term}`,
    text: term === 0 ? `word${at}` : `lamp${term}*`,
    off: false,
  }));
  return {
    concepts: [{ id: 'c', name: 'lamps', block: 'lamps', off: false, terms }],
    blocks: [],
    draft: '@lamps',
    limiters: {},
    databases,
  };
}
