import {
  createNeutralExpression,
  listKeyValues,
  type CollectionIndex,
  type SetExpression,
} from '../collection';
import { describeProblem } from '../problem';
import { dropInactive, parseQuery } from '../query';
import { createVocabulary, type Vocabulary } from '../vocabulary';
import type { StringProblem, StringReading } from './holding';

/** The headings that the records of an index were given, as a vocabulary without levels. */
export function listGivenHeadings(id: string, { keys }: CollectionIndex): Vocabulary {
  return createVocabulary(
    id,
    listKeyValues(keys, 'heading').map((label) => ({ label, entryTerms: [], broader: [], related: [] })),
  );
}

/** Reads a string that is Ewer's own query text (docs/reference/query-text.md): what own collections take. */
export function readQueryText(
  text: string,
  vocabulary: Vocabulary,
): StringReading | { readonly problem: StringProblem } {
  const { root, problems } = parseQuery(text);
  const fault = problems.find(({ severity }) => severity === 'error');
  if (fault) {
    const { start, end } = fault.span ?? { start: 0, end: text.length };
    return { problem: { code: fault.code, at: [start, end], message: describeProblem(fault) } };
  }
  const active = dropInactive(root, vocabulary.id);
  const expression: SetExpression = active
    ? createNeutralExpression(active, { vocabulary })
    : { kind: 'none' };
  return { expression, notes: [] };
}
