import { TextFieldComponent } from '../ui/text-field.component';
import { SELECT_PARTS } from '../ui/field-parts';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatDialogRef } from '@angular/material/dialog';
import { READY_FILTERS, writeFilterText, type ReadyFilter } from '#core/filter/index';
import { describeInFull } from '#core/problem/index';
import { createBlockName, createBlocks, listBlockNames } from '#core/project/index';
import { expandBlocks, parseQuery, printQuery } from '#core/query/index';
import { writeMoment } from '../data/clock-and-ids';
import { FILTER_REPOSITORY } from '../data/providers';
import { OpenProject } from '../state/open-project';
import { DIALOG_PARTS } from '../ui/dialog-parts';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** Filters to put into the query as a block, each with a text of its own for some databases; and the list of one's own. */
@Component({
  selector: 'app-filters-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, DIALOG_PARTS, SELECT_PARTS, TextFieldComponent],
  templateUrl: './filters-dialog.component.html',
  styleUrl: './filters-dialog.component.scss',
})
export class FiltersDialogComponent {
  protected readonly open = inject(OpenProject);
  private readonly ownFilters = inject(FILTER_REPOSITORY);
  private readonly dialog = inject(MatDialogRef);
  private readonly own = signal<readonly ReadyFilter[]>([]);
  protected readonly filters = computed(() => [...this.own(), ...READY_FILTERS]);
  /** The filter that is being written. */
  protected readonly edited = signal<ReadyFilter | undefined>(undefined);
  /** The filter that is to go, once more asked for. */
  protected readonly doomed = signal('');
  protected readonly failure = signal('');
  /** Blocks of the project, with the blocks that they use put in. */
  protected readonly blocks = computed(() => {
    const blocks = createBlocks(this.open.working());
    return [...blocks].map(([name, root]) => ({ name, text: printQuery(expandBlocks(root, blocks).root) }));
  });
  protected readonly faults = computed(() => {
    const filter = this.edited();
    if (!filter) return [];
    const texts = [filter.text, ...Object.values(filter.texts)];
    const problems = texts
      .filter((text) => text.trim() !== '')
      .flatMap((text) => parseQuery(text).problems)
      .filter(({ severity }) => severity === 'error');
    return [
      ...(filter.name.trim() === '' ? [say('translate.itNeedsAName')] : []),
      ...(filter.text.trim() === '' ? [say('translate.itNeedsAQueryText')] : []),
      ...problems.map(describeInFull),
    ];
  });

  constructor() {
    void this.list();
  }

  protected write(filter: ReadyFilter): string {
    return writeFilterText(filter, this.open.working().databases);
  }

  protected describe({ kind, source, date }: ReadyFilter): string {
    return [kind, source, date].filter((part) => part !== '').join(' · ');
  }

  protected isOwn({ id }: ReadyFilter): boolean {
    return this.own().some((filter) => filter.id === id);
  }

  protected begin(): void {
    const date = writeMoment(this.open.now()).slice(0, 10);
    this.edited.set({
      id: this.open.createId(),
      name: '',
      about: '',
      kind: '',
      source: '',
      date,
      text: '',
      texts: {},
    });
  }

  protected edit(change: Partial<ReadyFilter>): void {
    this.edited.update((filter) => filter && { ...filter, ...change });
  }

  protected editFor(database: string, text: string): void {
    const { [database]: _, ...others } = this.edited()?.texts ?? {};
    this.edit({ texts: text.trim() === '' ? others : { ...others, [database]: text } });
  }

  protected takeBlock(name: string): void {
    const block = this.blocks().find((one) => one.name === name);
    if (block)
      this.edit({ text: block.text, name: this.edited()?.name === '' ? name : (this.edited()?.name ?? '') });
  }

  protected async keep(): Promise<void> {
    const filter = this.edited();
    if (!filter) return;
    const outcome = await this.ownFilters.save({
      ...filter,
      name: filter.name.trim(),
      text: filter.text.trim(),
    });
    this.failure.set(outcome.ok ? '' : describeInFull(outcome.problem));
    if (!outcome.ok) return;
    this.edited.set(undefined);
    await this.list();
  }

  protected async remove({ id }: ReadyFilter): Promise<void> {
    if (this.doomed() !== id) {
      this.doomed.set(id);
      return;
    }
    const outcome = await this.ownFilters.remove(id);
    this.failure.set(outcome.ok ? '' : describeInFull(outcome.problem));
    await this.list();
  }

  protected take(filter: ReadyFilter): void {
    const working = this.open.working();
    const name = createBlockName(filter.name, listBlockNames(working));
    const draft = working.draft.trim();
    this.open.change({
      kind: 'compound',
      as: 'add-block',
      changes: [
        { kind: 'add-block', block: { id: this.open.createId(), name, text: this.write(filter) } },
        { kind: 'rewrite-draft', text: draft === '' ? `@${name}` : `(${draft}) AND @${name}` },
      ],
    });
    this.dialog.close();
  }

  private async list(): Promise<void> {
    const outcome = await this.ownFilters.list();
    if (outcome.ok) this.own.set(outcome.value);
    else this.failure.set(describeInFull(outcome.problem));
  }
}
