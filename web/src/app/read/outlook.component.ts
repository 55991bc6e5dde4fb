import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatMenuTrigger } from '@angular/material/menu';
import { RouterLink } from '@angular/router';
import type { SearchFilter } from '#core/contract/index';
import type { Counted } from '../counting/count-state';
import { CountComponent } from '../records/count.component';
import type { createStringAddress } from '../records/string-address';
import { SELECT_PARTS } from '../ui/field-parts';
import { RecordMenuComponent, type RecordPart } from './record-menu.component';
import type { Takeable } from './take-learnt';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** What it would bring to take something that was learnt. */
export interface Outlook {
  /** What is added, as it is shown. */
  readonly name: string;
  /** The terms that it becomes. */
  readonly terms: string;
  readonly lines: readonly {
    /** The same for the same thing in the same way: a number of another one does not stay meanwhile. */
    readonly key: string;
    readonly name: string;
    readonly before: Counted;
    /** Nothing if it cannot be added this way. */
    readonly after: Counted | undefined;
  }[];
  /** Where the new records are read, or, if it narrows the draft, those that are left. */
  readonly address: ReturnType<typeof createStringAddress> | undefined;
  /** How many of the judged records have it, in words. */
  readonly judged: string;
  /** For the menu; nothing for several things together. */
  readonly part: RecordPart | undefined;
  /** The databases that hold a source, with how much of it. */
  readonly holders: readonly { readonly name: string; readonly counted: Counted }[];
  /** The database that is read. */
  readonly database: string;
  /** What a heading is called in other languages, with what each finds there without limiters. */
  readonly translations: readonly (Takeable & { readonly language: string; readonly counted: Counted })[];
}

/** The counts before and after something is taken, the way in which it is, and what else can be done with it. */
@Component({
  selector: 'app-outlook',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SayPipe,
    CountComponent,
    MatButton,
    MatMenuTrigger,
    RecordMenuComponent,
    RouterLink,
    SELECT_PARTS,
  ],
  host: { role: 'region', '[attr.aria-label]': 'spokenName' },
  template: `
    <p>{{ outlook().terms }}</p>
    <mat-form-field class="inline" subscriptSizing="dynamic">
      <mat-select
        [aria-label]="'read.howToAddIt' | say"
        [value]="way()"
        (selectionChange)="wayChosen.emit($event.value)"
      >
        @for (one of ways(); track one.id) {
          <mat-option [value]="one.id">{{ one.name }}</mat-option>
        }
      </mat-select>
    </mat-form-field>
    @for (line of outlook().lines; track line.key) {
      <p class="counts">
        {{ line.name }}
        <app-count [counted]="line.before" [label]="'read.theDraftNowIn' | say: { name: line.name }" /> →
        @if (line.after; as after) {
          <app-count
            [counted]="after"
            [label]="'read.withIn' | say: { name: outlook().name, database: line.name, way: wayName() }"
          />
        } @else {
          <span class="quiet">{{ 'read.cannotBeAddedThisWay' | say }}</span>
        }
      </p>
    }
    @for (holder of outlook().holders; track holder.name) {
      <p class="counts">
        <span class="quiet">{{ 'read.allOfItIn' | say }}</span> {{ holder.name }}
        <app-count
          [counted]="holder.counted"
          [label]="'shared.in' | say: { name: outlook().name, database: holder.name }"
        />
      </p>
    }
    @if (outlook().translations.length > 0) {
      <p class="quiet">{{ 'read.inOtherLanguagesInWithout' | say: { database: outlook().database } }}</p>
    }
    @for (one of outlook().translations; track one.text) {
      <p class="counts">
        <span class="quiet">{{ one.language }}</span> {{ one.text }}
        <app-count [counted]="one.counted" [label]="one.text" />
        <button
          mat-button
          type="button"
          [attr.aria-label]="'read.addText' | say: { text: one.text }"
          (click)="translationAdded.emit(one)"
        >
          +
        </button>
      </p>
    }
    @if (outlook().judged) {
      <p class="quiet">{{ outlook().judged }}</p>
    }
    <p class="actions">
      @if (outlook().address; as address) {
        <a class="link" [routerLink]="[]" [queryParams]="address.queryParams" [fragment]="address.fragment">{{
          (isNarrowing() ? 'read.readWhatIsLeft' : 'read.readTheNewOnes') | say
        }}</a>
      }
      <button mat-stroked-button type="button" [disabled]="!canTake()" (click)="taken.emit()">
        {{ (isReplacing() ? 'read.replace' : 'shared.add') | say }}
      </button>
      @if (outlook().part; as part) {
        <button mat-button type="button" [matMenuTriggerFor]="menu.menu()" [matMenuTriggerData]="{ part }">
          {{ 'read.more' | say }}
        </button>
      }
      <app-record-menu #menu (filtered)="filtered.emit($event)" />
    </p>
  `,
  styles: `
    :host {
      display: grid;
      gap: 4px;
      padding-top: 8px;
      border-top: 1px solid var(--rule);
    }
    .counts,
    .actions {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 2px 6px;
    }
    .actions {
      gap: 2px 16px;
    }
  `,
})
export class OutlookComponent {
  protected readonly spokenName = say('read.whatItWouldBring');
  readonly outlook = input.required<Outlook>();
  /** The ways in which it can be taken, and the one that is chosen. */
  readonly ways = input.required<readonly { readonly id: string; readonly name: string }[]>();
  readonly way = input.required<string>();
  /** Taken so, it narrows the draft. */
  readonly isNarrowing = input.required<boolean>();
  /** Taken so, something else goes. */
  readonly isReplacing = input.required<boolean>();
  readonly wayChosen = output<string>();
  readonly taken = output();
  readonly translationAdded = output<Takeable>();
  readonly filtered = output<SearchFilter>();

  protected readonly wayName = computed(() => this.ways().find(({ id }) => id === this.way())?.name ?? '');
  protected readonly canTake = computed(() => this.outlook().lines.every(({ after }) => after !== undefined));
}
