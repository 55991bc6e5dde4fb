import { foldLetters } from '../text';
import { parseQuery, printQuery } from '../query';
import type { Term } from './project';

/** Equal texts stand in state after state of a project: each is read once. */
const KEYS = new Map<string, string>();
const MAX_KEYS = 20_000;

/** A key that two terms share if they say the same, whatever their letters' case and their layout. */
export function createTermKey({ text, databases }: Pick<Term, 'text' | 'databases'>): string {
  const scope = databases ? `@${[...databases].sort().join()}` : '';
  const known = KEYS.get(text);
  if (known !== undefined) return known + scope;
  const { root, problems } = parseQuery(text);
  const said = problems.some((problem) => problem.severity === 'error') ? text : printQuery(root);
  const key = foldLetters(said);
  if (KEYS.size >= MAX_KEYS) KEYS.clear();
  KEYS.set(text, key);
  return key + scope;
}
