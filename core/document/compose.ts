import { DIALECTS } from '../dialect';
import { PURPOSE_ROWS } from '../question';
import { createReport, REVIEW_ELEMENTS, createElementKey } from '../check';
import { nameTerm } from '../outline';
import { describeTermKind, getProjectTitle, type Concept, type Project, type TermSource } from '../project';
import { describeAuthors } from '../record';
import { describeSource, describeWorks, groupBy, writeNumber, writeTally } from '../log';
import type { RichText } from '../text';
import type { Block, DocumentLength, SearchDocument } from './document';
import type { DatabaseFacts, SearchFacts } from './facts';
import { writeMethods } from './methods';
import { capitalise, countInWords, listInWords, tellDay, tellMoment } from './words';

/** The documented search at a length that is chosen. */
export function composeDocument(facts: SearchFacts, length: DocumentLength): SearchDocument {
  return {
    title: `How it was searched: ${getProjectTitle(facts.project)}`,
    subtitle: writeSubtitle(facts),
    blocks: PARTS[length](facts),
  };
}

const PARTS: Readonly<Record<DocumentLength, (facts: SearchFacts) => readonly Block[]>> = {
  appendix: (facts) => [
    ...writeSummary(facts),
    ...writeStrings(facts),
    ...writeTopic(facts),
    ...writeDatabases(facts),
    ...writeDuplicates(facts),
    ...writeTerms(facts),
    ...writeChanges(facts),
    ...writeProofs(facts),
    ...writeReview(facts),
    ...writeSources(facts),
    ...writePlan(facts),
    ...writeLog(facts),
  ],
  'one-page': (facts) => [...writeSummary(facts), ...writeStrings(facts), ...writeDuplicates(facts)],
  assignment: writeAssignment,
};

const heading = (text: string): Block => ({ kind: 'heading', text });
const paragraph = (...text: RichText): Block => ({ kind: 'paragraph', text });

function writeSubtitle({ run, variant, timeZone, project }: SearchFacts): RichText {
  const works = describeWorks(run);
  return [
    `Run of ${tellMoment(run.moment, timeZone)} (${timeZone}) · variant `,
    { strong: variant?.name ?? 'that was removed' },
    works === undefined ? '' : ` · ${works} different works`,
    project.documentWords.searcher === '' ? '' : ` · searched by ${project.documentWords.searcher}`,
  ];
}

function writeSummary(facts: SearchFacts): Block[] {
  const { methods } = facts.project.documentWords;
  return [
    paragraph(methods?.text ?? writeMethods(facts)),
    ...(facts.flow ? [{ kind: 'flow', flow: facts.flow } as const] : []),
  ];
}

function writeStrings({ databases, timeZone, limiters }: SearchFacts): Block[] {
  return [
    heading('Strings as they were sent'),
    paragraph(limiters.length > 0 ? `Limited to ${listInWords(limiters)}.` : 'Without limiters.'),
    ...databases.flatMap((one): Block[] => [
      {
        kind: 'strings',
        about: [
          { strong: one.name },
          `: ${one.words}${one.count ? ` records, ${one.count.source === 'typed' ? 'typed in' : 'counted'} ${tellMoment(one.count.moment, timeZone)}` : ''}`,
          one.size === undefined ? '' : `; the database had ${writeNumber(one.size)} records`,
        ],
        strings: one.string === '' ? [] : one.string.split('\n'),
      },
      ...listConditions(one),
    ]),
  ];
}

/** What else had to be done in a database, and how its answer differs from what was meant. */
function listConditions({ boxes, without, differences, string }: DatabaseFacts): Block[] {
  const items = [
    ...(string.includes('\n') ? ['Several strings, joined: a record counts if one of them finds it.'] : []),
    ...(boxes.length > 0 ? [`Set on its page: ${boxes.join('; ')}.`] : []),
    ...(without.length > 0 ? [`Not to be had there: ${without.join('; ')}.`] : []),
    ...differences.map(capitalise),
  ];
  return items.length > 0 ? [{ kind: 'list', items: items.map((item) => [item]) }] : [];
}

