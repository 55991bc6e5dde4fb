import Joi from 'joi';
import type { SchemaOf } from '../schema';
import { splitWords } from '../text';

/** A person as an author: given and family name, and where they work. */
export interface Author {
  readonly given: string;
  readonly family: string;
  readonly affiliation?: string;
}

/** A subject heading as given to a record. */
export interface AssignedHeading {
  readonly label: string;
  /** The heading names a main topic of the work. */
  readonly focus?: boolean;
  readonly qualifier?: string;
}

/** The kinds of document that limiters know. */
export const DOCUMENT_TYPES = [
  'article',
  'review',
  'conference paper',
  'book',
  'thesis',
  'report',
  'news',
] as const;
export type DocumentType = (typeof DOCUMENT_TYPES)[number];

/** A bibliographic record as a database shows it. What a database does not hold is absent or empty. */
export interface BibliographicRecord {
  readonly id: string;
  readonly title: string;
  readonly abstract: string;
  readonly keywords: readonly string[];
  readonly headings: readonly AssignedHeading[];
  readonly authors: readonly Author[];
  /** The journal or other container; of a book that stands alone its publisher. */
  readonly source: string;
  readonly volume?: string;
  readonly issue?: string;
  /** The first and the last page, with a hyphen between, or what else tells the place: `120-131`, `e17`. */
  readonly pages?: string;
  /** Only where the source is something else. */
  readonly publisher?: string;
  readonly year?: number;
  readonly type: DocumentType;
  /** ISO 639-1. */
  readonly language: string;
  readonly peerReviewed: 'yes' | 'no' | 'unknown';
  readonly hasFullText: boolean;
  /** Anybody may read it without paying; absent where the database does not know. */
  readonly isOpenAccess?: boolean;
  /** Only where the database searches it. */
  readonly fullText?: string;
  readonly doi?: string;
  /** Month of entry into the database, `YYYY-MM`. */
  readonly entered: string;
  /** The ids of the works that it cites. */
  readonly references: readonly string[];
  /** Only where the database knows it. */
  readonly cited?: TimesCited;
}

/** How often a work is cited within a database, and how it stands there among records of its year and type. */
export interface TimesCited {
  readonly times: number;
  /** The records of the same year and type, this one among them. */
  readonly peers: number;
  /** Those of them that are cited more often. */
  readonly ahead: number;
}

/** How long abstracts are, in words: the least of each band, the longest band first. */
export const ABSTRACT_LENGTHS = [
  { id: 'long', least: 250 },
  { id: 'medium', least: 100 },
  { id: 'short', least: 1 },
  { id: 'none', least: 0 },
] as const;
export type AbstractLength = (typeof ABSTRACT_LENGTHS)[number]['id'];

/** The band of an abstract's length. */
export function findAbstractLength(abstract: string): AbstractLength {
  const words = splitWords(abstract).length;
  return ABSTRACT_LENGTHS.find(({ least }) => words >= least)!.id;
}

/** How long full texts are, in words: the least of each band, the longest band first. */
export const TEXT_LENGTHS = [
  { id: 'long', least: 5_000 },
  { id: 'medium', least: 1_500 },
  { id: 'brief', least: 600 },
  { id: 'short', least: 1 },
] as const;
export type TextLength = (typeof TEXT_LENGTHS)[number]['id'];

/** The band of a full text's length; nothing where there is none, since a text elsewhere may have any length. */
export function findTextLength(fullText: string | undefined): TextLength | undefined {
  const words = splitWords(fullText ?? '').length;
  return TEXT_LENGTHS.find(({ least }) => words >= least)?.id;
}

const text = Joi.string().allow('');
/** A record as it comes from outside. */
export const RECORD_SCHEMA = Joi.object<BibliographicRecord>({
  id: text.required(),
  title: text.required(),
  abstract: text.required(),
  keywords: Joi.array().items(text).required(),
  headings: Joi.array()
    .items(
      Joi.object({
        label: text.required(),
        focus: Joi.boolean(),
        qualifier: text,
      } satisfies SchemaOf<AssignedHeading>),
    )
    .required(),
  authors: Joi.array()
    .items(
      Joi.object({
        given: text.required(),
        family: text.required(),
        affiliation: text,
      } satisfies SchemaOf<Author>),
    )
    .required(),
  source: text.required(),
  volume: text,
  issue: text,
  pages: text,
  publisher: text,
  year: Joi.number().integer(),
  type: Joi.valid(...DOCUMENT_TYPES).required(),
  language: text.required(),
  peerReviewed: Joi.valid('yes', 'no', 'unknown').required(),
  hasFullText: Joi.boolean().required(),
  isOpenAccess: Joi.boolean(),
  fullText: text,
  doi: text,
  entered: text.required(),
  references: Joi.array().items(text).required(),
  cited: Joi.object({
    times: Joi.number().integer().min(0).required(),
    peers: Joi.number().integer().min(1).required(),
    ahead: Joi.number().integer().min(0).required(),
  } satisfies SchemaOf<TimesCited>),
} satisfies SchemaOf<BibliographicRecord>);

/** An author as lists of names have them: `Okonjo, Freya`. */
export function nameAuthor({ family, given }: Author): string {
  return given === '' ? family : `${family}, ${given}`;
}

/** The authors in one line, as shown in lists. */
export function describeAuthors(authors: readonly Author[], most = 4): string {
  const names = authors.slice(0, most).map(nameAuthor);
  return names.join('; ') + (authors.length > most ? '; and others' : '');
}
