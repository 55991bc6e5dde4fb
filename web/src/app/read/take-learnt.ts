import { Injectable, computed, inject, linkedSignal, signal, untracked } from '@angular/core';
import { tryChange } from '#core/compare/index';
import { createSharedDraft } from '#core/compare/draft/index';
import { nameTerm } from '#core/outline/index';
import { getConceptLetter, type Concept, type Term } from '#core/project/index';
import { printQuery, type QueryNode } from '#core/query/index';
import { createTakeChange, type TakeWay } from '#core/reading/index';
import { OpenProject } from '../state/open-project';
import { Messages } from '../ui/messages';
import { say } from '../words/say';

/** Something to take: what finds it, and what it is called. */
export interface Takeable {
  readonly root: QueryNode;
  readonly text: string;
}

/** The ways to take that do not name a term. */
const BESIDE = 'beside';
const NEW_CONCEPT = 'new-concept';

/** Takes what was learnt into the draft, in the way and for the concept that are chosen, and shows it beforehand. */
@Injectable()
export class TakeLearnt {
  private readonly open = inject(OpenProject);
  private readonly messages = inject(Messages);

  /** The draft as it is. */
  readonly before = computed(() => createSharedDraft(this.open.working()));
  private readonly wantedConcept = signal<string | undefined>(undefined);
  /** The concept that things are added to. */
  readonly concept = computed<Concept | undefined>(
    () => this.open.concepts().find(({ id }) => id === this.wantedConcept()) ?? this.open.concepts()[0],
  );
  /** The place of the concept. */
  readonly place = computed(() => this.open.concepts().findIndex(({ id }) => id === this.concept()?.id));
  readonly concepts = computed(() =>
    this.open.concepts().map(({ id, name }, turn) => ({ id, name: getConceptLetter(turn), label: name })),
  );
  /** How it is taken: an id among `ways`. */
  readonly way = linkedSignal({ source: this.concept, computation: () => BESIDE });
  readonly ways = computed(() => {
    const concept = this.concept();
    if (!concept) return [{ id: NEW_CONCEPT, name: say('read.asANewConcept') }];
    return [
      {
        id: BESIDE,
        name: say('read.addToLetter', { letter: getConceptLetter(this.place()), name: concept.name }),
      },
      ...concept.terms.map(({ id, text }) => ({
        id,
        name: say('read.inPlaceOf', { term: nameTerm(text, this.open.dialects()) }),
      })),
      { id: NEW_CONCEPT, name: say('read.asANewConcept') },
    ];
  });
  /** What is taken narrows the draft, as a new concept does. */
  readonly isNarrowing = computed(() => this.way() === NEW_CONCEPT || !this.concept());
  /** What is taken stands in place of a term. */
  readonly isReplacing = computed(() => !this.isNarrowing() && this.way() !== BESIDE);
  /** Made anew when the draft or the concept is another one; a judgement changes nothing in them. */
  private readonly proposals = computed(() => {
    this.open.working();
    this.concept();
    return { project: untracked(this.open.project), byRoot: new Map<QueryNode, QueryNode>() };
  });

  chooseConcept(id: string): void {
    this.wantedConcept.set(id);
  }

  /** The draft with something added to the concept; each is made once. */
  propose(root: QueryNode): QueryNode | undefined {
    const { byRoot } = this.proposals();
    const known = byRoot.get(root);
    const concept = this.concept();
    if (known || !concept) return known;
    const proposed = this.try({ kind: 'beside', concept: concept.id }, [root]);
    if (proposed) byRoot.set(root, proposed);
    return proposed;
  }

  /** The draft with some things taken in the way that is chosen; nothing if the project refuses it. */
  proposeAll(things: readonly Takeable[]): QueryNode | undefined {
    return this.try(
      this.findWay(things, 'proposed'),
      things.map(({ root }) => root),
    );
  }

  /** Adds something to the concept. */
  add(thing: Takeable): void {
    const concept = this.concept();
    if (concept) this.apply({ kind: 'beside', concept: concept.id }, [thing]);
  }

  /** Takes all in the way that is chosen, as one step. */
  take(things: readonly Takeable[]): void {
    this.apply(this.findWay(things, this.open.createId()), things);
    this.way.set(BESIDE);
  }

  private apply(way: TakeWay, things: readonly Takeable[]): void {
    const terms = things.map(({ root }) => createTerm(this.open.createId(), root));
    const replaced = this.concept()?.terms.find(({ id }) => way.kind === 'instead' && id === way.term);
    const name = this.concept()?.name ?? '';
    this.open.change(createTakeChange(way, terms));
    const [first] = things;
    const taken = things.length === 1 ? (first?.text ?? '') : say('shared.terms', { count: things.length });
    const done =
      way.kind === 'concept'
        ? say('read.isANewConcept', { name: way.name })
        : replaced
          ? say('read.inPlaceOfTaken', { taken, term: nameTerm(replaced.text, this.open.dialects()) })
          : say('read.addedToTaken', { taken, name });
    this.messages.show(done, () => this.open.undo());
  }

  private findWay(things: readonly Takeable[], newId: string): TakeWay {
    const concept = this.concept();
    const way = this.way();
    if (!concept || way === NEW_CONCEPT) return { kind: 'concept', id: newId, name: things[0]?.text ?? '' };
    return way === BESIDE ? { kind: 'beside', concept: concept.id } : { kind: 'instead', term: way };
  }

  private try(way: TakeWay, roots: readonly QueryNode[]): QueryNode | undefined {
    const terms = roots.map((root, at) => createTerm(`proposed-${at}`, root));
    const changed = tryChange(this.proposals().project, createTakeChange(way, terms));
    return changed && createSharedDraft(changed.working);
  }
}

function createTerm(id: string, root: QueryNode): Term {
  return { id, text: printQuery(root), off: false, source: 'record' };
}
