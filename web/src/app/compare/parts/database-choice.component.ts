import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Router } from '@angular/router';
import { ChoiceRowComponent } from '../../ui/choice-row.component';
import { shortenName } from '../../ui/short-name';
import { CompareSubject } from '../compare-subject';

/** Which database a tool shows; kept in the address. */
@Component({
  selector: 'app-database-choice',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceRowComponent],
  template: `
    <app-choice-row
      label="Database"
      [choices]="choices()"
      [chosen]="subject.database()?.id"
      (chose)="choose($event)"
    />
  `,
})
export class DatabaseChoiceComponent {
  protected readonly subject = inject(CompareSubject);
  private readonly router = inject(Router);
  protected readonly choices = computed(() =>
    this.subject.dialects().map(({ id, name }) => ({ id, name: shortenName(name), label: name })),
  );

  protected choose(database: string): void {
    void this.router.navigate([], {
      queryParams: { db: database },
      queryParamsHandling: 'merge',
      replaceUrl: true,
    });
  }
}
