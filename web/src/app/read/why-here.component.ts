import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { nameTerm } from '#core/outline/index';
import type { ConceptInRecord } from '#core/reading/index';
import { OpenProject } from '../state/open-project';
import { ConceptLetterComponent } from '../ui/concept-letter.component';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** By which terms a record meets each concept, and where; which one term alone holds it. */
@Component({
  selector: 'app-why-here',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, ConceptLetterComponent],
  host: { role: 'region', '[attr.aria-label]': 'spokenName' },
  template: `
    <h3>{{ 'read.whyItIsHere' | say }}</h3>
    @for (one of reasonsHere(); track one.concept.id) {
      <p>
        <app-concept-letter [place]="one.turn" aria-hidden="true" /><span class="unseen"
          >{{ one.concept.name }}:
        </span>
        @if (one.isOnly) {
          <b>{{ 'read.onlyWords' | say }}</b>
        }
        @for (term of one.terms; track $index; let last = $last) {
          <span class="code">{{ term.text }}</span> <span class="quiet">{{ term.places }}</span>{{
            last ? '' : ' · '
          }}
        } @empty {
          <span class="quiet">{{ 'read.noTermOfIsInTheRecord' | say: { name: one.concept.name } }}</span>
        }
      </p>
    } @empty {
      <p class="quiet">{{ 'read.thereAreNoConceptsYet' | say }}</p>
    }
  `,
  styles: `
    :host {
      display: block;
      padding: 6px 0;
      border-block: 1px solid var(--hair);
    }
    h3 {
      font-family: var(--font-text);
      font-size: 14px;
    }
    app-concept-letter {
      margin-right: 6px;
    }
    .code,
    b {
      margin-right: 5px;
    }
  `,
})
export class WhyHereComponent {
  protected readonly spokenName = say('read.whyItIsHere');
  private readonly open = inject(OpenProject);

  readonly why = input.required<readonly ConceptInRecord[]>();
  /** How each concept is met, in words. */
  protected readonly reasonsHere = computed(() =>
    this.why().map(({ concept, terms }, turn) => ({
      concept,
      turn,
      isOnly: terms.length === 1,
      terms: terms.map(({ term, places }) => ({
        text: nameTerm(term.text, this.open.dialects()),
        places: places.length > 0 ? places.join(', ') : say('read.elsewhereInTheRecord'),
      })),
    })),
  );
}
