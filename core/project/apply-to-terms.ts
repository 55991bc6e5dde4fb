import { succeed, type Outcome } from '../problem';
import { addConcept } from './apply-to-concepts';
import type { Change } from './change';
import { MAX_TERMS, type Concept, type Term, type Working } from './project';
import { refuseChange } from './refuse-change';

const TERM_CHANGES = [
  'add-terms',
  'add-columns',
  'edit-term',
  'type-term',
  'describe-term',
  'replace-term',
  'switch-term',
  'remove-terms',
  'move-term',
] as const satisfies readonly Change['kind'][];

/** The changes that are made to single terms. */
export type TermChange = Extract<Change, { kind: (typeof TERM_CHANGES)[number] }>;

/** True for a change that is made to single terms. */
export function isTermChange(change: Change): change is TermChange {
  return (TERM_CHANGES as readonly string[]).includes(change.kind);
}

/** Terms are added, edited, moved and removed; what changes nothing leaves the same state. */
export function applyToTerms(working: Working, change: TermChange): Outcome<Working> {
  switch (change.kind) {
    case 'add-terms':
      return withTerms(working, (terms, concept) =>
        concept.id === change.concept
          ? terms.toSpliced(change.at ?? terms.length, 0, ...change.terms)
          : terms,
      );
    case 'add-columns':
      return change.columns.reduce<Outcome<Working>>(
        (made, column) => (made.ok ? addColumn(made.value, column) : made),
        succeed(working),
      );
    case 'edit-term':
    case 'type-term':
      return replaceTerm(working, change.id, (term) => ({ ...term, text: change.text }));
    case 'describe-term':
      return replaceTerm(working, change.id, ({ id, off }) => ({ id, off, ...change.term }));
    case 'replace-term':
      return withTerms(working, (terms) => {
        const at = terms.findIndex((term) => term.id === change.id);
        return at < 0 ? terms : terms.toSpliced(at, 1, ...change.terms);
      });
    case 'switch-term':
      return replaceTerm(working, change.id, (term) => ({ ...term, off: change.off }));
    case 'remove-terms':
      return withTerms(working, (terms) =>
        terms.some((term) => change.ids.includes(term.id))
          ? terms.filter((term) => !change.ids.includes(term.id))
          : terms,
      );
    case 'move-term':
      return moveTerm(working, change);
  }
}

function withTerms(
  working: Working,
  update: (terms: readonly Term[], concept: Concept) => readonly Term[],
): Outcome<Working> {
  const concepts = working.concepts.map((concept) => {
    const terms = update(concept.terms, concept);
    return terms === concept.terms ? concept : { ...concept, terms };
  });
  if (concepts.some((concept) => concept.terms.length > MAX_TERMS))
    return refuseChange(`A concept takes ${MAX_TERMS} terms.`);
  const isSame = concepts.every((concept, at) => concept === working.concepts[at]);
  return succeed(isSame ? working : { ...working, concepts });
}

/** A term that comes out as it was is no change at all, so that undo never seems to do nothing. */
function replaceTerm(working: Working, id: string, edit: (term: Term) => Term): Outcome<Working> {
  return withTerms(working, (terms) => {
    const old = terms.find((term) => term.id === id);
    const edited = old && edit(old);
    if (!edited || isSameTerm(old, edited)) return terms;
    return terms.map((term) => (term === old ? edited : term));
  });
}

function isSameTerm(a: Term, b: Term): boolean {
  const keys = new Set([...Object.keys(a), ...Object.keys(b)]) as Set<keyof Term>;
  return [...keys].every((key) => JSON.stringify(a[key]) === JSON.stringify(b[key]));
}

function moveTerm(working: Working, change: Change & { kind: 'move-term' }): Outcome<Working> {
  const moved = working.concepts.flatMap((concept) => concept.terms).find((term) => term.id === change.id);
  if (!moved) return refuseChange('This term is not there any more.');
  return withTerms(working, (terms, concept) => {
    const rest = terms.includes(moved) ? terms.filter((term) => term !== moved) : terms;
    return concept.id === change.concept ? rest.toSpliced(change.to, 0, moved) : rest;
  });
}

function addColumn(
  working: Working,
  { concept, name, terms }: { concept: string; name: string; terms: readonly Term[] },
): Outcome<Working> {
  if (!working.concepts.some((other) => other.id === concept))
    return addConcept(working, { id: concept, name, terms });
  return withTerms(working, (old, other) => (other.id === concept ? [...old, ...terms] : old));
}
