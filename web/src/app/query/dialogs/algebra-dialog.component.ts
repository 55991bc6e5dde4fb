import { TextFieldComponent } from '../../ui/text-field.component';
import { SELECT_PARTS } from '../../ui/field-parts';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatDialogRef } from '@angular/material/dialog';
import { compareQueries, factorQuery, simplifyQuery, splitByQueries } from '#core/algebra/index';
import { createDraftQuery } from '#core/project/index';
import { expandBlocks, formatQuery, parseQuery, type QueryNode } from '#core/query/index';
import type { Counted } from '../../counting/count-state';
import { Counts } from '../../counting/counts';
import { OpenProject } from '../../state/open-project';
import { ThesaurusStore } from '../../state/thesaurus-store';
import { ChoiceRowComponent } from '../../ui/choice-row.component';
import { CountComponent } from '../../records/count.component';
import { DIALOG_PARTS } from '../../ui/dialog-parts';
import { QueryDesk } from '../query-desk';
import { findTextChange } from '../text-change';
import { SayPipe } from '../../words/say.pipe';
import { say } from '../../words/say';

const TOOLS = [
  {
    id: 'simplify',
    get name() {
      return say('query.simplify');
    },
  },
  {
    id: 'factor',
    get name() {
      return say('query.mergeCommonParts');
    },
  },
  {
    id: 'expand',
    get name() {
      return say('query.replaceNames');
    },
  },
  {
    id: 'two',
    get name() {
      return say('query.compareTwoQueries');
    },
  },
] as const;
type ToolId = (typeof TOOLS)[number]['id'];

/** Rewrites the draft by laws that keep its record set, and sets two queries beside each other. */
@Component({
  selector: 'app-algebra-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, ChoiceRowComponent, CountComponent, DIALOG_PARTS, SELECT_PARTS, TextFieldComponent],
  templateUrl: './algebra-dialog.component.html',
  styleUrl: './algebra-dialog.component.scss',
})
export class AlgebraDialogComponent {
  protected readonly open = inject(OpenProject);
  protected readonly desk = inject(QueryDesk);
  private readonly counts = inject(Counts);
  private readonly thesauri = inject(ThesaurusStore);
  private readonly dialog = inject(MatDialogRef);

  protected readonly tools = TOOLS;
  protected readonly tool = signal<ToolId>('simplify');
  private readonly settings = {
    listBranch: (label: string, vocabulary: string | undefined) =>
      this.open
        .dialects()
        .filter(({ id }) => vocabulary === undefined || vocabulary === id)
        .flatMap(({ id }) => this.thesauri.find(id)?.listBranch(label) ?? []),
  };

  /** The draft rewritten by the tool. */
  protected readonly rewritten = computed(() => {
    const tool = this.tool();
    if (tool === 'two') return undefined;
    const root = this.desk.root();
    const made =
      tool === 'simplify'
        ? simplifyQuery(root, this.settings)
        : tool === 'factor'
          ? factorQuery(root)
          : expandBlocks(root, this.desk.blocks()).root;
    const before = formatQuery(root);
    const after = made.kind === 'empty' ? '()' : formatQuery(made);
    const [a, b] = [root, made].map((query) => this.expand(query));
    return {
      text: after,
      change: findTextChange(before, after),
      sameness: a && b ? compareQueries(a, b, this.open.working().databases) : '',
      rows: a && b ? this.countBoth(a, b) : [],
    };
  });

  protected readonly choices = computed(() => [
    { id: 'draft', name: say('query.theDraft') },
    ...this.open.project().variants.map(({ id, name }) => ({ id, name })),
    { id: 'typed', name: say('query.anotherText') },
  ]);
  protected readonly first = signal('draft');
  protected readonly second = signal(this.open.project().variants.at(-1)?.id ?? 'typed');
  protected readonly typed = signal('');
  protected readonly two = computed(() => {
    if (this.tool() !== 'two') return undefined;
    const [a, b] = [this.first(), this.second()].map((id) => this.read(id));
    if (!a || !b) return undefined;
    const { onlyA, onlyB, both } = splitByQueries(a, b);
    const columns = [onlyA, both, onlyB];
    return {
      sameness: compareQueries(a, b, this.open.working().databases),
      rows: this.open.dialects().map((dialect) => {
        const look = (query: QueryNode): Counted => this.counts.look(query, dialect, this.open.limiters());
        const whole = [a, b].map(look);
        return {
          dialect,
          // Both in one string may be too long for the fields in which each is searched by itself.
          cells: columns.map(look).map((counted) => ({
            counted,
            isElsewhere: whole.some(
              ({ rendering }) => rendering.withoutFields !== counted.rendering.withoutFields,
            ),
          })),
        };
      }),
    };
  });

  protected setTool(id: string): void {
    const tool = TOOLS.find((candidate) => candidate.id === id);
    if (tool) this.tool.set(tool.id);
  }

  protected take(text: string): void {
    this.open.change({ kind: 'rewrite-draft', text });
    this.dialog.close();
  }

  private expand(query: QueryNode): QueryNode {
    return expandBlocks(query, this.desk.blocks()).root;
  }

  private read(id: string): QueryNode | undefined {
    if (id === 'draft') return this.expand(this.desk.root());
    if (id === 'typed')
      return this.typed().trim() === '' ? undefined : this.expand(parseQuery(this.typed()).root);
    const variant = this.open.project().variants.find((candidate) => candidate.id === id);
    return variant && createDraftQuery(variant.frozen, variant.frozen.databases).root;
  }

  private countBoth(a: QueryNode, b: QueryNode) {
    return this.open.dialects().map((dialect) => ({
      dialect,
      before: this.counts.look(a, dialect, this.open.limiters()),
      after: this.counts.look(b, dialect, this.open.limiters()),
    }));
  }
}
