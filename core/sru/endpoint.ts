import Joi from 'joi';
import type { SchemaOf } from '../schema';

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

/** The shape of an endpoint, wherever one is stored or sent. */
export const SRU_ENDPOINT = Joi.object<SruEndpoint>({
  address: Joi.string()
    .max(2_000)
    .pattern(/^(https?:\/\/|standin:)/)
    .required(),
  version: Joi.valid(...SRU_VERSIONS).required(),
  schema: Joi.string().max(300),
} satisfies SchemaOf<SruEndpoint>);
