import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { describeDifference } from '../compare/draft';
import { parseQuery, printQuery } from '../query';
import { applyChange } from './apply-change';
import { createConceptQuery, createDraftQuery } from './blocks';
import { CHANGE_NAMES, type Change } from './change';
import { findPlace, placeBlock, removeBlock } from './concept-place';
import { addBlockToDraft, renameBlockInDraft } from './draft-text';
import { createHistory, makeChange, redo, undo, type History } from './history';
import { MAX_CONCEPTS, createProject, type Project, type Term } from './project';
import {
  FORMAT_VERSION,
  readProjectFile,
  restoreProject,
  storeProject,
  writeProjectFile,
} from './project-file';

const NOW = '2026-10-01T08:00:00.000Z';
const empty = createProject('p', 'Project', NOW, ['heronsmere']);
const term = (id: string, text: string, off = false): Term => ({ id, text, off });

const apply = (project: Project, ...changes: Change[]): Project =>
  changes.reduce((now, change) => {
    const result = applyChange(now, change);
    if (!result.ok) throw new Error(String(result.problem.data['detail']));
    return result.value;
  }, project);

const two = apply(
  empty,
  { kind: 'add-concept', id: 'a', name: 'Bats', terms: [term('t1', 'bat'), term('t2', 'bats')] },
  { kind: 'add-concept', id: 'b', name: 'Night light', terms: [term('t3', '"street light*"')] },
);

/** Changes at random, some of which cannot be made. */
const id = fc.constantFrom('a', 'b', 'c');
const termId = fc.constantFrom('t1', 't2', 't3', 't4');
const change: fc.Arbitrary<Change> = fc.oneof(
  fc.record({ kind: fc.constant('set-question' as const), question: fc.string() }),
  fc.record({
    kind: fc.constant('set-draft' as const),
    text: fc.constantFrom('@bats', '@bats AND @night-light', 'x OR (', ''),
  }),
  fc.record({ kind: fc.constant('add-concept' as const), id, name: fc.constantFrom('Bats', 'Lamps', '') }),
  fc.record({ kind: fc.constant('rename-concept' as const), id, name: fc.constantFrom('Birds', 'Bats') }),
  fc.record({ kind: fc.constant('remove-concept' as const), id }),
  fc.record({ kind: fc.constant('move-concept' as const), id, to: fc.nat(3) }),
  fc.record({ kind: fc.constant('switch-concept' as const), id, off: fc.boolean() }),
  fc.record({ kind: fc.constant('edit-term' as const), id: termId, text: fc.string() }),
  fc.record({ kind: fc.constant('switch-term' as const), id: termId, off: fc.boolean() }),
  fc.record({ kind: fc.constant('remove-terms' as const), ids: fc.array(termId) }),
  fc.record({ kind: fc.constant('move-term' as const), id: termId, concept: id, to: fc.nat(4) }),
  fc.record({
    kind: fc.constant('set-limiters' as const),
    limiters: fc.constantFrom({}, { peerReviewed: true }, { years: { from: 2001 } }),
  }),
  fc.record({
    kind: fc.constant('set-band' as const),
    database: fc.constantFrom('heronsmere', 'gantry'),
    band: fc.constantFrom({}, { from: 5 }),
  }),
  fc.record({ kind: fc.constant('note-concept' as const), id, note: fc.string() }),
  fc.record({
    kind: fc.constant('set-concept-fields' as const),
    id,
    fields: fc.constantFrom([], ['title' as const], ['title' as const, 'abstract' as const]),
  }),
  fc.record({
    kind: fc.constant('place-concept' as const),
    id,
    place: fc.oneof(
      fc.record({ kind: fc.constantFrom('required' as const, 'excluded' as const) }),
      fc.record({ kind: fc.constant('alternative' as const), to: id }),
    ),
  }),
  fc.record({
    kind: fc.constant('split-concept' as const),
    id,
    newId: fc.constant('c'),
    name: fc.constantFrom('Part', 'Bats'),
    terms: fc.array(termId),
    isAlternative: fc.boolean(),
  }),
  fc.record({ kind: fc.constant('merge-concepts' as const), id, into: id }),
  fc.record({ kind: fc.constant('dismiss-suggestion' as const), concept: id, key: fc.string() }),
  fc.record({ kind: fc.constant('recall-suggestions' as const), concept: id }),
  fc.record({
    kind: fc.constant('describe-term' as const),
    id: termId,
    term: fc.constantFrom(
      { text: 'ALAN', kind: 'acronym' as const },
      { text: 'Fledermaus', language: 'de', source: 'thesaurus' as const },
      { text: 'bat', databases: ['gantry'], note: 'n' },
    ),
  }),
  fc.record({
    kind: fc.constant('replace-term' as const),
    id: termId,
    terms: fc.constantFrom([], [term('t8', 'lamp'), term('t9', 'lamps')]),
  }),
  fc.record({
    kind: fc.constant('add-columns' as const),
    columns: fc.array(fc.record({ concept: id, name: fc.constantFrom('X', 'Y'), terms: fc.constant([]) }), {
      maxLength: 2,
    }),
  }),
  fc.record({
    kind: fc.constant('set-purpose' as const),
    purpose: fc.constantFrom('quick' as const, 'exhaustive' as const),
  }),
  fc.record({
    kind: fc.constant('set-rules' as const),
    rules: fc.constantFrom({ note: 'n', limiters: { peerReviewed: true }, wanted: { from: 10, to: 90 } }),
  }),
  fc.constant({ kind: 'apply-rules' as const }),
  fc.record({
    kind: fc.constant('set-frame' as const),
    frame: fc.constantFrom(undefined, { id: 'own', parts: [{ name: 'Who', answer: 'bats' }] }),
  }),
  fc.record({
    kind: fc.constant('set-context-words' as const),
    contextWords: fc.constantFrom({ added: ['use'], dropped: [] }),
  }),
  fc.record({ kind: fc.constant('choose-databases' as const), databases: fc.constantFrom([], ['gantry']) }),
);

