import '@angular/compiler';
import { signal } from '@angular/core';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { DIALECTS } from '#core/dialect/index';
import { createProblem, fail, succeed, type Outcome } from '#core/problem/index';
import type { Concept } from '#core/project/index';
import type { Heading } from '#core/vocabulary/index';
import { CLOCK_AND_IDS } from '../data/clock-and-ids';
import { THESAURUS_REPOSITORY } from '../data/providers';
import { createConnection } from '../data/connections/connection';
import { Connections } from './connections';
import { OpenProject } from './open-project';
import { startInjection } from '../testing/injection';
import { ThesaurusStore, hasHope } from './thesaurus-store';

vi.mock('../data/skos-worker', () => ({
  // What is read is no matter here: a line is the label of a heading.
  readSkosInWorker: (text: string) =>
    Promise.resolve(succeed({ headings: text.split('\n').map(createHeading), problems: [], languages: [] })),
}));

const angular = startInjection();

function createHeading(label: string): Heading {
  return { label, broader: [], related: [], entryTerms: [] };
}

const concept = (...texts: string[]): Concept => ({
  id: 'c',
  name: 'c',
  block: 'c',
  off: false,
  terms: texts.map((text, at) => ({ id: `t${at}`, text, off: false })),
});

function createStore(vocabulary: (database: string) => Promise<Outcome<string>>) {
  const kept = new Map<string, { id: string; name: string; headings: readonly Heading[] }>();
  angular.resetTestingModule();
  angular.configureTestingModule({
    providers: [
      {
        provide: OpenProject,
        useValue: { dialects: signal(DIALECTS.filter(({ id }) => ['heronsmere', 'cardinal'].includes(id))) },
      },
      {
        provide: Connections,
        useValue: {
          find: (id: string) => createConnection('served', id, { thesaurus: () => vocabulary(id) }),
        },
      },
      { provide: CLOCK_AND_IDS, useValue: { now: () => 0, createId: () => 'own' } },
      {
        provide: THESAURUS_REPOSITORY,
        useValue: {
          list: () => Promise.resolve(succeed([...kept.values()].map(({ id, name }) => ({ id, name })))),
          save: (one: { id: string; name: string; headings: readonly Heading[] }) =>
            Promise.resolve(succeed(kept.set(one.id, one))),
          load: (id: string) => Promise.resolve(succeed(kept.get(id)!)),
          remove: (id: string) => Promise.resolve(succeed(kept.delete(id))),
        },
      },
    ],
  });
  return { store: angular.inject(ThesaurusStore), kept };
}

describe('the thesauri', () => {
  let asked: string[];
  let answers: Outcome<string>[];
  const ask = (database: string): Promise<Outcome<string>> => {
    asked.push(database);
    return Promise.resolve(answers.shift() ?? succeed('Bats\nMoths'));
  };

  beforeEach(() => {
    asked = [];
    answers = [];
  });

  it('are those of the databases that have headings, each fetched once', async () => {
    const { store } = createStore(ask);
    expect(store.entries().map(({ id, isOwn }) => [id, isOwn])).toEqual([['heronsmere', false]]);
    await Promise.all([store.load('heronsmere'), store.load('heronsmere')]);
    expect(asked).toEqual(['heronsmere']);
    expect(store.find('heronsmere')?.find('bats')?.label).toBe('Bats');
    expect(store.lookUp('heronsmere', ['moths'], 5).map(({ heading }) => heading.label)).toEqual(['Moths']);
    expect(store.lookUp('cardinal', ['moths'], 5)).toEqual([]);
  });

  it('are asked for again after a failure, not where there is none', async () => {
    const { store } = createStore(ask);
    answers = [fail(createProblem('service-failed', 'error', { database: 'Heronsmere', status: 503 }))];
    await store.load('heronsmere');
    expect(hasHope(store.findProblem('heronsmere')!)).toBe(true);
    await store.load('heronsmere');
    expect(store.findProblem('heronsmere')).toBeUndefined();
    expect(store.find('heronsmere')).toBeDefined();
    answers = [fail(createProblem('service-failed', 'error', { database: 'Cardinal', status: 404 }))];
    await store.load('cardinal');
    await store.load('cardinal');
    expect(hasHope(store.findProblem('cardinal')!)).toBe(false);
    expect(asked).toEqual(['heronsmere', 'heronsmere', 'cardinal']);
  });

  it('tell whether a concept has a heading of a database, and do not complain while that is not known', async () => {
    const { store } = createStore(ask);
    const plain = concept('bat*');
    expect(store.hasHeading(plain, 'heronsmere')).toBe(true);
    await store.load('heronsmere');
    expect(store.hasHeading(plain, 'heronsmere')).toBe(false);
    expect(store.hasHeading(concept('bat*', 'heading: "Bats"'), 'heronsmere')).toBe(true);
    expect(store.hasHeading(concept('heading: "Owls"'), 'heronsmere')).toBe(false);
    expect(store.hasHeading(concept('heading(gantry): "Bats"'), 'heronsmere')).toBe(false);
    const [first] = concept('heading: "Bats"').terms;
    const off = { ...plain, terms: [{ ...first!, off: true }] };
    expect(store.hasHeading(off, 'heronsmere')).toBe(false);
  });

  it('are joined by those from files, which are kept, and can be removed', async () => {
    const { store, kept } = createStore(ask);
    const reading = { headings: [createHeading('Night flyers')], problems: [] };
    const id = await store.keep('Mine', reading as never);
    expect(store.entries().map(({ name, isOwn }) => [name, isOwn])).toContainEqual(['Mine', true]);
    expect(store.find(id)?.find('night flyers')?.label).toBe('Night flyers');
    expect([...kept.keys()]).toEqual([id]);
    await store.remove(id);
    expect(store.entries().some(({ isOwn }) => isOwn)).toBe(false);
    expect(kept.size).toBe(0);
  });
});
