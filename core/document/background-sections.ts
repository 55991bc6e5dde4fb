import { createElementKey, createReport, REVIEW_ELEMENTS } from '../check';
import { DIALECTS } from '../dialect';
import { describeSource, groupBy, writeNumber, writeTally } from '../log';
import { nameTerm } from '../outline';
import type { Project, TermSource } from '../project';
import { PURPOSE_ROWS } from '../question';
import type { RichText } from '../text';
import { heading, paragraph } from './blocks';
import type { Block } from './document';
import type { SearchFacts } from './facts';
import { writeConceptTable } from './search-sections';
import { capitalise, countInWords, tellDay, tellMoment } from './words';

/** The question, what the search is for, its concepts, and the query of them. */
export function writeTopic({ project, state }: SearchFacts): Block[] {
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

/** What each database covers, where it is, and why it was chosen or left out. */
export function writeDatabases({ databases, dialects, project }: SearchFacts): Block[] {
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

const SOURCE_NAMES: Readonly<Record<TermSource, string>> = {
  typed: 'typed in',
  pasted: 'pasted',
  question: 'taken from the question',
  suggestion: 'suggested by word forms, spellings and the index',
  thesaurus: 'taken from a thesaurus',
  record: 'taken from records that were read',
};

/** Where the terms came from. */
export function writeTerms({ state }: SearchFacts): Block[] {
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

/** The variants with what changed and why. */
export function writeChanges({ project, timeZone, dialects }: SearchFacts): Block[] {
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
        [listFirstCounts(counts.get(variant.id) ?? [], name) || 'not counted'],
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

/** What the search had to find, and what was read of its results. */
export function writeProofs({ project, run }: SearchFacts): Block[] {
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

/** What reviewers said of the query. */
export function writeReview({ project }: SearchFacts): Block[] {
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

/** What was searched without a string. */
export function writeSources({ project, timeZone }: SearchFacts): Block[] {
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

/** When it will be run again, and what was learnt. */
export function writePlan({ project }: SearchFacts): Block[] {
  const { updatePlan, learnt } = project.documentWords;
  return [
    heading('Running it again'),
    paragraph(updatePlan.trim() === '' ? 'Nothing is planned.' : updatePlan),
    ...(learnt.trim() === '' ? [] : [heading('What was learnt'), paragraph(learnt)]),
  ];
}

/** Every line of the log. */
export function writeLog({ log, timeZone }: SearchFacts): Block[] {
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
