import { parseQuery } from '../query';

/**
 * What people call a term: a heading by its label and its thesaurus, anything else as it is written.
 * `nameDatabase` gives what the thesaurus' database is called.
 */
export function nameTerm(text: string, nameDatabase: (id: string) => string): string {
  const { root, problems } = parseQuery(text);
  if (root.kind !== 'heading' || problems.length > 0) return text;
  const { label, qualifier, vocabulary, scope } = root;
  const name = `“${qualifier === undefined ? label : `${label} / ${qualifier}`}”`;
  const of = vocabulary === undefined ? '' : ` (${nameDatabase(vocabulary)})`;
  if (scope === 'branch') return `The heading ${name}${of}, with its narrower headings,`;
  return `The heading ${name}${of}${scope === 'focus' ? ' as a main topic' : ''}`;
}
