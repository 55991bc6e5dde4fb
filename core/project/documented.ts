import Joi from 'joi';
import { LIMITERS_SCHEMA, type Limiters } from '../limiter';
import type { SchemaOf } from '../schema';

/** A remark of the person's in the log. */
export interface LogNote {
  readonly id: string;
  /** ISO 8601, UTC. */
  readonly moment: string;
  readonly text: string;
}

/** The kinds of sources that are searched without a string. */
export const SOURCE_KINDS = ['journal', 'website', 'expert', 'references', 'other'] as const;
export type SourceKind = (typeof SOURCE_KINDS)[number];

/** A source that was searched without a string: a journal read through, a website, a person who was asked. */
export interface PlainSource {
  readonly id: string;
  /** When it was noted, ISO 8601, UTC. */
  readonly moment: string;
  readonly kind: SourceKind;
  readonly name: string;
  /** What of it was searched, and how: `tables of contents, 2019–2026`. */
  readonly how: string;
  /** By whom; empty if that was not said. */
  readonly by: string;
  /** How many items were looked at, and how many kept, where that was said. */
  readonly looked?: number;
  readonly kept?: number;
}

/** One database of a run: what was sent there, and what else had to be done. */
export interface RunDatabase {
  readonly database: string;
  readonly name: string;
  /** Exactly as it was sent; several strings stand on a line each. */
  readonly string: string;
  /** What was asked for. */
  readonly limiters: Limiters;
  /** What had to be set on the page of the database, in words. */
  readonly boxes: readonly string[];
  /** The limiters that the database does not have, in words. */
  readonly without: readonly string[];
  /** How what the string finds differs from what is meant; empty if it does not. */
  readonly differences: readonly string[];
  /** So many records the database had. */
  readonly size?: number;
  /** Its count, by the id of the tally. */
  readonly tally?: string;
  /** Why there is no count. */
  readonly problem?: string;
}

/** What the databases of a run found together. */
export interface RunWorks {
  /** Between these lies the number of different works. */
  readonly least: number;
  readonly greatest: number;
  readonly estimated: boolean;
  /** The records of the databases that were compared record by record, and how many of them were duplicates. */
  readonly records: number;
  readonly duplicates: number;
  /** By what duplicates were told. */
  readonly matched: { readonly identifier: number; readonly work: number; readonly answer: number };
  /** The databases that were compared record by record, and those that gave numbers only. */
  readonly compared: readonly string[];
  readonly countsOnly: readonly string[];
}

/** How many of the must-finds that the databases of a run held were found by it. */
export interface RunRecall {
  readonly found: number;
  readonly there: number;
}

/** All databases of a variant, counted at one time. */
export interface Run {
  readonly id: string;
  readonly name: string;
  readonly variant: string;
  /** ISO 8601, UTC. */
  readonly moment: string;
  readonly databases: readonly RunDatabase[];
  readonly works?: RunWorks;
  readonly recall?: RunRecall;
}

/** A text that Ewer proposed and the person changed. */
export interface EditedText {
  readonly text: string;
  /** The proposal that it was made from. */
  readonly from: string;
}

/** What the documented search says in the person's own words. */
export interface DocumentWords {
  /** Who searched. */
  readonly searcher: string;
  /** When and how the search will be run again. */
  readonly updatePlan: string;
  /** What was learnt from the first search for the next one. */
  readonly learnt: string;
  /** The paragraph for the methods section, once the person has changed it. */
  readonly methods?: EditedText;
}

export const NO_DOCUMENT_WORDS: DocumentWords = { searcher: '', updatePlan: '', learnt: '' };

/** The most notes, sources without a string, and runs of a project. */
export const MAX_NOTES = 5_000;
export const MAX_SOURCES = 500;
export const MAX_RUNS = 500;

const id = Joi.string().min(1).max(100);
const text = Joi.string().allow('').max(70_000);
const moment = Joi.string().isoDate();
const number = Joi.number().integer().min(0);
const lines = Joi.array().items(text).max(1_000);

export const LOG_NOTE_SCHEMA = Joi.object<LogNote>({
  id: id.required(),
  moment: moment.required(),
  text: text.required(),
} satisfies SchemaOf<LogNote>);

export const PLAIN_SOURCE_SCHEMA = Joi.object<PlainSource>({
  id: id.required(),
  moment: moment.required(),
  kind: Joi.valid(...SOURCE_KINDS).required(),
  name: text.required(),
  how: text.required(),
  by: text.required(),
  looked: number,
  kept: number,
} satisfies SchemaOf<PlainSource>);

export const RUN_SCHEMA = Joi.object<Run>({
  id: id.required(),
  name: text.required(),
  variant: id.required(),
  moment: moment.required(),
  databases: Joi.array()
    .items(
      Joi.object<RunDatabase>({
        database: id.required(),
        name: text.required(),
        string: Joi.string().allow('').required(),
        limiters: LIMITERS_SCHEMA.required(),
        boxes: lines.required(),
        without: lines.required(),
        differences: lines.required(),
        size: number,
        tally: id,
        problem: text,
      } satisfies SchemaOf<RunDatabase>),
    )
    .max(50)
    .required(),
  works: Joi.object<RunWorks>({
    least: number.required(),
    greatest: number.required(),
    estimated: Joi.boolean().required(),
    records: number.required(),
    duplicates: number.required(),
    matched: Joi.object({
      identifier: number.required(),
      work: number.required(),
      answer: number.required(),
    }).required(),
    compared: Joi.array().items(id).required(),
    countsOnly: Joi.array().items(id).required(),
  } satisfies SchemaOf<RunWorks>),
  recall: Joi.object<RunRecall>({
    found: number.required(),
    there: number.required(),
  } satisfies SchemaOf<RunRecall>),
} satisfies SchemaOf<Run>);

export const DOCUMENT_WORDS_SCHEMA = Joi.object<DocumentWords>({
  searcher: text.required(),
  updatePlan: text.required(),
  learnt: text.required(),
  methods: Joi.object<EditedText>({
    text: text.required(),
    from: text.required(),
  } satisfies SchemaOf<EditedText>),
} satisfies SchemaOf<DocumentWords>);
