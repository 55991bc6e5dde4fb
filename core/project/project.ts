import type { Limiters } from '../dialect';

/** One entry of a concept: query text as typed (a word, a phrase in quotes, a heading …). */
export interface Term {
  readonly id: string;
  readonly text: string;
  /** Stays in its place and takes no part. */
  readonly off: boolean;
}

/** One idea of the question: a block of the query with a list of terms, any of which will do. */
export interface Concept {
  readonly id: string;
  readonly name: string;
  /** The name by which the query uses it: `@block`. */
  readonly block: string;
  readonly terms: readonly Term[];
  readonly off: boolean;
}

/** The numbers of results that a person can cope with; an open end is absent. */
export interface TargetBand {
  readonly from?: number;
  readonly to?: number;
}

/** What undo and redo go through. */
export interface Working {
  readonly question: string;
  readonly concepts: readonly Concept[];
  /** The draft as query text; it may hold mistakes. */
  readonly draft: string;
  readonly limiters: Limiters;
  /** The chosen databases, in the order of their columns. */
  readonly databases: readonly string[];
  readonly bands: Readonly<Record<string, TargetBand>>;
}

/** A draft frozen with its blocks and limiters. Nothing in it changes later. */
export interface Variant {
  readonly id: string;
  readonly name: string;
  /** What changed, and why. */
  readonly note: string;
  readonly parent?: string;
  /** ISO 8601, UTC. */
  readonly moment: string;
  readonly frozen: Pick<Working, 'concepts' | 'draft' | 'limiters' | 'databases'>;
}

/** One count kept: exactly what was counted, where and when. */
export interface Tally {
  readonly id: string;
  readonly database: string;
  /** The string that was sent, in the database's own syntax. */
  readonly string: string;
  readonly limiters: Limiters;
  /** ISO 8601, UTC. */
  readonly moment: string;
  readonly total: number;
  readonly estimated: boolean;
  readonly source: 'measured' | 'typed';
  /** The variant that it was counted for. */
  readonly variant?: string;
}

/** One question with all that belongs to it. Changes only through `applyChange`. */
export interface Project {
  readonly id: string;
  readonly name: string;
  /** ISO 8601, UTC. */
  readonly created: string;
  readonly working: Working;
  /** Only ever added to; undo never takes these back. */
  readonly variants: readonly Variant[];
  readonly tallies: readonly Tally[];
  /** The variant that counts are compared with. */
  readonly compared?: string;
}

/** A project with nothing in it yet. */
export function createProject(
  id: string,
  name: string,
  moment: string,
  databases: readonly string[],
): Project {
  const working: Working = { question: '', concepts: [], draft: '', limiters: {}, databases, bands: {} };
  return { id, name, created: moment, working, variants: [], tallies: [] };
}

/** The most concepts of a project and terms of a concept. */
export const MOST_CONCEPTS = 12;
export const MOST_TERMS = 200;

/** The letter of a concept by its place: A to L. */
export function getConceptLetter(place: number): string {
  return String.fromCharCode(65 + (place % MOST_CONCEPTS));
}
