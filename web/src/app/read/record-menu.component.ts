import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  output,
  viewChild,
} from '@angular/core';
import { MatMenu, MatMenuContent, MatMenuItem } from '@angular/material/menu';
import type { FacetName, SearchFilter } from '#core/contract/index';
import { nameTerm } from '#core/outline/index';
import { getConceptLetter, type LeadKind, type Term } from '#core/project/index';
import { createLeadQuery } from '#core/reading/index';
import { writeMoment } from '../data/clock-and-ids';
import { FreezeVariant } from '../freezing/freeze-variant';
import { OpenProject } from '../state/open-project';
import { Messages } from '../ui/messages';
import { ReadSubject } from './read-subject';
import { SingleSearch } from './single-search';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** Something that a record says: words, a heading, a keyword, a name, a place of work or a source. */
export interface RecordPart {
  /** As it is shown. */
  readonly name: string;
  /** What finds it, as query text; without it, it is searched as its lead is. */
  readonly text?: string;
  /** What it is as a lead; nothing for what is a term and no lead. */
  readonly lead?: LeadKind;
  /** The filter of the list that it can be. */
  readonly facet?: FacetName;
}

/** All that can be done with a part of a record: one menu for each of them. */
@Component({
  selector: 'app-record-menu',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, MatMenu, MatMenuContent, MatMenuItem],
  template: `
    <mat-menu>
      <ng-template matMenuContent let-part="part">
        @for (concept of concepts(); track concept.id; let turn = $index) {
          <button mat-menu-item (click)="add(part, concept.id)">
            {{ 'read.addToLetter' | say: { letter: letterOf(turn), name: concept.name } }}
          </button>
        } @empty {
          <p class="quiet none">{{ 'read.makeAConceptInTopic' | say }}</p>
        }
        <button mat-menu-item (click)="search(part)">{{ 'read.searchItAlone' | say }}</button>
        @if (part.facet && subject.canFilter()) {
          <button mat-menu-item (click)="filter(part)">{{ 'read.onlyTheseInTheList' | say }}</button>
        }
        @if (part.lead === 'source') {
          <button mat-menu-item (click)="searchWithin(part)">
            {{ 'read.aVariantWithinThisSource' | say }}
          </button>
        }
        @if (part.lead) {
          <button mat-menu-item (click)="keepLead(part)">{{ 'read.keepAsALead' | say }}</button>
        }
      </ng-template>
    </mat-menu>
  `,
  styles: `
    .none {
      padding: 6px 16px;
    }
  `,
})
export class RecordMenuComponent {
  private readonly open = inject(OpenProject);
  private readonly messages = inject(Messages);
  private readonly single = inject(SingleSearch);
  private readonly freezing = inject(FreezeVariant);
  protected readonly subject = inject(ReadSubject);

  /** The title of the record that the parts stand in. */
  readonly record = input<string>();
  readonly filtered = output<SearchFilter>();
  /** What opens it by `matMenuTriggerFor`, with `{ part }` as its data. */
  readonly menu = viewChild.required(MatMenu);

  protected readonly letterOf = getConceptLetter;
  protected readonly concepts = computed(() => this.open.concepts());

  protected add(part: RecordPart, concept: string): void {
    const text = writePart(part);
    const term: Term = { id: this.open.createId(), text, off: false, source: 'record' };
    this.open.change({ kind: 'add-terms', concept, terms: [term] });
    const name = this.concepts().find(({ id }) => id === concept)?.name ?? '';
    this.messages.show(say('read.addedTo', { words: nameTerm(text, this.open.dialects()), name }), () =>
      this.open.undo(),
    );
  }

  protected search(part: RecordPart): void {
    this.single.read(writePart(part), part.name);
  }

  protected filter({ facet, name }: RecordPart): void {
    if (facet) this.filtered.emit({ facet, values: [name] });
  }

  /** Freezes the draft with the source as a limiter, and reads it. */
  protected searchWithin({ name }: RecordPart): void {
    const limiters = { ...this.open.limiters(), sources: [name] };
    const id = this.freezing.freezeUnder(
      limiters,
      say('read.withinOne', { name }),
      say('read.theDraftWithinOneSource'),
    );
    this.subject.go({ of: id, at: null, sample: null, behind: null, only: null, judged: null });
    this.messages.show(say('read.theDraftWithin', { name }));
  }

  protected keepLead({ lead, name }: RecordPart): void {
    if (!lead) return;
    if (this.open.project().leads.some((one) => one.kind === lead && one.name === name))
      return this.messages.show(say('read.isOneOfYourLeads', { name }));
    const id = this.open.createId();
    const record = this.record();
    const created = writeMoment(this.open.now());
    this.open.change({
      kind: 'keep-lead',
      lead: { id, kind: lead, name, note: '', isDone: false, created, ...(record && { record }) },
    });
    this.messages.show(say('read.isOneOfYourLeadsNow', { name }), () =>
      this.open.change({ kind: 'remove-lead', id }),
    );
  }
}

/** What finds a part, as query text. */
function writePart({ text, lead, name }: RecordPart): string {
  return text ?? createLeadQuery({ kind: lead ?? 'words', name });
}
