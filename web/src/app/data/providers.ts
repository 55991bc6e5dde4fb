import { InjectionToken } from '@angular/core';
import { ProjectRepository } from './project-repository';
import { StandinClient } from './standin-client';

export const PROJECT_REPOSITORY = new InjectionToken<ProjectRepository>('ProjectRepository', {
  providedIn: 'root',
  factory: () => new ProjectRepository(),
});

export const STANDIN_CLIENT = new InjectionToken<StandinClient>('StandinClient', {
  providedIn: 'root',
  factory: () => new StandinClient(),
});
