import { findTermMarks } from '../compare/draft';
import { nameTerm } from '../outline';
import { createProblem, type ProblemCode } from '../problem';
import {
  createTermQuery,
  describeTermKind,
  joinTerms,
  readTermQuery,
  quoteWords,
  type Change,
  type Concept,
  type Term,
} from '../project';
import {
  build,
  covers,
  findAnchor,
  isPlain,
  listChildren,
  parseQuery,
  printPattern,
  printQuery,
  holdsNames,
  type Field,
  type QueryNode,
} from '../query';
import { LANGUAGES, DOCUMENT_TYPES } from '../record';
import { listSpellings } from '../suggest';
import { foldLetters } from '../text';
import { listActive, type CheckSubject, type FoundThing } from './finding';

/** The remarks that stand beside terms in the Topic view, for the concepts that the draft uses. */
export function checkTermMarks(codes: readonly ProblemCode[]) {
  return (subject: CheckSubject): FoundThing[] => {
    const marks = readMarks(subject);
    return subject.used.flatMap((concept) =>
      concept.terms.flatMap((term) =>
        (marks.get(term.id) ?? [])
          .filter(({ problem }) => codes.includes(problem.code))
          .map(({ problem, fixes }) => ({
            problem,
            concept: concept.block,
            term: term.id,
            fixes: fixes.map(({ label, change }) => ({ label, changes: [change] })),
          })),
      ),
    );
  };
}

/** Several checks look at the same marks: they are found once for a subject. */
const MARKS = new WeakMap<CheckSubject, ReturnType<typeof findTermMarks>>();

function readMarks(subject: CheckSubject): ReturnType<typeof findTermMarks> {
  const known = MARKS.get(subject);
  if (known) return known;
  const { used, dialects, count, findVocabulary } = subject;
  const queries = new Map(
    used.flatMap((concept) =>
      concept.terms.map((term) => [term, joinTerms(concept, [readTermQuery(term)])] as const),
    ),
  );
  const marks = findTermMarks(used, {
    databases: dialects.map(({ id, name }) => ({ id, name })),
    findsOf: (term, database) => count(queries.get(term) ?? readTermQuery(term), database),
    sizeOf: () => undefined,
    vocabularyOf: findVocabulary,
  });
  MARKS.set(subject, marks);
  return marks;
}

/** Terms that find something, but nothing that the others of their concept do not find, in any chosen database. */
export function checkNeedlessTerms({ used, dialects, count }: CheckSubject): FoundThing[] {
  return used.flatMap((concept) => {
    const active = listActive(concept);
    if (active.length < 2) return [];
    const whole = joinTerms(concept, active.map(readTermQuery));
    return active.flatMap((term): FoundThing[] => {
      const rest = joinTerms(concept, active.filter((other) => other !== term).map(readTermQuery));
      let finds = 0;
      for (const { id } of dialects) {
        if (term.databases && !term.databases.includes(id)) continue;
        const own = count(joinTerms(concept, [readTermQuery(term)]), id);
        if (own === undefined) return [];
        finds += own;
        const [all, others] = [count(whole, id), count(rest, id)];
        // What a database cannot say for sure is no ground for calling a term needless.
        if (own > 0 && (all === undefined || others === undefined || all !== others)) return [];
      }
      if (finds === 0) return [];
      return [
        {
          problem: createProblem('term-adds-nothing', 'note', {
            term: term.text,
            named: nameTerm(term.text, dialects),
            concept: concept.name,
          }),
          concept: concept.block,
          term: term.id,
          cost: { of: whole, less: rest, words: 'records that are unique to it' },
          fixes: [{ label: 'Switch it off', changes: [{ kind: 'switch-term', id: term.id, off: true }] }],
        },
      ];
    });
  });
}

