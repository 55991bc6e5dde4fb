import { describe, expect, it } from 'vitest';
import { createDemoProject } from '../../demo/demo-project';
import { createProject, type Change, type Project, type TargetBand } from '../project';
import { printQuery } from '../query';
import { joinChanges, listSwapPlaces, readTypedAlternatives, tryChange } from './alternatives';
import { listMembers } from './members';
import { createSharedDraft } from './draft';
import { createAmount, measureDistance } from '../count';
import { listProposals } from './proposed-changes';
import { describeProposal, rankProposals, type ProposalCounts } from './rank-proposals';

const amounts = (totals: readonly (number | undefined)[]) =>
  totals.map((total) => (total === undefined ? undefined : createAmount(total)));
const YEAR = 2026;
const make = (terms: readonly string[], draft = '@bats AND lamp*'): Project => {
  const project = createProject('p', 'p', '2026-03-01T00:00:00.000Z', ['heronsmere']);
  return {
    ...project,
    working: {
      ...project.working,
      concepts: [
        {
          id: 'c',
          name: 'Bats',
          block: 'bats',
          off: false,
          terms: terms.map((text, at) => ({ id: `t${at}`, text, off: false })),
        },
      ],
      draft,
    },
  };
};
const after = (project: Project, change: Change): string =>
  printQuery(createSharedDraft(tryChange(project, change)!.working));

describe('places to swap in', () => {
  it('of a phrase are a ladder from the phrase to both words anywhere', () => {
    const project = make(['"street light*"']);
    const place = listSwapPlaces(project, YEAR).find(({ key }) => key === 'term t0')!;
    expect(place.alternatives.map(({ change }) => after(project, change))).toEqual([
      '(street WITHIN 1 light*) AND lamp*',
      '(street WITHIN 2 light*) AND lamp*',
      '(street WITHIN 3 light*) AND lamp*',
      '(street WITHIN 5 light*) AND lamp*',
      '(street WITHIN 10 light*) AND lamp*',
      expect.stringMatching(/street AND light\*/),
    ]);
  });

  it('of a heading with a qualifier are none that would lose it', () => {
    const project = make(['bat', 'heading: "Chiroptera / behaviour"']);
    const place = listSwapPlaces(project, YEAR).find(({ key }) => key === 'term t1');
    const texts = (place?.alternatives ?? []).map(({ change }) => after(project, change));
    expect(texts.filter((text) => /branch|focus/.test(text))).toEqual([]);
    const tried = listProposals(project, YEAR).map(({ change }) => JSON.stringify(change));
    expect(tried.filter((text) => /branch:|focus:/.test(text))).toEqual([]);
    // The same of a heading without one, which has these.
    const plain = make(['bat', 'heading: "Chiroptera"']);
    const swaps = listSwapPlaces(plain, YEAR).find(({ key }) => key === 'term t1')!.alternatives;
    expect(swaps.some(({ change }) => after(plain, change).includes('branch:'))).toBe(true);
    expect(listProposals(plain, YEAR).some(({ change }) => JSON.stringify(change).includes('branch:'))).toBe(
      true,
    );
  });

  it('of a concept are its fields, its aspects one by one, and its headings or words alone', () => {
    const project = make(['bat', 'heading: "Chiroptera"']);
    const places = listSwapPlaces(project, YEAR);
    const find = (key: string) => places.find((place) => place.key === key)!.alternatives;
    expect(find('fields c').map(({ words }) => words)).not.toContain('in the usual fields');
    expect(after(project, find('fields c')[0]!.change)).toContain('title: bat');
    expect(after(project, find('headings c')[0]!.change)).toBe('heading: "Chiroptera" AND lamp*');
    expect(after(project, find('headings c')[1]!.change)).toBe('bat AND lamp*');
    expect(find('aspect c')).toHaveLength(2);
  });

  it('take what is typed: another wording of a term, or words in place of a concept', () => {
    const project = make(['bat', 'bats']);
    const places = listSwapPlaces(project, YEAR);
    const term = places.find(({ key }) => key === 'term t0')!;
    const aspect = places.find(({ key }) => key === 'aspect c')!;
    const [wording] = readTypedAlternatives(project, term, ['night bat', ' ', 'night bat'], () => 'x');
    expect(after(project, wording!.change)).toBe('("night bat" OR bats) AND lamp*');
    expect(readTypedAlternatives(project, term, ['a b', '', 'a b'], () => 'x')).toHaveLength(1);
    const [owls] = readTypedAlternatives(project, aspect, ['owl*'], () => 'x');
    expect(after(project, owls!.change)).toBe('owl* AND lamp*');
  });

  it('can be two at once, the second on what the first leaves', () => {
    const project = make(['bat', 'bats']);
    const change = joinChanges(
      { kind: 'edit-term', id: 't0', text: 'noctule*' },
      { kind: 'set-concept-fields', id: 'c', fields: ['title'] },
    );
    expect(after(project, change)).toBe('title: (noctule* OR bats) AND lamp*');
  });

  it('try limiters without losing the others', () => {
    const project = make(['bat']);
    const limited = tryChange(project, { kind: 'set-limiters', limiters: { peerReviewed: true } })!;
    const years = listSwapPlaces(limited, YEAR).find(({ key }) => key === 'limiter years')!;
    expect(tryChange(limited, years.alternatives[0]!.change)!.working.limiters).toEqual({
      peerReviewed: true,
      years: { from: 2024, to: 2026 },
    });
  });
});

