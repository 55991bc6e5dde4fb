import { NgTemplateOutlet } from '@angular/common';
import { MatButton } from '@angular/material/button';
import { CdkDrag, CdkDragHandle, CdkDropList, type CdkDragDrop } from '@angular/cdk/drag-drop';
import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  Injector,
  afterNextRender,
  computed,
  effect,
  inject,
  output,
  untracked,
} from '@angular/core';
import { MatMenu, MatMenuContent, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import { listFields } from '#core/outline/index';
import { describeInFull } from '#core/problem/index';
import { OpenProject } from '../state/open-project';
import { getHueClass } from '../ui/hues';
import { IconComponent } from '../ui/icon.component';
import { formatAmount } from '../ui/number-format';
import { RowActions, type Entry } from './row-actions';
import { ROW_COMMANDS, findCommand, type RowCommand } from './row-commands';
import { RowCountComponent } from './row-count.component';
import { RowEntryComponent } from './row-entry.component';
import { RowWordsComponent } from './row-words.component';
import { QueryDesk } from './query-desk';
import { QueryNumbers } from './query-numbers';
import type { OutlineRow, RowBrace } from '#core/outline/index';
import { shortenName } from '#core/text/index';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

const JOIN_WORDS = {
  get all() {
    return say('query.allOf');
  },
  get any() {
    return say('query.anyOf');
  },
  near: 'near',
} as const;

/** The draft as rows with their counts, to be worked on with keys, menu and pointer. */
@Component({
  selector: 'app-query-outline',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    NgTemplateOutlet,
    SayPipe,
    CdkDrag,
    CdkDragHandle,
    CdkDropList,
    IconComponent,
    MatMenu,
    MatMenuContent,
    MatMenuItem,
    MatMenuTrigger,
    RowCountComponent,
    RowEntryComponent,
    RowWordsComponent,
    MatButton,
  ],
  templateUrl: './query-outline.component.html',
  styleUrl: './query-outline.component.scss',
  host: { '(copy)': 'copy($event)', '(cut)': 'cut($event)', '(paste)': 'paste($event)' },
})
export class QueryOutlineComponent {
  protected readonly open = inject(OpenProject);
  protected readonly desk = inject(QueryDesk);
  protected readonly numbers = inject(QueryNumbers);
  protected readonly actions = inject(RowActions);
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly injector = inject(Injector);

  /** The row that keys act on has changed. */
  readonly rowFocused = output<OutlineRow>();
  readonly renameAsked = output<string>();

  protected readonly commands = ROW_COMMANDS;
  protected readonly shorten = shortenName;
  private readonly hues = computed(() => {
    const concepts = this.open
      .concepts()
      .map((concept, place) => [concept.block, getHueClass(place)] as const);
    return new Map(concepts);
  });
  protected readonly rows = computed(() =>
    this.numbers.rows().map(({ row, cells }) => ({
      row,
      cells,
      hue: this.hueOf(row.block),
      lead: describeLead(row),
      chips: this.listChips(row),
      name: describeRow(row),
    })),
  );
  protected readonly refusal = computed(() => {
    const problem = this.desk.refusal();
    return problem && describeInFull(problem);
  });

  constructor() {
    // Rows are made anew by an edit: the focus goes on with the row that keys act on.
    effect(() => {
      const row = this.desk.focused();
      this.actions.entry();
      if (!row || !untracked(() => this.hasFocus())) return;
      afterNextRender(() => this.focusRow(row.key), { injector: this.injector });
    });
  }

  private hadFocus = false;

  /** True while the focus is in the rows, or was in a row or a line that has just gone. */
  private hasFocus(): boolean {
    const active = document.activeElement;
    if (active && active !== document.body)
      return this.element.nativeElement.contains(active) && this.hadFocus;
    return this.hadFocus;
  }

  private focusRow(key: string): void {
    if (this.actions.entry()) return;
    const active = document.activeElement;
    if (active && active !== document.body && !this.element.nativeElement.contains(active)) return;
    const row = this.element.nativeElement.querySelector<HTMLElement>(`tr[data-key="${CSS.escape(key)}"]`);
    if (row && row !== active) row.focus();
  }

  /** Brings a row in sight and puts the focus on it. */
  goTo(key: string): void {
    this.desk.focus(key);
    this.hadFocus = true;
    afterNextRender(
      () =>
        this.element.nativeElement.querySelector<HTMLElement>(`tr[data-key="${CSS.escape(key)}"]`)?.focus(),
      { injector: this.injector },
    );
  }

  protected hueOf(block: string | undefined): string {
    return block === undefined ? '' : (this.hues().get(block) ?? '');
  }

  protected takeFocus(row: OutlineRow, event: FocusEvent): void {
    this.hadFocus = true;
    if (event.target !== event.currentTarget) return;
    if (this.desk.focused()?.key !== row.key) this.desk.focus(row.key);
    this.rowFocused.emit(row);
  }

  protected loseFocus(event: FocusEvent): void {
    if (event.relatedTarget !== null) this.hadFocus = false;
  }

  protected click(row: OutlineRow, event: MouseEvent): void {
    if (event.target instanceof Element && event.target.closest('button, input')) return;
    if (event.shiftKey) this.desk.extend(row.key);
    else if (event.ctrlKey || event.metaKey) this.desk.toggle(row.key);
    else this.desk.focus(row.key);
  }