/** A word that is spelled one way only, where the other way is in use, too. */
export function checkSpellings(subject: CheckSubject): FoundThing[] {
  return checkMissingForms(subject, 'spelling-one-sided', (word) =>
    listSpellings(word).map((spelling) => ({
      word: spelling.word,
      text: spelling.merged ?? spelling.word,
      isMerged: spelling.merged !== undefined,
    })),
  );
}

/** A word in the singular or the plural only: among the terms of a concept, or in the query. */
export function checkPlurals(subject: CheckSubject): FoundThing[] {
  const ofConcepts = checkMissingForms(subject, 'number-one-sided', (word) =>
    listNumbers(word).map((other) => ({ word: other, text: other, isMerged: false })),
  );
  return [...ofConcepts, ...checkPluralsInText(subject)];
}

/** The same for words that stand in the draft itself: among what is searched in their place, or alone. */
function checkPluralsInText({ parsed, working, dialects, count }: CheckSubject): FoundThing[] {
  const found: FoundThing[] = [];
  const visit = (node: QueryNode, fields: readonly Field[] | undefined): void => {
    const inner = node.kind === 'fielded' ? node.fields : fields;
    // A name has no plural, and the sides of a proximity are no choice.
    if (inner?.some((field) => holdsNames(field)) || node.kind === 'near' || node.kind === 'off') return;
    const choice = node.kind === 'or' ? node.items : [node];
    for (const item of choice) {
      if (item.kind !== 'term') continue;
      const word = isPlain(item.pattern) ? foldLetters(printPattern(item.pattern)) : '';
      if (!/^[a-z]{3,}$/.test(word)) continue;
      for (const form of listNumbers(word)) {
        const other = createTermQuery({ text: form });
        if (choice.some((one) => covers(one, other))) continue;
        const place = (query: QueryNode): QueryNode => (inner ? build.fielded(inner, query) : query);
        const [whole, more] = [place(node), place(build.or(...choice, other))];
        if (!dialects.some(({ id }) => (count(more, id) ?? 0) > (count(whole, id) ?? Infinity))) continue;
        const { start, end } = item.span;
        const term = working.draft.slice(start, end);
        const added = `${term} OR ${form}`;
        const text =
          working.draft.slice(0, start) +
          (node.kind === 'or' ? added : `(${added})`) +
          working.draft.slice(end);
        found.push({
          problem: createProblem(
            'number-one-sided',
            'note',
            { term, other: form, concept: 'the query' },
            item.span,
          ),
          cost: { of: more, less: whole, words: 'records more with it' },
          fixes: [{ label: `Add ${form}`, changes: [{ kind: 'rewrite-draft', text }] }],
        });
      }
    }
    for (const child of listChildren(node))
      if (node.kind !== 'or' || child.kind !== 'term') visit(child, inner);
  };
  visit(parsed.root, undefined);
  return found;
}

interface OtherForm {
  readonly word: string;
  readonly text: string;
  /** The text finds both forms, and can take the place of the term. */
  readonly isMerged: boolean;
}

function checkMissingForms(
  { used, dialects, count }: CheckSubject,
  code: 'spelling-one-sided' | 'number-one-sided',
  listForms: (word: string) => readonly OtherForm[],
): FoundThing[] {
  return used.flatMap((concept) => {
    const active = listActive(concept);
    const trees = active.map(readTermQuery);
    const whole = joinTerms(concept, trees);
    return active.flatMap((term): FoundThing[] => {
      const word = findPlainWord(term);
      if (word === undefined) return [];
      return listForms(word).flatMap((form): FoundThing[] => {
        const other = createTermQuery({ text: form.word });
        if (trees.some((tree) => covers(tree, other))) return [];
        const more = joinTerms(concept, [...trees, other]);
        // A rule may make words that nobody writes: only what brings records is worth a remark.
        const brings = dialects.some(({ id }) => (count(more, id) ?? 0) > (count(whole, id) ?? Infinity));
        if (!brings) return [];
        const addition: Change = {
          kind: 'add-terms',
          concept: concept.id,
          terms: [{ id: `${term.id}-${form.word}`, text: form.word, off: false, source: 'suggestion' }],
          at: concept.terms.indexOf(term) + 1,
        };
        const merge: Change = { kind: 'edit-term', id: term.id, text: form.text };
        return [
          {
            problem: createProblem(code, 'note', {
              term: term.text,
              other: form.word,
              concept: concept.name,
            }),
            concept: concept.block,
            term: term.id,
            cost: { of: more, less: whole, words: 'records more with it' },
            fixes: [
              { label: `Add ${form.word}`, changes: [addition] },
              ...(form.isMerged ? [{ label: `Write ${form.text}`, changes: [merge] }] : []),
            ],
          },
        ];
      });
    });
  });
}

