import { readFileSync, readdirSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { IndexDocument } from '../collection/document';
import { DIALECTS } from '../dialect';
import { applyFix, describeProblem } from '../problem';
import {
  applyChange,
  createDraftQuery,
  createProject,
  type Change,
  type Project,
  type Working,
} from '../project';
import { dropInactive, type Field, type QueryNode } from '../query';
import { satisfies } from '../testing/naive-evaluator';
import { TEST_HEADINGS } from '../testing/arbitraries';
import { createLabelKey } from '../text';
import { CHECKS, createReport, printReport, runChecks, type CheckedQuery, type Finding } from '.';

interface Fixture {
  readonly draft: string;
  readonly concepts?: Readonly<Record<string, readonly (string | { text: string; off?: boolean })[]>>;
  readonly fields?: Readonly<Record<string, readonly Field[]>>;
  readonly blocks?: Readonly<Record<string, string>>;
  readonly databases?: readonly string[];
  readonly meanings?: Readonly<Record<string, readonly string[]>>;
  readonly stemming?: boolean;
  /** Must be raised by the check. */
  readonly code?: string;
  /** In records: what the finding says it costs, or what its first fix changes. */
  readonly cost?: number;
}

const FOLDER = new URL('./fixtures/', import.meta.url);
const read = <T>(name: string): T => JSON.parse(readFileSync(new URL(name, FOLDER), 'utf8')) as T;
const records = read<
  { title: string; abstract?: string; keywords?: string[]; headings?: string[]; authors?: string[] }[]
>('records.json').map(({ title, abstract, keywords = [], headings = [], authors = [] }): IndexDocument => ({
  values: {
    title: [title],
    abstract: abstract === undefined ? [] : [abstract],
    keywords,
    heading: headings,
    author: authors,
  },
  keys: headings.map((label) => `heading=${createLabelKey(label)}`),
}));

/** Every database holds the same few records, counted one by one. */
const count = (query: QueryNode, database: string): number => {
  const active = dropInactive(query, database);
  return active ? records.filter((record) => satisfies(record, active, TEST_HEADINGS)).length : 0;
};

function createWorking(fixture: Fixture): Working {
  const concepts = Object.entries(fixture.concepts ?? {}).map(([name, terms]) => ({
    id: `id-${name}`,
    name,
    block: name,
    off: false,
    terms: terms.map((term, at) => ({
      id: `${name}-${at}`,
      off: false,
      ...(typeof term === 'string' ? { text: term } : term),
    })),
    ...(fixture.fields?.[name] && { fields: fixture.fields[name] }),
  }));
  const blocks = Object.entries(fixture.blocks ?? {}).map(([name, text]) => ({
    id: `id-${name}`,
    name,
    text,
  }));
  const project = createProject(
    'p',
    'P',
    '2026-10-01T08:00:00.000Z',
    fixture.databases ?? ['heronsmere', 'gantry', 'marlstone'],
  );
  return { ...project.working, concepts, blocks, draft: fixture.draft };
}

/** Runs until nothing more is asked for. */
function check(
  working: Working,
  fixture: Partial<Fixture> = {},
  checks = CHECKS,
): CheckedQuery & { rounds: number } {
  const known = new Map<string, number>();
  const dialects = working.databases
    .flatMap((id) => DIALECTS.filter((dialect) => dialect.id === id))
    .map((dialect) => ({ ...dialect, stems: fixture.stemming ?? false }));
  for (let rounds = 1; ; rounds++) {
    const result = runChecks(
      working,
      {
        dialects,
        known,
        findVocabulary: (id) => (id === 'heronsmere' ? TEST_HEADINGS : undefined),
        findMeanings: (acronym) => fixture.meanings?.[acronym],
      },
      checks,
    );
    if (result.asked.length === 0) return { ...result, rounds };
    for (const { key, query, database } of result.asked) known.set(key, count(query, database));
  }
}

function apply(working: Working, changes: readonly Change[]): Working {
  const start: Project = { ...createProject('p', 'P', '', []), working };
  return changes.reduce((now, change) => {
    const outcome = applyChange(now, change);
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.problem));
    return outcome.value;
  }, start).working;
}

const countDraft = (working: Working): number =>
  count(createDraftQuery(working, working.databases).root, 'heronsmere');

function findCost(working: Working, { cost, fixes }: Finding): number | undefined {
  if (cost) return count(cost.of, 'heronsmere') - (cost.less ? count(cost.less, 'heronsmere') : 0);
  const [fix] = fixes;
  return fix && countDraft(apply(working, fix.changes)) - countDraft(working);
}

const files = readdirSync(FOLDER).filter((name) => name !== 'records.json');

it('every check has a fixture, and every fixture a check', () => {
  expect(files.map((name) => name.replace('.json', '')).sort()).toEqual(CHECKS.map(({ id }) => id).sort());
});

