import { Injectable, inject, signal } from '@angular/core';
import {
  createOutlineQuery,
  duplicateItems,
  insertItems,
  joinItem,
  listItems,
  moveItems,
  negateItems,
  removeItems,
  replaceItem,
  shiftItems,
  switchItems,
  unwrapItem,
  wrapItems,
  wrapWith,
  type EditedOutline,
  type JoinChoice,
  type OutlineItem,
  type Path,
  type Target,
} from '#core/outline/index';
import { createProblem, type Outcome } from '#core/problem/index';
import { printTerm, tidyTerm } from '#core/project/index';
import { GREATEST_DISTANCE, parseQuery, printQuery, type QueryNode } from '#core/query/index';
import { OpenProject } from '../state/open-project';
import { QueryDesk, findEditHome, isBroken, type EditHome } from './query-desk';
import { QueryDialogs } from './query-dialogs';
import type { OutlineRow } from '#core/outline/index';
import type { RowCommand } from './row-commands';
import { TextClipboard } from '../data/text-clipboard';
import { Messages } from '../ui/messages';
import { say } from '../words/say';

/** A line that is being typed in the outline. */
export type Entry =
  | { readonly kind: 'row'; readonly key: string; readonly text: string }
  /** A new row behind a row; with `wrap`, the two become a group. */
  | { readonly kind: 'new'; readonly key: string; readonly wrap?: JoinChoice; readonly isBeside?: true };

const STEPS = { up: 'up', down: 'down', in: 'in', out: 'out' } as const;
const NEARNESS_STEPS = { closer: -1, wider: 1, order: 0 } as const;
const DEFAULT_DISTANCE = 3;

/** Does what the keys, the menu and the pointer ask for, with the rows that are selected. */
@Injectable()
export class RowActions {
  private readonly open = inject(OpenProject);
  private readonly desk = inject(QueryDesk);
  private readonly dialogs = inject(QueryDialogs);
  private readonly clipboard = inject(TextClipboard);
  private readonly messages = inject(Messages);

  /** What was copied last, as it was: comments and all. */
  private copied: { readonly text: string; readonly queries: readonly QueryNode[] } | undefined;

  readonly entry = signal<Entry | undefined>(undefined);

  async run(command: RowCommand): Promise<void> {
    const rows = this.desk.selected();
    const [row] = rows;
    this.desk.refusal.set(undefined);
    if (!row) {
      if (command === 'add') this.entry.set({ kind: 'new', key: '' });
      if (command === 'build') await this.build(undefined);
      if (command === 'paste') await this.pasteFromClipboard();
      return;
    }
    if (row.home.kind === 'concept') this.runOnTerm(command, row);
    else await this.runOnRows(command, rows, row);
  }

  private runOnTerm(command: RowCommand, { home, text, key }: OutlineRow): void {
    if (home.kind !== 'concept') return;
    const { concept, term } = home;
    const place = concept.terms.indexOf(term);
    const move = (to: number): void => {
      if (to >= 0 && to < concept.terms.length)
        this.open.change({ kind: 'move-term', id: term.id, concept: concept.id, to });
    };
    if (command === 'edit') this.entry.set({ kind: 'row', key, text });
    else if (command === 'switch') this.open.change({ kind: 'switch-term', id: term.id, off: !term.off });
    else if (command === 'remove') this.open.change({ kind: 'remove-terms', ids: [term.id] });
    else if (command === 'copy') this.copy();
    else if (command === 'up') move(place - 1);
    else if (command === 'down') move(place + 1);
    else if (command === 'add') this.entry.set({ kind: 'new', key });
    else this.desk.refusal.set(createProblem('outline-term', 'error', { concept: concept.name }));
  }

