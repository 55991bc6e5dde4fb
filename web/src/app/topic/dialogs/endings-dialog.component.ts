import { FIELD_PARTS } from '../../ui/field-parts';
import { LiveAnnouncer } from '@angular/cdk/a11y';
import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import type { Dialect } from '#core/dialect/index';
import { describeTermKind, joinTerms, readPlainWords, readWords, type Term } from '#core/project/index';
import { build, createMatcher, createPattern, type QueryNode } from '#core/query/index';
import {
  createStrayQuery,
  describeCut,
  findBestTruncations,
  findMost,
  findShortestCleanCut,
  listCuts,
  stemWord,
  uniteWords,
  type Cut,
  type CutForms,
  type CutSide,
  type TruncationRule,
  type WordLists,
} from '#core/suggest/index';
import { shortenName, foldLetters, splitWords } from '#core/text/index';
import type { Counted } from '../../counting/count-state';
import { Counts } from '../../counting/counts';
import { OpenProject } from '../../state/open-project';
import { ChoiceRowComponent, type Choice } from '../../ui/choice-row.component';
import { CountComponent } from '../../records/count.component';
import { IndexWords } from '../../state/index-words';
import { TermEntry } from '../../terms/term-entry';
import { DIALOG_PARTS } from '../../ui/dialog-parts';
import { CutFormsComponent, type CountedForm } from './cut-forms.component';
import { SayPipe } from '../../words/say.pipe';
import { say } from '../../words/say';

/** What the bench is opened with. */
export interface EndingsDialogData {
  readonly concept: string;
  readonly term: Term | undefined;
  readonly word: string | undefined;
}

/** One cut as a row: what it brings and what only its unwanted forms bring, in each database. */
interface CutRow {
  readonly cut: Cut;
  readonly cells: readonly {
    readonly dialect: Dialect;
    readonly forms: CutForms | undefined;
    readonly whole: Counted | undefined;
    readonly strays: Counted | undefined;
    readonly remark: string;
  }[];
}

/** No cut is shorter, whatever the databases allow: it would bring half the dictionary. */
const SHORTEST = 2;
const MAX_FORMS = 400;
/** So many forms are shown and counted first. */
const FIRST_FORMS = 40;
const REFUSALS = {
  get missing() {
    return say('topic.notPossibleHere');
  },
  get 'too-short'() {
    return say('topic.tooFewLettersBeforeHere');
  },
} as const;

/** The truncation bench: every place to cut a word, what each cut brings, and the best set of cuts. */
@Component({
  selector: 'app-endings-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, DIALOG_PARTS, ChoiceRowComponent, CountComponent, CutFormsComponent, FIELD_PARTS],
  templateUrl: './endings-dialog.component.html',
  styleUrl: './endings-dialog.component.scss',
})
export class EndingsDialogComponent {
  protected readonly open = inject(OpenProject);
  private readonly counts = inject(Counts);
  private readonly index = inject(IndexWords);
  private readonly entry = inject(TermEntry);
  private readonly announcer = inject(LiveAnnouncer);
  private readonly dialog = inject(MatDialogRef);
  private readonly data = inject<EndingsDialogData>(MAT_DIALOG_DATA);

  protected readonly typed = signal(this.chooseWord());
  protected readonly shorten = shortenName;
  protected readonly sides: readonly Choice[] = [
    { id: 'ending', name: say('topic.itsEnding') },
    { id: 'beginning', name: say('topic.itsBeginning') },
  ];
  protected readonly side = signal<CutSide>('ending');
  private readonly lists = signal<WordLists>({});
  protected readonly isLoading = signal(false);
  /** What the person said of single forms; the others are judged by their stem. */
  private readonly said = signal<ReadonlyMap<string, boolean>>(new Map());
  private readonly picked = signal<string | undefined>(undefined);

