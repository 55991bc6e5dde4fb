import { DestroyRef, Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import type { OfferedTerm } from '#core/compare/index';
import type { Dialect } from '#core/dialect/index';
import { createTermKey, type Concept } from '#core/project/index';
import type { Vocabulary } from '#core/vocabulary/index';
import { nextTurn } from '../counting/turns';
import { OpenProject } from '../state/open-project';
import { ThesaurusStore } from '../state/thesaurus-store';
import { SuggestionFinder, type SuggestionRequest } from '../terms/suggestions/suggestion-finder';
import type { Suggestion } from '../terms/suggestions/suggestion';
import { CompareSubject } from './compare-subject';
import { mapSliced } from './sliced';

/** So many suggestions of each concept are tried. */
const MAX_OFFERED = 20;

/** Terms that the suggestions of Topic bring, to be tried for what they would add. */
@Injectable()
export class OfferedTerms {
  private readonly open = inject(OpenProject);
  private readonly subject = inject(CompareSubject);
  private readonly finder = inject(SuggestionFinder);
  private readonly thesauri = inject(ThesaurusStore);
  private readonly found = signal<ReadonlyMap<Concept, readonly OfferedTerm[]>>(new Map());
  private readonly asked = new WeakSet<Concept>();
  private isGone = false;

  /** Headings come from thesauri that are at hand; looking through them takes a while. */
  private readonly headings = mapSliced(
    () =>
      this.subject.state().concepts.flatMap((concept) =>
        this.subject.dialects().flatMap((dialect) => {
          const vocabulary = this.thesauri.find(dialect.id);
          return vocabulary ? [{ concept, dialect, vocabulary }] : [];
        }),
      ),
    ({ concept, dialect, vocabulary }) => ({
      concept,
      offered: this.listHeadings(concept, dialect, vocabulary),
    }),
  );

  readonly terms = computed<OfferedTerm[]>(() =>
    this.subject.state().concepts.flatMap((concept) => {
      const has = new Set([
        ...concept.terms.map((term) => createTermKey(term)),
        ...(concept.dismissed ?? []),
      ]);
      const headings = this.headings().made.filter((made) => made.concept === concept);
      return [...(this.found().get(concept) ?? []), ...headings.flatMap(({ offered }) => offered)]
        .filter(({ term }) => !has.has(createTermKey(term)))
        .slice(0, MAX_OFFERED);
    }),
  );

  constructor() {
    this.thesauri.followChosen();
    inject(DestroyRef).onDestroy(() => (this.isGone = true));
    effect(() => {
      const questions = this.subject
        .state()
        .concepts.filter((concept) => !this.asked.has(concept))
        .flatMap((concept) => this.createQuestion(concept, this.subject.dialects()) ?? []);
      untracked(() => void this.findAll(questions));
    });
  }

  /** Made once for each state of a concept, so that what is offered stays the same. */
  private readonly known = new WeakMap<Concept, Map<Vocabulary, readonly OfferedTerm[]>>();

  private listHeadings(concept: Concept, dialect: Dialect, vocabulary: Vocabulary): readonly OfferedTerm[] {
    const known = this.known.get(concept) ?? new Map<Vocabulary, readonly OfferedTerm[]>();
    this.known.set(concept, known);
    const question = this.createQuestion(concept, [dialect]);
    const made =
      known.get(vocabulary) ??
      (question ? this.finder.findHeadings(question) : []).map((suggestion) =>
        this.offer(concept, suggestion),
      );
    known.set(vocabulary, made);
    return made;
  }

  /** Each kind of each concept in a turn of its own: the page answers input in between. */
  private async findAll(questions: readonly SuggestionRequest[]): Promise<void> {
    for (const question of questions) this.asked.add(question.concept);
    for (const question of questions) {
      const looking: Promise<readonly Suggestion[]>[] = [];
      for (const find of this.finder.list(question)) {
        await nextTurn();
        if (this.isGone) return;
        looking.push(find());
      }
      // What has come is offered together: each change has all that is tried looked through again.
      void Promise.all(looking).then((found) => this.keep(question.concept, found.flat()));
    }
  }

  private keep(concept: Concept, suggestions: readonly Suggestion[]): void {
    const offered = suggestions
      .filter(({ replaces }) => replaces === undefined)
      .map((suggestion) => this.offer(concept, suggestion));
    if (offered.length > 0) this.found.update((found) => new Map(found).set(concept, offered));
  }

  private createQuestion(concept: Concept, dialects: readonly Dialect[]): SuggestionRequest | undefined {
    const [dialect] = dialects;
    if (!dialect || concept.off) return undefined;
    return { concept, terms: concept.terms.filter(({ off }) => !off), dialects, dialect };
  }

  private offer(concept: Concept, { text, source, language, from }: Suggestion): OfferedTerm {
    const term = {
      id: this.open.createId(),
      text,
      off: false,
      source,
      ...(language !== undefined && { language }),
    };
    return { concept: concept.id, term, from };
  }
}
