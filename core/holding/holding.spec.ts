import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { buildIndex, createEvaluator, type IndexDocument } from '../collection';
import { OWN_RECORDS, writeQuery } from '../dialect';
import { printQuery, type QueryNode } from '../query';
import { arbitraryDocument, arbitraryQuery } from '../testing/arbitraries';
import { satisfies } from '../testing/naive-evaluator';
import { countStrings, countUnions, findRecordNumbers } from './answer-strings';
import type { Holding } from './holding';
import { createHeadingKey } from '../text';
import { createVocabulary } from '../vocabulary';
import { listGivenHeadings, readQueryText } from './query-text';

const ID = 'own-records';
const createHolding = (documents: readonly IndexDocument[]): Holding => {
  const index = buildIndex(documents);
  const vocabulary = listGivenHeadings(ID, index);
  return {
    evaluator: createEvaluator(index),
    sentLimiters: ['years', 'types', 'languages'],
    sorts: ['relevance'],
    read: (text) => readQueryText(text, vocabulary),
  };
};
const createDeadline = () => () => false;
const documents = fc.array(arbitraryDocument(), { minLength: 1, maxLength: 12 });

const findNaively = (records: readonly IndexDocument[], query: QueryNode): number[] => {
  const labels = records.flatMap(({ keys }) =>
    keys.filter((key) => key.startsWith('heading=')).map((key) => key.slice('heading='.length)),
  );
  const vocabulary = createVocabulary(
    ID,
    [...new Set(labels)].map((label) => ({ label, entryTerms: [], broader: [], related: [] })),
  );
  return records.flatMap((record, at) => (satisfies(record, query, vocabulary) ? [at] : []));
};

describe('records of one’s own', () => {
  it('are found by what is written for them just as the query means it', () => {
    let same = 0;
    fc.assert(
      fc.property(documents, arbitraryQuery, (records, query) => {
        const holding = createHolding(records);
        const rendering = writeQuery(query, OWN_RECORDS);
        const wanted = findNaively(records, query);
        if (rendering.problems.length > 0) return;
        const found = rendering.parts.flatMap(({ text }) => {
          const answer = findRecordNumbers(
            holding,
            { string: text, sentLimiters: {}, start: 0, rows: 100, sort: 'relevance' },
            createDeadline,
          );
          if ('problem' in answer) throw new Error(`${text}: ${answer.problem.message}`);
          return answer.numbers;
        });
        const all = [...new Set(found)].sort((a, b) => a - b);
        const context = `${printQuery(query)} → ${rendering.text}`;
        if (rendering.whole === 'same') {
          same++;
          expect(all, context).toEqual(wanted);
        } else if (rendering.whole === 'wider') expect(all, context).toEqual(expect.arrayContaining(wanted));
        else if (rendering.whole === 'narrower') expect(wanted, context).toEqual(expect.arrayContaining(all));
      }),
      { numRuns: 500, endOnFailure: true },
    );
    expect(same).toBeGreaterThan(250);
  });

  const holding = createHolding([
    { values: { title: ['street light'] }, keys: ['type=article', 'language=en'], year: 2019 },
    { values: { title: ['light'] }, keys: ['type=review', 'language=fr', 'heading=bats'], year: 2021 },
    { values: { title: ['lamp'] }, keys: ['type=review', 'language=en'] },
  ]);

  it('are counted under the sentLimiters that they have, and under no others', () => {
    const count = (sentLimiters: object): unknown =>
      countStrings(holding, ['light OR lamp'], sentLimiters, createDeadline)[0];
    expect(count({})).toEqual({ total: 3, estimated: false, notes: [] });
    expect(count({ years: { from: 2020 } })).toMatchObject({ total: 1 });
    expect(count({ types: ['review'], languages: ['en'] })).toMatchObject({ total: 1 });
    expect(count({ peerReviewed: true })).toMatchObject({ total: 3 });
  });

  it('are counted once however many strings find them, and by the headings that they were given', () => {
    const [union] = countUnions(holding, [['light', 'title: light', 'lamp']], {}, createDeadline);
    expect(union).toMatchObject({ total: 3 });
    expect(countStrings(holding, ['heading: "Bats"', 'branch: "Bats"'], {}, createDeadline)).toMatchObject([
      { total: 1 },
      { total: 1 },
    ]);
  });

  it('with headings that differ only in signs are counted apart', () => {
    const holding = createHolding(
      ['C', 'C++', 'C#', 'c'].map((label) => ({ values: {}, keys: [`heading=${createHeadingKey(label)}`] })),
    );
    const strings = ['C', 'C++', 'c#', 'D'].map((label) => `heading: "${label}"`);
    const totals = countStrings(holding, strings, {}, createDeadline);
    expect(totals).toMatchObject([{ total: 2 }, { total: 1 }, { total: 1 }, { total: 0 }]);
  });

  it('are not searched by a string with a mistake, which is said with its place', () => {
    expect(countStrings(holding, ['light AND (lamp'], {}, createDeadline)[0]).toMatchObject({
      problem: { code: 'unclosed-bracket', at: [10, 11] },
    });
  });
});
