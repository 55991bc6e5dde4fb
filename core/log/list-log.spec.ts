import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createProject, type Change, type Project, type Run, type SearchState } from '../project';
import { createTally, applyAll } from '../testing/projects';
import { toPlainText } from '../text';
import { listLog, type LogLine } from './index';

const EMPTY = createProject('p', 'Lamps', '2026-03-01T08:00:00.000Z', ['gantry']);
const NAMES: Readonly<Record<string, string>> = { gantry: 'Gantry', heronsmere: 'Heronsmere' };
const name = (database: string): string => NAMES[database] ?? database;

function createState(terms: readonly string[], more: Partial<SearchState> = {}): SearchState {
  return {
    concepts: [
      {
        id: 'c',
        name: 'lamps',
        block: 'lamps',
        off: false,
        terms: terms.map((text, at) => ({ id: `t${at}`, text, off: false })),
      },
    ],
    blocks: [],
    draft: '@lamps',
    limiters: {},
    databases: ['gantry'],
    ...more,
  };
}

function keepState(id: string, moment: string, state: SearchState, total: number): Change {
  return {
    kind: 'keep-tallies',
    state: { id, state, moment, question: 'Do lamps matter?', reasons: { gantry: 'it has engineers' } },
    tallies: [createTally(`${id}-tally`, { state: id, moment, total })],
  };
}

const tell = (lines: readonly LogLine[]): string[] => lines.map((line) => toPlainText(line.read().text));

function createRun(more: Partial<Run> = {}): Run {
  return {
    id: 'r',
    name: 'first run',
    variant: 'v',
    moment: '2026-03-01T11:00:00.000Z',
    databases: [
      {
        database: 'gantry',
        name: 'Gantry',
        string: 'lamp%',
        limiters: {},
        boxes: [],
        without: [],
        differences: [],
        tally: 'run-tally',
      },
    ],
    works: {
      least: 3,
      greatest: 3,
      estimated: false,
      records: 3,
      duplicates: 0,
      matched: { identifier: 0, work: 0, answer: 0 },
      compared: ['gantry'],
      countsOnly: [],
    },
    ...more,
  };
}

