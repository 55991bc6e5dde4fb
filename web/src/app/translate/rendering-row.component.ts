import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatCheckbox } from '@angular/material/checkbox';
import type { ProofAnswer, ProofDifference } from '#core/contract/index';
import type { FidelityLevel, HandStep, PhraseFallback, WrittenLine } from '#core/dialect/index';
import { describeInFull } from '#core/problem/index';
import { readResultsLine, type ReadResultsLine } from '#core/tally/index';
import type { ReadBack } from '#core/proof/index';
import type { Counted } from '../counting/count-state';
import { CountComponent } from '../records/count.component';
import { RecordDrawer } from '../records/record-drawer';
import type { PieceCost } from './differences';
import type { HeadingOffer } from './heading-offers';
import type { Intended } from './intended';
import { formatNumber } from '../ui/number-format';
import { BACK_WORDS, describeStep } from './rendering-notes';
import type { Segment } from './string-segments';

/** All that is shown of one rendering. */
export interface RenderingRow {
  readonly id: string;
  readonly name: string;
  readonly about: string;
  readonly habits: readonly string[];
  readonly parts: readonly {
    readonly text: string;
    readonly segments: readonly (Segment & { readonly hue: string })[];
  }[];
  readonly text: string;
  readonly counted: Counted;
  /** There are limiters, which proofs go without. */
  readonly isLimited: boolean;
  /** What stands in the field for a count that is typed in. */
  readonly typed: string;
  readonly level: FidelityLevel;
  readonly levelWords: string;
  readonly isProving: boolean;
  readonly proofWords: string;
  readonly proofFailure: string;
  readonly answer: ProofAnswer | undefined;
  readonly costs: readonly PieceCost[];
  /** What is meant for this database only, or left out here on purpose. */
  readonly intended: readonly Intended[];
  readonly meters: readonly { readonly words: string; readonly share: number | undefined }[];
  readonly steps: readonly HandStep[];
  readonly problems: readonly string[];
  readonly address: string | undefined;
  /** The person searches there and types the count in. */
  readonly isByHand: boolean;
  /** What the string is read back as; nothing while that is not known. */
  readonly back: ReadBack | undefined;
  /** The query as numbered searches, where the database can refer to earlier ones. */
  readonly lines: readonly WrittenLine[];
  /** How cut phrases could be written here, each with its count; empty if there is nothing to choose. */
  readonly ways: readonly PhraseWay[];
  readonly canChooseWay: boolean;
  /** What headings of other thesauri could be here. */
  readonly offers: readonly HeadingOffer[];
}

/** One way to write phrases that the database cannot cut. */
export interface PhraseWay {
  /** None: as the database's dialect says. */
  readonly way: PhraseFallback | undefined;
  readonly words: string;
  readonly counted: Counted;
  readonly levelWords: string;
  readonly isChosen: boolean;
}

/** So many pieces are listed before the rest is asked for. */
const FIRST_COSTS = 4;

/** One database's rendering: the string, what it does to the meaning and what is left to do. */
@Component({
  selector: 'app-rendering-row',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CountComponent, MatCheckbox],
  templateUrl: './rendering-row.component.html',
  styleUrl: './rendering-row.component.scss',
})
export class RenderingRowComponent {
  protected readonly backWords = BACK_WORDS;
  /** The string as it was read back is shown. */
  protected readonly showsBack = signal(false);
  /** The numbered searches are shown. */
  protected readonly showsLines = signal(false);
  private readonly drawer = inject(RecordDrawer);
  protected readonly format = formatNumber;
  readonly row = input.required<RenderingRow>();
  readonly lit = input<readonly string[]>([]);
  readonly isOneLine = input(false);
  readonly isNarrow = input(false);
  /** A heading that is to be put in for this database. */
  readonly taken = output<HeadingOffer>();
  /** The nodes that are pointed at. */
  readonly pointed = output<readonly string[]>();
  readonly copied = output<{ text: string; what: string }>();
  /** The ways of writing cut phrases are to be shown, or put away. */
  readonly waysAsked = output();
  readonly wayChosen = output<PhraseFallback | undefined>();
  /** Just for this database. */
  readonly hereAsked = output();
  /** The count that was read off the database's own page. */
  readonly typed = output<ReadResultsLine>();

  protected readonly describeStep = describeStep;
  /** Why what was typed as a count is not understood. */
  protected readonly unclear = signal('');
  protected readonly showsAll = signal(false);
  private readonly done = signal<ReadonlySet<string>>(new Set());
  protected readonly costs = computed(() =>
    this.showsAll() ? this.row().costs : this.row().costs.slice(0, FIRST_COSTS),
  );
  protected readonly hidden = computed(() => this.row().costs.length - this.costs().length);
  protected readonly openAddress = computed(() => {
    const { address, parts } = this.row();
    return address?.replace('{string}', encodeURIComponent(parts[0]?.text ?? ''));
  });

  protected isLit(nodes: readonly string[]): boolean {
    return this.lit().some((node) => nodes.includes(node));
  }

  protected point(nodes: readonly string[]): void {
    const last = nodes.at(-1);
    this.pointed.emit(last === undefined ? [] : [last]);
  }

  protected isTicked(step: HandStep): boolean {
    return this.done().has(`${step.limiter} ${step.value}`);
  }

  protected tick(step: HandStep, on: boolean): void {
    const key = `${step.limiter} ${step.value}`;
    this.done.update((done) => new Set(on ? [...done, key] : [...done].filter((other) => other !== key)));
  }

  protected type(field: HTMLInputElement): void {
    if (field.value.trim() === '') return;
    const read = readResultsLine(field.value);
    this.unclear.set(read.ok ? '' : describeInFull(read.problem));
    if (read.ok) this.typed.emit(read.value);
  }

  protected read(difference: ProofDifference, label: string): void {
    const { id, text } = this.row();
    this.drawer.showNumbers(
      { database: id, string: text, boxes: {} },
      label,
      difference.total,
      difference.numbers,
    );
  }
}
