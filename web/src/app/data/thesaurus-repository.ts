import Joi from 'joi';
import type { SchemaOf } from '#core/schema/index';
import { createProblem, fail, succeed, type Outcome } from '#core/problem/index';
import type { Heading } from '#core/vocabulary/index';
import { EwerDatabase } from './ewer-database';

/** A thesaurus that a person loaded from a file; all projects share it. */
export interface OwnThesaurus {
  readonly id: string;
  readonly name: string;
  /** ISO 8601, UTC. */
  readonly loaded: string;
  readonly headings: readonly Heading[];
}

const text = Joi.string().allow('').required();
const texts = Joi.array().items(Joi.string().allow('')).required();
const THESAURUS = Joi.object<OwnThesaurus>({
  id: text,
  name: text,
  loaded: text,
  headings: Joi.array()
    .items(
      Joi.object({
        label: text,
        entryTerms: texts,
        broader: texts,
        related: texts,
        scopeNote: Joi.string().allow(''),
        since: Joi.number(),
        isDeprecated: Joi.boolean(),
        address: text.optional(),
        matches: Joi.array().items(
          Joi.object({ kind: Joi.valid('exact', 'close').required(), address: text }),
        ),
        translations: Joi.array().items(Joi.object({ language: text, label: text })),
      }),
    )
    .required(),
} satisfies SchemaOf<OwnThesaurus>);

/** The thesauri that people loaded, in the browser's own database. */
export class ThesaurusRepository {
  constructor(private readonly database = new EwerDatabase()) {}

  async list(): Promise<Outcome<{ id: string; name: string }[]>> {
    return this.database.attempt(async (database) => {
      const rows = (await database.getAll('thesauri')) as { id: string; name?: string }[];
      return succeed(rows.map(({ id, name = id }) => ({ id, name })));
    });
  }

  async load(id: string): Promise<Outcome<OwnThesaurus>> {
    return this.database.attempt(async (database) => {
      const result = THESAURUS.validate(await database.get('thesauri', id), { convert: false });
      return result.error || (result.value as OwnThesaurus | undefined) === undefined
        ? fail(createProblem('not-found', 'error', { what: 'such thesaurus' }))
        : succeed(result.value);
    });
  }

  async save(thesaurus: OwnThesaurus): Promise<Outcome<string>> {
    return this.database.attempt(async (database) => succeed(await database.put('thesauri', thesaurus)));
  }

  async remove(id: string): Promise<Outcome<void>> {
    return this.database.attempt(async (database) => succeed(await database.delete('thesauri', id)));
  }
}
