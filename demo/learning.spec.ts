import { beforeAll, expect, it } from 'vitest';
import {
  buildIndex,
  createDocument,
  createEvaluator,
  createNeutralExpression,
  scoreRecords,
  type Evaluator,
  type RecordSet,
} from '#core/collection/index';
import { drawRecords } from '#core/compare/index';
import { build, covers, parseQuery, type QueryNode } from '#core/query/index';
import { listCandidates, rankLearnt } from '#core/reading/index';
import type { BibliographicRecord } from '#core/record/index';
import { createHolding } from './holdings';
import { createThesauri } from './thesauri/index';
import { createCorpus } from './works';

// A scripted reader starts from two words of the question and does three times what Read is for: reads twenty
// records, looks at what those on topic have in common, and takes the best three suggestions. Which records are
// on topic, the generator knows; the reader sees it only of records that are read.

const vocabulary = createThesauri().heronsmere;
const ROUNDS = 3;
const READ = 20;
const TAKEN = 3;
/** Of what a suggestion would bring, the reader looks at so many records, drawn at random: the first would flatter it. */
const LOOKED_AT = 10;
const OFFERED = 12;

let evaluator: Evaluator;
let answers: ReadonlySet<number>;
let records: readonly BibliographicRecord[];

beforeAll(() => {
  const holding = createHolding(createCorpus(2026, 12_000), 'heronsmere');
  records = holding.works.map((_, place) => holding.createRecord(place));
  evaluator = createEvaluator(buildIndex(records.map(createDocument)));
  answers = new Set(holding.works.flatMap((work, place) => (work.theme.answersDemo ? [place] : [])));
});

const express = (root: QueryNode) => createNeutralExpression(root, { vocabulary });
const find = (root: QueryNode): RecordSet => {
  const found = evaluator.evaluate(express(root));
  if (!found.ok) throw new Error(found.problem.code);
  return found.value;
};
/** The first records, best matches first, as the list of Read has them. */
const readFirst = (root: QueryNode, most: number): number[] => {
  const set = find(root);
  const weights = scoreRecords(evaluator.index, express(root), set);
  return set
    .list()
    .sort((a, b) => weights[b]! - weights[a]! || b - a)
    .slice(0, most);
};
const joinAll = (concepts: readonly (readonly QueryNode[])[]): QueryNode =>
  build.and(...concepts.map((terms) => (terms.length === 1 ? terms[0]! : build.or(...terms))));

/** What sets the good records apart, as the panel offers it: words and headings, what the query has left out. */
function listOffers(good: readonly number[], terms: readonly QueryNode[]): QueryNode[] {
  const from = good.map((at) => records[at]!);
  return (['words', 'headings'] as const).flatMap((lesson) =>
    rankLearnt(listCandidates(from, lesson, 60), from.length, records.length, ({ root }) =>
      find(root).count(),
    )
      .filter(({ score, root }) => score > 0 && !terms.some((term) => covers(term, root)))
      .slice(0, OFFERED)
      .map(({ root }) => root),
  );
}

/** One round: reads, looks at what is offered, and takes what brought most good ones of those looked at. */
function learnOnce(concepts: QueryNode[][], judgedGood: Set<number>): void {
  for (const at of readFirst(joinAll(concepts), READ)) if (answers.has(at)) judgedGood.add(at);
  const offers = listOffers([...judgedGood], concepts.flat());
  for (let taken = 0; taken < TAKEN; taken++) {
    const before = joinAll(concepts);
    const outlooks = offers
      .filter((root) => !concepts.flat().some((term) => covers(term, root)))
      .flatMap((root) =>
        concepts.map((_, which) => {
          const after = joinAll(concepts.map((terms, at) => (at === which ? [...terms, root] : terms)));
          const fresh = build.not(after, before);
          const looked = drawRecords(find(fresh).list(), LOOKED_AT);
          const good = looked.filter((at) => answers.has(at));
          const share = looked.length === 0 ? 0 : good.length / looked.length;
          // What is half beside the point is not taken, however much it brings.
          return { root, which, good, worth: share < 0.5 ? 0 : share * find(fresh).count() };
        }),
      )
      .sort((a, b) => b.worth - a.worth);
    const [best] = outlooks;
    if (!best || best.worth === 0) return;
    concepts[best.which]!.push(best.root);
    for (const at of best.good) judgedGood.add(at);
  }
}

function measure(concepts: readonly (readonly QueryNode[])[]): { recall: number; precision: number } {
  const found = find(joinAll(concepts)).list();
  const good = found.filter((at) => answers.has(at)).length;
  return { recall: good / answers.size, precision: good / Math.max(1, found.length) };
}

it('three rounds of reading twenty and taking three raise recall from under 40 % to over 80 %', () => {
  const concepts = ['bats', '"street lighting"'].map((text) => [parseQuery(text).root]);
  const judgedGood = new Set<number>();
  const start = measure(concepts);
  const shares = [start];
  for (let round = 0; round < ROUNDS; round++) {
    learnOnce(concepts, judgedGood);
    shares.push(measure(concepts));
  }
  const end = shares.at(-1)!;
  const say = ({ recall, precision }: typeof end): string =>
    `${Math.round(100 * recall)} % at precision ${Math.round(100 * precision)} %`;
  console.log(`recall by rounds of reading: ${shares.map(say).join(', ')}`);
  expect(start.recall).toBeLessThan(0.4);
  expect(end.recall).toBeGreaterThan(0.8);
  expect(end.precision).toBeGreaterThanOrEqual(start.precision / 3);
});
