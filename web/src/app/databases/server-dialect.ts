import { createCode } from '../own-records/create-code';
import type { SruExplanation } from '#core/contract/index';
import type { Dialect } from '#core/dialect/index';
import { say } from '../words/say';

/** A dialect for a server from what it says of itself: the standard's, with the indexes that it has. */
export function createServerDialect(
  cql: Dialect,
  { title, description, indexes }: SruExplanation,
  host: string,
): Dialect {
  const known = new Set(indexes.map(({ name }) => name.toLowerCase()));
  const entries = Object.entries(cql.fields.codes).filter(
    ([, code]) => known.size === 0 || known.has(code.toLowerCase()),
  );
  const codes = Object.fromEntries(entries);
  const unmarked = cql.fields.unmarked.filter((field) => field in codes);
  const hasSubjects = 'heading' in codes;
  const { headings, ...rest } = cql;
  const id = createCode(title || host);
  return {
    ...rest,
    id,
    name: title || host,
    about: say('databases.searchedOverSru'),
    ...(description !== '' && { coverage: description.slice(0, 480) }),
    fields: {
      ...cql.fields,
      codes,
      instead: Object.fromEntries(
        Object.entries(cql.fields.instead).filter(([, wider]) => wider !== undefined && wider in codes),
      ),
      held: cql.fields.held.filter((field) => field in codes || cql.fields.unmarked.includes(field)),
      unmarked: unmarked.length > 0 ? unmarked : cql.fields.unmarked,
    },
    ...(headings && hasSubjects && { headings: { ...headings, vocabulary: id } }),
  };
}
