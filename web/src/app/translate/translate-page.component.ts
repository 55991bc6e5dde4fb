import { SELECT_PARTS } from '../ui/field-parts';
import { MatButton } from '@angular/material/button';
import { listLimiters } from '#core/limiter/index';
import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
  inject,
  signal,
  untracked,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import { listPhraseWays, preferPhraseWay, type Dialect } from '#core/dialect/index';
import { writeHistory, type WrittenLine } from '#core/dialect/history/index';
import { describeInFull, describeProblem } from '#core/problem/index';
import { createTerm, getProjectTitle } from '#core/project/index';
import type { ReadResultsLine } from '#core/tally/index';
import { readBack, type ReadBack } from '#core/proof/index';
import { parseQuery, printQuery, type QueryNode } from '#core/query/index';
import { DraftCounts } from '../counting/draft-counts';
import { getLeast } from '#core/count/index';
import { shortenName } from '#core/text/index';
import { getAmount, type Counted } from '../counting/count-state';
import { describeBasis } from '../counting/describe-count';
import { formatAmount } from '../ui/number-format';
import { Counts } from '../counting/counts';
import { TypedCounts } from '../counting/typed-counts';
import { WritingAids } from '../counting/writing-aids';
import { writeMoment } from '../data/clock-and-ids';
import { saveFile } from '../data/save-file';
import { OpenProject } from '../state/open-project';
import { ThesaurusStore } from '../state/thesaurus-store';
import { getHueClass } from '../ui/hues';
import type { PhraseWay, RenderingRow } from './rendering/rendering-row';
import { RenderingRowComponent } from './rendering/rendering-row.component';
import { costsNothing, describeProof, listPieceCosts, listSharedDifferences } from './differences';
import { FiltersDialogComponent } from './filters-dialog.component';
import { OverrideDialogComponent, type OverrideDialogData } from './override-dialog.component';
import { listHeadingOffers, type HeadingOffer } from './heading-offers';
import { listIntended } from './intended';
import { Proofs } from './proofs';
import { ReadStringDialogComponent } from './read-string-dialog.component';
import { describeLevel, WAY_WORDS } from './rendering/rendering-notes';
import { cutSegments } from './string-segments';
import { writeStringsDocument } from './strings-document';
import { Dialogs } from '../ui/dialogs';
import { Messages } from '../ui/messages';
import { TextClipboard } from '../data/text-clipboard';
import { createFileName } from '../ui/file-name';
import { Connections } from '../state/connections';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** A draft is proved when it has rested so long, in milliseconds. */
const PROOF_DELAY = 350;

/** The draft in each chosen database's own syntax, with what that does to its meaning. */
@Component({
  selector: 'app-translate-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, RenderingRowComponent, RouterLink, MatButton, SELECT_PARTS],
  templateUrl: './translate-page.component.html',
  styleUrl: './translate-page.component.scss',
})
export class TranslatePageComponent {
  protected readonly open = inject(OpenProject);
  private readonly draftCounts = inject(DraftCounts);
  private readonly counts = inject(Counts);
  private readonly proofs = inject(Proofs);
  private readonly typedCounts = inject(TypedCounts);
  private readonly connections = inject(Connections);
  private readonly aids = inject(WritingAids);
  private readonly thesauri = inject(ThesaurusStore);
  private readonly clipboard = inject(TextClipboard);
  private readonly messages = inject(Messages);
  private readonly dialogs = inject(Dialogs);

  /** The nodes whose pieces are lit in all rows. */
  protected readonly lit = signal<readonly string[]>([]);
  /** Strings on one line each, to be scrolled; else wrapped. */
  protected readonly isOneLine = signal(false);
  protected readonly beside = signal<readonly [string, string] | undefined>(undefined);
  /** The database whose ways of writing cut phrases are shown. */
  protected readonly waysFor = signal<string | undefined>(undefined);
  private readonly hues = computed(
    () => new Map(this.open.concepts().map((concept, place) => [concept.block, getHueClass(place)])),
  );
  protected readonly rows = computed(() =>
    this.draftCounts.draftInText().map(({ dialect, counted }) => this.describeRow(dialect, counted)),
  );
  /** There is nothing to translate. */
  protected readonly isEmpty = computed(() => this.draftCounts.root().kind === 'empty');
  private readonly shared = computed(() =>
    listSharedDifferences(this.rows().map((row) => ({ name: shortenName(row), costs: row.costs }))),
  );
  /** Pieces that cost records, or that are not proved yet. */
  protected readonly differences = computed(() =>
    this.shared()
      .filter((difference) => !costsNothing(difference))
      .slice(0, 30),
  );
  protected readonly harmless = computed(() => this.shared().filter(costsNothing).length);
  /** The two rows that stand beside each other, or all of them one below the other. */
  protected readonly shown = computed(() => {
    const pair = this.beside();
    if (!pair) return this.rows();
    return pair.flatMap((id) => this.rows().find((row) => row.id === id) ?? []);
  });

