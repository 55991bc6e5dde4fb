import type { Dialect, PhraseFallback } from '../dialect';
import type { Limiters } from '../limiter';
import type { Field } from '../query';
import type { SameWorkAnswers } from '../record/same-work';
import type { SruEndpoint } from '../sru';
import {
  NO_DOCUMENT_WORDS,
  type DocumentWords,
  type LogNote,
  type PlainSource,
  type Run,
} from './documented';
import type { KeptWork } from './kept-work';
import type { TermKind } from './term-kind';

/** Where a term came from. */
export const TERM_SOURCES = ['typed', 'pasted', 'question', 'suggestion', 'thesaurus', 'record'] as const;
export type TermSource = (typeof TERM_SOURCES)[number];

/** One entry of a concept: query text as typed (a word, a phrase in quotes, a heading …). */
export interface Term {
  readonly id: string;
  readonly text: string;
  /** Stays in its place and takes no part. */
  readonly off: boolean;
  /** The kind that the person gave it; without it, the kind is seen from the text. */
  readonly kind?: TermKind;
  /** The language of a form in another language, as ISO 639-1. */
  readonly language?: string;
  /** Typed, if nothing is said. */
  readonly source?: TermSource;
  readonly note?: string;
  /** The databases that it is meant for; all of them, if nothing is said. */
  readonly databases?: readonly string[];
}

/** One idea of the question: a block of the query with a list of terms, any of which will do. */
export interface Concept {
  readonly id: string;
  readonly name: string;
  /** The name by which the query uses it: `@block`. */
  readonly block: string;
  readonly terms: readonly Term[];
  readonly off: boolean;
  readonly note?: string;
  /** Where its words are searched; in the default fields, if nothing is said. */
  readonly fields?: readonly Field[];
  /** Suggestions that the person does not want to see again, as keys. */
  readonly dismissed?: readonly string[];
}

/** A piece of the query that is no concept: query text under a name. It may use other blocks. */
export interface NamedBlock {
  readonly id: string;
  /** The name by which the query uses it: `@name`. */
  readonly name: string;
  readonly text: string;
}

/** The numbers of results that a person can cope with; an open end is absent. */
export interface TargetBand {
  readonly from?: number;
  readonly to?: number;
}

/** What a project is for; it decides what is called good. */
export const PURPOSES = ['quick', 'review', 'exhaustive'] as const;
export type Purpose = (typeof PURPOSES)[number];

/** A question laid out in parts; `id` names the frame, or is `own`. */
export interface FramedQuestion {
  readonly id: string;
  readonly parts: readonly { readonly name: string; readonly answer: string }[];
}

/** What the sources must be: a scope note or an assignment's rules, and what follows from them. */
export interface SourceRules {
  readonly note: string;
  readonly limiters: Limiters;
  readonly wanted: TargetBand;
}

/** Changes to the list of words that only give context, for this project. */
export interface ContextWordChoice {
  readonly added: readonly string[];
  readonly dropped: readonly string[];
}

/** How a database of one's own is reached. */
export type OwnConnection =
  /** The person searches there and types the counts in. */
  | { readonly kind: 'by-hand' }
  /** A server that speaks SRU. */
  | { readonly kind: 'sru'; readonly endpoint: SruEndpoint }
  /** Records that the person imported on this machine, by the id of their collection. */
  | { readonly kind: 'collection'; readonly collection: string };

/** A database that the person added. Its short name is that of its dialect. */
export interface OwnDatabase {
  readonly dialect: Dialect;
  readonly connection: OwnConnection;
}

