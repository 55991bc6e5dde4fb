import Joi from 'joi';
import { LIMITERS_SCHEMA } from '../limiter';
import { createProblem, fail, succeed, type Outcome } from '../problem';
import { FIELDS } from '../query';
import type { SchemaOf } from '../schema';
import { SRU_ENDPOINT } from '../sru';
import {
  DOCUMENT_WORDS_SCHEMA,
  LOG_NOTE_SCHEMA,
  MAX_NOTES,
  MAX_RUNS,
  MAX_SOURCES,
  NO_DOCUMENT_WORDS,
  PLAIN_SOURCE_SCHEMA,
  RUN_SCHEMA,
} from './documented';
import { KEPT_WORK_SCHEMA, MAX_KEPT } from './kept-work';
import { MAX_BLOCKS } from './apply-to-blocks';
import { DIALECT_SCHEMA, PHRASE_FALLBACKS } from '../dialect';
import {
  LEAD_KINDS,
  MAX_CONCEPTS,
  LONGEST_PAIR,
  MAX_LEADS,
  MAX_SAME_WORK,
  MAX_MUST_FINDS,
  MAX_OWN_DATABASES,
  MAX_TERMS,
  PURPOSES,
  TERM_SOURCES,
  VERDICTS,
  type AsideLook,
  type Concept,
  type ContextWordChoice,
  type FramedQuestion,
  type Judgement,
  type KeptState,
  type Lead,
  type MustFind,
  type NamedBlock,
  type OwnDatabase,
  type Project,
  type ReviewMark,
  type SearchState,
  type SourceRules,
  type Tally,
  type TargetBand,
  type Term,
  type Variant,
  type WorkRequest,
  type Working,
} from './project';
import { TERM_KINDS } from './term-kind';

/** The version of the stored and exported form. */
export const FORMAT_VERSION = 13;
const FORMAT = 'ewer-project';
/** The largest file that is read, in UTF-16 units. */
export const LARGEST_FILE = 50_000_000;

const id = Joi.string().min(1).max(100);
const text = Joi.string().allow('').max(70_000);
const number = Joi.number().integer().min(0);
const moment = Joi.string().isoDate();
const limiters = LIMITERS_SCHEMA;
const blockName = Joi.string()
  .pattern(/^[\p{L}\p{M}\p{Nd}_-]+$/u)
  .max(200);
const draft = Joi.string().allow('').max(1_000_000);
const term = Joi.object<Term>({
  id: id.required(),
  text: text.required(),
  off: Joi.boolean().required(),
  kind: Joi.valid(...TERM_KINDS),
  language: Joi.string().max(20),
  source: Joi.valid(...TERM_SOURCES),
  note: text,
  databases: Joi.array().items(id).min(1).max(50).unique(),
} satisfies SchemaOf<Term>);
const concept = Joi.object<Concept>({
  id: id.required(),
  name: text.required(),
  block: blockName.required(),
  terms: Joi.array().items(term).max(MAX_TERMS).required(),
  off: Joi.boolean().required(),
  note: text,
  fields: Joi.array()
    .items(Joi.valid(...FIELDS))
    .min(1)
    .unique(),
  dismissed: Joi.array().items(text).max(10_000),
} satisfies SchemaOf<Concept>);
const frozen = {
  concepts: Joi.array().items(concept).max(MAX_CONCEPTS).required(),
  blocks: Joi.array()
    .items(
      Joi.object<NamedBlock>({
        id: id.required(),
        name: blockName.required(),
        text: draft.required(),
      } satisfies SchemaOf<NamedBlock>),
    )
    .max(MAX_BLOCKS)
    .required(),
  draft: draft.required(),
  limiters: limiters.required(),
  databases: Joi.array().items(id).max(50).unique().required(),
} satisfies SchemaOf<SearchState>;
const band = Joi.object<TargetBand>({ from: number, to: number } satisfies SchemaOf<TargetBand>);
const words = Joi.array().items(Joi.string().max(100)).max(1_000).required();
const framed = Joi.object<FramedQuestion>({
  id: id.required(),
  parts: Joi.array()
    .items(Joi.object({ name: text.required(), answer: text.required() }))
    .max(12)
    .required(),
} satisfies SchemaOf<FramedQuestion>);
const tally = Joi.object<Tally>({
  id: id.required(),
  database: id.required(),
  string: Joi.string().allow('').required(),
  limiters: limiters.required(),
  moment: moment.required(),
  total: number.required(),
  estimated: Joi.boolean().required(),
  upTo: number,
  source: Joi.valid('measured', 'typed').required(),
  milliseconds: number,
  variant: id,
  state: id,
} satisfies SchemaOf<Tally>);
const mustFind = Joi.object<MustFind>({
  id: id.required(),
  title: text.required(),
  identifier: Joi.string().max(300),
  isFromQuery: Joi.boolean(),
  isAside: Joi.boolean(),
} satisfies SchemaOf<MustFind>);
const asideLook = Joi.object<AsideLook>({
  variant: id.required(),
  moment: moment.required(),
  found: number.required(),
  there: number.required(),
} satisfies SchemaOf<AsideLook>);
const variant = Joi.object<Variant>({
  id: id.required(),
  name: text.required(),
  note: text.required(),
  parent: id,
  moment: moment.required(),
  frozen: Joi.object(frozen).required(),
} satisfies SchemaOf<Variant>);
const ownDatabase = Joi.object<OwnDatabase>({
  dialect: DIALECT_SCHEMA.required(),
  connection: Joi.alternatives(
    Joi.object({ kind: Joi.valid('by-hand').required() }),
    Joi.object({ kind: Joi.valid('sru').required(), endpoint: SRU_ENDPOINT.required() }),
    Joi.object({ kind: Joi.valid('collection').required(), collection: id.required() }),
  ).required(),
} satisfies SchemaOf<OwnDatabase>);
const WORKING = {
  question: text.required(),
  frame: framed,
  purpose: Joi.valid(...PURPOSES).required(),
  rules: Joi.object<SourceRules>({
    note: text.required(),
    limiters: limiters.required(),
    wanted: band.required(),
  } satisfies SchemaOf<SourceRules>).required(),
  contextWords: Joi.object<ContextWordChoice>({
    added: words,
    dropped: words,
  } satisfies SchemaOf<ContextWordChoice>).required(),
  ...frozen,
  bands: Joi.object().pattern(id, band).required(),
  ownDatabases: Joi.array().items(ownDatabase).max(MAX_OWN_DATABASES).required(),
  reasons: Joi.object().pattern(id, text).required(),
  phraseWays: Joi.object().pattern(id, Joi.valid(...PHRASE_FALLBACKS)),
  base: id,
} satisfies SchemaOf<Working>;