  private async runOnRows(command: RowCommand, rows: readonly OutlineRow[], row: OutlineRow): Promise<void> {
    const home = findEditHome(row);
    if (!home) return;
    const paths = rows.filter((other) => findEditHome(other) === home).map((other) => other.path);
    const edit = (make: (root: OutlineItem) => Outcome<EditedOutline>): boolean => this.desk.edit(home, make);
    switch (command) {
      case 'edit':
        this.entry.set({ kind: 'row', key: row.key, text: printRow(row) });
        return;
      case 'add':
        this.entry.set({ kind: 'new', key: row.key });
        return;
      case 'beside':
        this.entry.set({
          kind: 'new',
          key: row.key,
          ...(row.path.length > 0 ? { isBeside: true } : { wrap: { join: 'all' } }),
        });
        return;
      case 'build':
        await this.build(row);
        return;
      case 'switch':
        edit((root) => switchItems(root, paths, !rows.every((other) => other.isSwitchedOff)));
        return;
      case 'negate':
        edit((root) => negateItems(root, paths));
        return;
      case 'all':
      case 'any':
      case 'near':
        this.group(command, rows, row, home, paths);
        return;
      case 'unwrap':
        edit((root) => unwrapItem(root, row.path));
        return;
      case 'closer':
      case 'wider':
      case 'order':
        this.setNearness(row, home, NEARNESS_STEPS[command], command === 'order');
        return;
      case 'up':
      case 'down':
      case 'in':
      case 'out':
        edit((root) => shiftItems(root, paths, STEPS[command]));
        return;
      case 'duplicate':
        edit((root) => duplicateItems(root, paths));
        return;
      case 'remove':
        edit((root) => removeItems(root, paths));
        return;
      case 'copy':
        this.copy();
        return;
      case 'cut':
        // What is not on the clipboard is not taken away.
        if (this.copy()) edit((root) => removeItems(root, paths));
        return;
      case 'paste':
        await this.pasteFromClipboard();
        return;
      case 'fields':
        this.dialogs.fields(home, rows);
        return;
      case 'databases':
        this.dialogs.databases(home, rows);
        return;
      case 'comment':
        this.dialogs.comment(home, row);
        return;
      case 'block':
        this.dialogs.block(home, row);
    }
  }

  /** Several rows become a group; a group changes its kind; a single row waits for a second one. */
  private group(
    join: JoinChoice['join'],
    rows: readonly OutlineRow[],
    row: OutlineRow,
    home: EditHome,
    paths: readonly Path[],
  ): void {
    const choice: JoinChoice =
      join === 'near' ? { join, distance: DEFAULT_DISTANCE, ordered: false } : { join };
    if (rows.length > 1) this.desk.edit(home, (root) => wrapItems(root, paths, choice));
    else if (row.item.body.kind === 'group') this.desk.edit(home, (root) => joinItem(root, row.path, choice));
    else this.entry.set({ kind: 'new', key: row.key, wrap: choice });
  }

  /** Changes how near the two sides of a nearness are, and whether their order counts. */
  private setNearness(row: OutlineRow, home: EditHome, step: number, turnsOrder: boolean): void {
    const { body } = row.item;
    if (body.kind !== 'group' || body.join !== 'near') {
      this.desk.refusal.set(createProblem('outline-not-near', 'error'));
      return;
    }
    const distance = Math.min(GREATEST_DISTANCE, Math.max(1, (body.distance ?? 1) + step));
    const ordered = turnsOrder ? body.ordered !== true : body.ordered === true;
    this.desk.edit(home, (root) => joinItem(root, row.path, { join: 'near', distance, ordered }));
  }

  /** Takes what was typed into a line; false if it cannot be read, and the line stays. */
  commit(entry: Entry, typed: string): boolean {
    const row = this.desk.rowsByKey().get(entry.key);
    if (typed.trim() === '') {
      this.entry.set(undefined);
      return true;
    }
    if (row?.home.kind === 'concept') return this.commitTerm(entry, row, typed);
    const parsed = parseQuery(tidyTerm(typed));
    const [problem] = parsed.problems.filter(({ severity }) => severity === 'error');
    if (problem && (isBroken(parsed) || problem.code === 'mixed-operators')) {
      this.desk.refusal.set(problem);
      return false;
    }
    const home = findEditHome(row) ?? 'draft';
    const isDone = this.desk.edit(home, (root) => {
      if (entry.kind === 'row') return replaceItem(root, row?.path ?? [], parsed.root);
      if (!row) return insertItems(root, { parent: [], at: 0, isExcluded: false }, [parsed.root]);
      return entry.wrap
        ? wrapWith(root, row.path, entry.wrap, parsed.root)
        : insertItems(root, findPlaceBelow(root, row, entry.isBeside), [parsed.root]);
    });
    if (isDone) this.entry.set(undefined);
    return isDone;
  }

  private commitTerm(entry: Entry, { home }: OutlineRow, typed: string): boolean {
    if (home.kind !== 'concept') return false;
    const { concept, term } = home;
    const text = tidyTerm(typed);
    if (entry.kind === 'row') this.open.change({ kind: 'edit-term', id: term.id, text });
    else {
      const at = concept.terms.indexOf(term) + 1;
      const fresh = { id: this.open.createId(), text, off: false };
      this.open.change({ kind: 'add-terms', concept: concept.id, terms: [fresh], at });
    }
    this.entry.set(undefined);
    return true;
  }

  cancel(): void {
    this.entry.set(undefined);
    this.desk.refusal.set(undefined);
  }

  private async build(row: OutlineRow | undefined): Promise<void> {
    const text = await this.dialogs.build();
    if (text === undefined) return;
    this.insertBelow(row, [parseQuery(text).root]);
  }

