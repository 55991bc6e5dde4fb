import { parseQuery } from '../query';
import { splitWords } from '../text';
import type { Term, TermSource } from './project';

/** What was typed as a term: several bare words become a phrase with visible quotes. */
export function tidyTerm(typed: string): string {
  // Signs that nobody can see come along with pasted text.
  const text = typed
    .replace(/[\p{Cc}\u200b\u200e\u200f\u2028-\u202e\ufeff]+/gu, ' ')
    .trim()
    .replace(/\s+/g, ' ');
  const { problems, root } = parseQuery(text);
  const isBareRow =
    root.kind === 'and' &&
    problems.length > 0 &&
    problems.every(
      (problem) =>
        problem.code === 'side-by-side' ||
        problem.code === 'lower-case-operator' ||
        problem.code === 'truncation-too-short',
    );
  const isPlain = !/["“”„«»():@]/.test(text) && splitWords(text).length > 1;
  return isBareRow && isPlain ? `"${text}"` : text;
}

/** Words that come from a list, as query text: one as it is, several as a phrase. */
export function quoteWords(words: string): string {
  const bare = words.replaceAll('"', '');
  return splitWords(bare).length > 1 ? `"${bare}"` : bare;
}

/** A term from what was typed; `IN(…)` round the whole becomes the databases that it is meant for. */
export function createTerm(id: string, typed: string, source: TermSource): Term {
  const text = tidyTerm(typed);
  const { root, problems } = parseQuery(text);
  const origin = source === 'typed' ? {} : { source };
  const isBroken = problems.some((problem) => problem.severity === 'error');
  if (root.kind !== 'only' || isBroken) return { id, text, off: false, ...origin };
  const inner = text.replace(/^IN\([^:]*:\s*/, '').replace(/\)$/, '');
  return { id, text: tidyTerm(inner), off: false, ...origin, databases: root.databases };
}

/** A term as query text, with the databases that it is meant for: what is copied out. */
export function printTerm({ text, databases }: Pick<Term, 'text' | 'databases'>): string {
  return databases ? `IN(${databases.join(', ')}: ${text})` : text;
}

/** A pasted column, or a list with commas, semicolons, tabs or OR between its members, as terms. */
export function splitPastedTerms(pasted: string): string[] {
  const lines = pasted
    .split(/\r?\n/)
    .map((line) => line.replace(/^\s*(?:[-•*–]|\d+[.)])\s+/, '').trim())
    .filter((line) => line !== '');
  const parts = lines.flatMap((line) => splitLine(line));
  return [...new Set(parts.map(tidyTerm).filter((term) => splitWords(term).length > 0))];
}

function splitLine(line: string): string[] {
  const { root, problems } = parseQuery(line);
  const isOpenList =
    root.kind === 'or' &&
    problems.every((problem) => problem.code !== 'mixed-operators' && problem.severity !== 'error');
  if (isOpenList) return root.items.map((item) => line.slice(item.span.start, item.span.end));
  return /["()]/.test(line) ? [line] : line.split(/[,;\t]/);
}
