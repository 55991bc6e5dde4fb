import { parseQuery } from '../query';
import { shortenName, type NamedDatabase } from '../text';

/**
 * What people call a term in a sentence: a heading by its label and its database, anything else as it is written.
 * A heading of a database that is not among these has the database's id.
 */
export function nameTerm(
  text: string,
  databases: readonly (NamedDatabase & { readonly id: string })[],
): string {
  const { root, problems } = parseQuery(text);
  if (root.kind !== 'heading' || problems.length > 0) return text;
  const { label, qualifier, vocabulary, scope } = root;
  const name = `heading “${qualifier === undefined ? label : `${label} / ${qualifier}`}”`;
  const database = databases.find(({ id }) => id === vocabulary);
  const of = vocabulary === undefined ? '' : ` (${database ? shortenName(database) : vocabulary})`;
  if (scope === 'branch') return `${name}${of} with its narrower headings`;
  return `${name}${of}${scope === 'focus' ? ' as a main topic' : ''}`;
}
