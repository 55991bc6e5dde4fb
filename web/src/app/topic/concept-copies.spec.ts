import '@angular/compiler';
import 'fake-indexeddb/auto';
import { Injector } from '@angular/core';
import { describe, expect, it } from 'vitest';
import { createDemoProject } from '#demo/demo-project';
import { createProject, type Concept } from '#core/project/index';
import { EwerDatabase } from '../data/ewer-database';
import { CLOCK_AND_IDS } from '../data/clock-and-ids';
import { ProjectRepository } from '../data/project-repository';
import { PROJECT_REPOSITORY } from '../data/providers';
import { ConceptCopies } from './concept-copies';

const NOW = '2026-10-01T08:00:00.000Z';
const CONCEPT: Concept = {
  id: 'a',
  name: 'roads',
  block: 'roads',
  off: false,
  note: 'paved ones',
  fields: ['title'],
  terms: [{ id: 't', text: 'road*', off: false, source: 'thesaurus' }],
};

describe('copying a concept to another project', () => {
  it('adds it there with terms of its own, and leaves the rest as it was', async () => {
    const repository = new ProjectRepository(new EwerDatabase('ewer-copies'));
    let number = 0;
    const copies = Injector.create({
      providers: [
        ConceptCopies,
        { provide: PROJECT_REPOSITORY, useValue: repository },
        {
          provide: CLOCK_AND_IDS,
          useValue: { createId: () => `new${number++}`, now: () => Date.parse(NOW) },
        },
      ],
    }).get(ConceptCopies);
    const demo = createDemoProject();
    await repository.save(demo, 0, NOW);
    await repository.save(createProject('here', 'Here', NOW, []), 0, NOW);
    expect((await copies.list('here')).map((project) => project.id)).toEqual(['demo']);
    expect(await copies.copy(CONCEPT, 'demo')).toEqual({ ok: true, value: demo.name });
    const loaded = await repository.load('demo');
    const { working } = (loaded.ok && loaded.value.project) || demo;
    expect(working.concepts.slice(0, 3)).toEqual(demo.working.concepts);
    expect(working.concepts[3]).toMatchObject({
      name: 'roads',
      note: 'paved ones',
      fields: ['title'],
      terms: [{ text: 'road*', source: 'thesaurus' }],
    });
    expect(working.concepts[3]?.terms[0]?.id).not.toBe('t');
    expect(working.draft).toBe(`${demo.working.draft} AND @roads`);
    const gone = await copies.copy(CONCEPT, 'nowhere');
    expect(gone.ok ? '' : gone.problem.code).toBe('not-found');
  });
});
