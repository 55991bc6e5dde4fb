import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Router } from '@angular/router';
import { OpenProject } from '../state/open-project';
import { SELECT_PARTS } from '../ui/field-parts';
import { say } from '../words/say';
import { SayPipe } from '../words/say.pipe';
import { CompareSubject } from './compare-subject';

/** Chooses what is looked at, the draft or a variant; it stands in the address. Without variants there is no choice. */
@Component({
  selector: 'app-state-choice',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, SELECT_PARTS],
  template: `
    @if (states().length > 1) {
      <mat-form-field class="small"
        ><mat-label>{{ 'compare.of' | say }}</mat-label
        ><mat-select (selectionChange)="choose($event.value)" [value]="subject.of()">
          @for (state of states(); track state.id) {
            <mat-option [value]="state.id">{{ state.name }}</mat-option>
          }
        </mat-select></mat-form-field
      >
    }
  `,
  styles: `
    mat-form-field {
      width: 170px;
    }
  `,
})
export class StateChoiceComponent {
  protected readonly subject = inject(CompareSubject);
  private readonly open = inject(OpenProject);
  private readonly router = inject(Router);

  protected readonly states = computed(() => [
    { id: 'draft', name: say('shared.theDraft') },
    ...this.open.project().variants.map(({ id, name }) => ({ id, name })),
  ]);

  protected choose(of: string): void {
    void this.router.navigate([], { queryParams: { of }, queryParamsHandling: 'merge' });
  }
}