describe('the log', () => {
  it('tells in sentences what a project keeps, in the order in which it happened', () => {
    const project = applyAll(
      EMPTY,
      keepState('s1', '2026-03-01T09:00:00.000Z', createState(['lamp']), 30),
      keepState(
        's2',
        '2026-03-01T09:10:00.000Z',
        createState(['lamp', 'lantern'], { databases: ['gantry', 'heronsmere'] }),
        41,
      ),
      {
        kind: 'freeze-variant',
        variant: {
          id: 'v',
          name: 'lanterns',
          note: 'asked for by a colleague',
          moment: '2026-03-01T10:00:00.000Z',
          frozen: createState(['lamp', 'lantern'], { databases: ['gantry', 'heronsmere'] }),
        },
        tallies: [createTally('f', { variant: 'v', moment: '2026-03-01T10:00:00.000Z', total: 41 })],
      },
      {
        kind: 'keep-run',
        run: createRun(),
        tallies: [createTally('run-tally', { variant: 'v', total: 42 })],
      },
      {
        kind: 'keep-source',
        source: {
          id: 'so',
          moment: '2026-03-01T12:00:00.000Z',
          kind: 'journal',
          name: 'Annals of Night Ecology',
          how: 'tables of contents, 2019–2026',
          by: 'Ida Marrow',
          looked: 31,
          kept: 3,
        },
      },
      {
        kind: 'keep-note',
        note: { id: 'n', moment: '2026-03-01T13:00:00.000Z', text: 'Look at moths, too.' },
      },
    );
    expect(tell(listLog(project, name))).toEqual([
      'Project begun.',
      'Question: Do lamps matter?',
      'Databases chosen: Gantry (it has engineers).',
      'Added: concept lamps, and 1 more; Gantry 30.',
      'Databases chosen: Heronsmere.',
      'Added: lantern to lamps; Gantry 30 → 41.',
      'Frozen as lanterns: “asked for by a colleague”: 41.',
      'Run first run of lanterns in 1 database: 42; 3 works.',
      'Journal read through: Annals of Night Ecology, tables of contents, 2019–2026, by Ida Marrow; 31 looked at, 3 kept.',
      'Look at moths, too.',
    ]);
  });

  it('shows the strings of counts as they were sent, with where a state leads back to', () => {
    const project = applyAll(EMPTY, keepState('s1', '2026-03-01T09:00:00.000Z', createState(['lamp']), 30));
    const last = listLog(project, name).at(-1);
    expect(last?.read()).toMatchObject({ point: { kind: 'state', id: 's1' }, hasDetails: true });
    expect(last?.readDetails().map(toPlainText)).toContain('Gantry: 30, lamp%');
  });

  it('tells a state that came back as another visit to it', () => {
    const project = applyAll(
      EMPTY,
      keepState('s1', '2026-03-01T09:00:00.000Z', createState(['lamp']), 30),
      keepState('s2', '2026-03-01T09:10:00.000Z', createState(['lamp', 'lantern']), 41),
      {
        kind: 'keep-tallies',
        tallies: [createTally('again', { state: 's1', moment: '2026-03-01T09:20:00.000Z', total: 30 })],
      },
    );
    expect(tell(listLog(project, name)).at(-1)).toBe('Taken away: lantern of lamps; Gantry 41 → 30.');
  });

  it('counts all that changed, however few of it are told', () => {
    const words = Array.from({ length: 30 }, (_, at) => `lamp${at}`);
    const project = applyAll(
      EMPTY,
      keepState('s1', '2026-03-01T09:00:00.000Z', createState(['lamp']), 30),
      keepState('s2', '2026-03-01T09:10:00.000Z', createState(['lamp', ...words]), 41),
    );
    const last = listLog(project, name).at(-1);
    expect(toPlainText(last!.read().text)).toBe('Added: lamp0 to lamps, and 29 more; Gantry 30 → 41.');
    expect(last!.readDetails().map(toPlainText)).toContain('and 17 more');
  });

  it('puts records that were judged in one sitting into one line', () => {
    const judge = (record: string, moment: string, verdict: 'on' | 'off'): Change => ({
      kind: 'judge-record',
      record,
      judgement: { verdict, title: record, moment },
    });
    const project = applyAll(
      EMPTY,
      judge('a', '2026-03-02T09:00:00.000Z', 'on'),
      judge('b', '2026-03-02T09:05:00.000Z', 'off'),
      judge('c', '2026-03-02T11:00:00.000Z', 'on'),
    );
    expect(tell(listLog(project, name)).slice(1)).toEqual([
      '2 records judged: 1 on topic, 1 off topic, 0 not sure.',
      '1 record judged: 1 on topic, 0 off topic, 0 not sure.',
    ]);
  });

  it('loses no count and no note, and is in order, whatever the order in which they were kept', () => {
    const moments = fc
      .integer({ min: 0, max: 1_000_000 })
      .map((minute) => new Date(1_772_000_000_000 + minute * 60_000).toISOString());
    fc.assert(
      fc.property(
        fc.array(fc.tuple(moments, fc.integer({ min: 0, max: 500 })), { maxLength: 30 }),
        (kept) => {
          const project = kept.reduce<Project>(
            (now, [moment, total], at) =>
              applyAll(now, keepState(`s${at}`, moment, createState([`word${at}`]), total), {
                kind: 'keep-note',
                note: { id: `n${at}`, moment, text: `note ${at}` },
              }),
            EMPTY,
          );
          const lines = listLog(project, name);
          const texts = tell(lines).join('\n');
          for (const at of kept.keys()) expect(texts).toContain(`note ${at}`);
          const points = lines.flatMap((line) => line.read().point ?? []);
          expect(new Set(points.map(({ id }) => id)).size).toBe(kept.length);
          const times = lines.map(({ moment }) => Date.parse(moment));
          expect(times).toEqual(times.toSorted((a, b) => a - b));
          expect(new Set(lines.map(({ id }) => id)).size).toBe(lines.length);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('finds the count of a database that is searched by hand once it is typed in', () => {
    const { databases, ...run } = createRun();
    const byHand = databases.map(({ tally: _, ...one }) => one);
    const waiting = applyAll(EMPTY, { kind: 'keep-run', run: { ...run, databases: byHand }, tallies: [] });
    expect(tell(listLog(waiting, name)).at(-1)).toContain('not counted');
    const typed = (moment: string): Project =>
      applyAll(waiting, {
        kind: 'keep-tallies',
        tallies: [createTally('typed', { source: 'typed', moment, total: 17 })],
      });
    expect(tell(listLog(typed('2026-03-01T10:59:00.000Z'), name)).at(-1)).toContain('not counted');
    expect(tell(listLog(typed('2026-03-01T11:01:00.000Z'), name)).at(-1)).toContain(': 17; 3 works.');
  });
});
