import { succeed, type Outcome } from '../problem';
import type { Change } from './change';
import { findPlace, placeBlock, removeBlock, type ConceptPlace } from './concept-place';
import {
  addBlockToDraft,
  createBlockName,
  listBlockNames,
  mapQueryTexts,
  renameBlockInDraft,
} from './draft-text';
import { MAX_CONCEPTS, MAX_TERMS, type Concept, type Working } from './project';
import { refuseChange } from './refuse-change';
import { createTermKey } from './term-key';

const CONCEPT_CHANGES = [
  'add-concept',
  'rename-concept',
  'remove-concept',
  'move-concept',
  'switch-concept',
  'note-concept',
  'set-concept-fields',
  'place-concept',
  'split-concept',
  'merge-concepts',
  'dismiss-suggestion',
  'recall-suggestions',
] as const satisfies readonly Change['kind'][];

/** The changes that are made to concepts as wholes. */
export type ConceptChange = Extract<Change, { kind: (typeof CONCEPT_CHANGES)[number] }>;

/** True for a change that is made to a concept as a whole. */
export function isConceptChange(change: Change): change is ConceptChange {
  return (CONCEPT_CHANGES as readonly string[]).includes(change.kind);
}

const GONE = 'This concept is not there any more.';

/** A new concept behind the others, used by the draft; nothing if there are as many as a project takes. */
export function addConcept(
  working: Working,
  { id, name, terms }: Pick<Concept, 'id' | 'name' | 'terms'>,
): Outcome<Working> {
  const { concepts, blocks, draft } = working;
  if (concepts.length >= MAX_CONCEPTS) return refuseChange(`A project takes ${MAX_CONCEPTS} concepts.`);
  if (terms.length > MAX_TERMS) return refuseChange(`A concept takes ${MAX_TERMS} terms.`);
  const block = createBlockName(name, listBlockNames({ concepts, blocks }));
  const concept: Concept = { id, name, block, terms, off: false };
  return succeed({ ...working, concepts: [...concepts, concept], draft: addBlockToDraft(draft, block) });
}

/** The blocks follow the concepts: the draft takes up a new one, drops one that is removed, and renames. */
export function applyToConcepts(working: Working, change: ConceptChange): Outcome<Working> {
  const { concepts } = working;
  if (change.kind === 'add-concept') return addConcept(working, { terms: [], ...change });
  const id = 'concept' in change ? change.concept : change.id;
  const concept = concepts.find((candidate) => candidate.id === id);
  if (!concept) return refuseChange(GONE);
  const others = concepts.filter((other) => other !== concept);
  const withConcept = (values: Partial<Concept>): Working => ({
    ...working,
    concepts: concepts.map((other) => (other === concept ? { ...concept, ...values } : other)),
  });
  switch (change.kind) {
    case 'rename-concept': {
      const block = createBlockName(change.name, listBlockNames({ ...working, concepts: others }));
      const renamed = withConcept({ name: change.name, block });
      return succeed(mapQueryTexts(renamed, (text) => renameBlockInDraft(text, concept.block, block)));
    }
    case 'remove-concept':
      return succeed(
        mapQueryTexts({ ...working, concepts: others }, (text) => removeBlock(text, concept.block)),
      );
    case 'move-concept':
      return succeed({ ...working, concepts: others.toSpliced(change.to, 0, concept) });
    case 'switch-concept':
      return succeed(withConcept({ off: change.off }));
    case 'note-concept':
      return succeed(withConcept({ note: change.note }));
    case 'set-concept-fields': {
      const { fields: _, ...rest } = concept;
      const next = change.fields.length > 0 ? { ...rest, fields: change.fields } : rest;
      return succeed({ ...working, concepts: concepts.map((other) => (other === concept ? next : other)) });
    }
    case 'place-concept':
      return placeConcept(working, concept, change.place);
    case 'split-concept':
      return splitConcept(working, concept, change);
    case 'merge-concepts':
      return mergeConcepts(working, concept, change.into);
    case 'dismiss-suggestion':
      return succeed(withConcept({ dismissed: [...new Set([...(concept.dismissed ?? []), change.key])] }));
    case 'recall-suggestions':
      return succeed(withConcept({ dismissed: [] }));
  }
}

function placeConcept(working: Working, { block }: Concept, place: ConceptPlace): Outcome<Working> {
  const { draft, concepts } = working;
  if (place.kind !== 'alternative') return succeed({ ...working, draft: placeBlock(draft, block, place) });
  const sibling = concepts.find((other) => other.id === place.to);
  if (!sibling || sibling.block === block) return refuseChange(GONE);
  return succeed({
    ...working,
    draft: placeBlock(draft, block, { kind: 'alternative', block: sibling.block }),
  });
}

function splitConcept(
  working: Working,
  concept: Concept,
  change: ConceptChange & { kind: 'split-concept' },
): Outcome<Working> {
  const moved = concept.terms.filter((term) => change.terms.includes(term.id));
  if (moved.length === 0) return refuseChange('Choose the terms that go to the new concept.');
  const added = addConcept(working, { id: change.newId, name: change.name, terms: moved });
  if (!added.ok) return added;
  const fresh = added.value.concepts.at(-1);
  if (!fresh) return refuseChange(GONE);
  const { dismissed: _, note: __, ...like } = concept;
  const rest = { ...concept, terms: concept.terms.filter((term) => !moved.includes(term)) };
  const concepts = working.concepts.flatMap((other) =>
    other === concept ? [rest, { ...like, ...fresh }] : [other],
  );
  const isUsed = findPlace(working.draft, concept.block).kind !== 'unused';
  const draft =
    change.isAlternative && isUsed
      ? placeBlock(working.draft, fresh.block, { kind: 'alternative', block: concept.block })
      : added.value.draft;
  return succeed({ ...working, concepts, draft });
}

function mergeConcepts(working: Working, concept: Concept, intoId: string): Outcome<Working> {
  const into = working.concepts.find((other) => other.id === intoId);
  if (!into || into === concept) return refuseChange(GONE);
  const known = new Set(into.terms.map(createTermKey));
  const terms = [...into.terms, ...concept.terms.filter((term) => !known.has(createTermKey(term)))];
  if (terms.length > MAX_TERMS) return refuseChange(`A concept takes ${MAX_TERMS} terms.`);
  const cut = removeBlock(working.draft, concept.block);
  const concepts = working.concepts
    .filter((other) => other !== concept)
    .map((other) => (other === into ? { ...into, terms } : other));
  const isLast = findPlace(cut, into.block).kind === 'unused' && cut.trim() === '';
  const draft = isLast ? `@${into.block}` : renameBlockInDraft(cut, concept.block, into.block);
  return succeed({ ...working, concepts, draft });
}
