import Joi from 'joi';
import type { SchemaOf } from '../schema';
import { SRU_ENDPOINT, type SruEndpoint } from '../sru';

/** What a server says of itself. */
export interface SruExplanation {
  readonly title: string;
  readonly description: string;
  readonly indexes: readonly { readonly name: string; readonly title: string }[];
  readonly schemas: readonly string[];
  readonly mostRecords?: number;
}

export interface SruCountRequest {
  readonly endpoint: SruEndpoint;
  readonly strings: readonly string[];
}

export interface SruSearchRequest {
  readonly endpoint: SruEndpoint;
  readonly string: string;
  readonly start: number;
  readonly rows: number;
}

const searchString = Joi.string().allow('').max(200_000);

/** An endpoint that is asked what it is, or that the person has looked at and confirmed. */
export const SRU_ENDPOINT_REQUEST = Joi.object<{ endpoint: SruEndpoint }, true>({
  endpoint: SRU_ENDPOINT.required(),
}).required();

export const SRU_COUNT_REQUEST = Joi.object<SruCountRequest>({
  endpoint: SRU_ENDPOINT.required(),
  strings: Joi.array().items(searchString).max(2_000).required(),
} satisfies SchemaOf<SruCountRequest>).required();

export const SRU_SEARCH_REQUEST = Joi.object<SruSearchRequest>({
  endpoint: SRU_ENDPOINT.required(),
  string: searchString.required(),
  start: Joi.number().integer().min(0).max(1_000_000).default(0),
  rows: Joi.number().integer().min(0).max(100).default(25),
} satisfies SchemaOf<SruSearchRequest>).required();

const text = Joi.string().allow('');
export const SRU_EXPLANATION = Joi.object<SruExplanation>({
  title: text.required(),
  description: text.required(),
  indexes: Joi.array()
    .items(Joi.object({ name: text.required(), title: text.required() }))
    .required(),
  schemas: Joi.array().items(text).required(),
  mostRecords: Joi.number().integer().min(1),
} satisfies SchemaOf<SruExplanation>);
