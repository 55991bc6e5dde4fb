import { decodeHTML } from 'entities';
import fc from 'fast-check';
import { strFromU8, unzipSync } from 'fflate';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { DIALECTS } from '../dialect';
import {
  createProject,
  type Change,
  type Project,
  type Run,
  type RunDatabase,
  type SearchState,
} from '../project';
import { applyAll, createTally } from '../testing/projects';
import {
  LENGTHS,
  compareRuns,
  composeDocument,
  drawFlow,
  findRunBefore,
  findStaleNumbers,
  gatherFacts,
  listCheckPoints,
  writeMethods,
  type DocumentLength,
  type SearchFacts,
} from './index';
import { writeDocx } from './write-docx';
import { writeFlowSvg, writeHtml } from './write-html';
import { writeMarkdown } from './write-markdown';
import { writeFlowCsv, writeSearchJson, writeStringsCsv } from './write-tables';

const STATE: SearchState = {
  concepts: [
    {
      id: 'c1',
      name: 'lamps',
      block: 'lamps',
      off: false,
      terms: [
        { id: 't1', text: 'lamp*', off: false },
        { id: 't2', text: 'heading: "Street lighting"', off: false, source: 'thesaurus' },
        { id: 't3', text: 'LED', off: true },
      ],
    },
    { id: 'c2', name: 'moths', block: 'moths', off: false, terms: [{ id: 't4', text: 'moth*', off: false }] },
  ],
  blocks: [],
  draft: '@lamps AND @moths',
  limiters: { years: { from: 2000, to: 2026 } },
  databases: ['heronsmere', 'gantry'],
};

interface Sent {
  readonly database: string;
  readonly name: string;
  readonly string: string;
  readonly total: number;
}

const SENT: readonly Sent[] = [
  { database: 'heronsmere', name: 'Heronsmere Life Index', string: '(lamp*) AND (moth*)', total: 1_225 },
  { database: 'gantry', name: 'Gantry Engineering Abstracts', string: 'lamp% and moth%', total: 7 },
];

/** A project in which some strings were run. */
function createRunProject(
  sent: readonly Sent[] = SENT,
  more: readonly Change[] = [],
  duplicates = 4,
): Project {
  const databases = sent.map(({ database, name, string }): RunDatabase => ({
    database,
    name,
    string,
    limiters: STATE.limiters,
    boxes: database === 'gantry' ? ['2000–2026'] : [],
    without: [],
    differences: [],
    size: 13_000,
    tally: `run ${database}`,
  }));
  const records = sent.reduce((sum, { total }) => sum + total, 0);
  const run: Run = {
    id: 'run',
    name: 'night lamps',
    variant: 'v',
    moment: '2026-11-28T14:20:00.000Z',
    databases,
    works: {
      least: records - duplicates,
      greatest: records - duplicates,
      estimated: false,
      records,
      duplicates,
      matched: { identifier: duplicates, work: 0, answer: 0 },
      compared: sent.map(({ database }) => database),
      countsOnly: [],
    },
  };
  const begun = createProject('p', 'Night moths', '2026-11-01T08:00:00.000Z', STATE.databases);
  return applyAll(
    { ...begun, working: { ...begun.working, ...STATE, question: 'Do lamps draw moths?' } },
    {
      kind: 'freeze-variant',
      variant: {
        id: 'v',
        name: 'night lamps',
        note: 'lamps by name',
        moment: '2026-11-28T14:00:00.000Z',
        frozen: STATE,
      },
      tallies: [],
    },
    {
      kind: 'keep-run',
      run,
      tallies: sent.map(({ database, string, total }) =>
        createTally(`run ${database}`, {
          database,
          string,
          total,
          variant: 'v',
          limiters: STATE.limiters,
          moment: '2026-11-28T14:20:05.000Z',
        }),
      ),
    },
    ...more,
  );
}

function gather(project: Project): SearchFacts {
  return gatherFacts({ project, run: project.runs.at(-1)!, dialects: DIALECTS, timeZone: 'Europe/Paris' });
}

/** The text of a word processor's file, a line a paragraph, as another program would read it. */
async function readDocx(facts: SearchFacts, length: DocumentLength): Promise<string[]> {
  const files = unzipSync(new Uint8Array(await writeDocx(composeDocument(facts, length))));
  const xml = strFromU8(files['word/document.xml']!);
  return [...xml.matchAll(/<w:p[ >].*?<\/w:p>/gs)].map(([paragraph]) =>
    [...paragraph.matchAll(/<w:t(?: [^>]*)?>(.*?)<\/w:t>/gs)].map(([, text]) => decodeHTML(text!)).join(''),
  );
}