  /** The strings read back when the draft has rested: each belongs to its rendering. */
  private readonly backs = signal<
    ReadonlyMap<string, (rendering: Counted['rendering']) => ReadBack | undefined>
  >(new Map());
  /** Why terms are meant for some databases only, by their query text. */
  private readonly reasons = computed(() => {
    const notes = new Map(
      this.open
        .concepts()
        .flatMap(({ terms }) => terms)
        .filter(({ note, databases }) => note !== undefined && databases !== undefined)
        .map((term) => [printQuery(parseQuery(term.text).root), term.note]),
    );
    return (piece: string) => notes.get(piece);
  });
  private readonly offers = computed(
    () =>
      new Map(
        this.open
          .dialects()
          .map((dialect) => [
            dialect.id,
            listHeadingOffers(this.open.concepts(), dialect, (id) => this.thesauri.find(id)),
          ]),
      ),
  );

  constructor() {
    this.thesauri.followChosen();
    let timer: ReturnType<typeof setTimeout> | undefined;
    effect(() => {
      const { root } = this.open.draft();
      const dialects = this.open
        .dialects()
        .filter((dialect) => this.connections.mayOffer(dialect.id, 'proof'));
      // Looked at here, so that forms which arrive later lead to another proof.
      for (const dialect of dialects) this.proofs.look(root, dialect);
      clearTimeout(timer);
      timer = setTimeout(() => {
        this.proofs.ask(root, dialects);
        this.readBack();
      }, PROOF_DELAY);
    });
    inject(DestroyRef).onDestroy(() => clearTimeout(timer));
  }

  /** Puts a heading, or the words for one, into its concept for one database. */
  protected takeHeading({ id }: RenderingRow, { concept, text, label, words }: HeadingOffer): void {
    const term = createTerm(this.open.createId(), text, 'thesaurus');
    const note = say('translate.for', { label, words });
    this.open.change({ kind: 'add-terms', concept, terms: [{ ...term, databases: [id], note }] });
  }

  /** The draft in each way of writing phrases that this database cannot cut; those that come to the same string once. */
  private describeWays(root: QueryNode, shown: Dialect): PhraseWay[] {
    const dialect = this.open.findPlainDialect(shown.id) ?? shown;
    const chosen = this.open.working().phraseWays?.[shown.id];
    const ways = [undefined, ...listPhraseWays(root, dialect)].map((way) => {
      const written = way ? preferPhraseWay(dialect, way) : dialect;
      return { way, counted: this.counts.look(root, written, this.open.limiters()) };
    });
    const texts = ways.map(({ counted }) => counted.rendering.text);
    return ways.flatMap(({ way, counted }, at) =>
      way !== undefined && way !== chosen && texts.indexOf(texts[at] ?? '') < at
        ? []
        : [
            {
              way,
              words: way ? WAY_WORDS[way] : say('translate.asIsUsual'),
              counted,
              levelWords: describeLevel(counted).levelWords,
              isChosen: way === chosen,
            },
          ],
    );
  }

  private readBack(): void {
    const { root } = this.open.draft();
    const counted = untracked(() => this.draftCounts.draftInText());
    this.backs.set(
      new Map(
        counted.map(({ dialect, counted: { rendering } }) => {
          const back = readBack(root, rendering, dialect);
          return [dialect.id, (one) => (one === rendering ? back : undefined)];
        }),
      ),
    );
  }

  private writeLines(dialect: Dialect): readonly WrittenLine[] {
    if (dialect.setReference === undefined) return [];
    const { root } = this.open.draft();
    const limiters = this.open.limiters();
    return writeHistory(root, dialect, { limiters, ...this.aids.createSettings(dialect) });
  }

  protected compareTwo(on: boolean): void {
    const [a, b] = this.rows();
    this.beside.set(on && a && b ? [a.id, b.id] : undefined);
  }

  protected choosePair(place: 0 | 1, id: string): void {
    const [a, b] = this.beside() ?? ['', ''];
    this.beside.set(place === 0 ? [id, b] : [a, id]);
  }

  protected askOverride({ id, name }: RenderingRow): void {
    this.dialogs.open<OverrideDialogComponent, OverrideDialogData, never>(OverrideDialogComponent, {
      data: { id, name },
      width: 760,
    });
  }

  protected chooseFilter(): void {
    this.dialogs.open(FiltersDialogComponent, { width: 760 });
  }

