import { parseQuery, printQuery, type QueryNode } from '../query';
import { splitWords } from '../text';

/** The kind of a term, seen from what is typed. */
export type TermKind = 'word' | 'cut word' | 'phrase' | 'heading' | 'acronym' | 'proximity' | 'group';

/** What was typed as a term: several bare words become a phrase with visible quotes. */
export function tidyTerm(typed: string): string {
  const text = typed.trim().replace(/\s+/g, ' ');
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

/** The kind of a term. */
export function describeTermKind(text: string): TermKind {
  const { root } = parseQuery(text);
  return describeKind(root, text);
}

function describeKind(root: QueryNode, text: string): TermKind {
  switch (root.kind) {
    case 'term': {
      if (root.pattern.some((part) => part.kind !== 'letters')) return 'cut word';
      return /^[A-Z]{2,6}$/.test(text) ? 'acronym' : 'word';
    }
    case 'phrase':
      return 'phrase';
    case 'heading':
      return 'heading';
    case 'near':
      return 'proximity';
    case 'fielded':
      return describeKind(root.item, printQuery(root.item));
    default:
      return 'group';
  }
}
