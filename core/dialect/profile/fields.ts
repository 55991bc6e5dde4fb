import type { Field } from '../../query';
import type { Dialect } from './dialect';

/** A field that is searched in a wider one, since it has no code of its own. */
export interface WidenedField {
  readonly field: Field;
  readonly instead: Field | 'unmarked';
}

/** How a field set is searched in a database. */
export type FieldPlan =
  /** The records have none of these fields: nothing would be found. */
  | { readonly kind: 'not-held' }
  /** The records have them, and there is no way to search them. */
  | { readonly kind: 'unreachable'; readonly missing: readonly Field[] }
  /** Without a mark. */
  | {
      readonly kind: 'unmarked';
      readonly missing: readonly Field[];
      readonly widened: readonly WidenedField[];
    }
  /** With one mark, or one of each (joined by OR). */
  | {
      readonly kind: 'marked';
      readonly codes: readonly string[];
      readonly missing: readonly Field[];
      readonly widened: readonly WidenedField[];
    };

/** Plans how to search some fields for a word or a phrase; some fields take no phrase. */
export function planFields(fields: readonly Field[], dialect: Dialect, isPhrase: boolean): FieldPlan {
  const { held, unmarked, codes, wordsOnly, joint, instead } = dialect.fields;
  if (fields.includes('text')) return planEverything(dialect);
  const wanted = fields.filter((field) => held.includes(field));
  if (wanted.length === 0) return { kind: 'not-held' };
  if (wanted.length === unmarked.length && wanted.every((field) => unmarked.includes(field)))
    return { kind: 'unmarked', missing: [], widened: [] };
  const isUsable = (field: Field): boolean =>
    codes[field] !== undefined && !(isPhrase && wordsOnly.includes(field));
  const widened: WidenedField[] = [];
  const usable = new Set<Field>();
  for (const field of wanted) {
    const wider = instead[field];
    if (isUsable(field)) usable.add(field);
    else if (wider === 'unmarked') widened.push({ field, instead: wider });
    else if (wider !== undefined && isUsable(wider)) {
      // What is searched anyway is not wider than asked.
      if (!fields.includes(wider)) widened.push({ field, instead: wider });
      usable.add(wider);
    }
  }
  const everywhere = widened.some((one) => one.instead === 'unmarked');
  const isReached = (field: Field): boolean =>
    usable.has(field) ||
    (everywhere && unmarked.includes(field)) ||
    (instead[field] !== undefined && (usable.has(instead[field] as Field) || everywhere));
  const missing = wanted.filter((field) => !isReached(field));
  if (everywhere) return { kind: 'unmarked', missing, widened };
  if (usable.size === 0) return { kind: 'unreachable', missing };
  const marks = [...usable].map((field) => codes[field] ?? '');
  return { kind: 'marked', codes: joint === undefined ? marks : [marks.join(joint)], missing, widened };
}

function planEverything(dialect: Dialect): FieldPlan {
  const { held, unmarked, codes } = dialect.fields;
  if (codes.text !== undefined) return { kind: 'marked', codes: [codes.text], missing: [], widened: [] };
  const missing = unmarked.includes('text')
    ? []
    : held.filter((field) => field !== 'text' && !unmarked.includes(field));
  return { kind: 'unmarked', missing, widened: [] };
}

/** A word, phrase or bracket with its field mark. */
export function markField(item: string, code: string, dialect: Dialect): string {
  const [before, after] = splitMark(code, dialect);
  return before + item + after;
}

/** What stands before and behind an item that is marked. */
export function splitMark(code: string, { fields }: Dialect): [string, string] {
  const [before = '', after = ''] = fields.mark.split('{item}');
  const fill = (part: string): string => part.replace('{field}', () => code);
  return [fill(before), fill(after)];
}
