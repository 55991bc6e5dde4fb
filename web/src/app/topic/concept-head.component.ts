import { MatTooltip } from '@angular/material/tooltip';
import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatMenu, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import { getConceptLetter, type Concept } from '#core/project/index';
import { CountComponent } from '../records/count.component';
import { IconComponent } from '../ui/icon.component';
import type { ColumnAction, ConceptView } from './topic-views';
import { SayPipe } from '../words/say.pipe';

/** The head of a concept's column: its letter, its name, its menu, and a line about it. */
@Component({
  selector: 'app-concept-head',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, CountComponent, IconComponent, MatMenu, MatMenuItem, MatMenuTrigger, MatTooltip],
  templateUrl: './concept-head.component.html',
  styleUrl: './concept-head.component.scss',
})
export class ConceptHeadComponent {
  readonly view = input.required<ConceptView>();
  readonly others = input.required<readonly Concept[]>();
  /** The database whose count of the whole concept is shown; none where several stand side by side. */
  readonly database = input.required<string | undefined>();
  readonly acted = output<ColumnAction>();

  protected readonly letter = computed(() => getConceptLetter(this.view().index));
  protected readonly isFirst = computed(() => this.view().index === 0);
  protected readonly isLast = computed(() => this.view().index === this.others().length - 1);
}
