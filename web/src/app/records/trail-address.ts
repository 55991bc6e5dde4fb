import Joi from 'joi';
import type { BibliographicRecord } from '#core/record/index';
import type { SchemaOf } from '#core/schema/index';
import type { TrailStart } from '#core/trail/index';

/** The most works that citations are followed from at once. */
export const MAX_STARTS = 60;

interface WrittenTrail {
  readonly from: readonly TrailStart[];
}

const text = Joi.string().allow('').max(2_000);
const TRAIL = Joi.object<WrittenTrail>({
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
} satisfies SchemaOf<WrittenTrail>).required();

/** What stands behind the `#` of a trail from some works, the first of them if there are too many. */
export function writeTrail(
  records: readonly Pick<BibliographicRecord, 'title' | 'year' | 'authors' | 'doi'>[],
): string {
  const from = records.slice(0, MAX_STARTS).map(({ title, year, authors, doi }): TrailStart => {
    const first = authors.slice(0, 1).map(({ family, given }) => ({ family, given }));
    return { title, ...(year !== undefined && { year }), authors: first, ...(doi !== undefined && { doi }) };
  });
  return JSON.stringify({ from } satisfies WrittenTrail);
}

/** The works that an address starts from; none if it is not one of a trail. */
export function readTrail(fragment: string | null): readonly TrailStart[] {
  let parsed: unknown;
  try {
    parsed = JSON.parse(fragment ?? '');
  } catch {
    return [];
  }
  const result = TRAIL.validate(parsed, { convert: false });
  return result.error ? [] : result.value.from;
}