function writeTopic({ project, state }: SearchFacts): Block[] {
  const { question, purpose, frame } = project.working;
  const good = PURPOSE_ROWS.find(({ id }) => id === purpose);
  return [
    heading('Question and concepts'),
    paragraph(question.trim() === '' ? 'No question was written down.' : question.trim()),
    ...(good ? [paragraph(`Purpose: ${good.name}. ${good.good}`)] : []),
    ...(frame
      ? [
          {
            kind: 'list',
            items: frame.parts
              .filter(({ answer }) => answer !== '')
              .map(({ name, answer }) => [`${name}: ${answer}`]),
          } as const,
        ]
      : []),
    writeConceptTable(state.concepts),
    ...(state.draft.trim() === ''
      ? []
      : [
          {
            kind: 'strings',
            about: ['The query, with concepts by their names:'],
            strings: [state.draft.trim()],
          } as const,
        ]),
    ...state.blocks.map((block): Block => ({
      kind: 'strings',
      about: [{ strong: `@${block.name}` }],
      strings: [block.text],
    })),
  ];
}

function writeConceptTable(concepts: readonly Concept[]): Block {
  return {
    kind: 'table',
    head: ['Concept', 'Terms', 'Left out'],
    rows: concepts.map(({ name, off, terms, note }) => [
      [{ strong: name }, off ? ' (switched off)' : '', note ? ` ${note}` : ''],
      listTerms(terms.filter((term) => !term.off)),
      listTerms(terms.filter((term) => term.off)),
    ]),
    numeric: [],
  };
}

function listTerms(terms: Concept['terms']): RichText {
  return terms.flatMap(({ text }, at): RichText => [at === 0 ? '' : ', ', { code: text }]);
}

function writeDatabases({ databases, dialects, project }: SearchFacts): Block[] {
  const { reasons } = project.working;
  const left = dialects.filter(({ id }) => !databases.some(({ database }) => database === id));
  return [
    heading('Databases'),
    {
      kind: 'table',
      head: ['Database', 'What it covers', 'Address', 'Why it was chosen'],
      rows: databases.map(({ name, dialect, database }) => [
        [{ strong: name }],
        [[dialect?.about, dialect?.coverage].filter(Boolean).join('; ') || 'not said'],
        [dialect?.address ? shortenAddress(dialect.address) : 'not said'],
        [reasons[database] ?? 'not said'],
      ]),
      numeric: [],
    },
    ...(left.length > 0
      ? [
          paragraph('Left out:'),
          {
            kind: 'list',
            items: left.map(({ id, name }): RichText => [
              { strong: name },
              `: ${reasons[id] ?? 'no reason given'}`,
            ]),
          } as const,
        ]
      : []),
  ];
}

/** The address of a search page without the place of the string. */
function shortenAddress(address: string): string {
  return address.split('?')[0]!;
}

function writeDuplicates({ run, databases }: SearchFacts): Block[] {
  const { works } = run;
  if (!works) return [];
  const name = (ids: readonly string[]): string =>
    listInWords(ids.map((id) => databases.find(({ database }) => database === id)?.name ?? id));
  return [
    heading('Duplicates'),
    paragraph(
      `Records of ${name(works.compared)} were compared: of ${writeNumber(works.records)}, ${writeNumber(works.duplicates)} were duplicates. Two records are of one work if they have the same identifier; where one of them has none, if title, first author, year, source and document type agree so far that another work is not likely.`,
    ),
    {
      kind: 'list',
      items: [
        [`${writeNumber(works.matched.identifier)} by the same identifier`],
        [`${writeNumber(works.matched.work)} by title, first author, year, source and document type`],
        [`${writeNumber(works.matched.answer)} by hand`],
      ],
    },
    ...(works.countsOnly.length > 0
      ? [
          paragraph(
            `${name(works.countsOnly)} gave numbers only, so there are between ${describeWorks(run) ?? ''} different works.`,
          ),
        ]
      : []),
  ];
}

