import { coverSpans, type Span } from '../text';
import { createProblem, type Fix, type Problem } from '../problem';
import type { QueryNode } from './node';
import { MAX_EXCLUSIONS, type ProblemList } from './problem-list';

/** The words that join, as they are written. */
export const OPERATORS: ReadonlySet<string> = new Set(['AND', 'OR', 'NOT']);
/** The words that say how near two others are. */
export const PROXIMITIES: ReadonlySet<string> = new Set(['WITHIN', 'BEFORE']);

/** What stands in a row on one level of brackets. `word` is the raw text of a bare word. */
export type Joined =
  | { readonly kind: 'operand'; readonly node: QueryNode; readonly word: string | undefined }
  | { readonly kind: 'operator'; readonly operator: 'AND' | 'OR' | 'NOT'; readonly span: Span };

type Operator = 'AND' | 'OR' | 'NOT';
interface Link {
  readonly operator: Operator;
  readonly node: QueryNode;
}

/**
 * Makes one tree of a row: AND and NOT from left to right, binding tighter than OR, and AND where
 * nothing is written; says so wherever a person may have meant something else.
 * Nothing comes of a row without operands.
 */
export function joinOperands(
  row: readonly Joined[],
  text: string,
  problems: ProblemList,
): QueryNode | undefined {
  const links = linkOperands(row, problems);
  if (links.length === 0) return undefined;
  if (!problems.isFull) {
    checkLowerCase(row, problems);
    checkSideBySide(row, text, problems);
    checkMixed(links, text, problems);
  }
  const alternatives: Link[][] = [[]];
  for (const link of links) {
    if (link.operator === 'OR' && link !== links[0]) alternatives.push([]);
    alternatives.at(-1)?.push(link);
  }
  return createGroup(
    'or',
    alternatives.map((chain) => joinChain(chain, problems)),
  );
}

/** Pairs each operand with the operator before it; reports and drops operators without operands. */
function linkOperands(row: readonly Joined[], problems: ProblemList): Link[] {
  const links: Link[] = [];
  let waiting: (Joined & { kind: 'operator' }) | undefined;
  for (const entry of row) {
    if (entry.kind === 'operand') {
      links.push({ operator: waiting?.operator ?? 'AND', node: entry.node });
      waiting = undefined;
      continue;
    }
    if (waiting) {
      // "AND NOT" and "OR NOT" begin with an operator that has no right side of its own.
      if (!(waiting.operator === 'AND' && entry.operator === 'NOT')) problems.push(reportMissing(waiting));
    } else if (links.length === 0) {
      const code = entry.operator === 'NOT' ? 'pure-negation' : 'missing-operand';
      problems.push(createProblem(code, 'error', { operator: entry.operator }, place(entry.span)));
    }
    waiting = entry;
  }
  if (waiting && (links.length > 0 || waiting.operator === 'NOT')) problems.push(reportMissing(waiting));
  return links;
}

function reportMissing(entry: Joined & { kind: 'operator' }): Problem {
  const fix: Fix = { label: `Remove ${entry.operator}`, edits: [{ span: place(entry.span), text: '' }] };
  return createProblem('missing-operand', 'error', { operator: entry.operator }, place(entry.span), [fix]);
}

function joinChain(links: readonly Link[], problems: ProblemList): QueryNode {
  let items: QueryNode[] = [];
  for (const { operator, node } of links) {
    if (operator !== 'NOT') {
      items.push(node);
      continue;
    }
    // Each exclusion is a level of the tree: bounded like brackets, so that no walk over it can overflow.
    if (problems.exclusions++ >= MAX_EXCLUSIONS) {
      problems.push(createProblem('too-many-exclusions', 'error', { most: MAX_EXCLUSIONS }, node.span));
      break;
    }
    const include: QueryNode =
      items.length > 0
        ? createGroup('and', items)
        : { kind: 'empty', id: '', span: { start: node.span.start, end: node.span.start } };
    items = [{ kind: 'not', id: '', span: coverSpans(include.span, node.span), include, exclude: node }];
  }
  return createGroup('and', items);
}

