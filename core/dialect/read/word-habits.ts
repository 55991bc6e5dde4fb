import { createProblem, type Problem } from '../../problem';
import { createMatcher, isPlain, listNodes, printPattern, type Pattern, type QueryNode } from '../../query';
import type { Span } from '../../text';
import type { Dialect } from '../profile';
import { isStopWord } from '../write';

/** A word or phrase as it stands in a string. */
interface Written {
  readonly words: readonly Pattern[];
  readonly span: Span;
}

/**
 * What a database does to the words of a string without saying so, as notes: the neutral words that a
 * string is read as find something else there. Once for each habit, at the first place.
 */
export function describeHabits(root: QueryNode, text: string, dialect: Dialect): Problem[] {
  const written = listNodes(root).flatMap((node): Written[] => {
    if (node.kind === 'term') return [{ words: [node.pattern], span: node.span }];
    return node.kind === 'phrase' ? [{ words: node.words, span: node.span }] : [];
  });
  const hasNear = listNodes(root).some(({ kind }) => kind === 'near');
  const { name: database, stopWords, wildcards, joinsHyphens, stems } = dialect;
  const isQuoted = ({ span }: Written): boolean =>
    text.charAt(span.start) === '"' || text.charAt(span.start - 1) === '"';
  const habits: readonly { code: Problem['code']; data?: Problem['data']; has: (one: Written) => boolean }[] =
    [
      { code: 'stemmed-word', has: (one) => stems === true && !isQuoted(one) },
      {
        code: 'gaps-closed',
        data: { words: stopWords.join(', ') },
        has: ({ words }) => stopWords.length > 0 && (words.length > 1 || hasNear),
      },
      {
        code: 'small-word-skipped',
        has: ({ words }) => words.some((word) => !isPlain(word) && stopWords.some(createMatcher(word))),
      },
      { code: 'hyphens-joined', has: () => joinsHyphens },
      {
        code: 'forms-capped',
        data: { cap: wildcards.any?.cap ?? 0 },
        has: ({ words }) => wildcards.any?.cap !== undefined && words.some((word) => !isPlain(word)),
      },
    ];
  return habits.flatMap(({ code, data, has }) => {
    const found = written.filter(has);
    const [first] = found;
    if (!first) return [];
    const word = first.words.map(printPattern).join(' ');
    return [createProblem(code, 'note', { database, word, count: found.length, ...data }, first.span)];
  });
}

/** Words that a database drops and that stand for themselves: it refuses them, or finds something else. */
export function findLoneStopWords(root: QueryNode, dialect: Dialect): Problem[] {
  if (dialect.stopWords.length === 0) return [];
  return listNodes(root).flatMap((node) => {
    const words = node.kind === 'term' ? [node.pattern] : node.kind === 'phrase' ? node.words : [];
    if (words.length === 0 || !words.every((word) => isStopWord(word, dialect))) return [];
    const word = words.map(printPattern).join(' ');
    return [createProblem('stop-word-alone', 'error', { word, database: dialect.name }, node.span)];
  });
}