const SOURCE_NAMES: Readonly<Record<TermSource, string>> = {
  typed: 'typed in',
  pasted: 'pasted',
  question: 'taken from the question',
  suggestion: 'suggested by word forms, spellings and the index',
  thesaurus: 'taken from a thesaurus',
  record: 'taken from records that were read',
};

function writeTerms({ state }: SearchFacts): Block[] {
  const terms = state.concepts.flatMap((concept) => concept.terms.filter(({ off }) => !off));
  const sources = groupBy(terms, ({ source }) => source ?? 'typed');
  return [
    heading('How terms were found'),
    {
      kind: 'list',
      items: [...sources].map(([source, group]): RichText => [
        { strong: capitalise(SOURCE_NAMES[source]) },
        `, ${writeNumber(group.length)}: ${group.map(({ text }) => nameTerm(text, DIALECTS)).join(', ')}`,
      ]),
    },
    ...(terms.some(({ note }) => note)
      ? [
          {
            kind: 'list',
            items: terms.flatMap(({ text, note }): RichText[] =>
              note ? [[{ code: text }, `: ${note}`]] : [],
            ),
          } as const,
        ]
      : []),
  ];
}

function writeChanges({ project, timeZone, dialects }: SearchFacts): Block[] {
  if (project.variants.length === 0) return [];
  const name = (id: string): string => dialects.find((dialect) => dialect.id === id)?.name ?? id;
  const counts = groupBy(project.tallies, ({ variant }) => variant);
  return [
    heading('Variants, and why each was made'),
    {
      kind: 'table',
      head: ['Variant', 'Frozen', 'What changed, and why', 'First counts'],
      rows: project.variants.map((variant) => [
        [{ strong: variant.name }],
        [tellMoment(variant.moment, timeZone)],
        [variant.note || 'not said'],
        [listFirstCounts(counts.get(variant.id) ?? [], name) || 'not counted when it was frozen'],
      ]),
      numeric: [],
    },
  ];
}

function listFirstCounts(tallies: Project['tallies'], name: (database: string) => string): string {
  return [...groupBy(tallies, ({ database }) => database)]
    .map(([database, [first]]) => `${name(database)} ${first ? writeTally(first) : ''}`)
    .join(', ');
}

function writeProofs({ project, run }: SearchFacts): Block[] {
  const { mustFinds, asideLooks, judgements } = project;
  const verdicts = groupBy(Object.values(judgements), ({ verdict }) => verdict);
  const said = (verdict: 'on' | 'off' | 'unsure'): number => verdicts.get(verdict)?.length ?? 0;
  return [
    heading('Must-finds and records read'),
    paragraph(
      mustFinds.length === 0
        ? 'No works were named beforehand that the search has to find.'
        : `${capitalise(countInWords(mustFinds.length, 'work'))} had to be found.${
            run.recall
              ? ` The databases of the run hold ${run.recall.there} of them; it found ${run.recall.found}.`
              : ' They were not looked for in this run.'
          }`,
    ),
    ...(mustFinds.length > 0
      ? [
          {
            kind: 'list',
            items: mustFinds
              .filter(({ isAside }) => !isAside)
              .map(({ title, identifier }): RichText => [title || (identifier ?? '')]),
          } as const,
        ]
      : []),
    ...(asideLooks.length > 0
      ? [
          paragraph(
            `${capitalise(countInWords(asideLooks.length, 'look'))} at the half that was put aside: ${asideLooks.map(({ found, there }) => `${found} of ${there}`).join(', ')}.`,
          ),
        ]
      : []),
    paragraph(
      `Records judged in this project, of whatever set: ${said('on')} on topic, ${said('off')} off topic, ${said('unsure')} not sure.`,
    ),
  ];
}