describe('changes', () => {
  it('make blocks of concepts and keep the draft with them', () => {
    expect(two.working.draft).toBe('@bats AND @night-light');
    expect(apply(two, { kind: 'rename-concept', id: 'b', name: 'Lamps' }).working.draft).toBe(
      '@bats AND @lamps',
    );
    expect(apply(two, { kind: 'remove-concept', id: 'a' }).working.draft).toBe('@night-light');
    expect(apply(two, { kind: 'add-concept', id: 'c', name: 'bats' }).working.concepts[2]?.block).toBe(
      'bats-2',
    );
  });

  it('bracket a draft whose meaning a further block would turn round', () => {
    expect(addBlockToDraft('@a OR @b', 'c')).toBe('(@a OR @b) AND @c');
    expect(addBlockToDraft('@a // why', 'c')).toBe('@a // why\nAND @c');
    expect(addBlockToDraft('', 'c')).toBe('@c');
    expect(removeBlock('@a AND (@b OR @c)', 'c')).toBe('@a AND @b');
    expect(removeBlock('@a AND @b', 'a')).toBe('@b');
    expect(renameBlockInDraft('@a OR (@a NOT @ab)', 'a', 'x')).toBe('@x OR (@x NOT @ab)');
  });

  it('move terms within and between concepts', () => {
    const order = (project: Project) =>
      project.working.concepts.map((concept) => concept.terms.map((entry) => entry.id));
    expect(order(apply(two, { kind: 'move-term', id: 't1', concept: 'a', to: 1 }))).toEqual([
      ['t2', 't1'],
      ['t3'],
    ]);
    expect(order(apply(two, { kind: 'move-term', id: 't1', concept: 'b', to: 0 }))).toEqual([
      ['t2'],
      ['t1', 't3'],
    ]);
  });

  it('refuse what cannot be, and leave the project as it was', () => {
    const full = Array.from({ length: MAX_CONCEPTS }, (_, at): Change => ({
      kind: 'add-concept',
      id: `c${at}`,
      name: `Concept ${at}`,
    }));
    const result = applyChange(apply(empty, ...full), { kind: 'add-concept', id: 'x', name: 'One more' });
    expect(result.ok).toBe(false);
    expect(applyChange(two, { kind: 'remove-concept', id: 'nobody' }).ok).toBe(false);
    const terms = Array.from({ length: 201 }, (_, at) => term(`n${at}`, `word${at}`));
    expect(applyChange(two, { kind: 'add-terms', concept: 'a', terms }).ok).toBe(false);
  });

  it('freeze a variant that later changes do not touch, and open it again', () => {
    const { concepts, blocks, draft, limiters, databases } = two.working;
    const variant = {
      id: 'v',
      name: 'first',
      note: '',
      moment: NOW,
      frozen: { concepts, blocks, draft, limiters, databases },
    };
    const frozen = apply(
      two,
      { kind: 'freeze-variant', variant, tallies: [] },
      { kind: 'remove-concept', id: 'a' },
      { kind: 'set-question', question: 'Q' },
    );
    expect(frozen.variants[0]?.frozen.concepts).toHaveLength(2);
    const opened = apply(frozen, { kind: 'open-variant', id: 'v' });
    expect(opened.working.draft).toBe('@bats AND @night-light');
    expect(opened.working.question).toBe('Q');
    expect(
      apply(frozen, { kind: 'compare-with', id: 'v' }, { kind: 'remove-variant', id: 'v' }).compared,
    ).toBeUndefined();
  });
});