  protected readString(): void {
    this.dialogs.open(ReadStringDialogComponent, { width: 860 });
  }

  protected keepCount({ id, text }: RenderingRow, { total, estimated }: ReadResultsLine): void {
    this.typedCounts.type(id, text, this.open.limiters(), total, estimated);
  }

  protected copy(text: string, what: string): void {
    this.messages.showCopied(this.clipboard.copy(text), what);
  }

  protected copyAll(): void {
    this.copy(this.writeDocument(), say('translate.allStrings'));
  }

  protected saveAll(): void {
    saveFile(
      `${createFileName(getProjectTitle(this.open.project()))}-strings.md`,
      this.writeDocument(),
      'text/markdown',
    );
  }

  private writeDocument(): string {
    const entries = this.rows().map(({ name, parts, steps, levelWords, proofWords, counted }) => ({
      name,
      parts: parts.map(({ text }) => text),
      steps,
      remarks: [levelWords, ...(proofWords === '' ? [] : [proofWords]), ...describeRecords(counted)],
    }));
    const day = writeMoment(this.open.now()).slice(0, 10);
    return writeStringsDocument(
      getProjectTitle(this.open.project()),
      day,
      this.open.working().question,
      entries,
    );
  }

  private describeRow(dialect: Dialect, counted: Counted): RenderingRow {
    const { rendering } = counted;
    const { root } = this.open.draft();
    const proof = this.connections.mayOffer(dialect.id, 'proof')
      ? this.proofs.look(root, dialect)
      : undefined;
    const answer = proof?.status === 'proved' ? proof.answer : undefined;
    return {
      id: dialect.id,
      name: dialect.name,
      about: dialect.about,
      habits: dialect.habits,
      parts: rendering.parts.map(({ text, pieces }) => ({
        text,
        segments: cutSegments(text, pieces).map((segment) => ({
          ...segment,
          hue: segment.block === undefined ? '' : (this.hues().get(segment.block) ?? ''),
        })),
      })),
      text: rendering.text,
      counted,
      isLimited: listLimiters(counted.limiters).length > 0,
      typed: describeTyped(counted),
      ...describeLevel(counted),
      isProving: proof?.status === 'waiting',
      proofWords: answer ? describeProof(answer, listLimiters(counted.limiters).length > 0) : '',
      proofFailure:
        proof?.status === 'failed'
          ? say('translate.notProved', { problem: describeProblem(proof.problem) })
          : '',
      answer,
      costs: listPieceCosts(proof),
      intended: listIntended(root, dialect.id, this.open.working().databases, this.reasons()),
      meters: listMeters(dialect, rendering.extent),
      // What a collection of one's own ticks, nobody has to tick.
      steps: rendering.steps.filter(
        ({ how }) => how !== 'box' || this.connections.find(dialect.id).kind !== 'collection',
      ),
      problems: rendering.problems.map((problem) => describeInFull(problem)),
      address: dialect.address,
      isByHand: this.connections.isByHand(dialect.id),
      back: this.backs().get(dialect.id)?.(rendering),
      lines: this.writeLines(dialect),
      canChooseWay: listPhraseWays(root, dialect).length > 0,
      ways: this.waysFor() === dialect.id ? this.describeWays(root, dialect) : [],
      offers: this.offers().get(dialect.id) ?? [],
    };
  }
}

function listMeters(
  { most }: Dialect,
  extent: Counted['rendering']['extent'],
): { words: string; share: number | undefined }[] {
  const meter = (used: number, limit: number | undefined, what: string) => ({
    words:
      limit === undefined
        ? `${used.toLocaleString('en')} ${what}`
        : say('translate.usedOf', {
            used: used.toLocaleString('en'),
            most: limit.toLocaleString('en'),
            what,
          }),
    share: limit === undefined ? undefined : Math.min(1, used / limit),
  });
  return [
    meter(extent.characters, most.characters, say('translate.characters')),
    ...(most.truncations === undefined
      ? []
      : [meter(extent.truncations, most.truncations, say('translate.cutWords'))]),
    ...(most.words === undefined ? [] : [meter(extent.words, most.words, say('shared.words'))]),
  ];
}

/** The number in words, as it is saved: with what it is not quite. */
function describeRecords(counted: Counted): string[] {
  const amount = getAmount(counted.state);
  if (!amount) return [];
  return [
    [say('shared.recordsWords', { count: formatAmount(amount) }), ...describeBasis(counted)].join(', '),
  ];
}

/** What stands in the field for a count that is typed in. */
function describeTyped({ state }: Counted): string {
  const amount = getAmount(state);
  return amount ? String(getLeast(amount)) : '';
}
