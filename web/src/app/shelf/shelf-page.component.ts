import { CdkFixedSizeVirtualScroll, CdkVirtualForOf, CdkVirtualScrollViewport } from '@angular/cdk/scrolling';
import { ChangeDetectionStrategy, Component, computed, inject, viewChild } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import { MatChipListbox, MatChipOption } from '@angular/material/chips';
import { getProjectTitle, type KeptWork } from '#core/project/index';
import { describeAuthors } from '#core/record/index';
import { SHELF_ORDERS, findWhereabouts, type ShelfOrder } from '#core/shelf/index';
import { ReadFacesComponent } from '../records/read-faces.component';
import { SaveRecords } from '../records/save-records';
import { Shelf } from '../records/shelf';
import { writeTrail } from '../records/trail-address';
import { OpenProject } from '../state/open-project';
import { Dialogs } from '../ui/dialogs';
import { OrderMenuComponent } from '../ui/order-menu.component';
import { TextFieldComponent } from '../ui/text-field.component';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';
import type { CiteDialogData } from './cite-dialog.component';
import { KeptWorkComponent } from './kept-work.component';
import { ShelfView } from './shelf-view';

/** The height of a row, in px: all rows have it, so that a long list scrolls evenly. */
const ROW = 58;

const ORDER_NAMES: Readonly<Record<ShelfOrder, string>> = {
  get kept() {
    return say('shelf.keptLast');
  },
  get author() {
    return say('read.firstAuthor');
  },
  get title() {
    return say('read.title');
  },
  get newest() {
    return say('shared.newestFirst');
  },
  get oldest() {
    return say('read.oldestFirst');
  },
  get source() {
    return say('compare.source');
  },
};

/** The face of Read for what is kept: labelled, noted, cited, and carried on to other programs. */
@Component({
  selector: 'app-shelf-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    CdkFixedSizeVirtualScroll,
    CdkVirtualForOf,
    CdkVirtualScrollViewport,
    KeptWorkComponent,
    MatButton,
    MatCheckbox,
    MatChipListbox,
    MatChipOption,
    OrderMenuComponent,
    ReadFacesComponent,
    RouterLink,
    SayPipe,
    TextFieldComponent,
  ],
  providers: [ShelfView],
  templateUrl: './shelf-page.component.html',
  styleUrl: './shelf-page.component.scss',
})
export class ShelfPageComponent {
  protected readonly view = inject(ShelfView);
  protected readonly open = inject(OpenProject);
  private readonly router = inject(Router);
  private readonly shelf = inject(Shelf);
  private readonly saving = inject(SaveRecords);
  private readonly dialogs = inject(Dialogs);
  private readonly viewport = viewChild(CdkVirtualScrollViewport);

  protected readonly row = ROW;
  protected readonly orders = SHELF_ORDERS.map((id) => ({
    id,
    get name() {
      return ORDER_NAMES[id];
    },
  }));
  protected readonly orderName = computed(() => ORDER_NAMES[this.view.order()]);
  protected readonly trackById = (_: number, { id }: KeptWork): string => id;

  protected writeLine({ record: { authors, year, source } }: KeptWork): string {
    return [describeAuthors(authors, 2), year, source]
      .filter((part) => part !== undefined && part !== '')
      .join(' · ');
  }

  protected move(by: 1 | -1): void {
    const shown = this.view.shown();
    const at = shown.findIndex(({ id }) => id === this.view.current()?.id);
    const next = shown[at + by];
    if (!next) return;
    this.view.look(next.id);
    const viewport = this.viewport();
    if (!viewport) return;
    const top = viewport.measureScrollOffset();
    const end = top + viewport.getViewportSize();
    if ((at + by) * ROW < top) viewport.scrollToOffset((at + by) * ROW);
    else if ((at + by + 1) * ROW > end) viewport.scrollToOffset((at + by + 2) * ROW - (end - top));
  }

  protected cite(): void {
    void import('./cite-dialog.component').then(({ CiteDialogComponent }) =>
      this.dialogs.open<InstanceType<typeof CiteDialogComponent>, CiteDialogData, void>(CiteDialogComponent, {
        data: {
          records: this.view.meant().map(({ record }) => record),
          whereabouts: this.view
            .meant()
            .map((work) => findWhereabouts(work, (id) => this.open.findDialect(id))),
          title: getProjectTitle(this.open.project()),
        },
        width: 780,
        first: 'mat-select',
      }),
    );
  }

  protected save(): void {
    const records = this.view.meant().map(({ record }) => record);
    void this.saving.open({
      name: say('shared.shelf'),
      total: records.length,
      isEstimated: false,
      fetch: async function* () {
        yield await Promise.resolve(records);
      },
    });
  }

  protected follow(): void {
    const fragment = writeTrail(this.view.meant().map(({ record }) => record));
    void this.router.navigate(['/p', this.open.project().id, 'read', 'trail'], { fragment });
  }

  protected remove(): void {
    this.shelf.remove(this.view.picked());
    this.view.pickNone();
  }
}