/** What undo and redo go through. */
export interface Working {
  readonly question: string;
  readonly frame?: FramedQuestion;
  readonly purpose: Purpose;
  readonly rules: SourceRules;
  readonly contextWords: ContextWordChoice;
  readonly concepts: readonly Concept[];
  readonly blocks: readonly NamedBlock[];
  /** The draft as query text; it may hold mistakes. */
  readonly draft: string;
  readonly limiters: Limiters;
  /** The chosen databases, in the order of their columns. */
  readonly databases: readonly string[];
  readonly bands: Readonly<Record<string, TargetBand>>;
  /** Databases that the person added: their syntax and how they are reached. */
  readonly ownDatabases: readonly OwnDatabase[];
  /** Why a database was chosen or left out, by its short name. */
  readonly reasons: Readonly<Record<string, string>>;
  /** How phrases are written where a database cannot cut them, by its short name; as its dialect says, if nothing is said. */
  readonly phraseWays?: Readonly<Record<string, PhraseFallback>>;
  /** The variant that the draft was made from. */
  readonly base?: string;
}

/** What a query is made of: its text and the blocks that it may use. */
export type QueryState = Pick<Working, 'concepts' | 'blocks' | 'draft'>;

/** All that decides what is counted. */
export type SearchState = QueryState & Pick<Working, 'limiters' | 'databases'>;

/** A draft frozen with its blocks and limiters. Nothing in it changes later. */
export interface Variant {
  readonly id: string;
  readonly name: string;
  /** What changed, and why. */
  readonly note: string;
  readonly parent?: string;
  /** ISO 8601, UTC. */
  readonly moment: string;
  readonly frozen: SearchState;
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
  /** With `upTo`, the least that it can be. */
  readonly total: number;
  readonly estimated: boolean;
  /** The most that it can be, where only bounds were known. */
  readonly upTo?: number;
  readonly source: 'measured' | 'typed';
  /** How long the answer took; not known of what is typed in. */
  readonly milliseconds?: number;
  /** The variant that it was counted for. */
  readonly variant?: string;
  /** The state of the draft that it was counted for, by its id among `states`. */
  readonly state?: string;
}

/** A state of the draft that tallies belong to, so that it can be returned to. */
export interface KeptState {
  readonly id: string;
  readonly state: SearchState;
  /** When the draft rested there, ISO 8601, UTC; not known of files before version 13. */
  readonly moment?: string;
  /** The question, and why databases were chosen or left out, as they then were. */
  readonly question?: string;
  readonly reasons?: Readonly<Record<string, string>>;
}

/** A record that the search has to find. */
export interface MustFind {
  readonly id: string;
  /** Its title; empty while only an identifier is known that no database has. */
  readonly title: string;
  /** Such as a DOI. */
  readonly identifier?: string;
  /** It was taken from what the query of this project found: that the query finds it proves nothing. */
  readonly isFromQuery?: boolean;
  /** It is in the half that is put aside: it feeds nothing, only its recall is told, as one number. */
  readonly isAside?: boolean;
}

/** One look at the recall of the must-finds that are put aside. */
export interface AsideLook {
  /** The variant that was looked at. */
  readonly variant: string;
  /** ISO 8601, UTC. */
  readonly moment: string;
  /** So many of those that the databases held were found. */
  readonly found: number;
  readonly there: number;
}

/** What a person said of a record: on topic, off topic, or not sure. */
export const VERDICTS = ['on', 'off', 'unsure'] as const;
export type Verdict = (typeof VERDICTS)[number];

/** A record as it was judged. Its keys tell the same work in other databases. */
export interface Judgement {
  readonly verdict: Verdict;
  readonly title: string;
  /** Why, in the person's own few words. */
  readonly reason?: string;
  /** The key of its identifier, and that of its title, year and first author (`createRecordKeys`). */
  readonly identifier?: number;
  readonly work?: number;
  /** When it was judged, ISO 8601, UTC; not known of files before version 13. */
  readonly moment?: string;
}

/** The kinds of things that a record points to. */
export const LEAD_KINDS = ['author', 'affiliation', 'source', 'words'] as const;
export type LeadKind = (typeof LEAD_KINDS)[number];

