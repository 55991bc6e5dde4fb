import Joi from 'joi';
import { LIMITERS_SCHEMA, type Limiters } from '../limiter';
import { RECORD_SCHEMA, type BibliographicRecord } from '../record';
import type { SchemaOf } from '../schema';

/** A passage of a work word for word, apart from what the person says of it. */
export interface Quotation {
  readonly id: string;
  readonly text: string;
  /** Where it stands: a page, or pages. */
  readonly page: string;
  /** The person's own words. */
  readonly comment: string;
}

/** A record of a kept work: its database, and its id there. */
export interface KeptPlace {
  readonly database: string;
  readonly record: string;
}

/** The search that found a kept work first. */
export interface FirstFound {
  readonly database: string;
  /** The string that was sent, in the syntax of the database. */
  readonly string: string;
  /** Those that were sent beside the string, as boxes to tick. */
  readonly limiters: Limiters;
  /** The variant that it was written for. */
  readonly variant?: string;
}

/** A work that the person keeps, with what the person thinks of it. */
export interface KeptWork {
  readonly id: string;
  /** As the first database has it, without full text and references. */
  readonly record: BibliographicRecord;
  /** Its keys tell the same work in other databases (`createRecordKeys`); 0 where they are not known. */
  readonly identifier: number;
  readonly work: number;
  /** ISO 8601, UTC. */
  readonly kept: string;
  readonly found?: FirstFound;
  /** Where it was met, the first place first. */
  readonly places: readonly KeptPlace[];
  readonly labels: readonly string[];
  readonly note: string;
  readonly quotations: readonly Quotation[];
  /** What the person answers to questions about the source, by the question. */
  readonly answers: Readonly<Record<string, string>>;
}

/** The most works, labels of a work, and quotations of a work. */
export const MAX_KEPT = 2_000;
export const MAX_LABELS = 50;
export const MAX_QUOTATIONS = 200;
/** The longest label and question, in UTF-16 units. */
export const LONGEST_LABEL = 60;
export const LONGEST_QUESTION = 300;

const id = Joi.string().min(1).max(100);
const text = Joi.string().allow('').max(70_000);
const key = Joi.number().integer().min(0).unsafe();

/** A kept work as it comes from a project file. */
export const KEPT_WORK_SCHEMA = Joi.object<KeptWork>({
  id: id.required(),
  record: RECORD_SCHEMA.required(),
  identifier: key.required(),
  work: key.required(),
  kept: Joi.string().isoDate().required(),
  found: Joi.object<FirstFound>({
    database: id.required(),
    string: Joi.string().allow('').required(),
    limiters: LIMITERS_SCHEMA.required(),
    variant: id,
  } satisfies SchemaOf<FirstFound>),
  places: Joi.array()
    .items(
      Joi.object<KeptPlace>({
        database: id.required(),
        record: text.required(),
      } satisfies SchemaOf<KeptPlace>),
    )
    .required(),
  labels: Joi.array().items(Joi.string().min(1).max(LONGEST_LABEL)).max(MAX_LABELS).unique().required(),
  note: text.required(),
  quotations: Joi.array()
    .items(
      Joi.object<Quotation>({
        id: id.required(),
        text: text.required(),
        page: Joi.string().allow('').max(100).required(),
        comment: text.required(),
      } satisfies SchemaOf<Quotation>),
    )
    .max(MAX_QUOTATIONS)
    .required(),
  answers: Joi.object().pattern(Joi.string().min(1).max(LONGEST_QUESTION), text).required(),
} satisfies SchemaOf<KeptWork>);
