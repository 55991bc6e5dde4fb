import Joi from 'joi';
import type { BibliographicRecord } from '#core/record/index';
import type { SchemaOf } from '#core/schema/index';
import type { TrailStart } from '#core/trail/index';

/** The most works that citations are followed from at once. */
export const MAX_STARTS = 60;
/** The most lists of citing records of one trail. */
const MAX_LISTS = 20;

/** What a trail starts from. */
export interface TrailAddress {
  readonly from: readonly TrailStart[];
  /** Collections of records that cite the first of them, by the ids of their databases. */
  readonly citing?: readonly string[];
}

const text = Joi.string().allow('').max(2_000);
const TRAIL = Joi.object<TrailAddress>({
  from: Joi.array()
    .items(
      Joi.object<TrailStart>({
        title: text.required(),
        year: Joi.number().integer(),
        authors: Joi.array()
          .items(Joi.object({ family: text.required(), given: text.required() }))
          .max(1)
          .required(),
        doi: text,
      } satisfies SchemaOf<TrailStart>),
    )
    .max(MAX_STARTS)
    .required(),
  citing: Joi.array().items(Joi.string().max(100)).max(MAX_LISTS),
} satisfies SchemaOf<TrailAddress>).required();

/** What stands behind the `#` of a trail from some works, the first of them if there are too many. */
export function writeTrail(
  records: readonly Pick<BibliographicRecord, 'title' | 'year' | 'authors' | 'doi'>[],
): string {
  const from = records.slice(0, MAX_STARTS).map(({ title, year, authors, doi }): TrailStart => {
    const first = authors.slice(0, 1).map(({ family, given }) => ({ family, given }));
    return { title, ...(year !== undefined && { year }), authors: first, ...(doi !== undefined && { doi }) };
  });
  return JSON.stringify({ from } satisfies TrailAddress);
}

/** The same trail with another list of records that cite its first work. */
export function addCitingList(trail: TrailAddress, database: string): string {
  const citing = [...new Set([...(trail.citing ?? []), database])].slice(-MAX_LISTS);
  return JSON.stringify({ ...trail, citing } satisfies TrailAddress);
}

/** What an address starts from; no works if it is not one of a trail. */
export function readTrail(fragment: string | null): TrailAddress {
  let parsed: unknown;
  try {
    parsed = JSON.parse(fragment ?? '');
  } catch {
    return { from: [] };
  }
  const result = TRAIL.validate(parsed, { convert: false });
  return result.error ? { from: [] } : result.value;
}
