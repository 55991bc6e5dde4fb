import { CdkTrapFocus } from '@angular/cdk/a11y';
import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import { describeInFull } from '#core/problem/index';
import { createConceptQuery } from '#core/project/index';
import { describeAuthors } from '#core/record/index';
import { OpenProject } from '../state/open-project';
import { getHueClass } from '../ui/hues';
import { IconComponent } from '../ui/icon.component';
import { MarkedTextComponent } from '../ui/marked-text.component';
import { getExact, readKeptAmount } from '#core/count/index';
import { formatAmount } from '../ui/number-format';
import { MAX_NUMBERS_IN_ADDRESS, createStringAddress } from './string-address';
import type { DrawerContent } from './record-drawer';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** The first records behind a number, with the query's words marked. */
@Component({
  selector: 'app-record-drawer',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, CdkTrapFocus, IconComponent, MarkedTextComponent, RouterLink],
  template: `
    <section
      class="drawer"
      role="dialog"
      [attr.aria-label]="'records.recordsLabel' | say: { label: content().label }"
      cdkTrapFocus
      cdkTrapFocusAutoCapture
    >
      <div class="head">
        <div>
          <h2>{{ content().label }}</h2>
          <p class="quiet">{{ summary() }}</p>
          @if (address(); as link) {
            <a
              class="link"
              [routerLink]="link.path"
              [queryParams]="link.queryParams"
              [fragment]="link.fragment"
              (click)="closed.emit()"
              >{{ 'records.readThemAll' | say }}</a
            >
          }
        </div>
        <button
          type="button"
          class="plain"
          (click)="closed.emit()"
          [aria-label]="'records.closeTheRecords' | say"
        >
          <app-icon name="close" />
        </button>
      </div>
      <p class="code string" tabindex="0">{{ content().countKey.string }}</p>
      @if (failure(); as reason) {
        <p role="alert">{{ reason }}</p>
      } @else {
        <ol>
          @for (record of records(); track record.id) {
            <li>
              <h3><app-marked-text [text]="record.title" [queries]="marks()" /></h3>
              <p class="quiet">{{ record.line }}</p>
              <p class="abstract"><app-marked-text [text]="record.abstract" [queries]="marks()" /></p>
              @if (record.headings) {
                <p class="quiet">{{ 'records.headings' | say: { headings: record.headings } }}</p>
              }
            </li>
          } @empty {
            <li>{{ empty() }}</li>
          }
        </ol>
      }
    </section>
  `,
  styles: `
    .drawer {
      position: absolute;
      top: 100px;
      right: 0;
      bottom: 0;
      width: min(560px, 92%);
      overflow: auto;
      padding: 14px 18px 30px;
      background: var(--sheet);
      border-left: 1px solid var(--rule);
      z-index: 5;
    }
    .head {
      display: flex;
      justify-content: space-between;
      gap: 12px;
    }
    .string {
      margin: 8px 0;
      padding: 6px 8px;
      border: 1px solid var(--hair);
      border-radius: 6px;
      max-height: 84px;
      overflow: auto;
      overflow-wrap: anywhere;
      color: var(--mute);
    }
    ol {
      margin: 0;
      padding: 0 0 0 26px;
    }
    li {
      padding: 10px 0;
      border-bottom: 1px solid var(--hair);
    }
    li::marker {
      color: var(--mute);
    }
    .abstract {
      display: -webkit-box;
      -webkit-line-clamp: 5;
      -webkit-box-orient: vertical;
      overflow: hidden;
    }
  `,
})
export class RecordDrawerComponent {
  private readonly open = inject(OpenProject);
  readonly content = input.required<DrawerContent>();
  readonly closed = output();

  /** The words of the concepts in their hues, and those that stand in the draft itself. */
  protected readonly marks = computed(() => [
    ...this.open
      .concepts()
      .map((concept, place) => ({ owner: getHueClass(place), root: createConceptQuery(concept) })),
    { owner: 'draft-word', root: this.open.draft().parsed.root },
  ]);
  /** Where all of them are read; of some by their numbers, as many as an address holds. */
  protected readonly address = computed(() => {
    const { countKey, label, answer, numbers, areOfString = true } = this.content();
    if (!answer || answer.total === 0 || !areOfString) return undefined;
    if (numbers && (numbers.length < answer.total || numbers.length > MAX_NUMBERS_IN_ADDRESS))
      return undefined;
    // What is only estimated, or between bounds, is not what was there.
    const total = getExact(readKeptAmount(answer));
    return {
      path: ['/p', this.open.project().id, 'read'],
      ...createStringAddress(countKey, label, {
        ...(total !== undefined && { total }),
        ...(numbers && { numbers }),
      }),
    };
  });
  protected readonly failure = computed(() => {
    const problem = this.content().problem;
    return problem && describeInFull(problem);
  });
  protected readonly summary = computed(() => {
    const { countKey, answer, amount, numbers } = this.content();
    const name = this.open.findDialect(countKey.database)?.name ?? countKey.database;
    if (!answer) return name;
    const shown = answer.records.length;
    const of = say('records.theFirstOf', {
      name,
      shown,
      all: formatAmount(amount ?? readKeptAmount(answer)),
    });
    return numbers ? of : say('records.bestMatchesFirst', { records: of });
  });
  protected readonly empty = computed(() =>
    this.content().answer ? say('shared.nothingWasFound') : say('shared.onTheWayDots'),
  );
  protected readonly records = computed(() =>
    (this.content().answer?.records ?? []).map(
      ({ id, title, abstract, authors, source, year, type, headings }) => ({
        id,
        title,
        abstract,
        line: [describeAuthors(authors, 3), source, year, type]
          .filter((part) => part !== undefined && part !== '')
          .join(' · '),
        headings: headings
          .map((heading) =>
            heading.qualifier === undefined ? heading.label : `${heading.label} / ${heading.qualifier}`,
          )
          .join('; '),
      }),
    ),
  );
}