  /** A sign inside the word: only that truncation is looked at. */
  protected readonly isInner = computed(() => /.\*./.test(this.typed().trim()));
  protected readonly word = computed(() => {
    const words = splitWords(this.typed().replaceAll('*', ''));
    return words.length === 1 ? foldLetters(words[0]?.text ?? '') : '';
  });
  protected readonly isPhrase = this.data.term !== undefined && describeTermKind(this.data.term) === 'phrase';
  protected readonly phraseRemark = computed(() => {
    const deaf = this.open.dialects().filter((dialect) => dialect.phrase.wildcards === 'none');
    return this.isPhrase && deaf.length > 0
      ? say('topic.insideAPhraseNoWord', {
          databases: deaf.map((dialect) => dialect.name).join(say('topic.andBetween')),
        })
      : '';
  });
  private readonly rules = computed(() =>
    this.open.dialects().map((dialect) => createRule(dialect, this.isInner() ? 'inside' : this.side())),
  );
  /** As short as the least strict of the chosen databases takes it. */
  private readonly shortestCut = computed(() =>
    Math.max(SHORTEST, Math.min(...this.rules().map((rule) => rule.leastLetters))),
  );
  private readonly forms = computed(() => uniteWords(this.lists()));
  protected readonly wanted = computed(() => {
    const stem = stemWord(this.word());
    return new Set(
      this.forms()
        .map((form) => form.word)
        .filter((form) => this.said().get(form) ?? (form === this.word() || stemWord(form) === stem)),
    );
  });
  private readonly cuts = computed<readonly Cut[]>(() => {
    const bench = { side: this.side(), lists: this.lists(), wanted: this.wanted(), rules: this.rules() };
    if (this.word().length < 2) return [];
    if (this.isInner()) return [describeCut(this.typed().trim(), bench)];
    return listCuts(this.word(), bench, this.shortestCut());
  });
  /** Made when the cuts change, and not again when counts come in. */
  private readonly queries = computed(() =>
    this.cuts().map((cut) => ({
      cut,
      whole: this.placeInConcept(build.term(createPattern(cut.text))),
      strays: cut.byDatabase.map((forms) =>
        forms.unwanted.length > 0 ? this.placeInConcept(createStrayQuery(cut.text, forms.wanted)) : undefined,
      ),
    })),
  );
  protected readonly rows = computed<readonly CutRow[]>(() =>
    this.queries().map(({ cut, whole, strays }) => ({
      cut,
      cells: this.open.dialects().map((dialect, at) => {
        const forms = cut.byDatabase[at];
        if (!forms || forms.refusal) {
          const remark = forms?.refusal ? REFUSALS[forms.refusal] : '';
          return { dialect, forms, whole: undefined, strays: undefined, remark };
        }
        const stray = strays[at];
        return {
          dialect,
          forms,
          whole: this.counts.look(whole, dialect, this.open.limiters()),
          strays: stray && this.counts.look(stray, dialect, this.open.limiters()),
          remark: forms.capped > 0 ? say('topic.formsSilentlyLeftOut', { capped: forms.capped }) : '',
        };
      }),
    })),
  );
  protected readonly shortest = computed(() =>
    this.isInner() ? undefined : findShortestCleanCut(this.cuts()),
  );
  /** Under the strictest rule of the chosen databases that cut here at all, so that it works in each. */
  protected readonly best = computed(() => {
    if (this.isInner()) return [];
    const able = this.rules().filter((rule) => !rule.isMissing);
    const least = Math.max(this.shortestCut(), ...able.map((rule) => rule.leastLetters));
    return findBestTruncations(
      this.forms(),
      this.wanted(),
      this.side(),
      able.length === 0 ? Infinity : least,
    );
  });
  protected readonly bestText = computed(() => this.best().join(' OR '));
  protected readonly pickedCut = computed(() => {
    const cuts = this.cuts();
    const asked = cuts.find((cut) => cut.text === this.picked());
    return asked ?? cuts.find((cut) => cut.letters >= Math.min(4, this.word().length)) ?? cuts[0];
  });
  protected readonly pickedForms = computed(() => {
    const cut = this.pickedCut();
    if (!cut) return [];
    const matches = createMatcher(createPattern(foldLetters(cut.text)));
    return this.forms()
      .filter((form) => matches(form.word))
      .sort((a, b) => findMost(b) - findMost(a))
      .slice(0, MAX_FORMS);
  });

  protected readonly showsAllForms = signal(false);
  /** The forms that are shown, each counted as the cuts are: in the concept's fields, under the limiters. */
  protected readonly countedForms = computed<readonly CountedForm[]>(() => {
    const forms = this.showsAllForms() ? this.pickedForms() : this.pickedForms().slice(0, FIRST_FORMS);
    return forms.map(({ word }) => {
      const root = this.readForm(word);
      const limiters = this.open.limiters();
      return {
        word,
        cells: this.open
          .dialects()
          .map((dialect) => ({ dialect, counted: this.counts.lookLater(root, dialect, limiters) })),
      };
    });
  });
  private readonly formTrees = new Map<string, QueryNode>();

