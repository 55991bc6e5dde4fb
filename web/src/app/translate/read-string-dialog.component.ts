import { FIELD_PARTS, SELECT_PARTS } from '../ui/field-parts';
import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { listLimiters, type Limiters } from '#core/limiter/index';
import { MatDialogRef } from '@angular/material/dialog';
import { MatFormField } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { MatRadioButton, MatRadioGroup } from '@angular/material/radio';
import { MatOption, MatSelect } from '@angular/material/select';
import { DIALECTS, OPEN_DIALECTS, TEMPLATE_DIALECTS, type Dialect } from '#core/dialect/index';
import { isHistory, listStrings, readHistory, type HistoryLine } from '#core/dialect/history/index';
import {
  rankDialects,
  readString,
  type Binding,
  type DialectGuess,
  type ReadString,
} from '#core/dialect/read/index';
import { describeInFull, type Problem } from '#core/problem/index';
import { printQuery, type QueryNode } from '#core/query/index';
import type { Counted } from '../counting/count-state';
import { Counts } from '../counting/counts';
import { writeMoment } from '../data/clock-and-ids';
import { OpenProject } from '../state/open-project';
import { CountComponent } from '../records/count.component';
import { DIALOG_PARTS } from '../ui/dialog-parts';
import { HistoryLinesComponent, type ShownLine } from './history-lines.component';
import { canBeConcept, importHistory, importString, mergeLimiters, proposeName } from './string-import';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** The most problems that are listed. */
const MAX_PROBLEMS = 12;
/** The choice of leaving the counts of a history out. */
const NO_DATABASE = 'none';

const SURENESS = {
  get sure() {
    return say('translate.sureNoOtherOneKnows');
  },
  get likely() {
    return say('translate.likelyTheNextOneReads');
  },
  get unsure() {
    return say('translate.notSureChooseTheSyntax');
  },
} as const;

/** What the reading is that the syntax has, and the other one, by how that binds the operators. */
const SAID_BINDING: Readonly<Record<Binding, string>> = {
  get 'and-first'() {
    return say('translate.asThisSyntaxHasIt');
  },
  get 'left-to-right'() {
    return say('translate.andBeforeOr');
  },
};
const OTHER_BINDING: Readonly<Record<Binding, string>> = {
  get 'and-first'() {
    return say('translate.andBeforeOrAsMost');
  },
  get 'left-to-right'() {
    return say('translate.fromLeftToRight');
  },
};

/** One way to read the string. */
interface Reading {
  readonly root: QueryNode;
  readonly limiters: Limiters;
  readonly binding: string;
  readonly words: string;
  readonly limiterWords: string;
  readonly counted?: Counted | undefined;
}

/** Takes a string or a numbered history of another database in: pasted, read in its syntax, looked at, kept. */
@Component({
  selector: 'app-read-string-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SayPipe,
    DIALOG_PARTS,
    CountComponent,
    HistoryLinesComponent,
    MatFormField,
    MatInput,
    MatOption,
    MatRadioButton,
    MatRadioGroup,
    MatSelect,
    FIELD_PARTS,
    SELECT_PARTS,
  ],
  templateUrl: './read-string-dialog.component.html',
  styleUrl: './read-string-dialog.component.scss',
})
export class ReadStringDialogComponent {
  private readonly open = inject(OpenProject);
  private readonly counts = inject(Counts);
  private readonly dialog = inject(MatDialogRef);

