import { CdkFixedSizeVirtualScroll, CdkVirtualForOf, CdkVirtualScrollViewport } from '@angular/cdk/scrolling';
import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  ElementRef,
  afterNextRender,
  computed,
  inject,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { Judgement } from '#core/project/index';
import { getConceptLetter } from '#core/project/index';
import type { QueryNode } from '#core/query/index';
import { nameFacetValue, type ConceptInRecord } from '#core/reading/index';
import { describeAuthors, type BibliographicRecord } from '#core/record/index';
import { splitWords } from '#core/text/index';
import { VERDICT_ROWS, type VerdictRow } from '../records/verdicts';
import { getHueClass } from '../ui/hues';
import { formatNumber } from '../ui/number-format';
import { IconComponent } from '../ui/icon.component';
import { MarkedTextComponent } from '../ui/marked-text.component';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** The height of a row, in px: all rows have it, so that a long list scrolls evenly. */
const ROW = 76;

/** The records of a set, one below the other: what each says of the concepts is seen before it is read. */
@Component({
  selector: 'app-record-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SayPipe,
    CdkFixedSizeVirtualScroll,
    CdkVirtualForOf,
    CdkVirtualScrollViewport,
    IconComponent,
    MarkedTextComponent,
  ],
  template: `
    <cdk-virtual-scroll-viewport
      [itemSize]="row"
      role="listbox"
      [aria-label]="'shared.recordsLabel' | say"
      tabindex="0"
      [attr.aria-activedescendant]="isDrawn() ? 'record-' + at() : null"
      (scrolledIndexChange)="ask()"
    >
      <div
        *cdkVirtualFor="let record of list(); let place = index; trackBy: trackByPlace"
        class="row"
        role="option"
        [id]="'record-' + place"
        [style.height.px]="row"
        [class.current]="place === at()"
        [attr.aria-selected]="place === at()"
        [attr.aria-posinset]="place + 1"
        [attr.aria-setsize]="list().length"
        tabindex="-1"
        (click)="look(place)"
        (keydown.enter)="look(place)"
      >
        @if (record) {
          <span class="letters" role="img" [attr.aria-label]="speak(record)">
            @for (one of describe()(record); track one.concept.id; let turn = $index) {
              <span class="letter {{ hueOf(turn) }}" [style.--filled.%]="one.strength * 100">{{
                letterOf(turn)
              }}</span>
            }
          </span>
          <span class="words">
            <span class="title"><app-marked-text [text]="record.title" [queries]="marks()" /></span>
            <span class="quiet line">{{ writeLine(record) }}</span>
          </span>
          @if (isKept()(record)) {
            <app-icon class="kept" name="kept" role="img" [attr.aria-label]="'read.onTheShelf' | say" />
          }
          @if (signOf(record); as sign) {
            <span class="verdict" role="img" [attr.aria-label]="sign.name">{{ sign.sign }}</span>
          }
        } @else {
          <span class="quiet">…</span>
        }
      </div>
    </cdk-virtual-scroll-viewport>
  `,
  styles: `
    :host,
    cdk-virtual-scroll-viewport {
      display: block;
      height: 100%;
    }
    .row {
      display: flex;
      gap: 10px;
      padding: 9px 10px 8px 6px;
      border-bottom: 1px solid var(--hair);
      cursor: pointer;
    }
    .row.current {
      background: var(--glaze-tint);
    }
    .letters {
      display: flex;
      flex-wrap: wrap;
      align-content: flex-start;
      gap: 3px;
      width: 58px;
      flex: none;
    }
    .letter {
      width: 17px;
      height: 20px;
      border: 1px solid var(--hue);
      border-radius: 4px;
      background: linear-gradient(
        to top,
        color-mix(in srgb, var(--hue) 42%, transparent) var(--filled),
        transparent var(--filled)
      );
      color: var(--ink);
      font-size: 11.5px;
      font-weight: 700;
      line-height: 18px;
      text-align: center;
    }
    .words {
      flex: 1;
      min-width: 0;
      overflow: hidden;
    }
    .title {
      display: -webkit-box;
      -webkit-line-clamp: 2;
      -webkit-box-orient: vertical;
      overflow: hidden;
      font-family: var(--font-serif);
      font-weight: 600;
    }
    .line {
      display: block;
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
    .kept {
      color: var(--glaze);
    }
    .verdict {
      flex: none;
      width: 16px;
      color: var(--mute);
      font-weight: 700;
      text-align: center;
    }
  `,
})
export class RecordListComponent {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly viewport = viewChild.required(CdkVirtualScrollViewport);

