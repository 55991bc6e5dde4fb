import type { Field } from '../query';
import type { Dialect } from './dialect';

/** How a field set is searched in a database. */
export type FieldPlan =
  /** The records have none of these fields: nothing would be found. */
  | { readonly kind: 'not-held' }
  /** The records have them, and there is no way to search them. */
  | { readonly kind: 'unreachable'; readonly missing: readonly Field[] }
  /** Without a mark. */
  | { readonly kind: 'unmarked'; readonly missing: readonly Field[] }
  /** With one mark, or one of each (joined by OR). */
  | { readonly kind: 'marked'; readonly codes: readonly string[]; readonly missing: readonly Field[] };

/** Plans how to search some fields for a word, or for a phrase (which some fields do not take). */
export function planFields(fields: readonly Field[], dialect: Dialect, isPhrase: boolean): FieldPlan {
  const { held, unmarked, codes, wordsOnly, joint } = dialect.fields;
  if (fields.includes('text')) return planEverything(dialect);
  const wanted = fields.filter((field) => held.includes(field));
  if (wanted.length === 0) return { kind: 'not-held' };
  if (wanted.length === unmarked.length && wanted.every((field) => unmarked.includes(field)))
    return { kind: 'unmarked', missing: [] };
  const usable = wanted.filter(
    (field) => codes[field] !== undefined && !(isPhrase && wordsOnly.includes(field)),
  );
  const missing = wanted.filter((field) => !usable.includes(field));
  if (usable.length === 0) return { kind: 'unreachable', missing };
  const marks = usable.map((field) => codes[field] ?? '');
  return { kind: 'marked', codes: joint === undefined ? marks : [marks.join(joint)], missing };
}

function planEverything(dialect: Dialect): FieldPlan {
  const { held, unmarked, codes } = dialect.fields;
  if (codes.text !== undefined) return { kind: 'marked', codes: [codes.text], missing: [] };
  const missing = unmarked.includes('text')
    ? []
    : held.filter((field) => field !== 'text' && !unmarked.includes(field));
  return { kind: 'unmarked', missing };
}

/** A word, phrase or bracket with its field mark. */
export function markField(item: string, code: string, dialect: Dialect): string {
  const { place, form } = dialect.fields.mark;
  const mark = form.replace('{field}', code);
  return place === 'before' ? mark + item : item + mark;
}