function findPlainWord(term: Term): string | undefined {
  const { root, problems } = parseQuery(term.text);
  if (root.kind !== 'term' || problems.length > 0 || !isPlain(root.pattern)) return undefined;
  const word = foldLetters(printPattern(root.pattern));
  const kind = describeTermKind(term);
  return /^[a-z]{3,}$/.test(word) && kind === 'word' ? word : undefined;
}

/** The other number of an English noun, by its ending: whether it exists is seen from its count. */
function listNumbers(word: string): string[] {
  if (word.endsWith('ies') && word.length > 4) return [`${word.slice(0, -3)}y`];
  if (/(?:s|x|z|ch|sh)es$/.test(word)) return [word.slice(0, -2)];
  if (word.endsWith('s') && !/(?:ss|us|is)$/.test(word)) return [word.slice(0, -1)];
  if (/[^aeiou]y$/.test(word)) return [`${word.slice(0, -1)}ies`];
  return [/(?:s|x|z|ch|sh)$/.test(word) ? `${word}es` : `${word}s`];
}

/** Acronyms that records explain in more than one way. */
export function checkAcronyms({ used, findMeanings }: CheckSubject): FoundThing[] {
  return used.flatMap((concept) =>
    listActive(concept).flatMap((term): FoundThing[] => {
      if (describeTermKind(term) !== 'acronym') return [];
      const meanings = findMeanings(term.text);
      if (!meanings || meanings.length < 2) return [];
      return [
        {
          problem: createProblem('acronym-ambiguous', 'warning', {
            term: term.text,
            count: meanings.length,
            first: meanings[0] ?? '',
            second: meanings[1] ?? '',
          }),
          concept: concept.block,
          term: term.id,
          fixes: meanings.slice(0, 3).map((meaning): { label: string; changes: Change[] } => ({
            label: `Mean ${meaning}`,
            changes: [{ kind: 'edit-term', id: term.id, text: `(${term.text} AND ${quoteWords(meaning)})` }],
          })),
        },
      ];
    }),
  );
}

const TYPE_WORDS = new Set<string>(DOCUMENT_TYPES.flatMap((type) => [type, `${type}s`]));
const LANGUAGE_WORDS = new Map<string, string>(LANGUAGES.map(({ code, name }) => [name.toLowerCase(), code]));

/** Words in the query that do what a limiter does better. */
export function checkLimiterWords({ used, working }: CheckSubject): FoundThing[] {
  return used.flatMap((concept) => {
    const active = listActive(concept);
    const told = active.map((term) => ({ term, limiter: findLimiter(term) }));
    // One such word among others may be a subject: a concept of nothing else is a limiter in disguise.
    if (active.length === 0 || told.some(({ limiter }) => limiter === undefined)) return [];
    const names = told.map(({ term }) => term.text).join(', ');
    const changes = createLimiterChanges(
      concept,
      told.flatMap(({ limiter }) => limiter ?? []),
      working.limiters,
    );
    return [
      {
        problem: createProblem('limiter-as-words', 'warning', { concept: concept.name, words: names }),
        concept: concept.block,
        fixes: [{ label: 'Use the limiter instead', changes }],
      },
    ];
  });
}

