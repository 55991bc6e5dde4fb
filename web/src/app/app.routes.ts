import type { Routes } from '@angular/router';
import { chooseProject, openProject } from './projects/project-guards';

/** The views of a project, in the order of the work. */
export const APP_ROUTES: Routes = [
  { path: '', pathMatch: 'full', canActivate: [chooseProject], children: [] },
  {
    path: 'projects',
    title: 'Projects · Ewer',
    loadComponent: () =>
      import('./projects/projects-page.component').then((file) => file.ProjectsPageComponent),
  },
  {
    path: 'p/:project',
    canActivate: [openProject],
    loadComponent: () => import('./shell/workbench.component').then((file) => file.WorkbenchComponent),
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'topic' },
      {
        path: 'topic',
        title: 'Topic · Ewer',
        loadComponent: () => import('./topic/topic-page.component').then((file) => file.TopicPageComponent),
      },
      {
        path: 'query',
        title: 'Query · Ewer',
        loadComponent: () => import('./query/query-page.component').then((file) => file.QueryPageComponent),
      },
      {
        path: 'translate',
        title: 'Translate · Ewer',
        loadComponent: () =>
          import('./translate/translate-page.component').then((file) => file.TranslatePageComponent),
      },
      {
        path: 'read',
        title: 'Read · Ewer',
        loadComponent: () => import('./read/read-page.component').then((file) => file.ReadPageComponent),
      },
      {
        path: 'databases',
        title: 'Databases · Ewer',
        loadComponent: () =>
          import('./databases/databases-page.component').then((file) => file.DatabasesPageComponent),
      },
      {
        path: 'compare',
        title: 'Compare · Ewer',
        loadComponent: () =>
          import('./compare/compare-page.component').then((file) => file.ComparePageComponent),
        loadChildren: () => import('./compare/compare-tools').then((file) => file.COMPARE_ROUTES),
      },
    ],
  },
  { path: '**', redirectTo: '' },
];
