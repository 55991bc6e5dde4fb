import { buildIndex, createDocument, createEvaluator, createNeutralExpression } from '../collection';
import type { SetExpression } from '../collection';
import { listMembers, type Member } from '../compare';
import { createLimiterExpressions } from '../holding';
import { listLimiters, type LimiterName } from '../limiter';
import type { Concept, SearchState } from '../project';
import { dropInactive, type QueryNode } from '../query';
import type { BibliographicRecord } from '../record';
import type { Vocabulary } from '../vocabulary';

/** A must-find as a database has it that does not find it. */
export interface MissedRecord {
  /** The id of the must-find. */
  readonly mustFind: string;
  /** The short name of the database. */
  readonly database: string;
  readonly record: BibliographicRecord;
  /** The database that the record is from, where the one that misses it gives none. */
  readonly lender?: string;
}

/** A part of a query that all records have to satisfy: each of them can keep a record out. */
export type QueryPart = { readonly key: string } & (
  | {
      /** A concept, by its block, or another piece that is joined by AND. */
      readonly kind: 'piece';
      readonly words: string;
      readonly block?: string;
    }
  /** A piece that is taken away by NOT. */
  | { readonly kind: 'exclusion'; readonly words: string }
  | { readonly kind: 'limiter'; readonly name: LimiterName; readonly words: string }
);

/** What a database brings to the meaning of a query. */
export interface DatabaseMeaning {
  readonly database: string;
  readonly vocabulary: Vocabulary | undefined;
  /** The limiters that it has: others change nothing there. */
  readonly limiters: readonly LimiterName[];
}

const MEMBERS = new WeakMap<SearchState, readonly Member[]>();

/** The members of a state, told once for all databases. */
function listMembersOnce(state: SearchState): readonly Member[] {
  const known = MEMBERS.get(state);
  if (known) return known;
  const members = listMembers(state);
  MEMBERS.set(state, members);
  return members;
}

/** Tells of some missed records of one database which parts of a query let them in. */
export interface PartReader {
  readonly misses: readonly MissedRecord[];
  /** The parts of a state, each with whether it lets each of the records in. */
  read(state: SearchState): { readonly part: QueryPart; readonly lets: readonly boolean[] }[];
}

/** Makes a reader of records of one database, by the neutral meaning of the query; their index is made once. */
export function createPartReader(misses: readonly MissedRecord[], meaning: DatabaseMeaning): PartReader {
  const evaluator = createEvaluator(buildIndex(misses.map(({ record }) => createDocument(record))));
  const all = misses.map((_, at) => at);
  const findAll = (expression: SetExpression): boolean[] => {
    const found = evaluator.evaluate(expression);
    return all.map((at) => found.ok && found.value.has(at));
  };
  /** By the concept that a member is: most of many changes leave it as it is. */
  const known = new WeakMap<Concept, boolean[]>();
  const findMember = ({ root }: Member, concept: Concept | undefined): boolean[] => {
    const found = (concept && known.get(concept)) ?? find(root);
    if (concept) known.set(concept, found);
    return found;
  };
  const find = (root: QueryNode): boolean[] => {
    const active = dropInactive(root, meaning.database);
    if (!active) return all.map(() => false);
    const { vocabulary } = meaning;
    return findAll(createNeutralExpression(active, vocabulary && { vocabulary }));
  };
  return {
    misses,
    read: (state) => [
      ...listMembersOnce(state).map((member) => {
        const { sign, words, block } = member;
        const found = findMember(
          member,
          state.concepts.find((concept) => concept.block === block),
        );
        return {
          part:
            sign === 'not'
              ? { key: `not ${words}`, kind: 'exclusion' as const, words }
              : { key: `in ${words}`, kind: 'piece' as const, words, ...(block !== undefined && { block }) },
          lets: sign === 'not' ? found.map((one) => !one) : found,
        };
      }),
      ...listLimiters(state.limiters)
        .filter(({ name }) => meaning.limiters.includes(name))
        .map(({ name, value }) => {
          const [only] = createLimiterExpressions(state.limiters, [name]);
          return {
            part: { key: `limit ${name}`, kind: 'limiter' as const, name, words: value },
            // What no record of this kind tells cannot be said to keep it out.
            lets: only ? findAll(only) : all.map(() => true),
          };
        }),
    ],
  };
}

/** The parts of a state that keep each of the records out, in the order of the query. */
export function listFailingParts(reader: PartReader, state: SearchState): QueryPart[][] {
  const parts = reader.read(state);
  return reader.misses.map((_, at) => parts.filter(({ lets }) => !lets[at]).map(({ part }) => part));
}
