import '@angular/compiler';
import { Injector, computed, signal } from '@angular/core';
import { describe, expect, it } from 'vitest';
import {
  applyChange,
  createDraftQuery,
  createProject,
  type Change,
  type Concept,
  type Project,
} from '#core/project/index';
import { TextClipboard } from '../data/text-clipboard';
import { OpenProject } from '../state/open-project';
import { Messages } from '../ui/messages';
import { QueryDesk } from './query-desk';
import { QueryDialogs } from './query-dialogs';
import { RowActions } from './row-actions';
import type { RowCommand } from './row-commands';

const bats: Concept = {
  id: 'c',
  name: 'bats',
  block: 'bats',
  off: false,
  terms: [
    { id: 't1', text: 'bat', off: false },
    { id: 't2', text: 'bats', off: false },
  ],
};

/** The desk and its actions over a project of their own; keys are those of the rows. */
function createDesk(draft: string) {
  const base = createProject('p', 'P', '2026-01-01T00:00:00.000Z', ['heronsmere', 'gantry']);
  const project = signal<Project>({ ...base, working: { ...base.working, concepts: [bats], draft } });
  const working = computed(() => project().working);
  let ids = 0;
  const clipboard = { isAllowed: true, text: '' };
  const said: string[] = [];
  const open = {
    project,
    working,
    concepts: computed(() => working().concepts),
    draft: computed(() => createDraftQuery(working(), working().databases)),
    createId: () => `new${++ids}`,
    change: (change: Change) => {
      const outcome = applyChange(project(), change);
      if (outcome.ok) project.set(outcome.value);
    },
  };
  const injector = Injector.create({
    providers: [
      QueryDesk,
      RowActions,
      { provide: OpenProject, useValue: open },
      {
        provide: TextClipboard,
        useValue: {
          copy: (text: string) => {
            if (clipboard.isAllowed) clipboard.text = text;
            return clipboard.isAllowed;
          },
          read: () => Promise.resolve(clipboard.isAllowed ? clipboard.text : undefined),
        },
      },
      {
        provide: Messages,
        useValue: { show: (text: string) => said.push(text), showCopied: () => said.push('not copied') },
      },
      { provide: QueryDialogs, useValue: { build: () => Promise.resolve('lamp OR light') } },
    ],
  });
  const desk = injector.get(QueryDesk);
  const actions = injector.get(RowActions);
  return {
    desk,
    actions,
    open,
    clipboard,
    said,
    text: () => working().draft.replace(/\s+/g, ' '),
    terms: () => working().concepts[0]?.terms.map(({ text, off }) => (off ? `-${text}` : text)),
    run: async (key: string, command: RowCommand) => {
      desk.focus(key);
      await actions.run(command);
    },
    enter: (text: string) => {
      const entry = actions.entry();
      return entry ? actions.commit(entry, text) : false;
    },
  };
}