/** Some parts of what undo and redo go through. */
export const WORKING_PART = Joi.object<Partial<Working>>(WORKING).fork(Object.keys(WORKING), (part) =>
  part.optional(),
);

const PROJECT = Joi.object<Project>({
  id: id.required(),
  name: text.required(),
  created: moment.required(),
  working: Joi.object(WORKING).required(),
  variants: Joi.array().items(variant).required(),
  tallies: Joi.array().items(tally).required(),
  states: Joi.array()
    .items(
      Joi.object<KeptState>({
        id: id.required(),
        state: Joi.object(frozen).required(),
        moment,
        question: text,
        reasons: Joi.object().pattern(id, text),
      } satisfies SchemaOf<KeptState>),
    )
    .required(),
  mustFinds: Joi.array().items(mustFind).max(MAX_MUST_FINDS).required(),
  asideLooks: Joi.array().items(asideLook).required(),
  judgements: Joi.object()
    .pattern(
      Joi.string().max(300),
      Joi.object<Judgement>({
        verdict: Joi.valid(...VERDICTS).required(),
        title: text.required(),
        reason: text,
        identifier: Joi.number().integer().min(0).unsafe(),
        work: Joi.number().integer().min(0).unsafe(),
        moment,
      } satisfies SchemaOf<Judgement>),
    )
    .required(),
  leads: Joi.array()
    .items(
      Joi.object<Lead>({
        id: id.required(),
        kind: Joi.valid(...LEAD_KINDS).required(),
        name: text.required(),
        record: text,
        note: text.required(),
        isDone: Joi.boolean().required(),
        created: moment.required(),
      } satisfies SchemaOf<Lead>),
    )
    .max(MAX_LEADS)
    .required(),
  requests: Joi.object()
    .pattern(
      Joi.string().max(300),
      Joi.object<WorkRequest>({
        title: text.required(),
        asked: moment.required(),
        identifier: Joi.number().integer().min(0).unsafe(),
        work: Joi.number().integer().min(0).unsafe(),
      } satisfies SchemaOf<WorkRequest>),
    )
    .required(),
  kept: Joi.array().items(KEPT_WORK_SCHEMA).max(MAX_KEPT).required(),
  sameWork: Joi.object().pattern(Joi.string().max(LONGEST_PAIR), Joi.boolean()).max(MAX_SAME_WORK).required(),
  review: Joi.object()
    .pattern(
      Joi.string().max(300),
      Joi.object<ReviewMark>({
        isDone: Joi.boolean().required(),
        comment: text.required(),
        moment,
      } satisfies SchemaOf<ReviewMark>),
    )
    .required(),
  notes: Joi.array().items(LOG_NOTE_SCHEMA).max(MAX_NOTES).required(),
  sources: Joi.array().items(PLAIN_SOURCE_SCHEMA).max(MAX_SOURCES).required(),
  runs: Joi.array().items(RUN_SCHEMA).max(MAX_RUNS).required(),
  documentWords: DOCUMENT_WORDS_SCHEMA.required(),
  compared: id,
} satisfies SchemaOf<Project>);

/** The outer form of a stored project. */
export interface StoredProject {
  readonly format: typeof FORMAT;
  readonly version: number;
  readonly project: Project;
}

