import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Router } from '@angular/router';
import type { Dialect } from '#core/dialect/index';
import { shortenName } from '#core/text/index';
import { ChoiceRowComponent } from '../../ui/choice-row.component';
import { CompareSubject } from '../../comparing/compare-subject';
import { SayPipe } from '../../words/say.pipe';

/** Which database a tool shows; kept in the address. */
@Component({
  selector: 'app-database-choice',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, ChoiceRowComponent],
  template: `
    <app-choice-row
      [label]="'shared.database' | say"
      [choices]="choices()"
      [chosen]="chosen()"
      (chose)="choose($event)"
    />
  `,
})
export class DatabaseChoiceComponent {
  private readonly subject = inject(CompareSubject);
  private readonly router = inject(Router);
  /** The databases to choose from, if not all of the state looked at. */
  readonly dialects = input<readonly Dialect[]>();
  private readonly offered = computed(() => this.dialects() ?? this.subject.dialects());
  protected readonly chosen = computed(
    () => (this.offered().find(({ id }) => id === this.subject.chosen()) ?? this.offered()[0])?.id,
  );
  protected readonly choices = computed(() =>
    this.offered().map((one) => ({ id: one.id, name: shortenName(one), label: one.name })),
  );

  protected choose(database: string): void {
    void this.router.navigate([], {
      queryParams: { db: database },
      queryParamsHandling: 'merge',
      replaceUrl: true,
    });
  }
}
