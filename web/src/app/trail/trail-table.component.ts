import { ChangeDetectionStrategy, Component, inject, input, model, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import type { TrailWork } from '#core/trail/index';
import { Shelf } from '../records/shelf';
import { SayPipe } from '../words/say.pipe';

/** A work with all that its row says. */
export interface TrailRow {
  readonly work: TrailWork;
  readonly key: string;
  readonly line: string;
  readonly ways: string;
  /** Nothing while it is not known. */
  readonly isFound: boolean | undefined;
}

/** The works that a trail leads to, each with what leads to it and whether the draft finds it. */
@Component({
  selector: 'app-trail-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatCheckbox, SayPipe],
  templateUrl: './trail-table.component.html',
  styleUrl: './trail-table.component.scss',
})
export class TrailTableComponent {
  private readonly shelf = inject(Shelf);

  readonly rows = input.required<readonly TrailRow[]>();
  /** How many works the trail starts from. */
  readonly starts = input.required<number>();
  /** It is being looked up what the draft finds. */
  readonly isComparing = input.required<boolean>();
  /** The keys of the rows that are picked. */
  readonly picked = model.required<ReadonlySet<string>>();
  /** It is to be told why the draft misses a work. */
  readonly explained = output<TrailRow>();

  private readonly openKey = signal('');

  protected isOpen({ key }: TrailRow): boolean {
    return this.openKey() === key;
  }

  protected toggle({ key }: TrailRow): void {
    this.openKey.set(this.openKey() === key ? '' : key);
  }

  protected pick({ key }: TrailRow, isPicked: boolean): void {
    const keys = new Set(this.picked());
    if (isPicked) keys.add(key);
    else keys.delete(key);
    this.picked.set(keys);
  }

  protected isKept({ work }: TrailRow): boolean {
    return this.shelf.find(work.record, work.database) !== undefined;
  }

  protected keep({ work: { record, database } }: TrailRow): void {
    this.shelf.toggle(record, { database, record: record.id });
  }
}
