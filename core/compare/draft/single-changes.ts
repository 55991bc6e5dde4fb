import { DIALECTS } from '../../dialect';
import { nameTerm } from '../../outline';
import { createTermKey, type Concept, type SearchState, type Term } from '../../project';
import { isSameLimiters, listLimiters } from '../../limiter';

/** One difference between two states, made alone to the first: what it does by itself can be counted. */
export interface SingleChange {
  readonly sign: 'added' | 'removed' | 'changed';
  readonly words: string;
  /** Of the terms and places, or of the query as a whole. */
  readonly kind: 'concept' | 'term' | 'structure' | 'limiters';
  readonly state: SearchState;
}

/**
 * The differences from one state to another, each made alone to the first. What they do together may be
 * another number: changes work on each other. Concepts are told apart by their block.
 */
export function listSingleChanges(from: SearchState, to: SearchState): SingleChange[] {
  const changes: SingleChange[] = [];
  const add = (change: SingleChange): void => void changes.push(change);
  listConceptChanges(from, to).forEach(add);
  for (const after of to.concepts) {
    const before = from.concepts.find((concept) => concept.block === after.block);
    if (before) listTermChanges(from, before, after).forEach(add);
  }
  listStructureChanges(from, to).forEach(add);
  if (!isSameLimiters(from.limiters, to.limiters)) {
    const words = listLimiters(to.limiters)
      .map(({ value }) => value)
      .join(', ');
    add({
      sign: 'changed',
      words: `limited to ${words || 'nothing'}`,
      kind: 'limiters',
      state: { ...from, limiters: to.limiters },
    });
  }
  return changes;
}

/** Concepts and blocks that came or went. Alone they do nothing until the query uses them. */
function listConceptChanges(from: SearchState, to: SearchState): SingleChange[] {
  const isIn = (state: SearchState, block: string): boolean =>
    state.concepts.some((concept) => concept.block === block);
  return [
    ...to.concepts
      .filter(({ block }) => !isIn(from, block))
      .map((concept): SingleChange => ({
        sign: 'added',
        words: `concept ${concept.name}`,
        kind: 'concept',
        state: { ...from, concepts: [...from.concepts, concept] },
      })),
    ...from.concepts
      .filter(({ block }) => !isIn(to, block))
      .map((concept): SingleChange => ({
        sign: 'removed',
        words: `concept ${concept.name}`,
        kind: 'concept',
        state: { ...from, concepts: from.concepts.filter((other) => other !== concept) },
      })),
    ...to.blocks
      .filter(({ name }) => !from.blocks.some((block) => block.name === name))
      .map((block): SingleChange => ({
        sign: 'added',
        words: nameBlock(block),
        kind: 'concept',
        state: { ...from, blocks: [...from.blocks, block] },
      })),
    ...from.blocks
      .filter(({ name }) => !to.blocks.some((block) => block.name === name))
      .map((block): SingleChange => ({
        sign: 'removed',
        words: nameBlock(block),
        kind: 'concept',
        state: { ...from, blocks: from.blocks.filter((other) => other !== block) },
      })),
  ];
}

function nameBlock({ name, text }: SearchState['blocks'][number]): string {
  return `@${name}: ${tidy(text)}`;
}

const nameDatabase = (id: string): string => DIALECTS.find((one) => one.id === id)?.name ?? id;

/** A term as it is told: with the databases that it is meant for, if not all. */
function describeTerm({ text, databases }: Term): string {
  const name = nameTerm(text, DIALECTS);
  return databases ? `${name} (only in ${databases.map(nameDatabase).join(', ')})` : name;
}

function listTermChanges(from: SearchState, before: Concept, after: Concept): SingleChange[] {
  const withConcept = (concept: Concept): SearchState => ({
    ...from,
    concepts: from.concepts.map((other) => (other === before ? concept : other)),
  });
  const active = (concept: Concept): Map<string, Term> =>
    new Map(concept.terms.filter((term) => !term.off).map((term) => [createTermKey(term), term]));
  const [had, has] = [active(before), active(after)];
  const added = [...has].filter(([key]) => !had.has(key));
  const removed = [...had].filter(([key]) => !has.has(key));
  const changes: SingleChange[] = [
    ...added.map(([, term]): SingleChange => ({
      sign: 'added',
      words: `${describeTerm(term)} to ${after.name}`,
      kind: 'term',
      state: withConcept({ ...before, terms: [...before.terms, term] }),
    })),
    ...removed.map(([, term]): SingleChange => ({
      sign: 'removed',
      words: `${describeTerm(term)} of ${before.name}`,
      kind: 'term',
      state: withConcept({ ...before, terms: before.terms.filter((other) => other !== term) }),
    })),
  ];
  if (before.off !== after.off) {
    const words = `${after.name} switched ${after.off ? 'off' : 'on'}`;
    changes.push({
      sign: 'changed',
      words,
      kind: 'structure',
      state: withConcept({ ...before, off: after.off }),
    });
  }
  if (before.fields?.join() !== after.fields?.join()) {
    const { fields: _, ...rest } = before;
    const next = after.fields ? { ...rest, fields: after.fields } : rest;
    const words = `${after.name} searched in ${after.fields?.join(', ') ?? 'the usual fields'}`;
    changes.push({ sign: 'changed', words, kind: 'structure', state: withConcept(next) });
  }
  return changes;
}

/** The text of the query with the blocks that it uses: new ones come along with it. */
function listStructureChanges(from: SearchState, to: SearchState): SingleChange[] {
  const missing = to.concepts.filter((after) => !from.concepts.some(({ block }) => block === after.block));
  const changes: SingleChange[] = to.blocks.flatMap((after): SingleChange[] => {
    const before = from.blocks.find(({ name }) => name === after.name);
    if (!before || before.text === after.text) return [];
    const blocks = from.blocks.map((other) => (other === before ? after : other));
    return [
      {
        sign: 'changed',
        words: nameBlock(after),
        kind: 'structure',
        state: { ...from, blocks },
      },
    ];
  });
  if (tidy(from.draft) === tidy(to.draft)) return changes;
  const blocks = [
    ...from.blocks,
    ...to.blocks.filter((after) => !from.blocks.some(({ name }) => name === after.name)),
  ];
  const state = { ...from, concepts: [...from.concepts, ...missing], blocks, draft: to.draft };
  return [...changes, { sign: 'changed', words: `query: ${tidy(to.draft)}`, kind: 'structure', state }];
}

function tidy(text: string): string {
  return text.trim().replace(/\s+/g, ' ');
}
