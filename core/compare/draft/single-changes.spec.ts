import { describe, expect, it } from 'vitest';
import type { Concept, SearchState } from '../../project';
import { printQuery } from '../../query';
import { createSharedDraft, listSingleChanges } from '.';

const concept = (block: string, terms: readonly string[], more: Partial<Concept> = {}): Concept => ({
  id: block,
  name: block,
  block,
  off: false,
  terms: terms.map((text, at) => ({ id: `${block}${at}`, text, off: false })),
  ...more,
});
const from: SearchState = {
  concepts: [concept('bats', ['bat', 'bats']), concept('light', ['lamp'])],
  blocks: [{ id: 'x', name: 'x', text: 'road' }],
  draft: '@bats AND @light',
  limiters: {},
  databases: ['gantry'],
};
const show = (to: SearchState): string[] =>
  listSingleChanges(from, to).map(
    ({ sign, words, state }) => `${sign} ${words} → ${printQuery(createSharedDraft(state))}`,
  );

describe('single changes', () => {
  it('are each made alone to the first state', () => {
    const to = {
      ...from,
      concepts: [concept('bats', ['bat', 'myotis']), concept('light', ['lamp'], { off: true })],
    };
    expect(show(to)).toEqual([
      'added myotis to bats → (bat OR bats OR myotis) AND lamp',
      'removed bats of bats → bat AND lamp',
      'changed light switched off → (bat OR bats) AND OFF(lamp)',
    ]);
  });

  it('tell structure, fields, blocks and limiters', () => {
    const to: SearchState = {
      ...from,
      concepts: [
        concept('bats', ['bat', 'bats'], { fields: ['title'] }),
        ...from.concepts.slice(1),
        concept('new', ['dim']),
      ],
      blocks: [{ id: 'x', name: 'x', text: 'road OR verge' }],
      draft: '@bats AND @light AND @new',
      limiters: { peerReviewed: true },
    };
    expect(show(to)).toEqual([
      'added concept new → (bat OR bats) AND lamp',
      'changed bats searched in title → title: (bat OR bats) AND lamp',
      'changed @x: road OR verge → (bat OR bats) AND lamp',
      'changed query: @bats AND @light AND @new → (bat OR bats) AND lamp AND dim',
      'changed limited to peer-reviewed → (bat OR bats) AND lamp',
    ]);
  });

  it('are none between equal states', () => {
    expect(show({ ...from, draft: ' @bats  AND @light' })).toEqual([]);
  });
});
