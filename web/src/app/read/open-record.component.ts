import {
  ChangeDetectionStrategy,
  Component,
  DOCUMENT,
  ElementRef,
  computed,
  inject,
  input,
  linkedSignal,
  output,
} from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatMenuTrigger } from '@angular/material/menu';
import type { SearchFilter } from '#core/contract/index';
import type { Dialect } from '#core/dialect/index';
import type { Verdict } from '#core/project/index';
import { build, printQuery, type QueryNode } from '#core/query/index';
import { listReasons, nameFacetValue, type ConceptInRecord } from '#core/reading/index';
import { nameAuthor, type BibliographicRecord, type TimesCited } from '#core/record/index';
import { splitWords } from '#core/text/index';
import { createRecordAddress } from '#core/shelf/index';
import { VerdictButtonsComponent } from '../records/verdict-buttons.component';
import { OpenProject } from '../state/open-project';
import { formatNumber } from '../ui/number-format';
import { IconComponent } from '../ui/icon.component';
import { MarkedTextComponent } from '../ui/marked-text.component';
import { TextFieldComponent } from '../ui/text-field.component';
import { FullTextComponent } from './full-text.component';
import type { ListedRecord } from './read-records';
import { RecordMenuComponent } from './record-menu.component';
import { WhyHereComponent } from './why-here.component';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** How often a work is cited, with its place among its like. */
function describeCited({ times, peers, ahead }: TimesCited, { year, type }: BibliographicRecord): string {
  const cited =
    times === 0 ? say('read.notCitedHere') : say('read.citedHere', { times: say('read.times', { times }) });
  return times === 0 || year === undefined
    ? cited
    : say('read.placeAmongRecords', {
        cited,
        place: formatNumber(ahead + 1),
        peers: formatNumber(peers),
        year,
        type,
      });
}

/** More letters than this are no term. */
const LONGEST_SELECTION = 80;

/** One record: what it says, why it is here, and what it is judged to be. */
@Component({
  selector: 'app-open-record',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SayPipe,
    VerdictButtonsComponent,
    FullTextComponent,
    IconComponent,
    MarkedTextComponent,
    MatButton,
    MatMenuTrigger,
    RecordMenuComponent,
    TextFieldComponent,
    WhyHereComponent,
  ],
  templateUrl: './open-record.component.html',
  styleUrl: './open-record.component.scss',
  host: {
    role: 'region',
    '[attr.aria-label]': 'spokenName',
    '(document:selectionchange)': 'noteSelection()',
  },
})
export class OpenRecordComponent {
  protected readonly spokenName = say('read.theRecord');
  private readonly open = inject(OpenProject);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly document = inject(DOCUMENT);

  readonly listed = input.required<ListedRecord>();
  readonly why = input.required<readonly ConceptInRecord[]>();
  readonly marks = input.required<readonly { owner: string; root: QueryNode }[]>();
  readonly database = input.required<Dialect>();
  /** The databases that have the work; empty where one alone was asked. */
  readonly standsIn = input('');
  /** The work is on the shelf. */
  readonly isKept = input(false);
  readonly judged = output<Verdict>();
  /** On the shelf, or off it. */
  readonly kept = output();
  readonly mustFound = output();
  /** Its citations are to be followed. */
  readonly followed = output();
  /** Only the records of one source, or of one author, are to be read. */
  readonly filtered = output<SearchFilter>();
  /** The reason of the judgement that is there. */
  readonly reasoned = output<string>();

  protected readonly record = computed(() => this.listed().record);
  protected readonly reasons = computed(() => listReasons(this.open.project().judgements).slice(0, 6));
  protected readonly line = computed(() => {
    const { year, type, language } = this.record();
    return [year, type, nameFacetValue('languages', language)]
      .filter((part) => part !== undefined && part !== '')
      .join(' · ');
  });
  protected readonly headings = computed(() =>
    this.record().headings.map(({ label, qualifier, focus }) => ({
      label,
      focus: focus ?? false,
      words: qualifier === undefined ? label : `${label} / ${qualifier}`,
      text: printQuery(build.heading(label, 'heading', this.database().headings?.vocabulary)),
    })),
  );
  protected readonly authors = computed(() => this.record().authors.map(nameAuthor));
  protected readonly places = computed(() => [
    ...new Set(this.record().authors.flatMap(({ affiliation }) => affiliation ?? [])),
  ]);
  /** What else is known of it. */
  /** Where its own database shows it. */
  protected readonly address = computed(() =>
    createRecordAddress(this.database(), this.record(), this.record().id),
  );
  protected readonly facts = computed(() => {
    const { doi, peerReviewed, isOpenAccess, hasFullText, fullText, references, cited } = this.record();
    return [
      ...(peerReviewed === 'yes' ? [say('read.peerReviewed')] : []),
      ...(isOpenAccess ? [say('read.openAccess')] : []),
      ...(hasFullText
        ? [
            fullText
              ? say('read.fullTextOfWords', { count: formatNumber(splitWords(fullText).length) })
              : say('read.fullTextWords'),
          ]
        : []),
      ...(cited ? [describeCited(cited, this.record())] : []),
      ...(references.length > 0 ? [say('read.references', { count: references.length })] : []),
      ...(doi ? [`DOI ${doi}`] : []),
    ].join(' · ');
  });

  /** Words that are marked in the record with the pointer or by keys, to be taken as a term. */
  protected readonly selected = linkedSignal<BibliographicRecord, string>({
    source: this.record,
    computation: () => '',
  });
  protected noteSelection(): void {
    const selection = this.document.getSelection();
    const isHere = selection && this.host.nativeElement.contains(selection.anchorNode);
    const text = isHere ? selection.toString().replace(/\s+/g, ' ').trim() : '';
    this.selected.set(text.length <= LONGEST_SELECTION ? text : '');
  }

  /** The match that was gone to last, from 0; none before the first. */
  private readonly matchAt = linkedSignal<BibliographicRecord, number>({
    source: this.record,
    computation: () => -1,
  });
  protected readonly matchWords = linkedSignal<BibliographicRecord, string>({
    source: this.record,
    computation: () => '',
  });

  /** Brings the next match into sight, or the one before; after the last comes the first. */
  protected goToMatch(by: 1 | -1): void {
    const marks = [...this.host.nativeElement.querySelectorAll<HTMLElement>('mark')];
    marks[this.matchAt()]?.classList.remove('at');
    if (marks.length === 0) return this.matchWords.set(say('read.noMatch'));
    const next = (Math.max(this.matchAt() + by, by === 1 ? 0 : -1) + marks.length) % marks.length;
    this.matchAt.set(next);
    marks[next]?.classList.add('at');
    marks[next]?.scrollIntoView({ block: 'center' });
    this.matchWords.set(say('read.matchOf', { number: next + 1, all: marks.length }));
  }

  protected quote(text: string): string {
    return /^[\p{L}\p{N}]+$/u.test(text) ? text : `"${text.replaceAll('"', '')}"`;
  }
}
