import { describe, expect, it } from 'vitest';
import { printQuery } from '../query';
import {
  applyChange,
  createDraftQuery,
  createProject,
  restoreProject,
  storeProject,
  type Change,
  type Project,
} from '.';

const apply = (project: Project, ...changes: readonly Change[]): Project =>
  changes.reduce((now, change) => {
    const outcome = applyChange(now, change);
    if (!outcome.ok) throw new Error(String(outcome.problem.data['detail']));
    return outcome.value;
  }, project);
const block = (id: string, name: string, text: string) => ({ id, name, text });
const start = apply(
  createProject('p', 'P', '2026-10-01T08:00:00.000Z', ['gantry']),
  { kind: 'add-concept', id: 'c', name: 'Bats' },
  { kind: 'set-draft', text: '@bats AND (lamp OR light)' },
);
const named = apply(start, {
  kind: 'add-block',
  block: block('b', 'light', 'lamp OR light'),
  where: { text: '@bats AND @light' },
});

describe('a named block', () => {
  it('takes the place of the piece that it was made of', () => {
    expect(named.working.draft).toBe('@bats AND @light');
    expect(printQuery(createDraftQuery(named.working, []).root)).toBe('() AND (lamp OR light)');
  });

  it('can be made of a piece of another block', () => {
    const inner = apply(named, {
      kind: 'add-block',
      block: block('i', 'lamps', 'lamp'),
      where: { block: 'light', text: '@lamps OR light' },
    });
    expect(inner.working.blocks.map(({ text }) => text)).toEqual(['@lamps OR light', 'lamp']);
    expect(printQuery(createDraftQuery(inner.working, []).root)).toBe('() AND (lamp OR light)');
  });

  it('is renamed wherever it is used, as concepts are', () => {
    const more = apply(named, { kind: 'add-block', block: block('d', 'both', '@bats AND @light // @light') });
    const renamed = apply(
      more,
      { kind: 'rename-block', id: 'b', name: 'Night light' },
      { kind: 'rename-concept', id: 'c', name: 'Flying mammals' },
    );
    expect(renamed.working.draft).toBe('@flying-mammals AND @night-light');
    expect(renamed.working.blocks[1]?.text).toBe('@flying-mammals AND @night-light // @light');
  });

  it('leaves its text where it was used when it goes', () => {
    expect(apply(named, { kind: 'remove-block', id: 'b' }).working.draft).toBe('@bats AND ( lamp OR light )');
    const commented = apply(
      named,
      { kind: 'edit-block', id: 'b', text: 'lamp // all of them' },
      { kind: 'remove-block', id: 'b' },
    );
    expect(commented.working.draft).toBe('@bats AND ( lamp // all of them\n)');
  });

  it('has a name of its own', () => {
    const again: Change = { kind: 'add-block', block: block('x', 'bats', 'bat') };
    expect(applyChange(named, again).ok).toBe(false);
    const renamed = apply(named, { kind: 'rename-block', id: 'b', name: 'bats' });
    expect(renamed.working.blocks[0]?.name).toBe('bats-2');
    expect(apply(named, { kind: 'add-concept', id: 'l', name: 'light' }).working.concepts[1]?.block).toBe(
      'light-2',
    );
  });

  it('that uses itself says so and ends', () => {
    const circle = apply(named, { kind: 'edit-block', id: 'b', text: 'lamp OR @light' });
    const draft = createDraftQuery(circle.working, []);
    expect(draft.problems.map((problem) => problem.code)).toContain('block-circle');
  });

  it('moves among the others without losing a reference', () => {
    const two = apply(
      named,
      { kind: 'add-block', block: block('d', 'both', '@bats AND @light') },
      { kind: 'move-block', id: 'd', to: 0 },
    );
    expect(two.working.blocks.map(({ name }) => name)).toEqual(['both', 'light']);
    expect(two.working.draft).toBe(named.working.draft);
  });
});

describe('variants', () => {
  const freeze = (id: string, project: Project): Change => {
    const { concepts, blocks, draft, limiters, databases, base } = project.working;
    const frozen = { concepts, blocks, draft, limiters, databases };
    const variant = { id, name: id, note: '', moment: '2026-10-01T08:00:00.000Z', frozen };
    return {
      kind: 'freeze-variant',
      variant: base === undefined ? variant : { ...variant, parent: base },
      tallies: [],
    };
  };
  const first = apply(named, freeze('v1', named));
  const second = apply(first, freeze('v2', first));
  const back = apply(second, { kind: 'open-variant', id: 'v1' });
  const branch = apply(back, freeze('v3', back));

  it('descend from what the draft was made from', () => {
    expect(branch.variants.map(({ parent }) => parent)).toEqual([undefined, 'v1', 'v1']);
  });

  it('keep their descent when one between is removed and brought back', () => {
    const [removed] = branch.variants;
    const without = apply(branch, { kind: 'remove-variant', id: 'v1' });
    expect(without.variants.map(({ parent }) => parent)).toEqual([undefined, undefined]);
    const restored = apply(without, {
      kind: 'restore-variant',
      variant: removed!,
      at: 0,
      children: ['v2', 'v3'],
    });
    expect(restored.variants).toEqual(branch.variants);
  });

  it('are never changed by going back to them', () => {
    expect(branch.variants.slice(0, 2)).toEqual(second.variants);
  });
});

it('what is said of the report is kept apart from undo', () => {
  const marked = apply(named, { kind: 'mark-review', key: 'k', mark: { isDone: true, comment: 'yes' } });
  expect(marked.review).toEqual({ k: { isDone: true, comment: 'yes' } });
  expect(apply(marked, { kind: 'mark-review', key: 'k', mark: undefined }).review).toEqual({});
});

it('a project of version 2 gets blocks and remarks, and loses nothing', () => {
  const frozen = apply(named, {
    kind: 'freeze-variant',
    variant: {
      id: 'v',
      name: 'v',
      note: '',
      moment: '2026-10-01T08:00:00.000Z',
      frozen: { concepts: [], blocks: [], draft: 'x', limiters: {}, databases: [] },
    },
    tallies: [],
  });
  const { review: _, working, variants, ...rest } = frozen;
  const { blocks: __, base: ___, ...oldWorking } = working;
  const oldVariants = variants.map((variant) => {
    const { blocks: ____, ...old } = variant.frozen;
    return { ...variant, frozen: old };
  });
  const read = restoreProject({
    ...storeProject(frozen),
    version: 2,
    project: { ...rest, working: oldWorking, variants: oldVariants },
  });
  expect(read.ok && read.value).toEqual({ ...frozen, working: { ...oldWorking, blocks: [] } });
});
