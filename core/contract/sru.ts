import Joi from 'joi';

/** The versions of SRU that are spoken: 1.1 and 1.2 (Library of Congress), 2.0 (OASIS searchRetrieve 1.0). */
export const SRU_VERSIONS = ['1.1', '1.2', '2.0'] as const;
export type SruVersion = (typeof SRU_VERSIONS)[number];

/** The address that stands for a made-up database of this server. */
export const STANDIN_SCHEME = 'standin:';

/** A server that speaks SRU. */
export interface SruEndpoint {
  /** Of a server: http or https. Of a made-up database: `standin:` and its short name. */
  readonly address: string;
  readonly version: SruVersion;
  /** The schema in which records are asked for; the server's own choice without it. */
  readonly schema?: string;
}

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

const endpoint = Joi.object<SruEndpoint>({
  address: Joi.string()
    .max(2_000)
    .pattern(/^(https?:\/\/|standin:)/)
    .required(),
  version: Joi.valid(...SRU_VERSIONS).required(),
  schema: Joi.string().max(300),
});
const searchString = Joi.string().allow('').max(200_000);

/** An endpoint that is asked what it is, or that the person has looked at and confirmed. */
export const SRU_ENDPOINT_REQUEST = Joi.object<{ endpoint: SruEndpoint }, true>({
  endpoint: endpoint.required(),
});

export const SRU_COUNT_REQUEST = Joi.object<SruCountRequest>({
  endpoint: endpoint.required(),
  strings: Joi.array().items(searchString).max(2_000).required(),
});

export const SRU_SEARCH_REQUEST = Joi.object<SruSearchRequest>({
  endpoint: endpoint.required(),
  string: searchString.required(),
  start: Joi.number().integer().min(0).max(1_000_000).default(0),
  rows: Joi.number().integer().min(0).max(100).default(25),
});

const text = Joi.string().allow('');
export const SRU_EXPLANATION = Joi.object<SruExplanation>({
  title: text.required(),
  description: text.required(),
  indexes: Joi.array()
    .items(Joi.object({ name: text.required(), title: text.required() }))
    .required(),
  schemas: Joi.array().items(text).required(),
  mostRecords: Joi.number().integer().min(1),
});
