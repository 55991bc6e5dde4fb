import { splitWords, type Span } from '../text';
import { foldQuery, type QueryNode } from './node';
import { createMatcher, type Pattern } from './pattern';

/** A stretch of a value that a query's words match. */
export interface Match extends Span {
  readonly owner: string;
}

/**
 * The places in a value where words and phrases of some queries stand, for marking them: in order,
 * not overlapping, the longer first. What is excluded or switched off is not marked; fields are not
 * looked at, since the reader sees where a word stands.
 */
export function findMatches(
  value: string,
  queries: readonly { readonly owner: string; readonly root: QueryNode }[],
): Match[] {
  const words = splitWords(value);
  const found: Match[] = [];
  for (const { owner, root } of queries) {
    for (const phrase of listPhrases(root)) {
      const tests = phrase.map(createMatcher);
      for (let at = 0; at + tests.length <= words.length; at++) {
        if (!tests.every((matches, offset) => matches(words[at + offset]?.text ?? ''))) continue;
        found.push({ owner, start: words[at]?.start ?? 0, end: words[at + tests.length - 1]?.end ?? 0 });
      }
    }
  }
  found.sort((a, b) => a.start - b.start || b.end - a.end);
  const kept: Match[] = [];
  for (const match of found) if (match.start >= (kept.at(-1)?.end ?? 0)) kept.push(match);
  return kept;
}

function listPhrases(root: QueryNode): readonly (readonly Pattern[])[] {
  return foldQuery<readonly (readonly Pattern[])[]>(root, (node, members) => {
    if (node.kind === 'term') return [[node.pattern]];
    if (node.kind === 'phrase') return [node.words];
    if (node.kind === 'off') return [];
    return node.kind === 'not' ? (members[0] ?? []) : members.flat();
  });
}