describe('the place of a concept', () => {
  it('is read from the draft', () => {
    expect(findPlace('@a AND @b', 'b')).toEqual({ kind: 'required' });
    expect(findPlace('@a AND (@b OR @c)', 'c')).toEqual({ kind: 'alternative', to: ['b'] });
    expect(findPlace('@a NOT @b', 'b')).toEqual({ kind: 'excluded' });
    expect(findPlace('@a NOT (@b OR @c)', 'b')).toEqual({ kind: 'excluded' });
    expect(findPlace('@a', 'b')).toEqual({ kind: 'unused' });
    expect(findPlace('title: @a', 'a')).toEqual({ kind: 'elsewhere' });
  });

  it.each([
    ['@a AND @b AND @c', 'c', { kind: 'excluded' }, '@a AND @b NOT @c'],
    ['@a OR @b', 'c', { kind: 'excluded' }, '(@a OR @b) NOT @c'],
    ['@a AND @b AND @c', 'c', { kind: 'alternative', block: 'a' }, '(@a OR @c) AND @b'],
    ['(@a OR @b) AND @c', 'c', { kind: 'alternative', block: 'b' }, '(@a OR @b OR @c)'],
    ['(@a OR @c) AND @b', 'c', { kind: 'required' }, '@a AND @b AND @c'],
    ['@a NOT @c', 'c', { kind: 'required' }, '@a AND @c'],
    ['@a NOT @c', 'a', { kind: 'required' }, '@a NOT @c AND @a'],
  ] as const)('%s: @%s becomes %j', (draft, block, place, expected) => {
    if (draft === '@a NOT @c' && block === 'a') expect(removeBlock(draft, block)).toBe(draft);
    else expect(placeBlock(draft, block, place)).toBe(expected);
  });

  it('stands as it was put, whatever the draft was', () => {
    const leaf = fc.constantFrom('@a', '@b', '@c', 'x', '"y z"');
    const drafts = fc
      .array(fc.tuple(fc.constantFrom(' AND ', ' OR ', ' NOT '), leaf, fc.boolean()), { maxLength: 4 })
      .map((parts) =>
        parts.reduce(
          (text, [operator, item, wrap]) =>
            wrap ? `(${text}${operator}${item})` : `${text}${operator}${item}`,
          '@b',
        ),
      );
    fc.assert(
      fc.property(drafts, fc.constantFrom('required' as const, 'excluded' as const), (draft, kind) => {
        fc.pre(findPlace(removeBlock(draft, 'a'), 'a').kind === 'unused');
        fc.pre(parseQuery(removeBlock(draft, 'a')).problems.length === 0);
        expect(findPlace(placeBlock(draft, 'a', { kind }), 'a')).toEqual({ kind });
        expect(parseQuery(placeBlock(draft, 'a', { kind })).problems).toEqual([]);
      }),
    );
  });
});

