import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { expect, it } from 'vitest';
import type { SearchAnswer, SearchFilter, SearchRequest, Sort } from '#core/contract/index';
import { createProblem, fail, succeed, type Outcome } from '#core/problem/index';
import type { BibliographicRecord } from '#core/record/index';
import { createConnection, type Connection } from '../data/connections/connection';
import { Connections } from '../state/connections';
import { OpenProject } from '../state/open-project';
import type { AskedSet } from './found-works';
import type { Judged } from './read-address';
import { ReadRecords } from './read-records';
import { ReadSubject } from './read-subject';

const createRecord = (title: string): BibliographicRecord =>
  ({
    id: title,
    title,
    authors: [],
    abstract: '',
    keywords: [],
    headings: [],
  }) as unknown as BibliographicRecord;

interface Question {
  readonly request: SearchRequest;
  readonly answer: (outcome?: Outcome<SearchAnswer>) => Promise<void>;
}

/** A database whose answers come when they are let go; `total` records of each string. */
function createDatabase(total: number) {
  const questions: Question[] = [];
  const connection: Connection = createConnection('served', 'One', {
    ids: () =>
      Promise.resolve(succeed({ total: 3, numbers: [5, 6, 7], identifiers: [41, 42, 43], works: [0, 0, 0] })),
    search: (request) =>
      new Promise((resolve) => {
        const records = Array.from(
          { length: Math.max(0, Math.min(request.rows, total - request.start)) },
          (_, at) => createRecord(`${request.string} ${request.sort} ${request.start + at}`),
        );
        const full = succeed({
          total,
          estimated: false,
          records,
          facets: request.facets ? { years: [] } : {},
        });
        questions.push({
          request,
          answer: async (outcome = full) => {
            resolve(outcome);
            await new Promise((done) => setTimeout(done));
          },
        });
      }),
  });
  return { connection, questions };
}

function start(total = 120) {
  const { connection, questions } = createDatabase(total);
  const strings = signal<readonly string[]>(['bat']);
  const sort = signal<Sort>('relevance');
  const filters = signal<readonly SearchFilter[]>([]);
  const judged = signal<readonly Judged[]>([]);
  const sets = (): AskedSet[] => [{ database: 'one', connection, strings: strings(), sentLimiters: {} }];
  TestBed.configureTestingModule({
    providers: [
      ReadRecords,
      {
        provide: ReadSubject,
        useValue: {
          sets,
          sort,
          filters,
          judged,
          sample: signal(undefined),
          behind: signal(undefined),
          dialect: () => ({ id: 'one' }),
        },
      },
      {
        provide: OpenProject,
        useValue: {
          project: () => ({
            judgements: {
              'one bat relevance 1': { verdict: 'on', title: '' },
              'one judged elsewhere': { verdict: 'off', title: '', identifier: 42 },
            },
          }),
        },
      },
      { provide: Connections, useValue: { find: () => connection } },
    ],
  });
  const records = TestBed.inject(ReadRecords);
  TestBed.tick();
  return { records, questions, strings, sort, filters, judged };
}

it('has a place for each record, and fetches the pages that come into sight, each once', async () => {
  const { records, questions } = start();
  expect(records.total()).toBeUndefined();
  await questions[0]!.answer();
  expect(records.total()).toBe(120);
  expect(records.list()).toHaveLength(120);
  expect(records.find(49)?.record.title).toBe('bat relevance 49');
  expect(records.find(50)).toBeUndefined();
  expect(records.find(1)?.judgement?.verdict).toBe('on');
  records.want(90, 110);
  records.want(95, 115);
  expect(questions.map(({ request }) => request.start)).toEqual([0, 50, 100]);
  await questions[2]!.answer();
  expect(records.find(119)?.record.title).toBe('bat relevance 119');
  expect(records.loaded()).toHaveLength(70);
  // Facets are asked for once, with the first page.
  expect(questions.map(({ request }) => request.facets !== undefined)).toEqual([true, false, false]);
});

it('goes on behind a rounded total for as long as pages are full, and ends where one is not', async () => {
  const { records, questions } = start(60);
  const of = (start: number, found: number): Outcome<SearchAnswer> =>
    succeed({
      total: 40,
      estimated: true,
      records: Array.from({ length: found }, (_, at) => createRecord(String(start + at))),
    });
  await questions[0]!.answer(of(0, 50));
  expect([records.total(), records.isEstimated(), records.list().length]).toEqual([40, true, 51]);
  records.want(50, 51);
  await questions[1]!.answer(of(50, 10));
  expect(records.list()).toHaveLength(60);
  expect(records.find(59)?.record.title).toBe('59');
});

it('drops a late answer to what is no longer asked', async () => {
  const { records, questions, sort } = start();
  sort.set('newest');
  TestBed.tick();
  await questions[1]!.answer();
  await questions[0]!.answer();
  expect(records.find(0)?.record.title).toBe('bat newest 0');
});

it('reads a database that cannot sort or filter as it comes, and asks it so from then on', async () => {
  const { records, questions } = start();
  await questions[0]!.answer(
    fail(createProblem('not-offered', 'warning', { database: 'One', what: 'sorting' })),
  );
  await questions[1]!.answer();
  expect(records.isPlain()).toBe(true);
  records.want(50, 60);
  expect(questions[2]!.request).toMatchObject({ start: 50, sort: 'relevance' });
  expect(questions[2]!.request.facets).toBeUndefined();
});

it('does not read a database without the filters that it was asked with', async () => {
  const { records, questions, filters } = start();
  filters.set([{ facet: 'types', values: ['review'] }]);
  TestBed.tick();
  await questions[1]!.answer(
    fail(createProblem('not-offered', 'warning', { database: 'One', what: 'filters' })),
  );
  expect(records.problem()?.code).toBe('not-offered');
  expect(questions).toHaveLength(2);
});

it('says why there is nothing, and tries again', async () => {
  const { records, questions } = start();
  await questions[0]!.answer(fail(createProblem('service-failed', 'error', { database: 'One' })));
  expect(records.problem()?.code).toBe('service-failed');
  records.tryAgain();
  await questions[1]!.answer();
  expect(records.problem()).toBeUndefined();
  expect(records.total()).toBe(120);
});

it('reads only those that were judged so, or not at all, and counts them', async () => {
  const { records, questions, judged } = start();
  await records.countJudged();
  expect(records.judgedCounts()).toEqual({ on: 0, off: 1, unsure: 0, none: 2 });
  judged.set(['off', 'on']);
  TestBed.tick();
  await new Promise((done) => setTimeout(done));
  expect(questions.at(-1)!.request.among).toEqual({ numbers: [6] });
  judged.set(['none']);
  TestBed.tick();
  await new Promise((done) => setTimeout(done));
  expect(questions.at(-1)!.request.among).toEqual({ numbers: [6], leavesOut: true });
});
