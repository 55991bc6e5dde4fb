import { createProblem, fail, succeed, type Outcome } from '../problem';
import { UNDOABLE, type Change } from './change';
import { addBlockToDraft, createBlockName, removeBlockFromDraft, renameBlockInDraft } from './draft-text';
import { MOST_CONCEPTS, MOST_TERMS, type Concept, type Project, type Term, type Working } from './project';

/** The project after a change, or why the change cannot be made; the project given is never altered. */
export function applyChange(project: Project, change: Change): Outcome<Project> {
  if (!UNDOABLE.has(change.kind)) return applyLasting(project, change);
  const working = applyToWorking(project, change);
  return working.ok ? succeed({ ...project, working: working.value }) : working;
}

const refuse = <T>(detail: string): Outcome<T> =>
  fail<T>(createProblem('change-refused', 'error', { detail }));

/** The changes that undo does not take back. */
function applyLasting(project: Project, change: Change): Outcome<Project> {
  switch (change.kind) {
    case 'rename-project':
      return succeed({ ...project, name: change.name });
    case 'freeze-variant':
      if (project.variants.some((variant) => variant.id === change.variant.id))
        return refuse('This variant is there already.');
      return succeed({
        ...project,
        variants: [...project.variants, change.variant],
        tallies: [...project.tallies, ...change.tallies],
      });
    case 'rename-variant':
      return succeed({
        ...project,
        variants: project.variants.map((variant) =>
          variant.id === change.id ? { ...variant, name: change.name, note: change.note } : variant,
        ),
      });
    case 'remove-variant': {
      const { compared, ...rest } = project;
      const variants = project.variants.filter((variant) => variant.id !== change.id);
      return succeed({
        ...rest,
        variants,
        ...(compared !== undefined && compared !== change.id && { compared }),
      });
    }
    case 'compare-with': {
      const { compared: _, ...rest } = project;
      return succeed(change.id === undefined ? rest : { ...rest, compared: change.id });
    }
    case 'add-tally':
      return succeed({ ...project, tallies: [...project.tallies, change.tally] });
    default:
      return refuse('This change is not known.');
  }
}

function applyToWorking({ working, variants }: Project, change: Change): Outcome<Working> {
  switch (change.kind) {
    case 'set-question':
      return succeed({ ...working, question: change.question });
    case 'set-draft':
      return succeed({ ...working, draft: change.text });
    case 'set-limiters':
      return succeed({ ...working, limiters: change.limiters });
    case 'choose-databases':
      return succeed({ ...working, databases: change.databases });
    case 'set-band':
      return succeed({ ...working, bands: { ...working.bands, [change.database]: change.band } });
    case 'open-variant': {
      const variant = variants.find((candidate) => candidate.id === change.id);
      return variant
        ? succeed({ ...working, ...variant.frozen })
        : refuse('This variant is not there any more.');
    }
    case 'add-concept':
    case 'rename-concept':
    case 'remove-concept':
    case 'move-concept':
    case 'switch-concept':
      return applyToConcepts(working, change);
    default:
      return applyToTerms(working, change);
  }
}

type ConceptChange = Extract<
  Change,
  { kind: 'add-concept' | 'rename-concept' | 'remove-concept' | 'move-concept' | 'switch-concept' }
>;

/** The blocks follow the concepts: the draft takes up a new one, drops one that is removed, and renames. */
function applyToConcepts(working: Working, change: ConceptChange): Outcome<Working> {
  const { concepts, draft } = working;
  if (change.kind === 'add-concept') {
    if (concepts.length >= MOST_CONCEPTS) return refuse(`A project takes ${MOST_CONCEPTS} concepts.`);
    const block = createBlockName(
      change.name,
      concepts.map((concept) => concept.block),
    );
    const concept: Concept = {
      id: change.id,
      name: change.name,
      block,
      terms: change.terms ?? [],
      off: false,
    };
    return succeed({ ...working, concepts: [...concepts, concept], draft: addBlockToDraft(draft, block) });
  }
  const place = concepts.findIndex((concept) => concept.id === change.id);
  const concept = concepts[place];
  if (!concept) return refuse('This concept is not there any more.');
  const replaceWith = (changed: Concept): Concept[] =>
    concepts.map((other) => (other === concept ? changed : other));
  const others = concepts.filter((other) => other !== concept);
  switch (change.kind) {
    case 'rename-concept': {
      const block = createBlockName(
        change.name,
        others.map((other) => other.block),
      );
      return succeed({
        ...working,
        concepts: replaceWith({ ...concept, name: change.name, block }),
        draft: renameBlockInDraft(draft, concept.block, block),
      });
    }
    case 'remove-concept':
      return succeed({ ...working, concepts: others, draft: removeBlockFromDraft(draft, concept.block) });
    case 'move-concept':
      return succeed({ ...working, concepts: others.toSpliced(change.to, 0, concept) });
    case 'switch-concept':
      return succeed({ ...working, concepts: replaceWith({ ...concept, off: change.off }) });
  }
}

function applyToTerms(working: Working, change: Change): Outcome<Working> {
  const withTerms = (
    update: (terms: readonly Term[], concept: Concept) => readonly Term[],
  ): Outcome<Working> => {
    const concepts = working.concepts.map((concept) => {
      const terms = update(concept.terms, concept);
      return terms === concept.terms ? concept : { ...concept, terms };
    });
    if (concepts.some((concept) => concept.terms.length > MOST_TERMS))
      return refuse(`A concept takes ${MOST_TERMS} terms.`);
    const isSame = concepts.every((concept, at) => concept === working.concepts[at]);
    return succeed(isSame ? working : { ...working, concepts });
  };
  const edit = (id: string, values: Partial<Term>): Outcome<Working> =>
    withTerms((terms) => {
      const old = terms.find((term) => term.id === id);
      const edited = old && { ...old, ...values };
      if (!edited || (edited.text === old.text && edited.off === old.off)) return terms;
      return terms.map((term) => (term === old ? edited : term));
    });
  switch (change.kind) {
    case 'add-terms':
      return withTerms((terms, concept) =>
        concept.id === change.concept
          ? terms.toSpliced(change.at ?? terms.length, 0, ...change.terms)
          : terms,
      );
    case 'edit-term':
      return edit(change.id, { text: change.text });
    case 'switch-term':
      return edit(change.id, { off: change.off });
    case 'remove-terms':
      return withTerms((terms) =>
        terms.some((term) => change.ids.includes(term.id))
          ? terms.filter((term) => !change.ids.includes(term.id))
          : terms,
      );
    case 'move-term': {
      const moved = working.concepts
        .flatMap((concept) => concept.terms)
        .find((term) => term.id === change.id);
      if (!moved) return refuse('This term is not there any more.');
      return withTerms((terms, concept) => {
        const rest = terms.includes(moved) ? terms.filter((term) => term !== moved) : terms;
        return concept.id === change.concept ? rest.toSpliced(change.to, 0, moved) : rest;
      });
    }
    default:
      return refuse('This change is not known.');
  }
}