describe('splitting, merging and describing', () => {
  it('a concept splits into two that are both required, or alternatives', () => {
    const split = { kind: 'split-concept', id: 'a', newId: 'c', name: 'Plural', terms: ['t2'] } as const;
    const both = apply(two, { ...split, isAlternative: false });
    expect(both.working.concepts.map((concept) => concept.name)).toEqual(['Bats', 'Plural', 'Night light']);
    expect(both.working.draft).toBe('@bats AND @night-light AND @plural');
    const either = apply(two, { ...split, isAlternative: true });
    expect(either.working.draft).toBe('(@bats OR @plural) AND @night-light');
    expect(either.working.concepts[1]?.terms.map((entry) => entry.id)).toEqual(['t2']);
  });

  it('two concepts merge without repeating terms, and the draft follows', () => {
    const doubled = apply(two, { kind: 'add-terms', concept: 'b', terms: [term('t9', 'BAT')] });
    const merged = apply(doubled, { kind: 'merge-concepts', id: 'b', into: 'a' });
    expect(merged.working.draft).toBe('@bats');
    expect(merged.working.concepts[0]?.terms.map((entry) => entry.id)).toEqual(['t1', 't2', 't3']);
    expect(applyChange(two, { kind: 'merge-concepts', id: 'a', into: 'a' }).ok).toBe(false);
  });

  it('rules become limiters and bands in one step', () => {
    const rules = { note: 'n', limiters: { peerReviewed: true }, wanted: { from: 10, to: 90 } };
    const done = apply(two, { kind: 'set-rules', rules }, { kind: 'apply-rules' });
    expect(done.working.limiters).toEqual({ peerReviewed: true });
    expect(done.working.bands).toEqual({ heronsmere: { from: 10, to: 90 } });
  });

  it('a table goes into several concepts, old and new, as one change', () => {
    const columns = [
      { concept: 'a', name: 'Bats', terms: [term('x', 'noctule')] },
      { concept: 'n', name: 'Roads', terms: [term('y', 'road*')] },
    ];
    const done = apply(two, { kind: 'add-columns', columns });
    expect(done.working.concepts.map((concept) => concept.terms.length)).toEqual([3, 1, 1]);
    expect(done.working.draft).toBe('@bats AND @night-light AND @roads');
  });
});

describe('history', () => {
  const play = (changes: readonly Change[]): History =>
    changes.reduce((history, one, at) => {
      const made = makeChange(history, one, at * 10_000);
      return made.ok ? made.value : history;
    }, createHistory(two));

  it('goes back to the first state and forth to the last, through any changes', () => {
    fc.assert(
      fc.property(fc.array(change, { maxLength: 30 }), (changes) => {
        const done = play(changes);
        let back = done;
        while (back.past.length > 0) back = undo(back);
        expect(back.project.working).toEqual(two.working);
        let forth = back;
        while (forth.future.length > 0) forth = redo(forth);
        expect(forth.project).toEqual(done.project);
        expect(forth.past.length).toBe(done.past.length);
      }),
    );
  });

  it('takes no step for a change that changes nothing', () => {
    const done = play([
      { kind: 'edit-term', id: 't1', text: 'noctule' },
      { kind: 'edit-term', id: 't1', text: 'noctule' },
      { kind: 'switch-term', id: 't2', off: false },
      { kind: 'remove-terms', ids: ['nobody'] },
    ]);
    expect(done.past).toHaveLength(1);
    expect(undo(done).project.working).toEqual(two.working);
  });

  it('never takes back what only adds', () => {
    const tally = {
      id: 'x',
      database: 'heronsmere',
      string: 's',
      limiters: {},
      moment: NOW,
      total: 3,
      estimated: false,
      source: 'measured' as const,
    };
    const done = play([
      { kind: 'set-question', question: 'Q' },
      { kind: 'keep-tallies', tallies: [tally] },
    ]);
    expect(undo(done).project.tallies).toEqual([tally]);
    expect(undo(done).project.working.question).toBe('');
  });

  it('calls a change of several parts after one of them, and what is typed then is a step of its own', () => {
    const parts = [
      { kind: 'add-block', block: { id: 'b', name: 'roads', text: 'road*' } },
      { kind: 'set-draft', text: '@roads' },
    ] as const;
    const name = (made: Change): string => {
      const done = makeChange(createHistory(two), made, 0);
      return done.ok ? CHANGE_NAMES[done.value.past.at(-1)!.kind] : done.problem.code;
    };
    expect(name({ kind: 'compound', changes: parts })).toBe('Edit the query');
    expect(name({ kind: 'compound', as: 'add-block', changes: parts })).toBe('Make a block');
    let history = createHistory(two);
    for (const [one, moment] of [
      [{ kind: 'compound', changes: parts }, 0],
      [{ kind: 'set-draft', text: '@roads AND bats' }, 100],
    ] as const) {
      const made = makeChange(history, one, moment);
      if (made.ok) history = made.value;
    }
    expect(history.past).toHaveLength(2);
    expect(undo(history).project.working.draft).toBe('@roads');
  });

  it('takes typing in quick succession as one step, and a pause as the next', () => {
    let history = createHistory(two);
    for (const [text, moment] of [
      ['a', 0],
      ['ab', 200],
      ['abc', 400],
      ['abcd', 9_000],
    ] as const) {
      const made = makeChange(history, { kind: 'set-draft', text }, moment);
      if (made.ok) history = made.value;
    }
    expect(undo(history).project.working.draft).toBe('abc');
    expect(undo(undo(history)).project.working.draft).toBe(two.working.draft);
  });
});

