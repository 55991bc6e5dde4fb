import { MatCheckbox } from '@angular/material/checkbox';
import { SELECT_PARTS } from '../../ui/field-parts';
import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatMenu, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import type { Dialect } from '#core/dialect/index';
import { shortenName } from '#core/text/index';
import { OpenProject } from '../../state/open-project';
import { KeptChoices } from '../kept-choices';
import { SayPipe } from '../../words/say.pipe';
import { say } from '../../words/say';

/** The order of the variants, which rows and columns are shown, and the table as a file, a picture or on paper. */
@Component({
  selector: 'app-variants-bar',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, MatMenu, MatMenuItem, MatMenuTrigger, MatButton, SELECT_PARTS, MatCheckbox],
  templateUrl: './variants-bar.component.html',
  styleUrl: './variants-bar.component.scss',
})
export class VariantsBarComponent {
  private readonly open = inject(OpenProject);
  protected readonly choices = inject(KeptChoices);

  /** All that any variant searches. */
  readonly databases = input.required<readonly Dialect[]>();
  readonly hasMustFinds = input.required<boolean>();
  readonly tableSaved = output();
  readonly pictureSaved = output();

  protected readonly columns = computed(() =>
    this.databases().map(({ id, name }) => ({ id, name, isShown: !this.choices.hiddenColumns().has(id) })),
  );
  protected readonly variantChoices = computed(() =>
    this.open
      .project()
      .variants.map(({ id, name }) => ({ id, name, isShown: !this.choices.hiddenVariants().has(id) })),
  );
  protected readonly sorts = computed(() => [
    { id: 'descent', name: say('compare.byDescent') },
    { id: 'date', name: say('shared.newestFirst') },
    { id: 'name', name: say('compare.byName') },
    ...(this.hasMustFinds() ? [{ id: 'recall', name: say('compare.byMustFinds') }] : []),
    ...this.columns()
      .filter(({ isShown }) => isShown)
      .map((one) => ({ id: one.id, name: say('compare.byDatabase', { name: shortenName(one) }) })),
  ]);

  protected print(): void {
    window.print();
  }
}
