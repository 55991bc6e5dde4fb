import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Question } from '#core/compare/index';
import { CompareSubject } from '../compare-subject';

/** Says in which databases more is counted than is meant, because they go without a piece of what is asked. */
@Component({
  selector: 'app-wider-note',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (names().length > 0) {
      <p class="warn" data-testid="wider">
        {{ words() }}: a part of this cannot be said there, or not in its fields. More is counted than is
        meant.
      </p>
    }
  `,
  styles: `
    p {
      max-width: 760px;
      margin: 4px 0 10px;
      color: var(--warn);
    }
  `,
})
export class WiderNoteComponent {
  private readonly subject = inject(CompareSubject);

  readonly questions = input.required<readonly Question[]>();

  protected readonly names = computed(() => this.subject.listWider(this.questions()));
  protected readonly words = computed(() =>
    new Intl.ListFormat('en-GB', { type: 'conjunction' }).format(this.names()),
  );
}
