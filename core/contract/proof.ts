import Joi from 'joi';
import type { SchemaOf } from '../schema';

/** A node whose rendering does not mean the same, to be put alone into the neutral query. */
export interface ProofSwap {
  /** The place of the node among all nodes of the query, outer ones first. */
  readonly node: number;
  /** Its own strings, or what it comes to when it is left out: everything in an AND, nothing else. */
  readonly strings?: readonly string[];
  readonly leftOut?: 'all' | 'none';
}

/** A query in Ewer's own text, its rendering, and the nodes to look at one by one. */
export interface ProofRequest {
  readonly query: string;
  readonly strings: readonly string[];
  readonly swaps: readonly ProofSwap[];
}

/** Records that only one of two sets has: how many, and the first of their numbers. */
export interface ProofDifference {
  readonly total: number;
  readonly numbers: readonly number[];
}

/** What a rendering finds against the neutral meaning, and what each node alone does to it. */
export interface ProofAnswer {
  readonly wanted: number;
  readonly found: number;
  readonly gained: ProofDifference;
  readonly lost: ProofDifference;
  readonly swaps: readonly { readonly gained: ProofDifference; readonly lost: ProofDifference }[];
  /** What no node does alone. */
  readonly together: { readonly gained: ProofDifference; readonly lost: ProofDifference };
}

const strings = Joi.array().items(Joi.string().allow('').max(200_000)).max(100);

export const PROOF_REQUEST = Joi.object<ProofRequest>({
  query: Joi.string().allow('').max(65_536).required(),
  strings: strings.required(),
  swaps: Joi.array()
    .items(
      Joi.object({
        node: Joi.number().integer().min(0).required(),
        strings,
        leftOut: Joi.valid('all', 'none'),
      }).xor('strings', 'leftOut'),
    )
    .max(500)
    .required(),
} satisfies SchemaOf<ProofRequest>).required();

const number = Joi.number().integer().min(0).required();
const difference = Joi.object({
  total: number,
  numbers: Joi.array().items(Joi.number().integer().min(0)).required(),
}).required();
const both = Joi.object({ gained: difference, lost: difference });

export const PROOF_ANSWER = Joi.object<ProofAnswer>({
  wanted: number,
  found: number,
  gained: difference,
  lost: difference,
  swaps: Joi.array().items(both).required(),
  together: both.required(),
} satisfies SchemaOf<ProofAnswer>);
