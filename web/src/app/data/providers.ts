import { InjectionToken, inject } from '@angular/core';
import { EwerDatabase } from './ewer-database';
import { ProjectRepository } from './project-repository';
import { StandinClient } from './standin-client';
import { ThesaurusRepository } from './thesaurus-repository';

const EWER_DATABASE = new InjectionToken<EwerDatabase>('EwerDatabase', {
  providedIn: 'root',
  factory: () => new EwerDatabase(),
});

export const PROJECT_REPOSITORY = new InjectionToken<ProjectRepository>('ProjectRepository', {
  providedIn: 'root',
  factory: () => new ProjectRepository(inject(EWER_DATABASE)),
});

export const THESAURUS_REPOSITORY = new InjectionToken<ThesaurusRepository>('ThesaurusRepository', {
  providedIn: 'root',
  factory: () => new ThesaurusRepository(inject(EWER_DATABASE)),
});

export const STANDIN_CLIENT = new InjectionToken<StandinClient>('StandinClient', {
  providedIn: 'root',
  factory: () => new StandinClient(),
});