  protected press(row: OutlineRow, event: KeyboardEvent): void {
    if (event.target !== event.currentTarget) return;
    // The focus follows a moment later: what keys act on is the desk's row, however quickly they come.
    if (this.move(this.desk.focused() ?? row, event)) {
      event.preventDefault();
      return;
    }
    const command = findCommand(event);
    if (!command) return;
    event.preventDefault();
    void this.actions.run(command);
  }

  /** Arrow keys that go from row to row, open and close. */
  private move(row: OutlineRow, event: KeyboardEvent): boolean {
    if (event.altKey) return false;
    const rows = this.desk.rows();
    const at = rows.findIndex((other) => other.key === row.key);
    const go = (place: number): boolean => {
      const next = rows[Math.max(0, Math.min(rows.length - 1, place))];
      if (next && event.shiftKey) this.desk.extend(next.key);
      else if (next) this.desk.focus(next.key);
      return true;
    };
    switch (event.key) {
      case 'ArrowDown':
        return go(at + 1);
      case 'ArrowUp':
        return go(at - 1);
      case 'Home':
        return go(0);
      case 'End':
        return go(rows.length - 1);
      case 'ArrowRight':
        if (row.use?.isKnown && !row.use.isOpen) this.desk.setOpen(row.use.name, true);
        else if ((rows[at + 1]?.depth ?? 0) > row.depth) return go(at + 1);
        return true;
      case 'ArrowLeft':
        if (row.use?.isOpen) this.desk.setOpen(row.use.name, false);
        else return go(rows.findLastIndex((other, place) => place < at && other.depth < row.depth));
        return true;
      case 'Escape':
        this.desk.focus(row.key);
        this.desk.refusal.set(undefined);
        return true;
      default:
        return false;
    }
  }

  protected choose(row: OutlineRow, command: RowCommand): void {
    if (!this.desk.selected().some((other) => other.key === row.key)) this.desk.focus(row.key);
    this.hadFocus = true;
    void this.actions.run(command);
  }

  protected canRun(row: OutlineRow, takesTerms: boolean | undefined): boolean {
    return row.home.kind !== 'concept' || takesTerms === true;
  }

  protected commit(entry: Entry, text: string): void {
    this.hadFocus = true;
    this.actions.commit(entry, text);
  }

  protected cancel(): void {
    this.hadFocus = true;
    this.actions.cancel();
  }

  protected drop(event: CdkDragDrop<unknown, unknown, OutlineRow>): void {
    const others = this.desk.rows().filter((row) => row.key !== event.item.data.key);
    this.desk.focus(event.item.data.key);
    this.actions.dropBelow(event.item.data, others[event.currentIndex - 1]);
  }

  protected copy(event: ClipboardEvent): void {
    if (this.isTyping(event)) return;
    event.clipboardData?.setData('text/plain', this.actions.copyText());
    event.preventDefault();
  }

  protected cut(event: ClipboardEvent): void {
    if (this.isTyping(event)) return;
    this.copy(event);
    void this.actions.run('remove');
  }

  protected paste(event: ClipboardEvent): void {
    if (this.isTyping(event)) return;
    event.preventDefault();
    this.actions.paste(event.clipboardData?.getData('text/plain') ?? '');
  }

  private isTyping(event: Event): boolean {
    return event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement;
  }

  protected isEditing(key: string): Entry | undefined {
    const entry = this.actions.entry();
    return entry?.kind === 'row' && entry.key === key ? entry : undefined;
  }

  protected isAdding(key: string): Entry | undefined {
    const entry = this.actions.entry();
    return entry?.kind === 'new' && entry.key === key ? entry : undefined;
  }

  protected describeDominant(row: OutlineRow): { words: string; hue: string; change: string } | undefined {
    const found = this.numbers.findDominant(row);
    if (!found) return undefined;
    const { member, amount } = found;
    return {
      words: member.label,
      hue: this.hueOf(member.block),
      change: say('query.withoutIt', { amount: formatAmount(amount) }),
    };
  }

  protected braceClass(brace: RowBrace): string {
    return `brace ${brace.join} ${brace.part} ${this.hueOf(brace.block) || 'plain'}`;
  }

  private listChips(row: OutlineRow): string[] {
    const { fields, item, comments } = row;
    const only = item.wrappers
      .flatMap((wrapper) => (wrapper.kind === 'only' ? [wrapper.databases] : []))
      .at(-1);
    const names = row.home.kind === 'concept' ? row.home.term.databases : only;
    return [
      ...(fields ? [say('query.inFields', { fields: listFields(fields) })] : []),
      ...(names
        ? [say('shared.only', { databases: names.map((id) => this.open.nameInShort(id)).join(', ') })]
        : []),
      ...comments.map((comment) => `// ${comment}`),
    ];
  }
}

function describeLead(row: OutlineRow): string {
  const { body } = row.item;
  const join = row.join && JOIN_WORDS[row.join];
  const near =
    body.kind === 'group' && body.join === 'near'
      ? say(body.ordered === true ? 'query.inOrderWithinDistance' : 'query.withinDistance', {
          distance: body.distance ?? 1,
        })
      : join;
  if (!row.isExcluded) return near ?? '';
  return near === undefined ? say('query.without') : say('query.withoutNear', { near });
}

/** A row as a screen reader says it. */
function describeRow(row: OutlineRow): string {
  const words = [describeLead(row), row.text, row.isOff ? say('shared.switchedOff') : ''];
  return words.filter((word) => word !== '').join(' ') || say('query.empty');
}