describe('changes to try', () => {
  it('can all be made to the demo draft, each changes it, and none comes twice', () => {
    const project = createDemoProject();
    const proposals = listProposals(project, YEAR);
    expect(proposals.length).toBeGreaterThan(60);
    expect(new Set(proposals.map(({ key }) => key)).size).toBe(proposals.length);
    for (const { change, words } of proposals) {
      const changed = tryChange(project, change);
      expect(changed, words).toBeDefined();
      expect(changed?.working, words).not.toEqual(project.working);
    }
  });

  it('leave a locked concept as it is, alone or within a piece of the query, and try others all the same', () => {
    const demo = createDemoProject();
    const [first] = demo.working.concepts;
    const piece = tryChange(demo, { kind: 'rewrite-draft', text: `(@${first!.block} OR owl) AND lamp*` })!;
    for (const project of [demo, piece]) {
      const all = listProposals(project, YEAR);
      for (const { id, block } of project.working.concepts) {
        const left = listProposals(project, YEAR, [], new Set([id]));
        expect(left.length).toBeGreaterThan(0);
        for (const { change, words } of left) {
          const { working } = tryChange(project, change)!;
          const find = (state: typeof working) => state.concepts.find((concept) => concept.id === id);
          expect(find(working), words).toEqual(find(project.working));
          expect(working.draft.includes(`@${block}`), words).toBe(
            project.working.draft.includes(`@${block}`),
          );
        }
        if (project.working.draft.includes(`@${block}`)) expect(left.length).toBeLessThan(all.length);
      }
    }
  });

  it('leave members out, what is excluded, too, and never the last one', () => {
    const project = make(['bat'], '@bats AND lamp* NOT owl');
    const texts = listProposals(project, YEAR)
      .filter(({ key }) => key.startsWith('out'))
      .map(({ change }) => after(project, change));
    expect(texts).toEqual(['lamp* NOT owl', 'bat NOT owl', 'bat AND lamp*']);
    expect(listProposals(make(['bat'], '@bats'), YEAR).some(({ key }) => key.startsWith('out'))).toBe(false);
    expect(listMembers(project.working)).toHaveLength(3);
  });

  const band = { from: 50, to: 400 };
  const judge = (
    purpose: 'quick' | 'review' | 'exhaustive',
    draft: ProposalCounts,
    proposals: Record<string, ProposalCounts>,
  ): string[] =>
    rankProposals(
      Object.entries(proposals).map(([proposal, counts]) => ({
        proposal,
        level: proposal.startsWith('question') ? 'question' : 'words',
        counts,
      })),
      draft,
      draft.amounts.map(() => band),
      purpose,
    ).map(({ proposal }) => proposal);

  it('are ranked by how near they bring the counts to the band', () => {
    expect(measureDistance(createAmount(200), band)).toBe(0);
    expect(measureDistance(createAmount(4_000), band)).toBeGreaterThan(
      measureDistance(createAmount(500), band),
    );
    expect(measureDistance(createAmount(0), band)).toBeGreaterThan(measureDistance(createAmount(49), band));
    const draft = { amounts: amounts([4_000]), found: [] };
    const proposals = {
      worse: { amounts: amounts([9_000]), found: [] },
      near: { amounts: amounts([450]), found: [] },
      in: { amounts: amounts([300]), found: [] },
      unknown: { amounts: amounts([undefined]), found: [] },
    };
    expect(judge('quick', draft, proposals)).toEqual(['in', 'near']);
  });

  it('come behind all others if they change the question, however near they bring the counts', () => {
    const draft = { amounts: amounts([4_000]), found: [] };
    const proposals = {
      'question in': { amounts: amounts([300]), found: [] },
      near: { amounts: amounts([450]), found: [] },
    };
    for (const purpose of ['quick', 'review', 'exhaustive'] as const)
      expect(judge(purpose, draft, proposals)).toEqual(['near', 'question in']);
  });

  it('for a review put must-finds first; for an exhaustive search none is ever given up', () => {
    const draft = { amounts: amounts([4_000]), found: [5] };
    const proposals = {
      dear: { amounts: amounts([300]), found: [3] },
      kept: { amounts: amounts([900]), found: [5] },
      won: { amounts: amounts([5_000]), found: [6] },
    };
    expect(judge('quick', draft, proposals)).toEqual(['kept', 'dear']);
    expect(judge('review', draft, proposals)).toEqual(['won', 'kept']);
    expect(judge('exhaustive', draft, proposals)).toEqual(['won', 'kept']);
  });

  it('help where nothing is found, though no band is set', () => {
    const draft = { amounts: amounts([0, 12, 0]), found: [] };
    const bands = [{}, {}, { from: 50, to: 400 }];
    const proposals = [
      { proposal: 'none', level: 'words' as const, counts: { amounts: amounts([0, 90, 0]), found: [] } },
      { proposal: 'some', level: 'words' as const, counts: { amounts: amounts([3, 12, 0]), found: [] } },
      { proposal: 'more', level: 'words' as const, counts: { amounts: amounts([7, 14, 60]), found: [] } },
    ];
    for (const purpose of ['quick', 'review'] as const)
      expect(rankProposals(proposals, draft, bands, purpose).map(({ proposal }) => proposal)).toEqual([
        'more',
        'some',
      ]);
  });

  it('never help by leaving nothing', () => {
    const draft = { amounts: amounts([42, 9]), found: [] };
    const proposals = [
      { proposal: 'nothing', level: 'words' as const, counts: { amounts: amounts([0, 0]), found: [] } },
      {
        proposal: 'nothing in one',
        level: 'words' as const,
        counts: { amounts: amounts([3, 0]), found: [] },
      },
      { proposal: 'fewer', level: 'words' as const, counts: { amounts: amounts([20, 4]), found: [] } },
    ];
    const rank = (bands: readonly TargetBand[]) =>
      rankProposals(proposals, draft, bands, 'review').map(({ proposal }) => proposal);
    expect(rank([{}, {}])).toEqual(['fewer']);
    expect(rank([{ to: 30 }, {}])).toEqual(['fewer']);
  });

  it('say why in a sentence', () => {
    const draft = { amounts: amounts([4_000, 20]), found: [2] };
    const counts = { amounts: amounts([300, 20]), found: [1] };
    const [judged] = rankProposals(
      [
        {
          proposal: {
            key: 'k',
            level: 'question' as const,
            words: 'w',
            change: { kind: 'apply-rules' as const },
          },
          level: 'question' as const,
          counts,
        },
      ],
      draft,
      [band, band],
      'quick',
    );
    expect(describeProposal(judged!, draft, ['A', 'B'])).toBe(
      'brings A into the band, loses 1 good work, changes the question',
    );
    const before = { amounts: amounts([0, 20, 40, 9_000]), found: [] };
    const after = { amounts: amounts([3, 60, 45, 20_000]), found: [] };
    const [begins] = rankProposals(
      [{ proposal: judged!.proposal, level: 'words' as const, counts: after }],
      before,
      [{}, band, band, band],
      'quick',
    );
    expect(describeProposal(begins!, before, ['A', 'B', 'C', 'D'])).toBe(
      'brings B into the band, finds something in A, nearer in C, farther in D',
    );
  });

  it('that harm a database come behind those that harm none, and are sorted by what they do', () => {
    const draft = { amounts: amounts([9_000, 20, 30]), found: [] };
    const bands = [band, band, band];
    const proposals = [
      {
        proposal: 'mixed',
        level: 'words' as const,
        counts: { amounts: amounts([20_000, 60, 60]), found: [] },
      },
      {
        proposal: 'small',
        level: 'words' as const,
        counts: { amounts: amounts([8_900, 20, 30]), found: [] },
      },
    ];
    const ranked = rankProposals(proposals, draft, bands, 'quick');
    expect(ranked.map(({ proposal }) => proposal)).toEqual(['small', 'mixed']);
    expect(ranked.map(({ farther }) => farther)).toEqual([0, 1]);
    expect(ranked.map(({ direction }) => direction)).toEqual(['fewer', 'more']);
  });
});
