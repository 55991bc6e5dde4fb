import { Injectable, signal } from '@angular/core';
import type { Problem } from '#core/problem/index';

/** A problem met on the way to a project, to be shown on the list of projects. */
@Injectable({ providedIn: 'root' })
export class ProjectsNotice {
  readonly problem = signal<Problem | undefined>(undefined);
}