it('the documentation lists every check', () => {
  const page = readFileSync(new URL('../../docs/reference/query.md', import.meta.url), 'utf8');
  expect(
    CHECKS.filter(({ id, looksFor }) => !page.includes(`\`${id}\``) || !page.includes(looksFor)),
  ).toEqual([]);
});

describe.each(files)('%s', (file) => {
  const { raises, passes } = read<{ raises: Fixture[]; passes: Fixture[] }>(file);
  const own = CHECKS.filter(({ id }) => `${id}.json` === file);

  it.each(raises)('raises $code: $draft $concepts', (fixture) => {
    const working = createWorking(fixture);
    const { findings } = check(working, fixture, own);
    const found = findings.find(({ problem }) => problem.code === fixture.code);
    expect(findings.map(({ problem }) => problem.code)).toContain(fixture.code);
    if (fixture.cost !== undefined && found) expect(findCost(working, found)).toBe(fixture.cost);
  });

  it.each(passes)('has nothing to say: $draft $concepts', (fixture) => {
    expect(check(createWorking(fixture), fixture, own).findings.map(({ problem }) => problem.code)).toEqual(
      [],
    );
  });

  it.each(raises)(
    'every fix keeps the project valid and mends what it is for: $draft $concepts',
    (fixture) => {
      const working = createWorking(fixture);
      for (const finding of check(working, fixture, own).findings) {
        for (const { changes, label } of finding.fixes) {
          const mended = apply(working, changes);
          const before = createDraftQuery(working, working.databases).problems.filter(
            ({ severity }) => severity === 'error',
          );
          const after = createDraftQuery(mended, mended.databases).problems.filter(
            ({ severity }) => severity === 'error',
          );
          expect(after.length, label).toBeLessThanOrEqual(before.length);
          const keys = check(mended, fixture, own).findings.map(({ key }) => key);
          expect(keys, label).not.toContain(finding.key);
        }
      }
    },
  );
});

describe('all checks together', () => {
  const working = createWorking({
    draft: '@bats AND @light NOT cricket',
    concepts: { bats: ['bat', 'bats', 'moths'], light: ['street', 'lamps'], unused: ['x'] },
  });

  it('ask for numbers until they have all, and then always find the same', () => {
    const first = check(working);
    expect(first.rounds).toBeGreaterThan(1);
    expect(first.rounds).toBeLessThan(6);
    expect(check(working).findings).toEqual(first.findings);
  });

  it('name what they find by keys of their own', () => {
    const keys = check(working).findings.map(({ key }) => key);
    expect(new Set(keys).size).toBe(keys.length);
  });

  it('call a heading by its name, and keep what is remarked on it under its text', () => {
    const text = 'heading(heronsmere): "Bats"';
    const { findings } = check(createWorking({ draft: '@a', concepts: { a: ['bats', text] } }));
    const found = findings.find(
      ({ problem, term }) => problem.code === 'term-adds-nothing' && term === 'a-1',
    );
    expect(found && describeProblem(found.problem)).toContain('heading “Bats” (Heronsmere) finds nothing');
    expect(found?.key).toContain(text);
    expect(found?.key).not.toContain('“');
  });

  it('make a report that can be ticked and exported', () => {
    const { findings } = check(working);
    const [first] = findings;
    const elements = createReport(findings, { [first!.key]: { isDone: true, comment: 'seen\nby two' } });
    expect(elements.flatMap(({ points }) => points)).toHaveLength(findings.length);
    const text = printReport(
      {
        name: 'Bats',
        question: 'Why?',
        draft: working.draft,
        limiters: ['2000–2026'],
        counts: [{ database: 'H', total: '12', string: 'a | b' }],
        date: '23 November 2026',
      },
      elements,
    );
    expect(text).toContain('- [x] ');
    expect(text).toContain('Comment: seen by two');
    expect(text).toContain('| H | 12 | a \\| b |');
    expect(text.match(/^## /gm)).toHaveLength(6);
  });

  it('never fail, whatever is typed', () => {
    for (const draft of ['((', '"', '@', 'a AND', 'OFF(', 'title:', 'a WITHIN', '\\', '// x', '()']) {
      const broken = createWorking({ draft, concepts: { a: [draft, '*'] } });
      expect(() => check(broken)).not.toThrow();
    }
  });
});

it('fixes of the parser do in the draft what they say', () => {
  const working = createWorking({ draft: 'bats AND street OR lamps' });
  const [finding] = check(
    working,
    {},
    CHECKS.filter(({ id }) => id === 'mixed-operators'),
  ).findings;
  const { problems } = createDraftQuery(working, []);
  expect(finding?.fixes[0]?.changes[0]).toEqual({
    kind: 'rewrite-draft',
    text: applyFix(working.draft, problems[0]!.fixes![0]!),
  });
  expect(finding?.remarks).toEqual([
    'Heronsmere Life Index, Marlstone Full Text would read it AND before OR.'.replace(
      'read it AND',
      'read AND',
    ),
    'Gantry Engineering Abstracts would read it from left to right.',
  ]);
});
