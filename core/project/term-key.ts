import { foldLetters } from '../text';
import { parseQuery, printQuery } from '../query';
import type { Term } from './project';

/** A key that two terms share if they say the same, whatever their letters' case and their layout. */
export function createTermKey({ text, databases }: Pick<Term, 'text' | 'databases'>): string {
  const { root, problems } = parseQuery(text);
  const said = problems.some((problem) => problem.severity === 'error') ? text : printQuery(root);
  const scope = databases ? `@${[...databases].sort().join()}` : '';
  return foldLetters(said) + scope;
}
