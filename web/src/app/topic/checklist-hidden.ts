import { Injectable, inject, signal } from '@angular/core';
import { PROJECT_REPOSITORY } from '../data/providers';

const KEY = 'checklist-hidden';

/** Whether the person has put the list of steps away; kept for all projects. */
@Injectable({ providedIn: 'root' })
export class ChecklistHidden {
  private readonly repository = inject(PROJECT_REPOSITORY);
  private readonly hidden = signal(false);
  readonly isHidden = this.hidden.asReadonly();

  constructor() {
    void this.repository.readSetting(KEY).then((value) => this.hidden.set(value === 'yes'));
  }

  set(hidden: boolean): void {
    this.hidden.set(hidden);
    void this.repository.writeSetting(KEY, hidden ? 'yes' : 'no');
  }
}