  protected readonly noDatabase = NO_DATABASE;
  protected readonly text = signal('');
  /** Empty: the one that reads it best. */
  protected readonly chosen = signal('');
  protected readonly dialects = computed<Dialect[]>(() => [
    ...DIALECTS,
    ...this.open.working().ownDatabases.map(({ dialect }) => dialect),
    ...OPEN_DIALECTS,
    ...TEMPLATE_DIALECTS,
  ]);
  private readonly ranked = computed(() =>
    this.text().trim() === '' ? undefined : rankDialects(listStrings(this.text()), this.dialects()),
  );
  protected readonly dialect = computed(
    () => this.dialects().find(({ id }) => id === this.chosen()) ?? this.ranked()?.guesses[0]?.dialect,
  );
  protected readonly sureness = computed(() => {
    const ranked = this.ranked();
    return ranked && this.chosen() === '' ? SURENESS[ranked.sureness] : undefined;
  });
  /** Which dialects read it best, and why. */
  protected readonly guesses = computed(() =>
    (this.ranked()?.guesses ?? []).slice(0, 3).map((guess) => ({
      id: guess.dialect.id,
      name: guess.dialect.name,
      words: describeGuess(guess),
    })),
  );
  protected readonly history = computed(() => {
    const dialect = this.dialect();
    return dialect && isHistory(this.text()) ? readHistory(this.text(), dialect) : undefined;
  });
  /** Lines with mistakes that the person takes all the same; forgotten when the text changes. */
  private readonly takenSo = linkedSignal<string, ReadonlySet<number>>({
    source: () => `${this.text()} ${this.dialect()?.id ?? ''}`,
    computation: () => new Set(),
  });
  /** Names of lines that become concepts; nothing for a line that is to stay a block. */
  private readonly renamed = linkedSignal<string, ReadonlyMap<number, string | undefined>>({
    source: this.text,
    computation: () => new Map(),
  });
  protected readonly lines = computed<readonly ShownLine[]>(() =>
    (this.history()?.lines ?? []).map((line) => ({
      line,
      meaning: printQuery(line.root),
      limiters: describeLimiters(line.limiters),
      problems: line.problems.filter(({ severity }) => severity !== 'note').map(describeInFull),
      notes: line.problems.filter(({ severity }) => severity === 'note').map(describeInFull),
      isLast: line === this.history()?.last,
      isFaulty: line.problems.some(({ severity }) => severity === 'error'),
      isTakenSo: this.takenSo().has(line.number),
      canBeConcept: canBeConcept(line),
      concept: this.nameConcept(line),
    })),
  );
  protected readonly hasCounts = computed(() => this.lines().some(({ line }) => line.count !== undefined));
  protected readonly countsOf = signal('');
  /** Databases that counts can belong to. */
  protected readonly databases = computed(() => [
    ...DIALECTS,
    ...this.open.working().ownDatabases.map(({ dialect }) => dialect),
  ]);
  private readonly read = computed(() => {
    const dialect = this.dialect();
    return dialect && !this.history() && this.text().trim() !== ''
      ? readString(this.text(), dialect)
      : undefined;
  });
  /** The readings of the string: two, where it is not sure how its operators bind. */
  protected readonly readings = computed<readonly Reading[]>(() => {
    const read = this.read();
    if (!read) return [];
    const { other } = read;
    if (!other) return [this.describeReading(read, '')];
    return [
      this.describeReading(read, SAID_BINDING[other.binding]),
      this.describeReading(other, OTHER_BINDING[other.binding]),
    ].map((reading) => ({ ...reading, counted: this.look(reading.root, reading.limiters) }));
  });
  protected readonly reading = linkedSignal({ source: this.read, computation: () => 0 });
  /** Where the readings are counted, and that it is not without limiters. */
  protected readonly countedIn = computed(() => {
    const hasLimiters = listLimiters(this.open.limiters()).length > 0;
    return `${this.place()?.name ?? ''}${hasLimiters ? say('translate.underTheLimiters') : ''}`;
  });
  protected readonly problems = computed(() =>
    this.listProblems((severity) => severity !== 'note').slice(0, MAX_PROBLEMS),
  );
  protected readonly notes = computed(() => this.listProblems((severity) => severity === 'note'));
  protected readonly isFaulty = computed(
    () => this.read()?.problems.some(({ severity }) => severity === 'error') ?? false,
  );
  /** Why the button waits; nothing if it does not. */
  protected readonly waitsFor = computed(() => {
    const open = this.lines().filter(({ isFaulty, isTakenSo }) => isFaulty && !isTakenSo);
    if (open.length > 0) return say('translate.mendTheMarkedLinesAbove', { count: open.length });
    if (this.hasCounts() && this.countsOf() === '') return say('translate.sayWhichDatabaseTheCounts');
    return undefined;
  });
  protected readonly canTake = computed(
    () => (this.read() !== undefined || this.lines().length > 0) && this.waitsFor() === undefined,
  );

