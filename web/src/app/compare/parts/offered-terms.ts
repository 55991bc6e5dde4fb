import { Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import type { OfferedTerm } from '#core/compare/index';
import { createTermKey, type Concept } from '#core/project/index';
import { OpenProject } from '../../state/open-project';
import { ThesaurusStore } from '../../thesaurus/thesaurus-store';
import { SuggestionFinder, type SuggestionQuestion } from '../../topic/suggestions/suggestion-finder';
import type { Suggestion } from '../../topic/suggestions/suggestion';
import { CompareSubject } from '../compare-subject';

/** So many suggestions of each concept are tried. */
const MOST_OFFERED = 20;

/** Terms that the suggestions of Topic bring, to be tried for what they would add. */
@Injectable()
export class OfferedTerms {
  private readonly open = inject(OpenProject);
  private readonly subject = inject(CompareSubject);
  private readonly finder = inject(SuggestionFinder);
  private readonly thesauri = inject(ThesaurusStore);
  private readonly found = signal<ReadonlyMap<Concept, readonly OfferedTerm[]>>(new Map());
  private readonly asked = new WeakSet<Concept>();

  readonly terms = computed<OfferedTerm[]>(() =>
    this.subject.state().concepts.flatMap((concept) => {
      const has = new Set([
        ...concept.terms.map((term) => createTermKey(term)),
        ...(concept.dismissed ?? []),
      ]);
      return [...(this.found().get(concept) ?? []), ...this.listHeadings(concept)]
        .filter(({ term }) => !has.has(createTermKey(term)))
        .slice(0, MOST_OFFERED);
    }),
  );

  constructor() {
    this.thesauri.followChosen();
    effect(() => {
      const { concepts } = this.subject.state();
      for (const concept of concepts) {
        const question = this.createQuestion(concept);
        if (!question || this.asked.has(concept)) continue;
        this.asked.add(concept);
        untracked(() => void this.find(question));
      }
    });
  }

  /** Headings come from thesauri that are at hand: made once for each state of a concept. */
  private readonly headings = new WeakMap<Concept, readonly OfferedTerm[]>();

  private listHeadings(concept: Concept): readonly OfferedTerm[] {
    const known = this.headings.get(concept);
    if (known && known.length > 0) return known;
    const question = this.createQuestion(concept);
    const made = question
      ? this.finder.findHeadings(question).map((suggestion) => this.offer(concept, suggestion))
      : [];
    this.headings.set(concept, made);
    return made;
  }

  private async find(question: SuggestionQuestion): Promise<void> {
    for (const looking of this.finder.list(question)) {
      const suggestions = await looking;
      const offered = suggestions
        .filter(({ section, replaces }) => section !== 'slips' && replaces === undefined)
        .map((suggestion) => this.offer(question.concept, suggestion));
      if (offered.length === 0) continue;
      this.found.update((found) =>
        new Map(found).set(question.concept, [...(found.get(question.concept) ?? []), ...offered]),
      );
    }
  }

  private createQuestion(concept: Concept): SuggestionQuestion | undefined {
    const dialects = this.subject.dialects();
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
