import { Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import { listLog, type LogEntry, type LogKind, type LogLine } from '#core/log/index';
import { foldLetters, toPlainText } from '#core/text/index';
import { SLICE, nextTurn } from '../counting/turns';
import { OpenProject } from '../state/open-project';
import { say } from '../words/say';

/** So many lines are shown at first, and so many more each time. */
const SHOWN = 60;

/** The lines of one day, the latest first. */
export interface LogDay {
  readonly day: string;
  readonly entries: readonly ShownEntry[];
}

export interface ShownEntry extends LogEntry {
  readonly line: LogLine;
  readonly time: string;
  /** How its mark is drawn: full for what is kept whole, square for what the person wrote. */
  readonly mark: 'full' | 'ring' | 'square';
}

const MARKS: Readonly<Partial<Record<LogKind, ShownEntry['mark']>>> = {
  frozen: 'full',
  run: 'full',
  note: 'square',
  source: 'square',
};

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });
const TIME = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', hour12: false });

/** The log as it is shown: the latest lines first, or those in which a text was found. */
@Injectable()
export class LogView {
  private readonly open = inject(OpenProject);
  readonly search = signal('');
  private readonly more = signal(0);
  private readonly found = signal<
    { readonly search: string; readonly lines: readonly LogLine[] } | undefined
  >(undefined);
  /** Whether the log is still being searched. */
  readonly isSearching = computed(
    () => this.search().trim() !== '' && this.found()?.search !== this.search(),
  );

  private readonly all = computed(() =>
    listLog(this.open.project(), (database) => this.open.nameInShort(database)).toReversed(),
  );
  private readonly lines = computed(() => {
    if (this.search().trim() === '') return this.all();
    return this.found()?.lines ?? [];
  });
  readonly total = computed(() => this.lines().length);
  private readonly shown = computed(() => this.lines().slice(0, SHOWN + this.more()));
  readonly hidden = computed(() => this.total() - this.shown().length);

  readonly days = computed<readonly LogDay[]>(() => {
    const today = DAY.format(this.open.now());
    const days: { day: string; entries: ShownEntry[] }[] = [];
    for (const line of this.shown()) {
      const moment = new Date(line.moment);
      const day = DAY.format(moment);
      const name = day === today ? say('logbook.today') : day;
      if (days.at(-1)?.day !== name) days.push({ day: name, entries: [] });
      days
        .at(-1)
        ?.entries.push({ ...line.read(), line, time: TIME.format(moment), mark: MARKS[line.kind] ?? 'ring' });
    }
    return days;
  });

  constructor() {
    effect((onCleanup) => {
      const [search, lines] = [this.search(), this.all()];
      const turn = { isOver: false };
      onCleanup(() => (turn.isOver = true));
      untracked(() => {
        this.more.set(0);
        if (search.trim() === '') this.found.set(undefined);
        else void this.find(search, lines, turn);
      });
    });
  }

  showMore(): void {
    this.more.update((more) => more + SHOWN);
  }

  /** Reads line after line in short slices, so that a long log does not hold up typing. */
  private async find(
    search: string,
    lines: readonly LogLine[],
    turn: { readonly isOver: boolean },
  ): Promise<void> {
    const wanted = foldLetters(search.trim());
    const found: LogLine[] = [];
    let end = performance.now() + SLICE;
    for (const line of lines) {
      const texts = [line.read().text, ...line.readDetails()];
      if (texts.some((one) => foldLetters(toPlainText(one)).includes(wanted))) found.push(line);
      if (performance.now() < end) continue;
      await nextTurn();
      if (turn.isOver) return;
      end = performance.now() + SLICE;
    }
    this.found.set({ search, lines: found });
  }
}
