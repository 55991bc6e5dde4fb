import type { Routes } from '@angular/router';
import { chooseProject, openProject } from './projects/project-guards';
import { say } from './words/say';

/** False in what is built to be used, so that the page of parts is not in it. */
declare const ngDevMode: boolean;

/** All parts of the screens on one page, for who builds them. */
const PARTS: Routes = ngDevMode
  ? [
      {
        path: 'parts',
        loadComponent: () =>
          import('./part-samples/parts-page.component').then((file) => file.PartsPageComponent),
      },
    ]
  : [];

/** The views of a project, in the order of the work. */
export const APP_ROUTES: Routes = [
  ...PARTS,
  { path: '', pathMatch: 'full', canActivate: [chooseProject], children: [] },
  {
    path: 'projects',
    title: () => say('app.projectsEwer'),
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
        title: () => say('app.topicEwer'),
        loadComponent: () => import('./topic/topic-page.component').then((file) => file.TopicPageComponent),
      },
      {
        path: 'query',
        title: () => say('app.queryEwer'),
        loadComponent: () => import('./query/query-page.component').then((file) => file.QueryPageComponent),
      },
      {
        path: 'translate',
        title: () => say('app.translateEwer'),
        loadComponent: () =>
          import('./translate/translate-page.component').then((file) => file.TranslatePageComponent),
      },
      {
        path: 'read/must-finds',
        title: () => say('app.mustFindsEwer'),
        loadComponent: () =>
          import('./must-finds/must-finds-page.component').then((file) => file.MustFindsPageComponent),
      },
      {
        path: 'read/trail',
        title: () => say('app.trailEwer'),
        loadComponent: () => import('./trail/trail-page.component').then((file) => file.TrailPageComponent),
      },
      {
        path: 'read/shelf',
        title: () => say('app.shelfEwer'),
        loadComponent: () => import('./shelf/shelf-page.component').then((file) => file.ShelfPageComponent),
      },
      {
        path: 'read',
        title: () => say('app.readEwer'),
        loadComponent: () => import('./read/read-page.component').then((file) => file.ReadPageComponent),
      },
      {
        path: 'logbook',
        title: () => say('app.logbookEwer'),
        loadComponent: () =>
          import('./logbook/logbook-page.component').then((file) => file.LogbookPageComponent),
      },
      {
        path: 'databases',
        title: () => say('app.databasesEwer'),
        loadComponent: () =>
          import('./databases/databases-page.component').then((file) => file.DatabasesPageComponent),
      },
      {
        path: 'compare',
        title: () => say('app.compareEwer'),
        loadComponent: () =>
          import('./compare/compare-page.component').then((file) => file.ComparePageComponent),
        loadChildren: () => import('./compare/compare-tools').then((file) => file.COMPARE_ROUTES),
      },
    ],
  },
  { path: '**', redirectTo: '' },
];
