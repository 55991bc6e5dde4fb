import { TextFieldComponent } from '../../ui/text-field.component';
import { NumberFieldComponent } from '../../ui/number-field.component';
import { MatAutocomplete, MatAutocompleteTrigger } from '@angular/material/autocomplete';
import { FIELD_PARTS, SELECT_PARTS } from '../../ui/field-parts';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { MatCheckbox } from '@angular/material/checkbox';
import { MatDialogRef } from '@angular/material/dialog';
import { describeQuery, joinSentence, listFields } from '#core/outline/index';
import { describeInFull } from '#core/problem/index';
import { FIELDS, parseQuery, type Field } from '#core/query/index';
import { ThesaurusStore } from '../../state/thesaurus-store';
import { OpenProject } from '../../state/open-project';
import { DIALOG_PARTS } from '../../ui/dialog-parts';
import { AuthorNames } from '../author-names';
import { ROW_KINDS, writeRow, type RowParts } from '../row-kinds';
import { SayPipe } from '../../words/say.pipe';

const MAX_HEADINGS = 12;

/** Builds a row from its parts, for who would rather not write query text. */
@Component({
  selector: 'app-build-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SayPipe,
    DIALOG_PARTS,
    MatCheckbox,
    FIELD_PARTS,
    SELECT_PARTS,
    MatAutocomplete,
    MatAutocompleteTrigger,
    NumberFieldComponent,
    TextFieldComponent,
  ],
  templateUrl: './build-dialog.component.html',
  styleUrl: './dialog.scss',
  providers: [AuthorNames],
})
export class BuildDialogComponent {
  protected readonly open = inject(OpenProject);
  private readonly thesauri = inject(ThesaurusStore);
  private readonly authors = inject(AuthorNames);
  private readonly dialog = inject<MatDialogRef<BuildDialogComponent, string>>(MatDialogRef);
  private readonly distance = viewChild(NumberFieldComponent);
  /** A distance that is none leaves the row as it was: it is not added. */
  protected readonly cannotAdd = computed(
    () => this.text() === '' || this.problem() !== undefined || (this.distance()?.fault() ?? '') !== '',
  );
  protected readonly kinds = ROW_KINDS;
  protected readonly fields = FIELDS;
  protected readonly parts = signal<RowParts>({
    kind: 'words',
    words: '',
    others: '',
    distance: 3,
    ordered: false,
    fields: [],
    scope: 'heading',
    vocabulary: '',
    block: '',
  });
  protected readonly kind = computed(() => ROW_KINDS.find(({ id }) => id === this.parts().kind));
  protected readonly blocks = computed(() => [
    ...this.open.concepts().map((concept) => concept.block),
    ...this.open.working().blocks.map((block) => block.name),
  ]);
  /** Headings that the typed words lead to, in the thesaurus that is meant or in any. */
  protected readonly headings = computed(() => {
    const { kind, words, vocabulary } = this.parts();
    if (kind !== 'heading' || words.trim().length < 2) return [];
    const found = this.open
      .dialects()
      .filter(({ id }) => vocabulary === '' || vocabulary === id)
      .flatMap(({ id }) => this.thesauri.find(id)?.lookUp(words, MAX_HEADINGS) ?? []);
    return [...new Set(found.map(({ heading }) => heading.label))];
  });
  /** Names that the databases hold, for the line that is being written. */
  protected readonly names = signal<readonly string[]>([]);
  private readonly lastLine = computed(() => {
    const { kind, words } = this.parts();
    return kind === 'author' || kind === 'firstauthor' ? (words.split('\n').at(-1)?.trim() ?? '') : '';
  });

  constructor() {
    effect((onCleanup) => {
      const line = this.lastLine();
      let isStale = false;
      onCleanup(() => (isStale = true));
      void this.authors.find(line).then((names) => {
        if (!isStale) this.names.set(names.filter((name) => name !== line));
      });
    });
  }

  /** Puts a name in the place of the line that is being written. */
  protected takeName(name: string): void {
    const lines = this.parts().words.split('\n');
    this.set({ words: [...lines.slice(0, -1), name].join('\n') });
  }

  protected readonly text = computed(() => writeRow(this.parts()));
  private readonly parsed = computed(() => parseQuery(this.text()));
  protected readonly problem = computed(() => {
    const [problem] = this.parsed().problems.filter(({ severity }) => severity === 'error');
    return problem && describeInFull(problem);
  });
  protected readonly sentence = computed(() => joinSentence(describeQuery(this.parsed().root)));

  protected name(field: Field): string {
    return listFields([field]);
  }

  protected set(values: Partial<RowParts>): void {
    this.parts.update((parts) => ({ ...parts, ...values }));
  }

  /** Without a distance there is no row yet. */
  protected setDistance(distance = NaN): void {
    this.set({ distance });
  }

  protected setKind(id: string): void {
    const kind = ROW_KINDS.find((candidate) => candidate.id === id);
    if (kind) this.set({ kind: kind.id });
  }

  protected setScope(scope: string): void {
    if (scope === 'heading' || scope === 'branch' || scope === 'focus') this.set({ scope });
  }

  protected setField(field: Field, isChosen: boolean): void {
    this.set({
      fields: FIELDS.filter((other) => (other === field ? isChosen : this.parts().fields.includes(other))),
    });
  }

  protected take(event: Event): void {
    event.preventDefault();
    if (!this.cannotAdd()) this.dialog.close(this.text());
  }
}
