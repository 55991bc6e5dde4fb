import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { getConceptLetter } from '#core/project/index';
import { getHueClass } from './hues';

/** The letter of a concept in its hue, by its place among the concepts. */
@Component({
  selector: 'app-concept-letter',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '[class]': 'hue()' },
  template: `{{ letter() }}`,
  styles: `
    :host {
      display: inline-block;
      min-width: 18px;
      border-radius: 4px;
      background: var(--hue);
      color: var(--paper);
      font-size: 12px;
      font-weight: 700;
      line-height: 18px;
      text-align: center;
    }
  `,
})
export class ConceptLetterComponent {
  readonly place = input.required<number>();
  protected readonly letter = computed(() => getConceptLetter(this.place()));
  protected readonly hue = computed(() => getHueClass(this.place()));
}
