import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatMenuTrigger } from '@angular/material/menu';
import { RouterLink } from '@angular/router';
import type { SearchFilter } from '#core/contract/index';
import type { Counted } from '../counting/count-state';
import { CountComponent } from '../records/count.component';
import type { createStringAddress } from '../records/string-address';
import { ConceptLetterComponent } from '../ui/concept-letter.component';
import { RecordMenuComponent, type RecordPart } from './record-menu.component';

/** What it would bring to add something to a concept. */
export interface Outlook {
  /** What is added, as it is shown. */
  readonly name: string;
  readonly query: string;
  /** The place of the concept. */
  readonly place: number;
  readonly lines: readonly {
    readonly name: string;
    readonly before: Counted;
    readonly after: Counted;
  }[];
  /** Where the new records are read. */
  readonly address: ReturnType<typeof createStringAddress> | undefined;
  /** How many of the judged records have it, in words. */
  readonly judged: string;
  readonly part: RecordPart;
  /** The databases that hold a source, with how much of it. */
  readonly holders: readonly { readonly name: string; readonly counted: Counted }[];
}

/** The counts before and after something is added to a concept, and what else can be done with it. */
@Component({
  selector: 'app-outlook',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ConceptLetterComponent,
    CountComponent,
    MatButton,
    MatMenuTrigger,
    RecordMenuComponent,
    RouterLink,
  ],
  host: { role: 'region', 'aria-label': 'What it would bring' },
  template: `
    <p>
      <span class="code">{{ outlook().query }}</span> for <app-concept-letter [place]="outlook().place" />
    </p>
    @for (line of outlook().lines; track line.name) {
      <p class="counts">
        {{ line.name }}
        <app-count [counted]="line.before" [label]="'The draft now in ' + line.name" /> →
        <app-count [counted]="line.after" [label]="'With ' + outlook().name + ' in ' + line.name" />
      </p>
    }
    @for (holder of outlook().holders; track holder.name) {
      <p class="counts">
        <span class="quiet">all of it in</span> {{ holder.name }}
        <app-count [counted]="holder.counted" [label]="outlook().name + ' in ' + holder.name" />
      </p>
    }
    @if (outlook().judged) {
      <p class="quiet">{{ outlook().judged }}</p>
    }
    <p class="actions">
      @if (outlook().address; as address) {
        <a class="link" [routerLink]="[]" [queryParams]="address.queryParams" [fragment]="address.fragment"
          >Read the new ones</a
        >
      }
      <button mat-button type="button" (click)="added.emit()">Add</button>
      <button
        mat-button
        type="button"
        [matMenuTriggerFor]="menu.menu()"
        [matMenuTriggerData]="{ part: outlook().part }"
      >
        More …
      </button>
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
  readonly outlook = input.required<Outlook>();
  readonly added = output();
  readonly filtered = output<SearchFilter>();
}