function createGroup(kind: 'and' | 'or', items: readonly QueryNode[]): QueryNode {
  const [first] = items;
  if (first && items.length === 1) return first;
  const span = items.map((item) => item.span).reduce(coverSpans);
  return { kind, id: '', span, items };
}

function checkMixed(links: readonly Link[], text: string, problems: ProblemList): void {
  const rest = links.slice(1);
  if (!rest.some((link) => link.operator === 'OR') || !rest.some((link) => link.operator !== 'OR')) return;
  const [first] = links;
  const last = links.at(-1);
  if (!first || !last) return;
  const span = coverSpans(first.node.span, last.node.span);
  const fixes = [
    {
      label: 'Put brackets round what OR joins',
      edits: bracketRuns(links, (link) => link.operator === 'OR'),
    },
    {
      label: 'Put brackets round what AND and NOT join',
      edits: bracketRuns(links, (link) => link.operator !== 'OR'),
    },
  ];
  problems.push(
    createProblem('mixed-operators', 'error', { text: text.slice(span.start, span.end) }, span, fixes),
  );
}

/** Edits that put brackets round each run of operands joined by operators that pass. */
function bracketRuns(links: readonly Link[], passes: (link: Link) => boolean): Fix['edits'] {
  const edits: Fix['edits'][number][] = [];
  let from = 0;
  for (let at = 1; at <= links.length; at++) {
    const link = links[at];
    if (link && passes(link)) continue;
    const first = links[from]?.node;
    const last = links[at - 1]?.node;
    if (first && last && at - 1 > from) {
      edits.push({ span: { start: first.span.start, end: first.span.start }, text: '(' });
      edits.push({ span: { start: last.span.end, end: last.span.end }, text: ')' });
    }
    from = at;
  }
  return edits;
}

function checkLowerCase(row: readonly Joined[], problems: ProblemList): void {
  row.forEach((entry, at) => {
    if (entry.kind !== 'operand' || entry.word === undefined || entry.word.length > 3) return;
    if (problems.isFull || at === 0 || at === row.length - 1) return;
    const operator = entry.word.toUpperCase();
    if (operator !== 'AND' && operator !== 'OR' && operator !== 'NOT') return;
    const span = entry.node.span;
    problems.push(
      createProblem('lower-case-operator', 'warning', { word: entry.word, operator }, span, [
        { label: `Write ${operator}`, edits: [{ span, text: operator }] },
        { label: 'Search it as a word', edits: [{ span, text: `"${entry.word}"` }] },
      ]),
    );
  });
}

/** Reports each run of operands with nothing between them once, quoting offered for bare words. */
function checkSideBySide(row: readonly Joined[], text: string, problems: ProblemList): void {
  let from = 0;
  for (let at = 1; at <= row.length && !problems.isFull; at++) {
    if (row[at]?.kind === 'operand' && row[at - 1]?.kind === 'operand') continue;
    const run = row.slice(from, at).filter((entry) => entry.kind === 'operand');
    from = at;
    const first = run[0]?.node;
    const last = run.at(-1)?.node;
    if (run.length < 2 || !first || !last || first.kind === 'fielded') continue;
    if (run.some(({ word }) => word !== undefined && word.length <= 3 && /^(and|or|not)$/i.test(word)))
      continue;
    const span = coverSpans(first.span, last.span);
    const and = run.map(({ node }) => text.slice(node.span.start, node.span.end)).join(' AND ');
    const fixes = [{ label: 'Write AND between them', edits: [{ span, text: and }] }];
    if (run.every(({ word }) => word !== undefined)) {
      fixes.unshift({
        label: 'Search them as a phrase',
        edits: [{ span, text: `"${text.slice(span.start, span.end)}"` }],
      });
    }
    problems.push(createProblem('side-by-side', 'warning', {}, span, fixes));
  }
}

function place(span: Span): Span {
  return { start: span.start, end: span.end };
}