describe('rows of the draft', () => {
  it('are added below, beside, and in groups of their own', async () => {
    const { run, enter, text } = createDesk('a AND (b OR c)');
    await run('1.0', 'add');
    expect(enter('street light')).toBe(true);
    expect(text()).toBe('a AND (b OR "street light" OR c)');
    await run('1', 'beside');
    enter('d');
    expect(text()).toBe('a AND (b OR "street light" OR c) AND d');
    await run('0', 'near');
    enter('road');
    expect(text()).toBe('(a WITHIN 3 road) AND (b OR "street light" OR c) AND d');
    await run('0', 'wider');
    await run('0', 'order');
    expect(text()).toBe('(a BEFORE 4 road) AND (b OR "street light" OR c) AND d');
  });

  it('keep a line that cannot be read, with the reason', async () => {
    const { run, enter, text, desk, actions } = createDesk('a AND b');
    await run('0', 'edit');
    expect(enter('(c OR')).toBe(false);
    expect(desk.refusal()?.code).toBe('unclosed-bracket');
    expect(actions.entry()).toBeDefined();
    expect(enter('c OR d')).toBe(true);
    expect(text()).toBe('(c OR d) AND b');
    expect(actions.entry()).toBeUndefined();
  });

  it('are pasted as query text, a line each, or as one query', () => {
    const { actions, desk, text } = createDesk('a AND b');
    desk.focus('1');
    actions.paste('street light\nlamp*');
    expect(text()).toBe('a AND b AND "street light" AND lamp*');
    desk.focus('0');
    actions.paste('x OR y\n  AND z');
    expect(desk.refusal()).toBeUndefined();
    expect(text()).toContain('a AND (x OR (y AND z)) AND b');
  });

  it('are copied with their comments', () => {
    const { actions, desk, text } = createDesk('a AND // why\nb');
    desk.focus('1');
    const copied = actions.copyText();
    desk.focus('0');
    actions.paste(copied);
    expect(text()).toBe('a // why AND b // why AND b');
  });

  it('are not edited while the text cannot be read', async () => {
    const { open, desk, run, text } = createDesk('a AND b');
    desk.rows();
    open.change({ kind: 'set-draft', text: 'a AND (b' });
    expect(desk.rows().map(({ text: row }) => row)).toEqual(['', 'a', 'b']);
    await run('1', 'remove');
    expect(desk.refusal()?.code).toBe('outline-older');
    desk.goBack();
    expect(text()).toBe('a AND b');
  });

  it('that are dragged stand below the row that they were dropped on', () => {
    const { desk, actions, text } = createDesk('a AND (b OR c) AND d');
    const row = (key: string) => desk.rowsByKey().get(key)!;
    actions.dropBelow(row('2'), row('1.0'));
    expect(text()).toBe('a AND (b OR d OR c)');
    actions.dropBelow(row('1'), undefined);
    expect(text()).toBe('(b OR d OR c) AND a');
  });

  it('built from parts go below the row', async () => {
    const { run, text } = createDesk('a');
    await run('', 'build');
    expect(text()).toBe('a AND (lamp OR light)');
  });
});

describe('the clipboard', () => {
  it('moves rows from one place to another', async () => {
    const { run, text, clipboard } = createDesk('a AND (b OR c) AND d');
    await run('1.0', 'cut');
    expect(clipboard.text).toBe('b');
    expect(text()).toBe('a AND c AND d');
    await run('0', 'paste');
    expect(text()).toBe('a AND b AND c AND d');
  });

  it('takes no row away that could not be copied, and says so', async () => {
    const { run, text, clipboard, said } = createDesk('a AND b');
    clipboard.isAllowed = false;
    await run('0', 'cut');
    expect(text()).toBe('a AND b');
    expect(said).toEqual(['not copied']);
    await run('0', 'paste');
    expect(text()).toBe('a AND b');
    expect(said).toHaveLength(2);
  });
});

describe('rows of a concept', () => {
  it('change its terms', async () => {
    const { run, enter, terms, desk } = createDesk('@bats AND lamp');
    await run('0/0', 'switch');
    expect(terms()).toEqual(['-bat', 'bats']);
    await run('0/1', 'up');
    expect(terms()).toEqual(['bats', '-bat']);
    await run('0/0', 'add');
    enter('pipistrel*');
    expect(terms()).toEqual(['bats', 'pipistrel*', '-bat']);
    await run('0/2', 'remove');
    expect(terms()).toEqual(['bats', 'pipistrel*']);
    await run('0/0', 'any');
    expect(desk.refusal()?.code).toBe('outline-term');
  });
});

describe('the selection', () => {
  it('reaches from one row to another, and goes with the next focus', () => {
    const { desk } = createDesk('a AND b AND c');
    desk.focus('0');
    desk.extend('2');
    expect(desk.selected().map(({ key }) => key)).toEqual(['0', '1', '2']);
    desk.toggle('1');
    expect(desk.selected().map(({ key }) => key)).toEqual(['0', '2']);
    desk.focus('1');
    expect(desk.selected().map(({ key }) => key)).toEqual(['1']);
  });
});
