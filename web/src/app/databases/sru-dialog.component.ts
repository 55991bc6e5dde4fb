import { TextFieldComponent } from '../ui/text-field.component';
import { SELECT_PARTS } from '../ui/field-parts';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatDialogRef } from '@angular/material/dialog';
import type { SruExplanation } from '#core/contract/index';
import { OPEN_DIALECTS } from '#core/dialect/index';
import { describeInFull } from '#core/problem/index';
import { SRU_VERSIONS, type SruEndpoint, type SruVersion } from '#core/sru/index';
import { ConfirmedServers } from '../data/connections/sru/confirmed-servers';
import { DIALOG_PARTS } from '../ui/dialog-parts';
import type { DialectDialogData } from './dialect-dialog.component';
import { createServerDialect } from './server-dialect';
import { explainSruServer } from '../data/connections/sru/sru-connection';
import { SayPipe } from '../words/say.pipe';

/** Adds a server that speaks SRU: asked what it is first, then confirmed. */
@Component({
  selector: 'app-sru-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, DIALOG_PARTS, SELECT_PARTS, TextFieldComponent],
  template: `
    <h2 mat-dialog-title>{{ 'databases.addAnSruServerLabel' | say }}</h2>
    <mat-dialog-content>
      <p class="quiet">
        {{ 'databases.ewerCountsLibraryCatalogues' | say }}
      </p>
      <app-text-field
        [label]="'databases.itsAddress' | say"
        placeholder="https://"
        [value]="address()"
        (typed)="change($event)"
      />
      <mat-form-field
        ><mat-label>{{ 'databases.version' | say }}</mat-label
        ><mat-select (selectionChange)="chooseVersion($event.value)" [value]="version()">
          @for (one of versions; track one) {
            <mat-option [value]="one">{{ one }}</mat-option>
          }
        </mat-select></mat-form-field
      >
      <p>
        <button mat-stroked-button type="button" [disabled]="address() === '' || isAsking()" (click)="ask()">
          {{ 'databases.checkTheAddress' | say }}
        </button>
      </p>
      <div aria-live="polite">
        @if (isAsking()) {
          <p class="quiet">{{ 'databases.asking' | say }}</p>
        }
        @if (failure(); as words) {
          <p class="problem" role="alert">{{ words }}</p>
        }
        @if (explanation(); as explained) {
          <p>
            <b>{{ explained.title || ('databases.aServerWithoutAName' | say) }}</b>
            {{ explained.description }}
          </p>
          <p class="quiet">{{ 'databases.itSearches' | say: { fields: indexNames() } }}</p>
          <p>
            {{ 'databases.stringsAreSentTo' | say }} <span class="code">{{ host() }}</span>
            {{ 'databases.whenYouGoOn' | say }}
          </p>
        }
      </div>
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button mat-button type="button" mat-dialog-close>{{ 'shared.cancel' | say }}</button>
      <button mat-flat-button type="button" [disabled]="!explanation()" (click)="confirm()">
        {{ 'databases.addThisServer' | say }}
      </button>
    </mat-dialog-actions>
  `,
  styleUrl: '../ui/dialog-tables.scss',
})
export class SruDialogComponent {
  private readonly confirmed = inject(ConfirmedServers);
  private readonly dialog = inject<MatDialogRef<SruDialogComponent, DialectDialogData>>(MatDialogRef);
  protected readonly versions = SRU_VERSIONS;
  protected readonly address = signal('');
  protected readonly version = signal<SruVersion>('1.2');
  protected readonly isAsking = signal(false);
  protected readonly failure = signal('');
  protected readonly explanation = signal<SruExplanation | undefined>(undefined);
  protected readonly indexNames = computed(() =>
    (this.explanation()?.indexes ?? [])
      .map(({ name }) => name)
      .slice(0, 20)
      .join(', '),
  );
  protected readonly host = computed(() =>
    URL.canParse(this.address()) ? new URL(this.address()).host : '',
  );
  private readonly endpoint = computed<SruEndpoint>(() => ({
    address: this.address().trim(),
    version: this.version(),
  }));

  protected change(address: string): void {
    this.address.set(address);
    this.explanation.set(undefined);
  }

  protected chooseVersion(version: string): void {
    this.version.set(SRU_VERSIONS.find((one) => one === version) ?? '1.2');
    this.explanation.set(undefined);
  }

  protected async ask(): Promise<void> {
    const endpoint = this.endpoint();
    this.isAsking.set(true);
    this.failure.set('');
    const outcome = await explainSruServer(endpoint);
    this.isAsking.set(false);
    if (endpoint.address !== this.endpoint().address) return;
    if (outcome.ok) this.explanation.set(outcome.value);
    else this.failure.set(describeInFull(outcome.problem));
  }

  protected async confirm(): Promise<void> {
    const endpoint = this.endpoint();
    const explanation = this.explanation();
    if (!explanation) return;
    const outcome = await this.confirmed.confirm(endpoint);
    if (!outcome.ok) {
      this.failure.set(describeInFull(outcome.problem));
      return;
    }
    const [cql] = OPEN_DIALECTS;
    if (cql)
      this.dialog.close({
        dialect: createServerDialect(cql, explanation, this.host()),
        connection: { kind: 'sru', endpoint },
      });
  }
}
