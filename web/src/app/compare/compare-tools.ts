import type { Type } from '@angular/core';
import { createUrlTreeFromSnapshot, type CanActivateFn, type Routes } from '@angular/router';
import { say } from '../words/say';

/** A tool of Compare: a page of its own that answers one question about the variants. */
interface CompareTool {
  /** Its part of the address; it stays when the name changes. */
  readonly path: string;
  readonly name: string;
  /** It chooses for itself what it looks at: the page offers no choice of a variant. */
  readonly choosesItself?: true;
  /** It has something to show where there is nothing to count. */
  readonly worksWithoutQuery?: true;
  /** Fetched when it is first looked at. */
  readonly load: () => Promise<Type<unknown>>;
}

/** The questions that Compare answers, in the order in which they are usually asked. A new tool is its folder and a row here. */
export const COMPARE_TOOLS: readonly CompareTool[] = [
  {
    path: 'staircase',
    get name() {
      return say('compare.staircase');
    },
    load: () => import('./tools/staircase/staircase.component').then((file) => file.StaircaseComponent),
  },
  {
    path: 'terms',
    get name() {
      return say('compare.eachTerm');
    },
    load: () => import('./tools/each-term/each-term.component').then((file) => file.EachTermComponent),
  },
  {
    path: 'combinations',
    get name() {
      return say('compare.combinations');
    },
    load: () =>
      import('./tools/combinations/combinations.component').then((file) => file.CombinationsComponent),
  },
  {
    path: 'swap',
    get name() {
      return say('compare.swap');
    },
    load: () => import('./tools/swap/swap.component').then((file) => file.SwapComponent),
  },
  {
    path: 'overlap',
    get name() {
      return say('compare.overlap');
    },
    load: () => import('./tools/overlap/overlap.component').then((file) => file.OverlapComponent),
  },
  {
    path: 'differences',
    get name() {
      return say('compare.gainedAndLost');
    },
    choosesItself: true,
    load: () => import('./tools/gained-lost/gained-lost.component').then((file) => file.GainedLostComponent),
  },
  {
    path: 'years',
    get name() {
      return say('shared.years');
    },
    load: () => import('./tools/years/years.component').then((file) => file.YearsComponent),
  },
  {
    path: 'try',
    get name() {
      return say('compare.whatToTry');
    },
    load: () => import('./tools/what-to-try/what-to-try.component').then((file) => file.WhatToTryComponent),
  },
  {
    path: 'tallies',
    get name() {
      return say('compare.tallies');
    },
    choosesItself: true,
    worksWithoutQuery: true,
    load: () => import('./tools/tallies/tallies.component').then((file) => file.TalliesComponent),
  },
];

const FIRST = 'staircase';

/** Finds a tool by its part of the address. */
export function findTool(path: string | undefined): CompareTool | undefined {
  return COMPARE_TOOLS.find((tool) => tool.path === path);
}

/** Leads to the first tool, or to the one that an address of an older Ewer names (`?tool=years`). */
const chooseTool: CanActivateFn = ({ parent, queryParams: { tool, ...queryParams } }) => {
  const path = findTool(String(tool))?.path ?? FIRST;
  return parent ? createUrlTreeFromSnapshot(parent, [path], queryParams) : false;
};

const leadToMustFinds: CanActivateFn = ({ parent, queryParams }) =>
  parent?.parent ? createUrlTreeFromSnapshot(parent.parent, ['read', 'must-finds'], queryParams) : false;

/** The tools as pages under the address of Compare. */
export const COMPARE_ROUTES: Routes = [
  { path: '', pathMatch: 'full', canActivate: [chooseTool], children: [] },
  ...COMPARE_TOOLS.map(({ path, load }) => ({ path, loadComponent: load })),
  // They stood here once; addresses that people kept still lead to them.
  { path: 'must-finds', pathMatch: 'full', canActivate: [leadToMustFinds], children: [] },
  { path: '**', canActivate: [chooseTool], children: [] },
];