describe('typing a term', () => {
  const make = (history: History, ...changes: readonly Change[]): History =>
    changes.reduce((now, one, at) => {
      // However long the pauses are.
      const made = makeChange(now, one, 60_000 * (at + 1));
      return made.ok ? made.value : now;
    }, history);
  const type = (text: string, id = 't1'): Change => ({ kind: 'type-term', id, text });
  const textOf = ({ project }: History, id = 't1') =>
    project.working.concepts.flatMap(({ terms }) => terms).find((term) => term.id === id)?.text;

  it('is one step with the edit that ends it, named as an edit', () => {
    const before = createHistory(two);
    const text = textOf(before);
    const typed = make(before, type('no'), type('noct'), { kind: 'edit-term', id: 't1', text: 'noctule' });
    expect(textOf(typed)).toBe('noctule');
    expect(typed.past.map(({ kind }) => kind)).toEqual(['edit-term']);
    expect(textOf(undo(typed))).toBe(text);
    expect(textOf(redo(undo(typed)))).toBe('noctule');
  });

  it('that comes back to what it was leaves no step', () => {
    const before = createHistory(two);
    const back = make(before, type('no'), { kind: 'edit-term', id: 't1', text: textOf(before)! });
    expect(back.past).toEqual([]);
    expect(back.project.working).toBe(two.working);
    expect(make(back, type('noct')).past).toHaveLength(1);
  });

  it('ends with the edit, even one that changes nothing, with another term, and with anything else', () => {
    const typed = make(createHistory(two), type('no'));
    const done = { kind: 'edit-term', id: 't1', text: 'no' } as const;
    expect(make(typed, done, type('noct')).past).toHaveLength(2);
    expect(make(typed, type('road', 't2'), type('noct')).past).toHaveLength(3);
    expect(make(typed, { kind: 'set-question', question: 'Why?' }, type('noct')).past).toHaveLength(3);
    expect(make(undo(typed), type('noct')).past).toHaveLength(1);
  });
});

