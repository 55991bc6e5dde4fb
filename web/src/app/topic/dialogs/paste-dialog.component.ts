import { FIELD_PARTS, SELECT_PARTS } from '../../ui/field-parts';
import { CdkFixedSizeVirtualScroll, CdkVirtualForOf, CdkVirtualScrollViewport } from '@angular/cdk/scrolling';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatCheckbox } from '@angular/material/checkbox';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { MAX_CONCEPTS, MAX_TERMS, type Concept } from '#core/project/index';
import { foldLetters } from '#core/text/index';
import { OpenProject } from '../../state/open-project';
import { TermEntry } from '../../terms/term-entry';
import { readTermTable } from '../term-table';
import { DIALOG_PARTS } from '../../ui/dialog-parts';
import { SayPipe } from '../../words/say.pipe';
import { say } from '../../words/say';

/** Where a pasted column goes: a concept's id, `new`, or nowhere. */
interface Column {
  readonly name: string;
  readonly cells: readonly string[];
  readonly target: string;
}

const NEW = 'new';

/** Lets a person choose what of a long list or a table becomes terms, and of which concept. */
@Component({
  selector: 'app-paste-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SayPipe,
    DIALOG_PARTS,
    CdkFixedSizeVirtualScroll,
    CdkVirtualForOf,
    CdkVirtualScrollViewport,
    MatCheckbox,
    FIELD_PARTS,
    SELECT_PARTS,
  ],
  templateUrl: './paste-dialog.component.html',
  styleUrl: './paste-dialog.component.scss',
})
export class PasteDialogComponent {
  protected readonly open = inject(OpenProject);
  private readonly entry = inject(TermEntry);
  private readonly dialog = inject(MatDialogRef);
  private readonly data = inject<{ concept: Concept; pasted: string }>(MAT_DIALOG_DATA);

  protected readonly most = MAX_TERMS;
  protected readonly isTable = this.data.pasted.includes('\t');
  protected readonly hasNames = signal(this.isTable && this.seemsToHaveNames());
  private readonly targets = signal<ReadonlyMap<number, string>>(new Map());
  private readonly left = signal<ReadonlySet<string>>(new Set());
  protected readonly sought = signal('');

  protected readonly columns = computed<readonly Column[]>(() => {
    const { columns } = readTermTable(this.data.pasted, this.hasNames());
    const concepts = this.open.concepts();
    const start = concepts.findIndex((concept) => concept.id === this.data.concept.id);
    return columns.map((column, at) => {
      const named = concepts.find((concept) => foldLetters(concept.name) === foldLetters(column.name));
      const beside = this.hasNames() && this.isTable ? named : concepts[start + at];
      return { ...column, target: this.targets().get(at) ?? beside?.id ?? NEW };
    });
  });
  /** The cells of a list, of which some may be left out. */
  protected readonly cells = computed(() => {
    const sought = foldLetters(this.sought());
    const cells = this.columns()[0]?.cells ?? [];
    return sought === '' ? cells : cells.filter((cell) => foldLetters(cell).includes(sought));
  });
  protected readonly picked = computed(
    () => (this.columns()[0]?.cells ?? []).filter((cell) => !this.left().has(cell)).length,
  );
  /** What hinders; nothing if all is well. */
  protected readonly hindrance = computed(() => {
    const columns = this.listPicked();
    const fresh = columns.filter((column) => column.target === NEW).length;
    if (columns.every((column) => column.cells.length === 0)) return say('topic.nothingIsPicked');
    if (this.open.concepts().length + fresh > MAX_CONCEPTS)
      return say('topic.aProjectTakesConceptsPut', { most: MAX_CONCEPTS });
    for (const { target, cells } of columns) {
      const concept = this.open.concepts().find((candidate) => candidate.id === target);
      const room = MAX_TERMS - (concept?.terms.length ?? 0);
      if (this.entry.create(concept, cells, 'pasted').length > room)
        return say('topic.hasRoomForMorePick', {
          name: concept?.name ?? say('topic.aNewConceptLabel'),
          room,
        });
    }
    return '';
  });

  protected isPicked(cell: string): boolean {
    return !this.left().has(cell);
  }

  protected pick(cells: readonly string[], on: boolean): void {
    this.left.update((left) => {
      const next = new Set(left);
      for (const cell of cells)
        if (on) next.delete(cell);
        else next.add(cell);
      return next;
    });
  }

  /** Picks the first of the list that there is room for. */
  protected pickFirst(): void {
    const room = MAX_TERMS - this.data.concept.terms.length;
    const cells = this.columns()[0]?.cells ?? [];
    this.left.set(new Set(cells.slice(room)));
  }

  protected send(at: number, target: string): void {
    this.targets.update((targets) => new Map(targets).set(at, target));
  }

  protected take(): void {
    const columns = this.listPicked().map(({ name, cells, target }, at) => {
      const concept = this.open.concepts().find((candidate) => candidate.id === target);
      return {
        concept: concept?.id ?? this.open.createId(),
        name:
          name === ''
            ? (cells[0]?.replaceAll('"', '') ?? say('topic.conceptNumber', { number: at + 1 }))
            : name,
        terms: this.entry.create(concept, cells, 'pasted'),
      };
    });
    this.open.change({ kind: 'add-columns', columns });
    this.dialog.close();
  }

  private listPicked(): Column[] {
    return this.columns()
      .map((column, at) =>
        at === 0 && !this.isTable
          ? { ...column, cells: column.cells.filter((cell) => !this.left().has(cell)) }
          : column,
      )
      .filter((column) => column.target !== '' && column.cells.length > 0);
  }

  /** Names are short, plain and not repeated below. */
  private seemsToHaveNames(): boolean {
    const [first = ''] = this.data.pasted.split(/\r?\n/);
    return first.split('\t').every((name) => /^[\p{L}\p{N} ,/-]{1,60}$/u.test(name.trim()));
  }
}
