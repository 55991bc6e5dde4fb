import {
  ChangeDetectionStrategy,
  Component,
  Injector,
  computed,
  effect,
  inject,
  linkedSignal,
  viewChild,
} from '@angular/core';
import { describeQuery } from '#core/outline/index';
import { applyFix, describeProblem, describeRemedy, type Fix, type Problem } from '#core/problem/index';
import { expandBlocks, formatQuery, listNodes, splitTokens, type QueryNode } from '#core/query/index';
import { CountStore, getTotal, listWishes } from '../counting/count-store';
import { OpenProject } from '../state/open-project';
import { getHueClass } from '../ui/hues';
import { formatCount } from '../ui/number-format';
import { shortenName } from '../ui/short-name';
import { QueryCompletions } from './query-completions';
import { QueryDesk, isBroken } from './query-desk';
import { QueryDialogs } from './query-dialogs';
import { QueryEditorComponent, type PieceDescription } from './query-editor.component';
import { QueryNumbers } from './query-numbers';
import { QueryOutlineComponent } from './query-outline.component';
import { RowActions } from './row-actions';
import { ThesaurusStore } from '../thesaurus/thesaurus-store';
import type { OutlineRow } from './outline-rows';

/** The draft as counted rows and as text: both from one tree, both to be worked on. */
@Component({
  selector: 'app-query-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [QueryEditorComponent, QueryOutlineComponent],
  providers: [QueryCompletions, QueryDesk, QueryDialogs, QueryNumbers, RowActions],
  templateUrl: './query-page.component.html',
  styleUrl: './query-page.component.scss',
})
export class QueryPageComponent {
  protected readonly open = inject(OpenProject);
  protected readonly desk = inject(QueryDesk);
  protected readonly numbers = inject(QueryNumbers);
  protected readonly actions = inject(RowActions);
  protected readonly dialogs = inject(QueryDialogs);
  protected readonly completions = inject(QueryCompletions);
  private readonly counts = inject(CountStore);
  private readonly injector = inject(Injector);
  private readonly editor = viewChild(QueryEditorComponent);

  protected readonly hues = computed(
    () => new Map(this.open.concepts().map((concept, place) => [concept.block, getHueClass(place)])),
  );
  protected readonly problems = computed(() =>
    this.open.draft().problems.map((problem) => ({
      problem,
      says: describeProblem(problem),
      remedy: describeRemedy(problem),
      isError: problem.severity === 'error',
    })),
  );
  /** The row whose piece of the text is lit. */
  private readonly at = linkedSignal<OutlineRow[], OutlineRow | undefined>({
    source: this.desk.rows,
    computation: () => undefined,
  });
  protected readonly lit = computed(() => {
    const row = this.at();
    return row?.home.kind === 'draft' && row.path.length > 0 && !this.desk.isOlder()
      ? row.item.span
      : undefined;
  });
  /** The row that the sentence is about, or the whole. */
  protected readonly sentence = computed(() => {
    const row = this.at();
    const isPart = row !== undefined && row.path.length > 0 && row.home.kind !== 'concept';
    const root = isPart ? this.findNode(row) : this.desk.root();
    return {
      about: isPart ? 'This row' : 'In words',
      parts: this.describe(root).map((part) => ({ ...part, hue: this.hues().get(part.block ?? '') ?? '' })),
    };
  });

  constructor() {
    this.counts.follow(listWishes(() => this.numbers.asked()));
    const thesauri = inject(ThesaurusStore);
    thesauri.followChosen();
  }

  private findNode(row: OutlineRow): QueryNode {
    const span = row.item.span;
    const home = row.home.kind === 'block' ? this.desk.blocks().get(row.home.block.name) : this.desk.root();
    return (
      (home &&
        listNodes(home).find((node) => node.span.start === span?.start && node.span.end === span.end)) ??
      row.query
    );
  }

  private describe(root: QueryNode) {
    return describeQuery(root, {
      findBlock: (name) => {
        const concept = this.open.concepts().find((candidate) => candidate.block === name);
        if (concept) return { name: concept.name, terms: concept.terms.filter((term) => !term.off).length };
        return this.open.working().blocks.some((block) => block.name === name)
          ? { name: `@${name}` }
          : undefined;
      },
      nameDatabase: (id) =>
        shortenName(this.open.dialects().find((dialect) => dialect.id === id)?.name ?? id),
    });
  }

  protected follow(row: OutlineRow): void {
    this.at.set(row);
  }

  protected type(text: string): void {
    if (text !== this.open.working().draft) this.open.change({ kind: 'set-draft', text });
  }

  protected mend(fix: Fix): void {
    this.open.change({ kind: 'rewrite-draft', text: applyFix(this.open.working().draft, fix) });
  }

  protected goTo(problem: Problem): void {
    if (problem.span) this.editor()?.goTo(problem.span.start, problem.span.end);
  }

  /** Lays the text out anew; a text without a sure reading stays as it is. */
  protected format(): void {
    const { parsed } = this.open.draft();
    const text = formatQuery(parsed.root, parsed.trailing);
    if (!isBroken(parsed) && text !== this.open.working().draft)
      this.open.change({ kind: 'rewrite-draft', text });
  }

  protected renameAt(at: number): void {
    const token = splitTokens(this.open.working().draft).find(
      ({ kind, start, end }) => kind === 'block' && start <= at && at <= end,
    );
    if (token?.kind === 'block') this.dialogs.rename(token.name);
  }

  /** What a piece of the text means and finds. */
  protected readonly describePiece = (at: number): PieceDescription | undefined => {
    if (this.desk.isOlder()) return undefined;
    const covering = listNodes(this.open.draft().parsed.root).filter(
      ({ kind, span }) => kind !== 'empty' && span.start <= at && at < span.end,
    );
    const node = covering.at(-1);
    if (!node) return undefined;
    const expanded = expandBlocks(node, this.desk.blocks()).root;
    const words = this.describe(node)
      .map(({ text }) => text)
      .join('');
    const fill = (element: HTMLElement): (() => void) => {
      const looks = () =>
        this.open.dialects().map((dialect) => ({ dialect, counted: this.numbers.look(expanded, dialect) }));
      const watching = effect(
        () => {
          const counts = looks();
          this.counts.ask(counts.flatMap(({ counted }) => counted.wish ?? []));
          const numbers = counts.map(({ dialect, counted }) => {
            const total = getTotal(counted.state);
            return `${shortenName(dialect.name)} ${total === undefined ? '…' : formatCount(total)}`;
          });
          element.textContent = `${words} ${numbers.join(' · ')}`;
        },
        { injector: this.injector },
      );
      return () => {
        watching.destroy();
      };
    };
    return { span: node.span, fill };
  };
}
