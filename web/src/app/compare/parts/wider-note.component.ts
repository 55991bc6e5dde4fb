import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { LimitedQuery } from '#core/compare/index';
import { CompareSubject } from '../../comparing/compare-subject';
import { SayPipe } from '../../words/say.pipe';

/** Says in which databases something else is counted than is asked, and what it is. */
@Component({
  imports: [SayPipe],
  selector: 'app-wider-note',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (found().length > 0) {
      <div class="warn" data-testid="wider">
        <p>{{ 'compare.notQuiteWhatIsAsked' | say }}</p>
        <ul>
          @for (one of found(); track one.name) {
            <li>
              <b>{{ one.name }}</b>: {{ one.words }}
            </li>
          }
        </ul>
      </div>
    }
  `,
  styles: `
    .warn {
      max-width: 760px;
      margin: 4px 0 10px;
      color: var(--warn);
    }
    p,
    ul {
      margin: 0;
    }
  `,
})
export class WiderNoteComponent {
  private readonly subject = inject(CompareSubject);

  readonly questions = input.required<readonly LimitedQuery[]>();
  protected readonly found = computed(() => this.subject.listOff(this.questions()));
}
