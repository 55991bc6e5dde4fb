import { Injectable, computed, inject, linkedSignal, signal } from '@angular/core';
import {
  createOutline,
  createOutlineQuery,
  isEmptyItem,
  type EditedOutline,
  type OutlineItem,
  type Path,
} from '#core/outline/index';
import { createProblem, type Outcome, type Problem, type ProblemCode } from '#core/problem/index';
import { createBlocks, type NamedBlock } from '#core/project/index';
import { createNodePool, formatQuery, parseQuery, type ParsedQuery, type QueryNode } from '#core/query/index';
import { OpenProject } from '../state/open-project';
import { listOutlineRows, type OutlineRow } from '#core/outline/index';

/** A text with one of these has no sure reading: the outline keeps the last one that had. */
const BROKEN: ReadonlySet<ProblemCode> = new Set<ProblemCode>([
  'unclosed-bracket',
  'unopened-bracket',
  'unclosed-quote',
  'field-without-item',
  'unknown-field',
  'missing-operand',
  'near-operand',
  'near-chain',
  'near-distance',
  'text-too-long',
  'nesting-too-deep',
  'too-many-exclusions',
  'too-many-items',
]);

/** True for a text that leaves no sure reading. */
export function isBroken(parsed: ParsedQuery): boolean {
  return parsed.problems.some((problem) => BROKEN.has(problem.code));
}

/** So many rows more are shown each time. */
const SHOWN_ROWS = 200;

interface ReadDraft {
  readonly project: string;
  readonly text: string;
  readonly root: QueryNode;
  readonly trailing: readonly string[];
}

/** A text that rows can be pieces of. */
export type EditHome = 'draft' | NamedBlock;

/** The draft as the Query view works on it: its rows, what is chosen among them, and edits of them. */
@Injectable()
export class QueryDesk {
  private readonly open = inject(OpenProject);
  private readonly pool = createNodePool();

  /** The last draft that had a sure reading. */
  private readonly read = linkedSignal<ReadDraft & { broken: boolean }, ReadDraft>({
    source: () => {
      const { parsed } = this.open.draft();
      return {
        project: this.open.project().id,
        text: this.open.working().draft,
        root: parsed.root,
        trailing: parsed.trailing,
        broken: isBroken(parsed),
      };
    },
    computation: (now, before) => (now.broken && before?.value.project === now.project ? before.value : now),
  });
  /** The outline shows an older state than the text, which cannot be read for sure. */
  readonly isOlder = computed(() => isBroken(this.open.draft().parsed));
  readonly olderText = computed(() =>
    this.read().text === this.open.working().draft ? undefined : this.read().text,
  );

  readonly blocks = computed(() => createBlocks(this.open.working()));
  readonly root = computed(() => this.read().root);
  readonly opened = signal<ReadonlyMap<string, boolean>>(new Map());
  private readonly most = signal(SHOWN_ROWS);
  private readonly all = computed<OutlineRow[]>(() =>
    listOutlineRows({
      state: this.open.working(),
      blocks: this.blocks(),
      root: this.root(),
      opened: this.opened(),
      pool: this.pool,
    }),
  );
  /** The rows that are shown and counted: of very many, the first, until more are asked for. */
  readonly rows = computed(() => this.all().slice(0, this.most()));
  readonly hiddenRows = computed(() => this.all().length - this.rows().length);
  readonly rowsByKey = computed(() => new Map(this.rows().map((row) => [row.key, row])));

  /** Why the last edit was not made. */
  readonly refusal = signal<Problem | undefined>(undefined);
  private readonly chosen = signal<readonly string[]>([]);
  private readonly at = signal('');
  /** The row that keys act on. */
  readonly focused = computed(() => this.rowsByKey().get(this.at()) ?? this.rows()[0]);
  /** The rows that an edit is about: what is selected, or the one that keys act on. */
  readonly selected = computed<OutlineRow[]>(() => {
    const known = this.rowsByKey();
    const rows = this.chosen().flatMap((key) => known.get(key) ?? []);
    const focused = this.focused();
    return rows.length > 0 ? rows : focused ? [focused] : [];
  });

  showMore(): void {
    this.most.update((most) => most + SHOWN_ROWS);
  }

  focus(key: string): void {
    this.at.set(key);
    this.chosen.set([]);
  }

  /** Adds the rows from the one that keys act on to another, or one more. */
  extend(key: string): void {
    const keys = this.rows().map((row) => row.key);
    const from = keys.indexOf(this.chosen()[0] ?? this.at());
    const to = keys.indexOf(key);
    if (from === -1 || to === -1) return;
    const range = keys.slice(Math.min(from, to), Math.max(from, to) + 1);
    this.chosen.set(from <= to ? range : range.reverse());
    this.at.set(key);
  }

  toggle(key: string): void {
    const now = this.chosen().length > 0 ? this.chosen() : [this.at()].filter((other) => other !== key);
    this.chosen.set(now.includes(key) ? now.filter((other) => other !== key) : [...now, key]);
    this.at.set(key);
  }

  isSelected(key: string): boolean {
    return this.chosen().includes(key);
  }

  setOpen(name: string, isOpen: boolean): void {
    this.opened.update((opened) => new Map(opened).set(name, isOpen));
  }

  /** The one value for all equal queries: what was counted for it is known again. */
  pooled(query: QueryNode): QueryNode {
    return this.pool(query);
  }

  /** The outline of a text that rows stand in. */
  outlineOf(home: EditHome): OutlineItem {
    return createOutline(home === 'draft' ? this.root() : parseQuery(home.text).root);
  }

  /** Makes an edit of the draft or of a block; what cannot be done says why and changes nothing. */
  edit(home: EditHome, make: (root: OutlineItem) => Outcome<EditedOutline>): boolean {
    if (this.isOlder()) {
      this.refusal.set(createProblem('outline-older', 'error'));
      return false;
    }
    const outcome = make(this.outlineOf(home));
    if (!outcome.ok) {
      this.refusal.set(outcome.problem);
      return false;
    }
    this.refusal.set(undefined);
    const text = this.print(home, outcome.value.root);
    if (home === 'draft') this.open.change({ kind: 'rewrite-draft', text });
    else this.open.change({ kind: 'edit-block', id: home.id, text });
    this.select(home, outcome.value.selected);
    return true;
  }

  /** The text of an outline in the place of a text, with the comments at its end. */
  print(home: EditHome, root: OutlineItem): string {
    const trailing = home === 'draft' ? this.read().trailing : parseQuery(home.text).trailing;
    if (isEmptyItem(root) && trailing.length === 0) return '';
    return formatQuery(createOutlineQuery(root), trailing);
  }

  goBack(): void {
    const text = this.olderText();
    if (text !== undefined) this.open.change({ kind: 'rewrite-draft', text });
  }

  private select(home: EditHome, paths: readonly Path[]): void {
    const prefix = home === 'draft' ? '' : this.findPrefix(home);
    const keys = paths.map((path) => `${prefix}${path.join('.')}`);
    const [first] = keys;
    if (first !== undefined) this.at.set(first);
    this.chosen.set(keys.length > 1 ? keys : []);
  }

  private findPrefix(block: NamedBlock): string {
    const row = this.rows().find(({ home }) => home.kind === 'block' && home.block.id === block.id);
    return row ? row.key.slice(0, row.key.lastIndexOf('/') + 1) : '';
  }
}

/** The text that a row can be edited in; nothing for the terms of a concept. */
export function findEditHome(row: OutlineRow | undefined): EditHome | undefined {
  if (!row || row.home.kind === 'concept') return undefined;
  return row.home.kind === 'draft' ? 'draft' : row.home.block;
}