const readFences = (markdown: string): string[] =>
  [...markdown.matchAll(/^(`{3,})\n([\s\S]*?)\n\1$/gm)].map(([, , text]) => text!);
const readPre = (html: string): string[] =>
  [...html.matchAll(/<pre>([\s\S]*?)<\/pre>/g)].map(([, text]) => decodeHTML(text!));

/** Strings as databases take them, with all signs that a format could take for its own. */
const STRING = fc
  .array(
    fc.oneof(
      fc.constantFrom(
        'lamp*',
        '"street light"',
        '<b>',
        '&amp;',
        '|',
        '```',
        '`',
        '\\',
        '__',
        '“moth”',
        '$x',
        '{index}',
        '=1+1',
        '#',
        ']]>',
      ),
      fc.string({ minLength: 1, maxLength: 8 }).filter((text) => /^[\p{L}\p{N}\p{P}\p{S}]+$/u.test(text)),
    ),
    { minLength: 1, maxLength: 12 },
  )
  .map((parts) => parts.join(' '));

describe('strings in documents', () => {
  it('are exactly as they were sent, in every format and at every length', async () => {
    await fc.assert(
      fc.asyncProperty(STRING, STRING, STRING, async (first, second, third) => {
        const strings = [first, second, third];
        const facts = gather(
          createRunProject([
            { ...SENT[0]!, string: first },
            { ...SENT[1]!, string: `${second}\n${third}` },
          ]),
        );
        for (const length of LENGTHS) {
          const document = composeDocument(facts, length);
          expect(readFences(writeMarkdown(document))).toEqual(expect.arrayContaining(strings));
          expect(readPre(writeHtml(document))).toEqual(expect.arrayContaining(strings));
          expect(await readDocx(facts, length)).toEqual(expect.arrayContaining(strings));
        }
        const json = JSON.parse(writeSearchJson(facts)) as { run: { databases: { string: string }[] } };
        expect(json.run.databases.map(({ string }) => string)).toEqual([first, `${second}\n${third}`]);
        const [, ...rows] = Papa.parse<string[]>(writeStringsCsv(facts).replace('\ufeff', '').trim()).data;
        // A sign that a spreadsheet would take for a formula has one before it.
        expect(rows.map(([, string]) => string!.replace(/^'(?=[=+@\t\r-])/, ''))).toEqual([
          first,
          `${second}\n${third}`,
        ]);
      }),
      { numRuns: 25 },
    );
  });

  it('become no markup, wherever else names and notes of people stand', () => {
    const nasty = '<img src=x onerror=alert(1)> **bold** | "q"';
    const project = createRunProject(SENT, [
      { kind: 'rename-project', name: nasty },
      { kind: 'keep-note', note: { id: 'n', moment: '2026-11-29T08:00:00.000Z', text: nasty } },
      { kind: 'write-document', words: { searcher: nasty, updatePlan: nasty, learnt: nasty } },
      { kind: 'note-database', database: 'gantry', reason: nasty },
    ]);
    const document = composeDocument(gather(project), 'appendix');
    const html = writeHtml(document);
    expect(html).not.toContain('<img');
    expect(decodeHTML(html)).toContain(nasty);
    const markdown = writeMarkdown(document);
    expect(markdown).not.toMatch(/(?<!\\)<img/);
    expect(markdown).not.toMatch(/(?<!\\)\*(?<!\\)\*bold/);
  });
});

describe('numbers in documents', () => {
  it('are those of the tallies', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.integer({ min: 0, max: 99_999 }), { minLength: 2, maxLength: 2 }),
        async (totals) => {
          const facts = gather(
            createRunProject(
              SENT.map((one, at) => ({ ...one, total: totals[at]! })),
              [],
              0,
            ),
          );
          const told = totals.map((total) => total.toLocaleString('en'));
          const sum = (totals[0]! + totals[1]!).toLocaleString('en');
          const methods = writeMethods(facts);
          for (const [at, { name }] of SENT.entries())
            expect(methods).toContain(`${told[at]!} records in ${name}`);
          expect(methods).toContain(`There were no duplicates, ${sum} works were left.`);
          const texts = await readDocx(facts, 'one-page');
          for (const [at, { name }] of SENT.entries())
            expect(
              texts.some((text) =>
                text.startsWith(`${name}: ${told[at]!} records, counted 28 November 2026, 15:20`),
              ),
            ).toBe(true);
          const [, ...rows] = Papa.parse<string[]>(writeStringsCsv(facts).replace('\ufeff', '').trim()).data;
          expect(rows.map((row) => Number(row[4]))).toEqual(totals);
          const json = JSON.parse(writeSearchJson(facts)) as {
            run: { databases: { count: { total: number } }[] };
          };
          expect(json.run.databases.map(({ count }) => count.total)).toEqual(totals);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('flow as wide as they are, and only where they make a whole', () => {
    const { flow } = gather(createRunProject());
    expect(flow).toMatchObject({ records: 1_232, duplicates: 4, works: 1_228 });
    const { streams } = drawFlow(flow!);
    const width = (path: string): number => {
      const [, y1, y2] = /^M0 ([\d.]+)C[^L]*L\S+ [\d.]+C.* 0 ([\d.]+)Z$/.exec(path) ?? [];
      return Number(y2) - Number(y1);
    };
    const [heronsmere, gantry] = streams.map(({ path }) => width(path));
    expect(heronsmere).toBeCloseTo((84 * 1_225) / 1_232, 1);
    // What is too thin to be seen is drawn as the thinnest stream.
    expect(gantry).toBeCloseTo(1.5, 1);
    expect(writeFlowSvg(flow!)).toContain('Gantry Engineering Abstracts 7');
    expect(writeFlowCsv(flow!)).toContain('different works,1228');
    // A count that was removed leaves no river.
    expect(
      gather(applyAll(createRunProject(), { kind: 'remove-tally', id: 'run gantry' })).flow,
    ).toBeUndefined();
  });

  it('that changed since the person wrote the paragraph are found in it, others are not', () => {
    const proposal = writeMethods(gather(createRunProject()));
    const text = `In ${proposal.slice(0, 40)} we found 1,225 and 7 of 2026.`;
    const later = writeMethods(
      gather(createRunProject(SENT.map((one) => ({ ...one, total: one.total + 1 })))),
    );
    const stale = findStaleNumbers({ text, from: proposal }, later).map(({ start, end }) =>
      text.slice(start, end),
    );
    expect(stale).toEqual(['1,225', '7']);
    expect(findStaleNumbers({ text, from: proposal }, proposal)).toEqual([]);
  });
});

describe('the list of what is missing', () => {
  const missing = (project: Project): Record<string, string> =>
    Object.fromEntries(
      listCheckPoints(gather(project)).flatMap(({ id, missing: words }) => (words ? [[id, words]] : [])),
    );

  it('says each thing that another person would miss', () => {
    const points = missing(createRunProject());
    expect(points).toMatchObject({
      chosen: 'No reason given for choosing Heronsmere Life Index and Gantry Engineering Abstracts.',
      searcher: 'Nobody is named who searched.',
      review: 'Nobody has reviewed the query.',
      plan: 'Nothing says when the search will be run again.',
    });
    expect(points['left-out']).toMatch(/^No reason given for leaving out .*Plainfinder/);
    expect(points['question']).toBeUndefined();
    expect(points['counts']).toBeUndefined();
    expect(points['draft']).toBeUndefined();
  });

  it('is empty once everything is said', () => {
    const left = DIALECTS.map(({ id }): Change => ({
      kind: 'note-database',
      database: id,
      reason: 'because',
    }));
    const project = createRunProject(SENT, [
      ...left,
      { kind: 'write-document', words: { searcher: 'Ida Marrow', updatePlan: 'in a year', learnt: '' } },
      { kind: 'add-must-finds', mustFinds: [{ id: 'm', title: 'Moths at lamps' }] },
      { kind: 'judge-record', record: 'gantry 1', judgement: { verdict: 'on', title: 'x' } },
      { kind: 'mark-review', key: 'element question', mark: { isDone: true, comment: 'good' } },
      {
        kind: 'keep-source',
        source: {
          id: 's',
          moment: '2026-11-28T15:00:00.000Z',
          kind: 'expert',
          name: 'Ada Fen',
          how: '',
          by: '',
        },
      },
    ]);
    const run = { ...project.runs[0]!, recall: { found: 1, there: 1 } };
    expect(missing(applyAll(project, { kind: 'keep-run', run, tallies: [] }))).toEqual({});
  });

  it('says that a draft has changed since, a count is gone, and a paragraph holds old numbers', () => {
    const proposal = writeMethods(gather(createRunProject()));
    const project = createRunProject(SENT, [
      { kind: 'set-limiters', limiters: {} },
      { kind: 'remove-tally', id: 'run gantry' },
      {
        kind: 'write-document',
        words: { searcher: '', updatePlan: '', learnt: '', methods: { text: proposal, from: proposal } },
      },
    ]);
    expect(missing(project)).toMatchObject({
      draft: 'The draft has changed since “night lamps” was run: 1 change.',
      counts: 'Gantry Engineering Abstracts is not counted yet.',
      methods: 'The methods paragraph has numbers that changed since: 7.',
    });
  });
});

describe('two runs', () => {
  it('are set beside each other by database, without a difference where the string was another one', () => {
    const before = createRunProject();
    const [first] = before.runs;
    const second: Run = {
      ...first!,
      id: 'second',
      moment: '2027-11-28T14:20:00.000Z',
      databases: first!.databases.map((one, at) => ({
        ...one,
        tally: `second ${one.database}`,
        size: 14_000,
        ...(at === 1 && { string: 'lamp% and moth% or x' }),
      })),
    };
    const project = applyAll(before, {
      kind: 'keep-run',
      run: second,
      tallies: [
        createTally('second heronsmere', { database: 'heronsmere', total: 1_300 }),
        createTally('second gantry', { database: 'gantry', total: 9 }),
      ],
    });
    expect(findRunBefore(project.runs[1]!, project.runs)).toBe(project.runs[0]);
    expect(findRunBefore(project.runs[0]!, project.runs)).toBeUndefined();
    expect(compareRuns(project.runs[0]!, project.runs[1]!, project)).toMatchObject([
      {
        then: '1,225',
        now: '1,300',
        difference: { least: 75, greatest: 75 },
        sizes: { then: 13_000, now: 14_000 },
      },
      { then: '7', now: '9', changed: 'string', earlier: 'lamp% and moth%' },
    ]);
  });
});
