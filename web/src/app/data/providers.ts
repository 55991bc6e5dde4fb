import { InjectionToken, inject } from '@angular/core';
import { BatchRepository } from './batch-repository';
import { CollectionRepository } from './collection-repository';
import { DatabaseClient } from './database-client';
import { EwerDatabase } from './ewer-database';
import { FilterRepository } from './filter-repository';
import { ProjectRepository } from './project-repository';
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

export const DATABASE_CLIENT = new InjectionToken<DatabaseClient>('DatabaseClient', {
  providedIn: 'root',
  factory: () => new DatabaseClient(),
});

export const COLLECTION_REPOSITORY = new InjectionToken<CollectionRepository>('CollectionRepository', {
  providedIn: 'root',
  factory: () => new CollectionRepository(inject(EWER_DATABASE)),
});

export const FILTER_REPOSITORY = new InjectionToken<FilterRepository>('FilterRepository', {
  providedIn: 'root',
  factory: () => new FilterRepository(inject(EWER_DATABASE)),
});

export const BATCH_REPOSITORY = new InjectionToken<BatchRepository>('BatchRepository', {
  providedIn: 'root',
  factory: () => new BatchRepository(inject(EWER_DATABASE)),
});