/** A thing to follow later: a name, a place of work, a source or some words, with the record that it was met in. */
export interface Lead {
  readonly id: string;
  readonly kind: LeadKind;
  readonly name: string;
  readonly record?: string;
  readonly note: string;
  /** It was followed. */
  readonly isDone: boolean;
  /** ISO 8601, UTC. */
  readonly created: string;
}

/** A work whose full text was asked for. Its keys tell the same work in other databases. */
export interface WorkRequest {
  readonly title: string;
  /** ISO 8601, UTC. */
  readonly asked: string;
  readonly identifier?: number;
  readonly work?: number;
}

/** What a reviewer said of one point of the report on the query. */
export interface ReviewMark {
  readonly isDone: boolean;
  readonly comment: string;
  /** When it was said, ISO 8601, UTC; not known of files before version 13. */
  readonly moment?: string;
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
  readonly states: readonly KeptState[];
  readonly mustFinds: readonly MustFind[];
  /** Every look at the half that is put aside, the latest last: each one makes it tell less. */
  readonly asideLooks: readonly AsideLook[];
  /** By the short name of the database and the record's id there, with a blank between. */
  readonly judgements: Readonly<Record<string, Judgement>>;
  /** Things to follow, the latest last. */
  readonly leads: readonly Lead[];
  /** Works that were asked for, by the keys that judgements have. */
  readonly requests: Readonly<Record<string, WorkRequest>>;
  /** The works on the shelf, the latest last. */
  readonly kept: readonly KeptWork[];
  /** Whether two records are of one work, as the person said, by `createPairKey`. */
  readonly sameWork: SameWorkAnswers;
  /** The remarks on the points of the report, by their keys. */
  readonly review: Readonly<Record<string, ReviewMark>>;
  /** Remarks in the log, the latest last. */
  readonly notes: readonly LogNote[];
  /** Sources that were searched without a string, the latest last. */
  readonly sources: readonly PlainSource[];
  /** Runs of variants in all their databases, the latest last. */
  readonly runs: readonly Run[];
  readonly documentWords: DocumentWords;
  /** The variant that counts are compared with. */
  readonly compared?: string;
}

/** What a new project says about its question. */
export const NOTHING_SAID = {
  purpose: 'review',
  rules: { note: '', limiters: {}, wanted: {} },
  contextWords: { added: [], dropped: [] },
} as const satisfies Partial<Working>;

/** What a project is called: its name, or its question until it has one. */
export function getProjectTitle({ name, working }: Pick<Project, 'name' | 'working'>): string {
  return name || working.question.trim() || 'Untitled project';
}

/** A project with nothing in it yet; without a name it is called by its question. */
export function createProject(
  id: string,
  name: string,
  moment: string,
  databases: readonly string[],
): Project {
  const working: Working = {
    question: '',
    ...NOTHING_SAID,
    concepts: [],
    blocks: [],
    draft: '',
    limiters: {},
    databases,
    bands: {},
    ownDatabases: [],
    reasons: {},
  };
  return {
    id,
    name,
    created: moment,
    working,
    variants: [],
    tallies: [],
    states: [],
    mustFinds: [],
    asideLooks: [],
    judgements: {},
    leads: [],
    requests: {},
    kept: [],
    sameWork: {},
    review: {},
    notes: [],
    sources: [],
    runs: [],
    documentWords: NO_DOCUMENT_WORDS,
  };
}

/** The most databases of one's own. */
export const MAX_OWN_DATABASES = 40;
/** The most must-finds of a project. */
export const MAX_MUST_FINDS = 500;
/** The most leads of a project. */
export const MAX_LEADS = 500;
/** The most answers about records that may be of one work. */
export const MAX_SAME_WORK = 10_000;
/** The longest key of two records: titles are in it. */
export const LONGEST_PAIR = 4_000;
/** The most concepts of a project and terms of a concept. */
export const MAX_CONCEPTS = 12;
export const MAX_TERMS = 200;

/** The letter of a concept by its place: A to L. */
export function getConceptLetter(place: number): string {
  return String.fromCharCode(65 + (place % MAX_CONCEPTS));
}
