import Joi from 'joi';
import { DOCUMENT_TYPES } from '../record';
import { createProblem, fail, succeed, type Outcome } from '../problem';
import { FIELDS } from '../query';
import { SRU_ENDPOINT } from '../sru';
import { MOST_BLOCKS } from './apply-to-blocks';
import { DIALECT_SCHEMA, PHRASE_FALLBACKS } from '../dialect';
import {
  MOST_CONCEPTS,
  MOST_MUST_FINDS,
  MOST_OWN_DATABASES,
  MOST_TERMS,
  NOTHING_SAID,
  PURPOSES,
  TERM_SOURCES,
  VERDICTS,
  type Project,
  type Working,
} from './project';
import { TERM_KINDS } from './term-kind';

/** The version of the stored and exported form. */
export const FORMAT_VERSION = 7;
const FORMAT = 'ewer-project';
/** The largest file that is read, in UTF-16 units. */
export const LARGEST_FILE = 50_000_000;

const id = Joi.string().min(1).max(100);
const text = Joi.string().allow('').max(70_000);
const year = Joi.number().integer().min(0).max(9999);
const number = Joi.number().integer().min(0);
const month = Joi.string().pattern(/^\d{4}-(0[1-9]|1[0-2])$/);
const limiterText = Joi.string().max(300);
const moment = Joi.string().isoDate();
const limiters = Joi.object({
  years: Joi.object({ from: year, to: year }),
  types: Joi.array().items(Joi.valid(...DOCUMENT_TYPES)),
  languages: Joi.array().items(Joi.string().max(3)),
  peerReviewed: Joi.boolean(),
  fullText: Joi.boolean(),
  entered: Joi.object({ from: month, to: month }),
  sources: Joi.array().items(limiterText).max(50),
  subjects: Joi.array().items(limiterText).max(50),
});
const blockName = Joi.string()
  .pattern(/^[\p{L}\p{M}\p{Nd}_-]+$/u)
  .max(200);
const draft = Joi.string().allow('').max(1_000_000);
const term = Joi.object({
  id: id.required(),
  text: text.required(),
  off: Joi.boolean().required(),
  kind: Joi.valid(...TERM_KINDS),
  language: Joi.string().max(20),
  source: Joi.valid(...TERM_SOURCES),
  note: text,
  databases: Joi.array().items(id).min(1).max(50).unique(),
});
const concept = Joi.object({
  id: id.required(),
  name: text.required(),
  block: blockName.required(),
  terms: Joi.array().items(term).max(MOST_TERMS).required(),
  off: Joi.boolean().required(),
  note: text,
  fields: Joi.array()
    .items(Joi.valid(...FIELDS))
    .min(1)
    .unique(),
  dismissed: Joi.array().items(text).max(10_000),
});
const frozen = {
  concepts: Joi.array().items(concept).max(MOST_CONCEPTS).required(),
  blocks: Joi.array()
    .items(Joi.object({ id: id.required(), name: blockName.required(), text: draft.required() }))
    .max(MOST_BLOCKS)
    .required(),
  draft: draft.required(),
  limiters: limiters.required(),
  databases: Joi.array().items(id).max(50).unique().required(),
};
const band = Joi.object({ from: number, to: number });
const words = Joi.array().items(Joi.string().max(100)).max(1_000).required();
const framed = Joi.object({
  id: id.required(),
  parts: Joi.array()
    .items(Joi.object({ name: text.required(), answer: text.required() }))
    .max(12)
    .required(),
});
const tally = Joi.object({
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
});
const mustFind = Joi.object({ id: id.required(), title: text.required(), identifier: Joi.string().max(300) });
const variant = Joi.object({
  id: id.required(),
  name: text.required(),
  note: text.required(),
  parent: id,
  moment: moment.required(),
  frozen: Joi.object(frozen).required(),
});
const ownDatabase = Joi.object({
  dialect: DIALECT_SCHEMA.required(),
  connection: Joi.alternatives(
    Joi.object({ kind: Joi.valid('by-hand').required() }),
    Joi.object({ kind: Joi.valid('sru').required(), endpoint: SRU_ENDPOINT.required() }),
    Joi.object({ kind: Joi.valid('collection').required(), collection: id.required() }),
  ).required(),
});
const WORKING = {
  question: text.required(),
  frame: framed,
  purpose: Joi.valid(...PURPOSES).required(),
  rules: Joi.object({
    note: text.required(),
    limiters: limiters.required(),
    wanted: band.required(),
  }).required(),
  contextWords: Joi.object({ added: words, dropped: words }).required(),
  ...frozen,
  bands: Joi.object().pattern(id, band).required(),
  ownDatabases: Joi.array().items(ownDatabase).max(MOST_OWN_DATABASES).required(),
  reasons: Joi.object().pattern(id, text).required(),
  phraseWays: Joi.object().pattern(id, Joi.valid(...PHRASE_FALLBACKS)),
  base: id,
};

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
    .items(Joi.object({ id: id.required(), state: Joi.object(frozen).required() }))
    .required(),
  mustFinds: Joi.array().items(mustFind).max(MOST_MUST_FINDS).required(),
  judgements: Joi.object()
    .pattern(
      Joi.string().max(300),
      Joi.object({ verdict: Joi.valid(...VERDICTS).required(), title: text.required() }),
    )
    .required(),
  review: Joi.object()
    .pattern(
      Joi.string().max(300),
      Joi.object({ isDone: Joi.boolean().required(), comment: text.required() }),
    )
    .required(),
  compared: id,
});

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
    return { ...old, working: { ...NOTHING_SAID, ...old?.working } };
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
};

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
