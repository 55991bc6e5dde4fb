import { NumberFieldComponent } from '../ui/number-field.component';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatCheckbox } from '@angular/material/checkbox';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import type { TargetBand } from '#core/project/index';
import { DIALOG_PARTS } from '../ui/dialog-parts';
import { SayPipe } from '../words/say.pipe';

/** Whose band, and how it stands. */
export interface BandDialogData {
  readonly name: string;
  readonly band: TargetBand;
  /** How many databases are searched. */
  readonly databases: number;
}

/** A band, and whether it is to hold for all databases that are searched. */
export interface BandAnswer {
  readonly band: TargetBand;
  readonly isForAll: boolean;
}

/** Asks how many results of one database a person can cope with. */
@Component({
  selector: 'app-band-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, DIALOG_PARTS, MatCheckbox, NumberFieldComponent],
  template: `
    <h2 mat-dialog-title>{{ 'shell.targetBand' | say }}</h2>
    <form (submit)="set($event, least.fault() + most.fault() !== '')">
      <mat-dialog-content>
        <p class="quiet">
          {{ 'shell.howManyResults' | say: { name: data.name } }}
        </p>
        <div class="ends">
          <app-number-field
            #least
            [label]="'shell.atLeast' | say"
            [isLive]="true"
            [value]="from()"
            (changed)="from.set($event)"
          />
          <app-number-field
            #most
            [label]="'shell.atMost' | say"
            [isLive]="true"
            [value]="to()"
            (changed)="to.set($event)"
          />
        </div>
        @if (data.databases > 1) {
          <mat-checkbox [checked]="isForAll()" (change)="isForAll.set($event.checked)">{{
            'shell.theSameForAllDatabases' | say: { databases: data.databases }
          }}</mat-checkbox>
        }
        @if (isReversed()) {
          <p class="quiet" role="alert">{{ 'shell.atLeastIsLarger' | say }}</p>
        }
      </mat-dialog-content>
      <mat-dialog-actions align="end">
        <button mat-button type="button" mat-dialog-close>{{ 'shared.cancel' | say }}</button>
        <button
          mat-flat-button
          type="submit"
          [disabled]="isReversed() || least.fault() + most.fault() !== ''"
        >
          {{ 'shell.set' | say }}
        </button>
      </mat-dialog-actions>
    </form>
  `,
  styles: `
    .ends {
      display: flex;
      gap: 12px;
      margin-top: 10px;
    }
  `,
})
export class BandDialogComponent {
  private readonly dialog = inject<MatDialogRef<BandDialogComponent, BandAnswer>>(MatDialogRef);
  protected readonly data = inject<BandDialogData>(MAT_DIALOG_DATA);
  protected readonly from = signal(this.data.band.from);
  protected readonly to = signal(this.data.band.to);
  protected readonly isForAll = signal(false);
  protected readonly isReversed = computed(() => (this.from() ?? 0) > (this.to() ?? Infinity));

  protected set(event: Event, isFaulty: boolean): void {
    event.preventDefault();
    if (this.isReversed() || isFaulty) return;
    const [from, to] = [this.from(), this.to()];
    const band = { ...(from !== undefined && { from }), ...(to !== undefined && { to }) };
    this.dialog.close({ band, isForAll: this.isForAll() });
  }
}
