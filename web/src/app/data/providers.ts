import { InjectionToken, inject } from '@angular/core';
import { BatchRepository } from './batch-repository';
import { CollectionRepository } from './connections/own-collection/collection-repository';
import { CollectionClient } from './connections/own-collection/collection-client';
import { ServedDatabases } from './connections/served/served-databases';
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

export const SERVED_DATABASES = new InjectionToken<ServedDatabases>('ServedDatabases', {
  providedIn: 'root',
  factory: () => new ServedDatabases(),
});

export const COLLECTION_CLIENT = new InjectionToken<CollectionClient>('CollectionClient', {
  providedIn: 'root',
  factory: () => new CollectionClient(),
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
