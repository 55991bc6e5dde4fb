import { createProblem, applyFix, type Problem, type ProblemCode } from '../problem';
import { parseQuery, expandBlocks, listNodes, printQuery, splitTokens, type QueryNode } from '../query';
import type { Dialect } from '../dialect';
import { listActive, type CheckSubject, type FoundThing } from './finding';

/** What the parser says of the draft and of the named blocks, for some codes; each fix is a change of its text. */
export function checkTexts(codes: readonly ProblemCode[]) {
  return ({ working, parsed }: CheckSubject): FoundThing[] => [
    ...wrapProblems(parsed.problems, codes, (fix) => [
      { kind: 'rewrite-draft', text: applyFix(working.draft, fix) },
    ]),
    ...working.blocks.flatMap((block) =>
      wrapProblems(parseQuery(block.text).problems, codes, (fix) => [
        { kind: 'edit-block', id: block.id, text: applyFix(block.text, fix) },
      ]).map((found) => ({ ...found, concept: block.name })),
    ),
    ...working.concepts.flatMap((concept) =>
      concept.terms.flatMap((term) =>
        wrapProblems(parseQuery(term.text).problems, codes, (fix) => [
          { kind: 'edit-term', id: term.id, text: applyFix(term.text, fix) },
        ]).map((found) => ({ ...found, concept: concept.block, term: term.id })),
      ),
    ),
  ];
}

function wrapProblems(
  problems: readonly Problem[],
  codes: readonly ProblemCode[],
  change: (fix: NonNullable<Problem['fixes']>[number]) => NonNullable<FoundThing['fixes']>[number]['changes'],
): FoundThing[] {
  return problems
    .filter((problem) => codes.includes(problem.code))
    .map((problem) => ({
      problem,
      fixes: (problem.fixes ?? []).map((fix) => ({ label: fix.label, changes: change(fix) })),
    }));
}

/** Which chosen databases would read operators on one level in which way. */
export function checkMixedOperators(subject: CheckSubject): FoundThing[] {
  const remarks = describeReadings(subject.dialects);
  return checkTexts(['mixed-operators'])(subject).map((found) => ({ ...found, remarks }));
}

function describeReadings(dialects: readonly Dialect[]): string[] {
  const ways = new Map<string, string[]>();
  for (const { name, precedence } of dialects) {
    const way =
      precedence === 'left-to-right'
        ? 'would read it from left to right'
        : precedence.length < 2
          ? 'gives all operators the same rank'
          : 'would read AND before OR';
    ways.set(way, [...(ways.get(way) ?? []), name]);
  }
  return [...ways].map(([way, names]) => `${names.join(', ')} ${way}.`);
}

const ODD_SIGNS = /[\u00a0\u202f\u2007\u2010-\u2015\u2212\u00ad\u200b-\u200d\ufeff]/g;

/** Dashes and blanks of word processors: they look like others and are not. */
export function checkOddSigns({ working }: CheckSubject): FoundThing[] {
  const { draft, concepts } = working;
  const find = (text: string): { start: number; end: number } | undefined => {
    const at = text.search(ODD_SIGNS);
    return at === -1 ? undefined : { start: at, end: at + 1 };
  };
  const span = find(draft);
  const inDraft: FoundThing[] = span
    ? [
        {
          problem: createProblem(
            'odd-signs',
            'warning',
            { count: draft.match(ODD_SIGNS)?.length ?? 0 },
            span,
          ),
          fixes: [
            { label: 'Write plain ones', changes: [{ kind: 'rewrite-draft', text: writePlain(draft) }] },
          ],
        },
      ]
    : [];
  const inTerms = concepts.flatMap((concept) =>
    concept.terms
      .filter((term) => find(term.text))
      .map((term): FoundThing => ({
        problem: createProblem('odd-signs', 'warning', { count: term.text.match(ODD_SIGNS)?.length ?? 0 }),
        concept: concept.block,
        term: term.id,
        fixes: [
          {
            label: 'Write plain ones',
            changes: [{ kind: 'edit-term', id: term.id, text: writePlain(term.text) }],
          },
        ],
      })),
  );
  return [...inDraft, ...inTerms];
}

function writePlain(text: string): string {
  return text
    .replace(/[\u00a0\u202f\u2007]/g, ' ')
    .replace(/[\u2010-\u2015\u2212]/g, '-')
    .replace(/[\u00ad\u200b-\u200d\ufeff]/g, '');
}

/** Two words joined by AND that are known as a phrase elsewhere: in the project or in a thesaurus. */
export function checkForgottenQuotes(subject: CheckSubject): FoundThing[] {
  const { parsed, working, dialects, findVocabulary } = subject;
  const phrases = new Set(
    working.concepts.flatMap((concept) =>
      listActive(concept).map((term) => term.text.replaceAll('"', '').toLowerCase()),
    ),
  );
  const isKnown = (words: string): boolean =>
    phrases.has(words.toLowerCase()) ||
    dialects.some(({ id }) => findVocabulary(id)?.find(words) !== undefined);
  return listNodes(parsed.root).flatMap((node): FoundThing[] => {
    if (node.kind !== 'and') return [];
    return node.items.slice(1).flatMap((second, at): FoundThing[] => {
      const first = node.items[at];
      if (first?.kind !== 'term' || second.kind !== 'term') return [];
      const words = `${printQuery(first)} ${printQuery(second)}`;
      if (!isKnown(words)) return [];
      const span = { start: first.span.start, end: second.span.end };
      const isWritten = /\bAND\b/.test(working.draft.slice(first.span.end, second.span.start));
      if (!isWritten) return [];
      const text = working.draft.slice(0, span.start) + `"${words}"` + working.draft.slice(span.end);
      return [
        {
          problem: createProblem('quotes-forgotten', 'note', { words }, span),
          fixes: [{ label: 'Search them as a phrase', changes: [{ kind: 'rewrite-draft', text }] }],
        },
      ];
    });
  });
}

/** Blocks that the draft names and that are not there, or that use themselves. */
export function checkBlocks(subject: CheckSubject): FoundThing[] {
  const known = new Set(subject.blocks.keys());
  const unknown = splitTokens(subject.working.draft).flatMap((token): FoundThing[] =>
    token.kind === 'block' && !known.has(token.name)
      ? [
          {
            problem: createProblem(
              'unknown-block',
              'error',
              { name: token.name },
              { start: token.start, end: token.end },
            ),
          },
        ]
      : [],
  );
  const circles = expandBlocks(subject.parsed.root, subject.blocks)
    .problems.filter(({ code }) => code === 'block-circle')
    .map((problem) => ({ problem }));
  return [...unknown, ...circles];
}

/** A piece of query text, short enough to be named in a sentence. */
export function namePiece(node: QueryNode): string {
  const text = node.block === undefined ? printQuery(node).replace(/\s+/g, ' ') : `@${node.block}`;
  return text.length > 60 ? `${text.slice(0, 59)}…` : text;
}