describe('files', () => {
  it('come back as they went', () => {
    fc.assert(
      fc.property(fc.array(change, { maxLength: 20 }), (changes) => {
        const project = changes.reduce((now, one) => {
          const result = applyChange(now, one);
          return result.ok ? result.value : now;
        }, two);
        const read = readProjectFile(writeProjectFile(project));
        expect(read.ok && read.value).toEqual(JSON.parse(JSON.stringify(project)));
      }),
    );
  });

  it('of version 7 get codes of languages as they are counted, wherever limiters are kept', () => {
    const write = (languages: readonly string[]): Project => {
      const limiters = { languages, years: { from: 2000 } };
      const { concepts, blocks, draft, databases } = two.working;
      const frozen = { concepts, blocks, draft, databases, limiters };
      const moment = '2026-03-01T00:00:00.000Z';
      return {
        ...two,
        working: { ...two.working, limiters, rules: { ...two.working.rules, limiters } },
        variants: [{ id: 'v', name: 'V', note: '', moment, frozen }],
        tallies: [
          {
            id: 't',
            database: 'gantry',
            string: 'bats',
            limiters,
            moment,
            total: 1,
            estimated: false,
            source: 'typed',
          },
        ],
        states: [{ id: 's', state: frozen }],
      };
    };
    const old = { ...storeProject(write(['EN', 'de', ' fr', '7'])), version: 7 };
    // What is no code limits to a language that no record is in, as it found nothing before.
    expect(restoreProject(JSON.parse(JSON.stringify(old)))).toEqual({
      ok: true,
      value: write(['en', 'de', 'fr', 'und']),
    });
    expect(restoreProject({ ...old, version: FORMAT_VERSION }).ok).toBe(false);
  });

  it.each([
    ['text', 'not-json'],
    ['[]', 'not-a-project'],
    ['{"format":"other","version":1}', 'not-a-project'],
    [JSON.stringify({ ...storeProject(two), version: FORMAT_VERSION + 1 }), 'newer-version'],
    [
      JSON.stringify({ ...storeProject(two), project: { ...two, working: { ...two.working, draft: 7 } } }),
      'broken-project',
    ],
    [JSON.stringify({ ...storeProject(two), project: { ...two, surprise: true } }), 'broken-project'],
  ])('that are not good are refused: %.40s', (content, code) => {
    const read = readProjectFile(content);
    expect(read.ok ? undefined : read.problem.code).toBe(code);
  });

  it('of version 1 get what was added since, and lose nothing', () => {
    const { purpose: _, rules: __, contextWords: ___, ...old } = two.working;
    const read = restoreProject({ ...storeProject(two), version: 1, project: { ...two, working: old } });
    expect(read.ok && read.value).toEqual(two);
  });

  it('never throw, whatever they hold', () => {
    fc.assert(fc.property(fc.anything(), (value) => void restoreProject(value)));
    fc.assert(fc.property(fc.json(), (value) => void readProjectFile(value)));
  });
});

describe('queries of a project', () => {
  it('know unknown blocks and the draft with its blocks put in', () => {
    const draft = createDraftQuery({ ...two.working, draft: '@bats AND @lamps' }, ['heronsmere']);
    expect(draft.problems.map((problem) => problem.code)).toEqual(['unknown-block']);
    expect(draft.root).toMatchObject({
      kind: 'and',
      items: [{ kind: 'or', block: 'bats' }, { kind: 'empty' }],
    });
  });

  it('search a concept in its own fields, headings and terms with fields of their own apart', () => {
    const concept = {
      ...two.working.concepts[0]!,
      fields: ['title', 'abstract'] as const,
      terms: [
        term('1', 'bat'),
        term('2', 'heading: "Chiroptera"'),
        term('3', 'author: Lund'),
        { ...term('4', 'noctule'), databases: ['gantry'] },
        term('5', 'bats', true),
      ],
    };
    expect(printQuery(createConceptQuery(concept))).toBe(
      'title,abstract: (bat OR IN(gantry: noctule) OR OFF(bats)) OR heading: "Chiroptera" OR author: Lund',
    );
  });

  it('say what changed from one state to another, in terms', () => {
    const later = apply(
      two,
      { kind: 'remove-terms', ids: ['t1'] },
      { kind: 'add-terms', concept: 'b', terms: [term('n', 'lamp*')] },
      { kind: 'set-limiters', limiters: { peerReviewed: true } },
    );
    expect(describeDifference(two.working, later.working)).toEqual({
      added: ['lamp* to Night light'],
      removed: ['bat of Bats'],
      other: ['limited to peer-reviewed'],
    });
    expect(parseQuery(later.working.draft).problems).toEqual([]);
  });
});