  /** The selected rows as query text. */
  copyText(): string {
    const rows = this.desk.selected();
    const text = rows
      .map((row) => (row.home.kind === 'concept' ? printTerm(row.home.term) : printRow(row, true)))
      .join('\n');
    this.copied = { text, queries: rows.map((row) => createOutlineQuery(row.item)) };
    return text;
  }

  /** Puts query text below the row: lines that can be read by themselves become a row each. */
  paste(text: string): void {
    if (this.copied?.text === text) {
      this.insertBelow(this.desk.focused(), this.copied.queries);
      return;
    }
    const lines = text.split(/\r?\n/).filter((line) => line.trim() !== '');
    const isList = lines.every(
      (line) => !/^\s*(AND\b|OR\b|NOT\b|\/\/)/.test(line) && !isBroken(parseQuery(line)),
    );
    const queries = isList ? lines.map((line) => parseQuery(tidyTerm(line))) : [parseQuery(text)];
    const bad = queries.find(isBroken);
    if (bad) this.desk.refusal.set(bad.problems[0]);
    else if (queries.length > 0)
      this.insertBelow(
        this.desk.focused(),
        queries.map(({ root }) => root),
      );
  }

  /** Puts the chosen rows on the clipboard, and says so where that cannot be done. */
  private copy(): boolean {
    const isCopied = this.clipboard.copy(this.copyText());
    if (!isCopied) this.messages.showCopied(isCopied, '');
    return isCopied;
  }

  private async pasteFromClipboard(): Promise<void> {
    const text = await this.clipboard.read();
    if (text === undefined) this.messages.show(say('query.theBrowserDoesNotLet'));
    else this.paste(text);
  }

  private insertBelow(row: OutlineRow | undefined, queries: readonly QueryNode[]): void {
    if (row?.home.kind === 'concept') {
      const { concept, term } = row.home;
      const terms = queries.map((query) => ({
        id: this.open.createId(),
        text: printQuery(query),
        off: false,
      }));
      this.open.change({
        kind: 'add-terms',
        concept: concept.id,
        terms,
        at: concept.terms.indexOf(term) + 1,
      });
      return;
    }
    this.desk.edit(findEditHome(row) ?? 'draft', (root) =>
      insertItems(root, row ? findPlaceBelow(root, row) : { parent: [], at: 0, isExcluded: false }, queries),
    );
  }

  /** Puts a row that was dragged below another one; without one, first of all. */
  dropBelow(dragged: OutlineRow, above: OutlineRow | undefined): void {
    if (above && (above.key === dragged.key || above.key.startsWith(`${dragged.key}.`))) return;
    if (dragged.home.kind === 'concept') {
      this.dropTerm(dragged, above);
      return;
    }
    const home = findEditHome(dragged);
    if (!home || (above && findEditHome(above) !== home)) {
      this.desk.refusal.set(createProblem('outline-other-text', 'error'));
      return;
    }
    this.desk.edit(home, (root) =>
      moveItems(
        root,
        [dragged.path],
        above ? findPlaceBelow(root, above) : { parent: [], at: 0, isExcluded: false },
      ),
    );
  }

  private dropTerm({ home }: OutlineRow, above: OutlineRow | undefined): void {
    if (home.kind !== 'concept') return;
    const { concept, term } = home;
    const target = above?.home.kind === 'concept' ? above.home : undefined;
    const isHead = above?.use?.name === concept.block;
    if (target?.concept.id !== concept.id && !isHead) {
      this.desk.refusal.set(createProblem('outline-term', 'error', { concept: concept.name }));
      return;
    }
    const others = concept.terms.filter((other) => other !== term);
    const to = target ? others.indexOf(target.term) + 1 : 0;
    this.open.change({ kind: 'move-term', id: term.id, concept: concept.id, to });
  }
}

/** The place right below a row: first in its group if it is one, else or `isBeside` behind it. */
function findPlaceBelow(root: OutlineItem, { path, item }: OutlineRow, isBeside = false): Target {
  if (path.length === 0 || (item.body.kind === 'group' && !isBeside))
    return { parent: path, at: path.length === 0 && item.body.kind === 'leaf' ? 1 : 0, isExcluded: false };
  const parent = path.slice(0, -1);
  const group = parent.reduce<OutlineItem | undefined>((now, at) => now && listItems(now)[at], root);
  const members = group?.body.kind === 'group' ? group.body.members.length : 0;
  const at = path.at(-1) ?? 0;
  return at >= members
    ? { parent, at: at - members + 1, isExcluded: true }
    : { parent, at: at + 1, isExcluded: false };
}

/** A row as query text; without being off, unless that is asked for. */
export function printRow({ item }: OutlineRow, withOff = false): string {
  const wrappers = withOff ? item.wrappers : item.wrappers.filter(({ kind }) => kind !== 'off');
  return printQuery(createOutlineQuery({ ...item, comments: withOff ? item.comments : [], wrappers }));
}