  protected take(): void {
    const working = this.open.working();
    const history = this.history();
    const read = this.read();
    if (history) {
      const moment = writeMoment(this.open.now());
      const clockAndIds = { createId: () => this.open.createId(), moment };
      const concepts = new Map(
        this.lines().flatMap(({ line, concept }) => (concept ? [[line.number, concept] as const] : [])),
      );
      const countsOf = this.countsOf();
      const choices = { concepts, ...(countsOf !== '' && countsOf !== NO_DATABASE && { countsOf }) };
      const { change, tallies } = importHistory(history.lines, history.last, choices, working, clockAndIds);
      this.open.change(change);
      if (tallies.length > 0) this.open.change({ kind: 'keep-tallies', tallies });
    } else if (read) {
      this.open.change(importString(this.readings()[this.reading()] ?? read, working));
    }
    this.dialog.close();
  }

  protected takeSo({ number }: HistoryLine, takes: boolean): void {
    const others = [...this.takenSo()].filter((one) => one !== number);
    this.takenSo.set(new Set(takes ? [...others, number] : others));
  }

  protected setConcept(line: HistoryLine, name: string | undefined): void {
    this.renamed.set(new Map(this.renamed()).set(line.number, name));
  }

  /** Lines of ORs become concepts unless the person says otherwise. */
  private nameConcept(line: HistoryLine): string | undefined {
    if (!canBeConcept(line)) return undefined;
    const name = this.renamed().has(line.number) ? this.renamed().get(line.number) : proposeName(line);
    return name?.trim() === '' ? proposeName(line) : name;
  }

  /** Where the readings are counted: in the database of the syntax, if it is one, or in the first of the project. */
  private place(): Dialect | undefined {
    const dialects = this.open.dialects();
    return dialects.find(({ id }) => id === this.dialect()?.id) ?? dialects[0];
  }

  /** A reading is counted as the draft will be that it becomes. */
  private look(root: QueryNode, limiters: Limiters): Counted | undefined {
    const place = this.place();
    return place && this.counts.look(root, place, mergeLimiters(limiters, this.open.working()));
  }

  /** A reading with its words; where there is one alone, nothing has to be told from anything by its count. */
  private describeReading(
    { root, limiters }: Pick<ReadString, 'root' | 'limiters'>,
    binding: string,
  ): Reading {
    return { root, limiters, binding, words: printQuery(root), limiterWords: describeLimiters(limiters) };
  }

  private listProblems(
    passes: (severity: Problem['severity']) => boolean,
  ): { words: string; place: string }[] {
    return (this.read()?.problems ?? [])
      .filter(({ severity }) => passes(severity))
      .map((problem) => ({ words: describeInFull(problem), place: this.quote(problem) }));
  }

  private quote({ span }: Problem): string {
    return span ? this.text().slice(span.start, span.end).slice(0, 60) : '';
  }
}

function describeLimiters(limiters: Limiters): string {
  return listLimiters(limiters)
    .map(({ value }) => value)
    .join(' · ');
}

function describeGuess({ faults, strays, evidence }: DialectGuess): string {
  const says = [
    ...(faults > 0 ? [say('translate.doesNotTake', { faults })] : []),
    ...(strays.length > 0
      ? [
          say('translate.readsAs', {
            signs: strays.join(', '),
            kind: say(strays.length > 1 ? 'shared.words' : 'translate.aWord'),
          }),
        ]
      : []),
  ];
  return [says.length === 0 ? say('translate.readsAllOfIt') : says.join(', '), ...evidence].join(', ');
}