type FoundLimiter =
  | { readonly kind: 'type'; readonly value: (typeof DOCUMENT_TYPES)[number] }
  | { readonly kind: 'language'; readonly value: string }
  | { readonly kind: 'year'; readonly value: number }
  | { readonly kind: 'peer' };

function findLimiter(term: Term): FoundLimiter | undefined {
  const text = term.text.replaceAll('"', '').trim().toLowerCase();
  if (TYPE_WORDS.has(text)) {
    const value = DOCUMENT_TYPES.find((type) => text === type || text === `${type}s`);
    return value && { kind: 'type', value };
  }
  const language = LANGUAGE_WORDS.get(text);
  if (language !== undefined) return { kind: 'language', value: language };
  if (/^(19|20)\d\d$/.test(text)) return { kind: 'year', value: Number(text) };
  return /^peer[- ]?reviewed$/.test(text) ? { kind: 'peer' } : undefined;
}

function createLimiterChanges(
  concept: Concept,
  found: readonly FoundLimiter[],
  now: CheckSubject['working']['limiters'],
): Change[] {
  const types = found.flatMap((limiter) => (limiter.kind === 'type' ? [limiter.value] : []));
  const languages = found.flatMap((limiter) => (limiter.kind === 'language' ? [limiter.value] : []));
  const years = found.flatMap((limiter) => (limiter.kind === 'year' ? [limiter.value] : []));
  const limiters = {
    ...now,
    ...(types.length > 0 && { types: [...new Set(types)] }),
    ...(languages.length > 0 && { languages: [...new Set(languages)] }),
    ...(years.length > 0 && { years: { from: Math.min(...years), to: Math.max(...years) } }),
    ...(found.some(({ kind }) => kind === 'peer') && { peerReviewed: true }),
  };
  return [
    { kind: 'switch-concept', id: concept.id, off: true },
    { kind: 'set-limiters', limiters },
  ];
}

/** Members of choices in the draft itself that other members cover. */
export function checkCoveredMembers({ parsed, working }: CheckSubject): FoundThing[] {
  const found: FoundThing[] = [];
  const visit = (node: QueryNode): void => {
    if (node.kind === 'or') {
      const leaves = node.items.map((item) => ({
        item,
        anchor: findAnchor(item),
        letters: isLeaf(item) ? foldLetters(printQuery(item)) : '',
      }));
      leaves.forEach(({ item, letters }, at) => {
        if (!isLeaf(item)) return;
        const wider = leaves.find(
          (other) =>
            other.item !== item &&
            isLeaf(other.item) &&
            (other.anchor === undefined || letters.includes(other.anchor)) &&
            covers(other.item, item) &&
            !covers(item, other.item),
        )?.item;
        if (!wider) return;
        const neighbour = node.items[at - 1];
        const next = node.items[at + 1];
        const [start, end] = neighbour
          ? [neighbour.span.end, item.span.end]
          : [item.span.start, next?.span.start ?? item.span.end];
        const text = working.draft.slice(0, start) + working.draft.slice(end);
        const term = working.draft.slice(item.span.start, item.span.end);
        const data = { term, wider: working.draft.slice(wider.span.start, wider.span.end) };
        found.push({
          problem: createProblem('term-covered', 'note', data, item.span),
          fixes: [{ label: 'Remove it', changes: [{ kind: 'rewrite-draft', text }] }],
        });
      });
    }
    if (node.kind === 'and' || node.kind === 'or') node.items.forEach(visit);
    else if (node.kind === 'not') [node.include, node.exclude].forEach(visit);
    else if (node.kind === 'fielded') visit(node.item);
  };
  visit(parsed.root);
  return found;
}

function isLeaf(node: QueryNode): boolean {
  return node.kind === 'term' || node.kind === 'phrase' || node.kind === 'heading';
}
