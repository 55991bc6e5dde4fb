import type { Dialect } from '#core/dialect/index';
import {
  describeTermKind,
  findUse,
  type BlockUse,
  type Concept,
  type QueryState,
  type Term,
  type TermKind,
} from '#core/project/index';
import { shortenName } from '#core/text/index';
import { say } from '../words/say';

/** What is said of a concept whatever its counts: found out when the project changes, not when counts come in. */
export interface ConceptDescription {
  readonly place: BlockUse;
  /** The place as a few words. */
  readonly placeWords: string;
  /** In which of the chosen databases with headings the concept has none. */
  readonly headingWords: string;
  readonly kinds: ReadonlyMap<Term, TermKind>;
}

const PLACE_WORDS: Readonly<Record<Exclude<BlockUse['kind'], 'alternative' | 'through'>, string>> = {
  get required() {
    return say('topic.required');
  },
  get excluded() {
    return say('topic.excluded');
  },
  get unused() {
    return say('topic.notInTheQuery');
  },
  get elsewhere() {
    return say('shared.inTheQuery');
  },
  get off() {
    return say('topic.switchedOffInTheQuery');
  },
};

/** Describes a concept of a project; `hasHeading` says whether it has one in a database. */
export function describeConcept(
  concept: Concept,
  { concepts, blocks, draft }: Pick<QueryState, 'concepts' | 'blocks' | 'draft'>,
  dialects: readonly Dialect[],
  hasHeading: (concept: Concept, database: string) => boolean,
): ConceptDescription {
  const place = findUse({ draft, blocks }, concept.block);
  return {
    place,
    placeWords: describePlace(place, concepts),
    headingWords: describeHeadings(concept, dialects, hasHeading),
    kinds: new Map(concept.terms.map((term) => [term, describeTermKind(term)])),
  };
}

function describePlace(place: BlockUse, concepts: readonly Concept[]): string {
  if (place.kind === 'through') return say('topic.inTheQueryThrough', { number: place.block });
  if (place.kind !== 'alternative') return PLACE_WORDS[place.kind];
  const names = place.to.map((block) => concepts.find((concept) => concept.block === block)?.name ?? block);
  return say('topic.orNames', { names: names.join(', ') });
}

function describeHeadings(
  concept: Concept,
  dialects: readonly Dialect[],
  hasHeading: (concept: Concept, database: string) => boolean,
): string {
  if (concept.terms.length === 0) return '';
  const others = dialects.filter((dialect) => dialect.headings && !hasHeading(concept, dialect.id));
  return others.length === 0
    ? ''
    : say('topic.noHeadingUsedYet', { databases: others.map((dialect) => shortenName(dialect)).join(', ') });
}