  readonly list = input.required<readonly (BibliographicRecord | undefined)[]>();
  /** The place of the record that is open. */
  readonly at = input.required<number>();
  readonly marks = input.required<readonly { owner: string; root: QueryNode }[]>();
  /** How a record meets each concept. */
  readonly describe = input.required<(record: BibliographicRecord) => readonly ConceptInRecord[]>();
  readonly judgementOf = input.required<(record: BibliographicRecord) => Judgement | undefined>();
  /** Whether the work of a record is on the shelf. */
  readonly isKept = input.required<(record: BibliographicRecord) => boolean>();
  readonly looked = output<number>();
  /** The stretch that is in sight. */
  readonly wanted = output<{ start: number; end: number }>();

  protected readonly row = ROW;
  /** The stretch of rows that stand in the page. */
  private readonly drawn = signal({ start: 0, end: 0 });
  /** The row that is looked at stands in the page, so that it can be named to who hears the list. */
  protected readonly isDrawn = computed(
    () => this.at() >= this.drawn().start && this.at() < this.drawn().end,
  );
  protected readonly hueOf = getHueClass;
  protected readonly letterOf = getConceptLetter;
  protected readonly trackByPlace = (place: number): number => place;

  constructor() {
    const end = inject(DestroyRef);
    afterNextRender(() =>
      this.viewport()
        .renderedRangeStream.pipe(takeUntilDestroyed(end))
        .subscribe((range) => this.drawn.set(range)),
    );
  }

  protected look(place: number): void {
    this.looked.emit(place);
    this.viewport().elementRef.nativeElement.focus({ preventScroll: true });
  }

  protected ask(): void {
    this.wanted.emit(this.viewport().getRenderedRange());
  }

  /** Brings a row into sight. */
  reveal(place: number): void {
    const viewport = this.viewport();
    const top = viewport.measureScrollOffset();
    const height = viewport.getViewportSize();
    if (place * ROW < top) viewport.scrollToOffset(place * ROW);
    else if ((place + 1) * ROW > top + height) viewport.scrollToOffset((place + 1) * ROW - height);
    if (!this.host.nativeElement.contains(document.activeElement)) return;
    viewport.elementRef.nativeElement.focus({ preventScroll: true });
  }

  protected signOf(record: BibliographicRecord): VerdictRow | undefined {
    const judgement = this.judgementOf()(record);
    return judgement && VERDICT_ROWS.find(({ id }) => id === judgement.verdict);
  }

  protected writeLine({
    authors,
    source,
    year,
    type,
    language,
    peerReviewed,
    hasFullText,
    fullText,
    cited,
  }: BibliographicRecord): string {
    return [
      year,
      describeAuthors(authors, 1),
      ...(type === 'article' ? [] : [type]),
      ...(peerReviewed === 'yes' ? [say('read.peerReviewed')] : []),
      // A summary or a review of a book is known by its length.
      ...(fullText
        ? [say('read.countWords', { count: formatNumber(splitWords(fullText).length) })]
        : hasFullText
          ? [say('read.fullTextWords')]
          : []),
      ...(cited ? [say('read.cited', { times: formatNumber(cited.times) })] : []),
      ...(language === 'en' || language === '' ? [] : [nameFacetValue('languages', language)]),
      source,
    ]
      .filter((part) => part !== undefined && part !== '')
      .join(' · ');
  }

  /** How a record meets the concepts, for who hears it. */
  protected speak(record: BibliographicRecord): string {
    const met = this.describe()(record).map(
      ({ concept, strength }) => `${concept.name} ${STRENGTHS.find(({ least }) => strength >= least)!.words}`,
    );
    return met.join(', ');
  }
}

const STRENGTHS = [
  {
    least: 1,
    get words() {
      return say('read.inTheTitle');
    },
  },
  {
    least: 0.5,
    get words() {
      return say('read.inTheAbstractOrHeadings');
    },
  },
  {
    least: 0.01,
    get words() {
      return say('read.elsewhere');
    },
  },
  {
    least: 0,
    get words() {
      return say('read.notMetByATerm');
    },
  },
] as const;