function writeReview({ project }: SearchFacts): Block[] {
  const marks = Object.entries(project.review);
  const elements = createReport([], project.review);
  const others = marks.filter(([key]) => !REVIEW_ELEMENTS.some(({ id }) => createElementKey(id) === key));
  const done = others.filter(([, { isDone }]) => isDone).length;
  return [
    heading('Peer review'),
    marks.length === 0
      ? paragraph('The query was not reviewed.')
      : {
          kind: 'list',
          items: [
            ...elements.flatMap(({ name, mark }): RichText[] =>
              mark ? [[{ strong: name }, `: ${mark.isDone ? 'reviewed. ' : ''}${mark.comment}`]] : [],
            ),
            ...(others.length > 0
              ? [[`Points that were found: ${others.length} answered, ${done} done.`]]
              : []),
            ...others.flatMap(([, { comment }]): RichText[] => (comment === '' ? [] : [[comment]])),
          ],
        },
  ];
}

function writeSources({ project, timeZone }: SearchFacts): Block[] {
  return [
    heading('Sources beyond databases'),
    project.sources.length === 0
      ? paragraph('None is noted.')
      : {
          kind: 'list',
          items: project.sources.map((source) => [
            ...describeSource(source),
            ` ${tellDay(source.moment, timeZone)}.`,
          ]),
        },
  ];
}

function writePlan({ project }: SearchFacts): Block[] {
  const { updatePlan, learnt } = project.documentWords;
  return [
    heading('Running it again'),
    paragraph(updatePlan.trim() === '' ? 'Nothing is planned.' : updatePlan),
    ...(learnt.trim() === '' ? [] : [heading('What was learnt'), paragraph(learnt)]),
  ];
}

function writeLog({ log, timeZone }: SearchFacts): Block[] {
  return [
    heading('The log'),
    {
      kind: 'table',
      head: ['When', 'What'],
      rows: log.map((line) => [[tellMoment(line.moment, timeZone)], line.read().text]),
      numeric: [],
    },
  ];
}

/** The sheet of an assignment: from the question to what was learnt, with the first and the last count. */
function writeAssignment(facts: SearchFacts): Block[] {
  const { project, databases, state } = facts;
  const [first] = project.variants;
  const before = first && first.id !== facts.variant?.id ? first : undefined;
  const counts = project.tallies.filter(({ variant }) => before && variant === before.id);
  return [
    heading('Question'),
    paragraph(project.working.question.trim() || 'No question was written down.'),
    heading('Keywords'),
    writeConceptTable(state.concepts),
    ...(before
      ? [
          heading('First search'),
          {
            kind: 'strings',
            about: [{ strong: before.name }, before.note === '' ? '' : `: ${before.note}`],
            strings: [before.frozen.draft.trim()],
          } as const,
          {
            kind: 'table',
            head: ['Database', 'Records'],
            rows: before.frozen.databases.map((id) => {
              const tally = counts.find(({ database }) => database === id);
              return [
                [facts.dialects.find((dialect) => dialect.id === id)?.name ?? id],
                [tally ? writeTally(tally) : 'not counted'],
              ];
            }),
            numeric: [1],
          } as const,
        ]
      : []),
    heading('Revised search'),
    { kind: 'list', items: listHeadings(state.concepts) },
    ...writeStrings(facts).slice(1),
    {
      kind: 'table',
      head: ['Database', 'Records'],
      rows: databases.map(({ name, words }) => [[name], [words]]),
      numeric: [1],
    },
    heading('What was learnt'),
    paragraph(project.documentWords.learnt.trim() || 'Nothing is written down yet.'),
    heading('Works that were kept'),
    project.kept.length === 0
      ? paragraph('None yet.')
      : {
          kind: 'list',
          items: project.kept.map(({ record: { authors, year, title, source, doi } }) => [
            `${describeAuthors(authors, 6)} (${year ?? 'no year'}). ${title}. ${source}.${doi ? ` ${doi}` : ''}`,
          ]),
        },
  ];
}

function listHeadings(concepts: readonly Concept[]): RichText[] {
  const headings = concepts.flatMap(({ terms }) =>
    terms.filter((term) => !term.off && describeTermKind(term) === 'heading'),
  );
  return headings.length > 0
    ? headings.map(({ text }): RichText => ['Subject heading: ', nameTerm(text, DIALECTS)])
    : [['No subject headings are searched.']];
}