  constructor() {
    effect((onCleanup) => {
      const [prefix, suffix] = this.describeSearch();
      let isStale = false;
      onCleanup(() => (isStale = true));
      if (prefix === '' && suffix === '') return this.lists.set({});
      const databases = this.open.dialects().map((dialect) => dialect.id);
      this.isLoading.set(true);
      void this.index.list(databases, prefix, suffix).then((lists) => {
        if (isStale) return;
        this.lists.set(lists);
        this.isLoading.set(false);
      });
    });
  }

  protected setSide(side: string): void {
    this.side.set(side === 'beginning' ? 'beginning' : 'ending');
  }

  protected setWord(typed: string): void {
    this.typed.set(typed);
    this.picked.set(undefined);
  }

  protected pick(cut: Cut): void {
    this.picked.set(cut.text);
    this.showsAllForms.set(false);
  }

  protected mark(forms: readonly string[], isWanted: boolean): void {
    this.said.update((said) => new Map([...said, ...forms.map((form) => [form, isWanted] as const)]));
  }

  protected markAll(isWanted: boolean): void {
    this.mark(
      this.pickedForms().map((form) => form.word),
      isWanted,
    );
  }

  /** Puts truncations into the concept: in the place of the word that the bench was opened with. */
  protected use(texts: readonly string[]): void {
    const { concept: id, term } = this.data;
    const concept = this.open.concepts().find((candidate) => candidate.id === id);
    if (!concept || texts.length === 0) return;
    const written = this.isPhrase && term ? texts.map((text) => this.putInPhrase(term, text)) : texts;
    const others = { ...concept, terms: concept.terms.filter((other) => other.id !== term?.id) };
    const terms = this.entry.create(others, written, 'suggestion');
    const isThere = term && concept.terms.some((other) => other.id === term.id);
    this.open.change(
      isThere
        ? { kind: 'replace-term', id: term.id, terms }
        : { kind: 'add-terms', concept: concept.id, terms },
    );
    void this.announcer.announce(
      say('topic.termsInConcept', { terms: written.join(', '), concept: concept.name }),
    );
    this.dialog.close();
  }

  /** A query in the fields in which the concept is searched. */
  private placeInConcept(query: QueryNode): QueryNode {
    const concept = this.open.concepts().find((candidate) => candidate.id === this.data.concept);
    return concept ? joinTerms(concept, [query]) : query;
  }

  /** A form as a query: the same tree each time, so that it is written once. */
  private readForm(word: string): QueryNode {
    const known = this.formTrees.get(word);
    if (known) return known;
    const tree = this.placeInConcept(build.term(createPattern(word)));
    this.formTrees.set(word, tree);
    return tree;
  }

  private putInPhrase(term: Term, text: string): string {
    const words = readWords(term.text).split(' ');
    const at = words.findIndex((word) => foldLetters(word).replace(/[*?]/g, '') === this.word());
    return `"${words.with(at < 0 ? words.length - 1 : at, text).join(' ')}"`;
  }

  private describeSearch(): readonly [string, string] {
    const word = this.word();
    if (word.length < 2) return ['', ''];
    if (this.isInner()) {
      const [before = '', ...after] = foldLetters(this.typed().trim()).split('*');
      return [before, after.at(-1) ?? ''];
    }
    const letters = this.shortestCut();
    return this.side() === 'ending' ? [word.slice(0, letters), ''] : ['', word.slice(-letters)];
  }

  private chooseWord(): string {
    const { term, word } = this.data;
    return (term ? readPlainWords(term.text) : (word ?? '')).split(' ').at(-1) ?? '';
  }
}

/** What a dialect's truncation does on one side of a word. */
function createRule(dialect: Dialect, where: CutSide | 'inside'): TruncationRule {
  const { any } = dialect.wildcards;
  const isAllowed =
    any !== undefined &&
    (where === 'ending' || any.where === 'anywhere' || (where === 'inside' && any.where === 'not-first'));
  return {
    database: dialect.id,
    isMissing: !isAllowed,
    leastLetters: any?.leastLetters ?? 1,
    ...(any?.cap !== undefined && { cap: any.cap }),
  };
}
