import { findDialect } from '../dialect';
import { succeed, type Outcome } from '../problem';
import { applyToBlocks, isBlockChange } from './apply-to-blocks';
import { applyToConcepts, isConceptChange } from './apply-to-concepts';
import { applyToTerms, isTermChange } from './apply-to-terms';
import { isUndoable, type Change, type LastingChange, type UndoableChange } from './change';
import { MAX_NOTES, MAX_RUNS, MAX_SOURCES } from './documented';
import { MAX_KEPT, type KeptWork } from './kept-work';
import {
  LONGEST_PAIR,
  MAX_LEADS,
  MAX_MUST_FINDS,
  MAX_OWN_DATABASES,
  MAX_SAME_WORK,
  type OwnDatabase,
  type Project,
  type Variant,
  type Working,
} from './project';
import { refuseChange } from './refuse-change';

/** The project after a change, or why the change cannot be made; the project given is never altered. */
export function applyChange(project: Project, change: Change): Outcome<Project> {
  if (!isUndoable(change)) return applyLasting(project, change);
  const working = applyToWorking(project, change);
  return working.ok ? succeed({ ...project, working: working.value }) : working;
}

/** The changes that undo does not take back. */
function applyLasting(project: Project, change: LastingChange): Outcome<Project> {
  switch (change.kind) {
    case 'rename-project':
      return succeed({ ...project, name: change.name });
    case 'freeze-variant':
      if (project.variants.some((variant) => variant.id === change.variant.id))
        return refuseChange('This variant is there already.');
      return succeed({
        ...project,
        working: { ...project.working, base: change.variant.id },
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
      const removed = project.variants.find((variant) => variant.id === change.id);
      const variants = project.variants
        .filter((variant) => variant !== removed)
        .map((variant) => (variant.parent === change.id ? withParent(variant, removed?.parent) : variant));
      return succeed({
        ...rest,
        variants,
        ...(compared !== undefined && compared !== change.id && { compared }),
      });
    }
    case 'restore-variant': {
      const { variant, at, children } = change;
      if (project.variants.some((other) => other.id === variant.id))
        return refuseChange('This variant is there already.');
      const variants = project.variants
        .map((other) => (children.includes(other.id) ? withParent(other, variant.id) : other))
        .toSpliced(at, 0, variant);
      return succeed({ ...project, variants });
    }
    case 'compare-with': {
      const { compared: _, ...rest } = project;
      return succeed(change.id === undefined ? rest : { ...rest, compared: change.id });
    }
    case 'keep-tallies': {
      const { state, tallies } = change;
      const isNew = state !== undefined && !project.states.some(({ id }) => id === state.id);
      return succeed({
        ...project,
        tallies: [...project.tallies, ...tallies],
        states: isNew ? [...project.states, state] : project.states,
      });
    }
    case 'remove-tally':
      return succeed({ ...project, tallies: project.tallies.filter(({ id }) => id !== change.id) });
    case 'add-must-finds': {
      const mustFinds = [...project.mustFinds, ...change.mustFinds];
      if (mustFinds.length > MAX_MUST_FINDS)
        return refuseChange(`A project takes ${MAX_MUST_FINDS} must-finds.`);
      return succeed({ ...project, mustFinds });
    }
    case 'remove-must-finds':
      return succeed({
        ...project,
        mustFinds: project.mustFinds.filter(({ id }) => !change.ids.includes(id)),
      });
    case 'put-must-finds-aside':
      return succeed({
        ...project,
        mustFinds: project.mustFinds.map(({ isAside: _, ...mustFind }) =>
          change.ids.includes(mustFind.id) ? { ...mustFind, isAside: true } : mustFind,
        ),
      });
    case 'note-aside-look':
      return succeed({ ...project, asideLooks: [...project.asideLooks, change.look] });
    case 'judge-record': {
      const { [change.record]: _, ...rest } = project.judgements;
      return succeed({
        ...project,
        judgements: change.judgement ? { ...rest, [change.record]: change.judgement } : rest,
      });
    }
    case 'keep-lead': {
      const leads = putById(project.leads, change.lead);
      return leads.length > MAX_LEADS
        ? refuseChange(`A project takes ${MAX_LEADS} leads.`)
        : succeed({ ...project, leads });
    }
    case 'remove-lead':
      return succeed({ ...project, leads: project.leads.filter(({ id }) => id !== change.id) });
    case 'note-request': {
      const { [change.record]: _, ...rest } = project.requests;
      return succeed({
        ...project,
        requests: change.request ? { ...rest, [change.record]: change.request } : rest,
      });
    }
    case 'keep-works':
      return keepWorks(project, change.works, change.at);
    case 'remove-kept':
      return succeed({ ...project, kept: project.kept.filter(({ id }) => !change.ids.includes(id)) });
    case 'answer-same-work': {
      const { [change.pair]: _, ...rest } = project.sameWork;
      if (change.isSame === undefined) return succeed({ ...project, sameWork: rest });
      if (Object.keys(rest).length >= MAX_SAME_WORK)
        return refuseChange(`A project takes ${MAX_SAME_WORK} answers about works.`);
      if (change.pair.length > LONGEST_PAIR) return refuseChange('Titles as long as these cannot be kept.');
      return succeed({ ...project, sameWork: { ...rest, [change.pair]: change.isSame } });
    }
    case 'mark-review': {
      const { [change.key]: _, ...rest } = project.review;
      return succeed({ ...project, review: change.mark ? { ...rest, [change.key]: change.mark } : rest });
    }
    case 'keep-note': {
      const notes = putById(project.notes, change.note);
      return notes.length > MAX_NOTES
        ? refuseChange(`A project takes ${MAX_NOTES} notes.`)
        : succeed({ ...project, notes });
    }
    case 'remove-note':
      return succeed({ ...project, notes: project.notes.filter(({ id }) => id !== change.id) });
    case 'keep-source': {
      const sources = putById(project.sources, change.source);
      return sources.length > MAX_SOURCES
        ? refuseChange(`A project takes ${MAX_SOURCES} sources without a string.`)
        : succeed({ ...project, sources });
    }
    case 'remove-source':
      return succeed({ ...project, sources: project.sources.filter(({ id }) => id !== change.id) });
    case 'keep-run': {
      const runs = putById(project.runs, change.run);
      return runs.length > MAX_RUNS
        ? refuseChange(`A project takes ${MAX_RUNS} runs.`)
        : succeed({ ...project, runs, tallies: [...project.tallies, ...change.tallies] });
    }
    case 'remove-run':
      return succeed({ ...project, runs: project.runs.filter(({ id }) => id !== change.id) });
    case 'write-document':
      return succeed({ ...project, documentWords: change.words });
  }
}

/** A list with one thing put into the place of the one with its id, or behind the others. */
function putById<T extends { readonly id: string }>(list: readonly T[], one: T): readonly T[] {
  const at = list.findIndex(({ id }) => id === one.id);
  return at >= 0 ? list.with(at, one) : [...list, one];
}

function keepWorks(project: Project, works: readonly KeptWork[], at = project.kept.length): Outcome<Project> {
  const changed = new Map(works.map((work) => [work.id, work]));
  const has = new Set(project.kept.map(({ id }) => id));
  const kept = project.kept
    .map((work) => changed.get(work.id) ?? work)
    .toSpliced(at, 0, ...works.filter(({ id }) => !has.has(id)));
  return kept.length > MAX_KEPT
    ? refuseChange(`A shelf takes ${MAX_KEPT} works.`)
    : succeed({ ...project, kept });
}

function keepOwnDatabase(working: Working, database: OwnDatabase): Outcome<Working> {
  const { id } = database.dialect;
  if (findDialect(id)) return refuseChange('A database that ships has this code.');
  const place = working.ownDatabases.findIndex(({ dialect }) => dialect.id === id);
  if (place >= 0) return succeed({ ...working, ownDatabases: working.ownDatabases.with(place, database) });
  if (working.ownDatabases.length >= MAX_OWN_DATABASES)
    return refuseChange(`A project takes ${MAX_OWN_DATABASES} databases of your own.`);
  return succeed({ ...working, ownDatabases: [...working.ownDatabases, database] });
}

function withParent(variant: Variant, parent: string | undefined): Variant {
  const { parent: _, ...rest } = variant;
  return parent === undefined ? rest : { ...rest, parent };
}

function applyToWorking(project: Project, change: UndoableChange): Outcome<Working> {
  const { working, variants } = project;
  if (isConceptChange(change)) return applyToConcepts(working, change);
  if (isBlockChange(change)) return applyToBlocks(working, change);
  if (isTermChange(change)) return applyToTerms(working, change);
  switch (change.kind) {
    case 'set-question':
      return succeed({ ...working, question: change.question });
    case 'set-frame': {
      const { frame: _, ...rest } = working;
      return succeed(change.frame ? { ...rest, frame: change.frame } : rest);
    }
    case 'set-purpose':
      return succeed({ ...working, purpose: change.purpose });
    case 'set-rules':
      return succeed({ ...working, rules: change.rules });
    case 'apply-rules': {
      const { limiters, wanted } = working.rules;
      const bands = Object.fromEntries(working.databases.map((database) => [database, wanted]));
      return succeed({ ...working, limiters, bands: { ...working.bands, ...bands } });
    }
    case 'set-context-words':
      return succeed({ ...working, contextWords: change.contextWords });
    case 'set-draft':
    case 'rewrite-draft':
      return succeed({ ...working, draft: change.text });
    case 'set-limiters':
      return succeed({ ...working, limiters: change.limiters });
    case 'choose-databases':
      return succeed({ ...working, databases: change.databases });
    case 'keep-own-database':
      return keepOwnDatabase(working, change.database);
    case 'remove-own-database':
      return succeed({
        ...working,
        ownDatabases: working.ownDatabases.filter(({ dialect }) => dialect.id !== change.id),
        databases: working.databases.filter((database) => database !== change.id),
      });
    case 'note-database': {
      const { [change.database]: _, ...rest } = working.reasons;
      const reasons = change.reason === '' ? rest : { ...rest, [change.database]: change.reason };
      return succeed({ ...working, reasons });
    }
    case 'choose-phrase-way': {
      const { [change.database]: _, ...rest } = working.phraseWays ?? {};
      return succeed({
        ...working,
        phraseWays: change.way ? { ...rest, [change.database]: change.way } : rest,
      });
    }
    case 'set-band':
      return succeed({ ...working, bands: { ...working.bands, [change.database]: change.band } });
    case 'open-variant': {
      const variant = variants.find((candidate) => candidate.id === change.id);
      return variant
        ? succeed({ ...working, ...variant.frozen, base: variant.id })
        : refuseChange('This variant is not there any more.');
    }
    case 'compound': {
      let next = working;
      for (const one of change.changes) {
        if (!isUndoable(one)) return refuseChange('This change cannot be a part of another one.');
        const made = applyToWorking({ ...project, working: next }, one);
        if (!made.ok) return made;
        next = made.value;
      }
      return succeed(next);
    }
    case 'return-to':
      return succeed(change.working);
  }
}
