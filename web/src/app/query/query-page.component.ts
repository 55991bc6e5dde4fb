import { MatTooltip } from '@angular/material/tooltip';
import { MatButton } from '@angular/material/button';
import {
  ChangeDetectionStrategy,
  Component,
  Injector,
  computed,
  effect,
  inject,
  linkedSignal,
  signal,
  viewChild,
} from '@angular/core';
import { describeQuery } from '#core/outline/index';
import type { Finding } from '#core/check/index';
import { expandBlocks, formatQuery, listNodes, splitTokens, type QueryNode } from '#core/query/index';
import { getAmount } from '../counting/count-state';
import { Counts } from '../counting/counts';
import { OpenProject } from '../state/open-project';
import { getHueClass } from '../ui/hues';
import { formatAmount } from '../ui/number-format';
import { ChoiceRowComponent } from '../ui/choice-row.component';
import { AcronymMeanings } from './acronym-meanings';
import { FindingsPanelComponent } from './findings-panel.component';
import { DominantMemberComponent } from './dominant-member.component';
import { QueryCompletions } from './query-completions';
import { QueryDesk, isBroken } from './query-desk';
import { QueryDialogs } from './query-dialogs';
import { QueryEditorComponent, type PieceDescription } from './query-editor.component';
import { QueryFindings } from './query-findings';
import { QueryLinesComponent } from './query-lines.component';
import { QueryNumbers } from './query-numbers';
import { QueryOutlineComponent } from './query-outline.component';
import { RowActions } from './row-actions';
import { ThesaurusStore } from '../state/thesaurus-store';
import { SittingTimelineComponent } from './sitting-timeline.component';
import type { OutlineRow } from '#core/outline/index';
import { shortenName } from '#core/text/index';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** The draft as counted rows and as text: both from one tree, both to be worked on. */
@Component({
  selector: 'app-query-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SayPipe,
    ChoiceRowComponent,
    FindingsPanelComponent,
    DominantMemberComponent,
    QueryEditorComponent,
    QueryLinesComponent,
    QueryOutlineComponent,
    SittingTimelineComponent,
    MatButton,
    MatTooltip,
  ],
  providers: [
    AcronymMeanings,
    QueryCompletions,
    QueryDesk,
    QueryDialogs,
    QueryFindings,
    QueryNumbers,
    RowActions,
  ],
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
  private readonly counts = inject(Counts);
  private readonly injector = inject(Injector);
  private readonly findings = inject(QueryFindings);
  private readonly editor = viewChild(QueryEditorComponent);
  private readonly outline = viewChild(QueryOutlineComponent);

  protected readonly hues = computed(
    () => new Map(this.open.concepts().map((concept, place) => [concept.block, getHueClass(place)])),
  );
  /** Rows, or numbered lines. */
  protected readonly face = signal<'rows' | 'lines'>('rows');
  protected readonly faces = [
    { id: 'rows', name: say('query.asRows') },
    { id: 'lines', name: say('query.lineByLine') },
  ];
  /** What is underlined: what the parser says, and what the checks found in the draft's own text. */
  protected readonly underlined = computed(() => {
    const { parsed, problems } = this.open.draft();
    const known = new Set(parsed.problems.map(({ code, span }) => `${code} ${span?.start}`));
    const found = this.findings.findings().flatMap(({ problem, concept, fixes }) => {
      if (!problem.span || concept !== undefined || known.has(`${problem.code} ${problem.span.start}`))
        return [];
      return fixes.length > 0 || problem.severity !== 'note' ? [problem] : [];
    });
    return [...problems, ...found];
  });
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
      about: isPart ? say('query.thisRow') : say('query.inWords'),
      parts: this.describe(root).map((part) => ({ ...part, hue: this.hues().get(part.block ?? '') ?? '' })),
    };
  });

  constructor() {
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
        if (concept)
          return {
            name: concept.name,
            terms: concept.terms.filter((term) => !term.off).length,
            isOff: concept.off,
            ...(concept.fields && { fields: concept.fields }),
          };
        return this.open.working().blocks.some((block) => block.name === name)
          ? { name: `@${name}` }
          : undefined;
      },
      nameDatabase: (id) => this.open.nameInShort(id),
    });
  }

  protected follow(row: OutlineRow): void {
    this.at.set(row);
  }

  protected type(text: string): void {
    if (text !== this.open.working().draft) this.open.change({ kind: 'set-draft', text });
  }

  /** Goes where a finding is: a place in the text, or the row of a term or a block. */
  protected goTo({ problem, concept, term }: Finding): void {
    if (problem.span && concept === undefined) {
      this.editor()?.goTo(problem.span.start, problem.span.end);
      return;
    }
    this.face.set('rows');
    if (concept !== undefined) this.desk.setOpen(concept, true);
    const rows = this.desk.rows();
    const row =
      rows.find(({ home }) => home.kind === 'concept' && home.term.id === term) ??
      rows.find(({ use }) => use?.name === concept);
    if (row) this.outline()?.goTo(row.key);
  }

  protected setFace(id: string): void {
    this.face.set(id === 'lines' ? 'lines' : 'rows');
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
          const numbers = counts.map(({ dialect, counted }) => {
            const amount = getAmount(counted.state);
            return `${shortenName(dialect)} ${amount ? formatAmount(amount) : counted.state.status === 'waiting' ? '…' : '—'}`;
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