/** Steps from one version of the form to the next: `MIGRATIONS[1]` makes version 2 of version 1. */
const MIGRATIONS: Readonly<Record<number, (stored: unknown) => unknown>> = {
  // Version 2 has a purpose, rules for sources and context words.
  1: (stored) => {
    const old = stored as { readonly working?: object } | null;
    const said = {
      purpose: 'review',
      rules: { note: '', limiters: {}, wanted: {} },
      contextWords: { added: [], dropped: [] },
    };
    return { ...old, working: { ...said, ...old?.working } };
  },
  // Version 3 has named blocks, the variant that a draft was made from, and remarks on the report.
  2: (stored) => {
    const old = stored as { readonly working?: object; readonly variants?: unknown } | null;
    const addBlocks = (variant: { readonly frozen?: object } | null): object => ({
      ...variant,
      frozen: { blocks: [], ...variant?.frozen },
    });
    const variants = Array.isArray(old?.variants) ? old.variants.map(addBlocks) : old?.variants;
    return { ...old, working: { blocks: [], ...old?.working }, variants, review: {} };
  },
  // Version 4 has databases of one's own, and why databases are searched.
  3: (stored) => {
    const old = stored as { readonly working?: object } | null;
    return { ...old, working: { ownDatabases: [], reasons: {}, ...old?.working } };
  },
  // Version 5 has collections of one's own records, which older programs do not know.
  4: (stored) => stored,
  // Version 6 has further limiters, chosen ways of writing phrases, must-finds, judgements and the states of tallies.
  5: (stored) => ({ states: [], mustFinds: [], judgements: {}, ...(stored as object | null) }),
  // Version 7 has the greater end of counts of which only bounds were known.
  6: (stored) => stored,
  // Version 8 has open access, which older programs do not know, and codes of languages as they are counted.
  7: (stored) => mapObjects(stored, writeLanguages),
  // Version 9 has reasons of judgements and what tells the work that was judged.
  8: (stored) => stored,
  // Version 10 has leads, and works that were asked for.
  9: (stored) => ({ leads: [], requests: {}, ...(stored as object | null) }),
  // Version 11 has what the person said of records that may be of one work.
  10: (stored) => ({ sameWork: {}, ...(stored as object | null) }),
  // Version 12 has the works that are kept, and looks at must-finds that are put aside.
  11: (stored) => ({ kept: [], asideLooks: [], ...(stored as object | null) }),
  // Version 13 has the log's own notes, sources without a string, runs and the words of the documented search.
  12: (stored) => ({
    notes: [],
    sources: [],
    runs: [],
    documentWords: NO_DOCUMENT_WORDS,
    ...(stored as object | null),
  }),
};

/** A value with all objects in it changed, the inner ones first. */
function mapObjects(value: unknown, change: (object: Readonly<Record<string, unknown>>) => object): unknown {
  if (Array.isArray(value)) return value.map((one) => mapObjects(one, change));
  if (typeof value !== 'object' || value === null) return value;
  const mapped = Object.entries(value).map(([key, inner]) => [key, mapObjects(inner, change)] as const);
  return change(Object.fromEntries(mapped));
}

/** Codes in small letters; what is none stands for a language that cannot be told, which no record is in. */
function writeLanguages(object: Readonly<Record<string, unknown>>): object {
  const { languages } = object;
  if (!Array.isArray(languages)) return object;
  const codes = languages.map((code) => String(code).trim().toLowerCase());
  return { ...object, languages: codes.map((code) => (/^[a-z]{2,3}$/.test(code) ? code : 'und')) };
}

/** A project as it is stored. */
export function storeProject(project: Project): StoredProject {
  return { format: FORMAT, version: FORMAT_VERSION, project };
}

/** A stored project as a value. Older versions are brought up; newer, foreign or broken ones are refused. */
export function restoreProject(stored: unknown): Outcome<Project> {
  if (!isStored(stored)) return fail(createProblem('not-a-project', 'error'));
  if (stored.version > FORMAT_VERSION)
    return fail(createProblem('newer-version', 'error', { version: stored.version }));
  let content: unknown = stored.project;
  for (let version = stored.version; version < FORMAT_VERSION; version++)
    content = MIGRATIONS[version]?.(content);
  const result = PROJECT.validate(content, { convert: false });
  if (!result.error) return succeed(result.value);
  const [detail] = result.error.details;
  const data = { path: detail?.path.join('.') ?? '', fault: detail?.message ?? '' };
  return fail(createProblem('broken-project', 'error', data));
}

/** The text of an exported project file. */
export function writeProjectFile(project: Project): string {
  return JSON.stringify(storeProject(project), undefined, 1);
}

/** Reads an exported file; nothing is changed by a file that is not one. */
export function readProjectFile(content: string): Outcome<Project> {
  if (content.length > LARGEST_FILE) return fail(createProblem('file-too-large', 'error', { most: '50 MB' }));
  let parsed: unknown;
  try {
    parsed = JSON.parse(content);
  } catch {
    return fail(createProblem('not-json', 'error'));
  }
  return restoreProject(parsed);
}

function isStored(value: unknown): value is StoredProject {
  const stored = value as Partial<StoredProject> | null;
  return (
    typeof stored === 'object' &&
    stored !== null &&
    stored.format === FORMAT &&
    Number.isInteger(stored.version) &&
    (stored.version ?? 0) > 0
  );
}
