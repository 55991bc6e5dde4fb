import Joi from 'joi';
import type { SchemaOf } from '../../schema';
import { LIMITER_NAMES, getLimiterRow } from '../../limiter';
import { createProblem, type Problem } from '../../problem';
import { FIELDS } from '../../query';
import {
  LENGTH_FALLBACKS,
  PHRASE_FALLBACKS,
  type Dialect,
  type HistoryForms,
  type MaybeRule,
  type OperatorWords,
  type ProximityRule,
  type WildcardRule,
} from './dialect';

const text = Joi.string().min(1).max(500);
const operator = Joi.object({
  write: text.allow('').required(),
  read: Joi.array().items(text).required(),
  anyCase: Joi.boolean().required(),
} satisfies SchemaOf<OperatorWords>);
const sign = Joi.string()
  .length(1)
  .pattern(/[\p{L}\p{N}\s"()]/u, { invert: true });
const wildcardParts = {
  sign: sign.required(),
  leastLetters: Joi.number().integer().min(0).max(20).required(),
  where: Joi.valid('end', 'anywhere', 'not-first').required(),
  cap: Joi.number().integer().min(1),
} satisfies SchemaOf<WildcardRule>;
const wildcard = Joi.object(wildcardParts);
const maybe = Joi.object({
  ...wildcardParts,
  means: Joi.valid('letter-behind', 'any-character').required(),
} satisfies SchemaOf<MaybeRule>);
const note = text;
const limiter = Joi.alternatives(
  Joi.object({
    how: Joi.valid('string').required(),
    form: text.pattern(/\{(from|value|values)\}/).required(),
    formFrom: text.pattern(/\{from\}/),
    formTo: text.pattern(/\{to\}/),
    joint: text,
    values: Joi.object().pattern(text, text),
    note,
  }),
  Joi.object({ how: Joi.valid('box', 'none').required(), note }),
  Joi.object({ how: Joi.valid('hand').required(), note: note.required() }),
);
const field = Joi.valid(...FIELDS);
const fieldList = Joi.array().items(field).unique();
const level = Joi.array()
  .items(Joi.valid('and', 'or', 'not'))
  .min(1);

/** The shape of a dialect document. */
export const DIALECT_SCHEMA = Joi.object<Dialect>({
  id: Joi.string()
    .pattern(/^[a-z][a-z0-9-]{0,39}$/)
    .required(),
  name: text.required(),
  shortName: Joi.string().trim().min(1).max(20),
  about: text.required(),
  coverage: text,
  grammar: Joi.valid('cql', 'lucene', 'neutral'),
  operators: Joi.object({
    and: operator.required(),
    or: operator.required(),
    not: operator.required(),
  } satisfies SchemaOf<Dialect['operators']>).required(),
  exclusion: Joi.valid('between', 'before').required(),
  precedence: Joi.alternatives(Joi.valid('left-to-right'), Joi.array().items(level).min(1)).required(),
  mixedOperators: Joi.valid('refused', 'unsure'),
  sideBySide: Joi.valid('and', 'or', 'phrase', 'error').required(),
  deepest: Joi.number().integer().min(0).max(50),
  phrase: Joi.object({
    wildcards: Joi.valid('none', 'last-word', 'all').required(),
    fallbacks: Joi.array()
      .items(Joi.valid(...PHRASE_FALLBACKS))
      .unique()
      .required(),
  } satisfies SchemaOf<Dialect['phrase']>).required(),
  wildcards: Joi.object({ any: wildcard, one: wildcard, maybe } satisfies SchemaOf<
    Dialect['wildcards']
  >).required(),
  proximity: Joi.array()
    .items(
      Joi.object({
        form: text.pattern(/^(?=.*\{n\}).*\{a\}.+\{b\}/).required(),
        counts: Joi.valid('between', 'difference').required(),
        ordered: Joi.boolean().required(),
        turnsWhenNearer: Joi.boolean(),
        greatest: Joi.number().integer().min(1),
        numbers: Joi.array().items(Joi.number().integer().min(0)).min(1),
        operands: Joi.valid('words', 'phrases', 'groups').required(),
      } satisfies SchemaOf<ProximityRule>),
    )
    .required(),
  fields: Joi.object({
    mark: text.pattern(/^(?=.*\{field\}).*\{item\}/).required(),
    marksGroups: Joi.boolean().required(),
    joint: text,
    codes: Joi.object().pattern(field, text).required(),
    wordsOnly: fieldList.required(),
    instead: Joi.object()
      .pattern(field, Joi.valid(...FIELDS, 'unmarked'))
      .required(),
    held: fieldList.min(1).required(),
    unmarked: fieldList.min(1).required(),
    identifier: text.pattern(/\{value\}/),
  } satisfies SchemaOf<Dialect['fields']>).required(),
  headings: Joi.object({
    vocabulary: text.required(),
    heading: text.pattern(/\{label\}/).required(),
    branch: text.pattern(/\{label\}/),
    focus: text.pattern(/\{label\}/),
    qualified: text.pattern(/\{label\}.+\{qualifier\}/),
    flat: Joi.boolean().required(),
  } satisfies SchemaOf<NonNullable<Dialect['headings']>>),
  limiters: Joi.object(
    Object.fromEntries(
      LIMITER_NAMES.map((name) => [
        name,
        getLimiterRow(name).isLater ? limiter.default({ how: 'none' }) : limiter.required(),
      ]),
    ),
  ).required(),
  escape: Joi.object({ sign: sign.required(), before: text.required() } satisfies SchemaOf<
    NonNullable<Dialect['escape']>
  >),
  stopWords: Joi.array().items(text).required(),
  reservedWords: Joi.array().items(text).required(),
  stems: Joi.boolean(),
  givenNames: Joi.valid('full', 'initials'),
  joinsHyphens: Joi.boolean().required(),
  most: Joi.object({
    characters: Joi.number().integer().min(1),
    truncations: Joi.number().integer().min(0),
    words: Joi.number().integer().min(1),
  } satisfies SchemaOf<Dialect['most']>).required(),
  whenTooLong: Joi.array()
    .items(Joi.valid(...LENGTH_FALLBACKS))
    .unique()
    .required(),
  setReference: text.pattern(/\{n\}/),
  history: Joi.object({
    ranges: Joi.array()
      .items(text.pattern(/^(?=.*\{operator\})(?=.*\{from\}).*\{to\}/))
      .required(),
    limits: Joi.array()
      .items(text.pattern(/^(?=.*\{n\}).*\{limiter\}/))
      .required(),
  } satisfies SchemaOf<HistoryForms>),
  address: text.pattern(/^https?:\/\/.*\{string\}/),
  recordAddress: text.pattern(/^https?:\/\/.*\{(?:id|doi)\}/),
  habits: Joi.array().items(text).required(),
} satisfies SchemaOf<Dialect>);

/** A dialect document as a value, or all its faults at once. */
export function readDialect(
  document: unknown,
): { dialect: Dialect; problems: [] } | { dialect?: never; problems: Problem[] } {
  const options = { abortEarly: false, convert: false, errors: { label: false } } as const;
  const result = DIALECT_SCHEMA.validate(document, options);
  if (!result.error) return { dialect: result.value, problems: [] };
  const problems = result.error.details.map((detail) =>
    createProblem('dialect-invalid', 'error', {
      path: detail.path.join('.') || 'the whole',
      fault: detail.type === 'string.pattern.base' ? 'it is not written as it should be' : detail.message,
    }),
  );
  return { problems };
}
