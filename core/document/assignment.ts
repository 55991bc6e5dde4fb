import { DIALECTS } from '../dialect';
import { writeTally } from '../log';
import { nameTerm } from '../outline';
import { describeTermKind, type Concept } from '../project';
import { describeAuthors } from '../record';
import type { RichText } from '../text';
import { heading, paragraph } from './blocks';
import type { Block } from './document';
import type { SearchFacts } from './facts';
import { writeConceptTable, writeStrings } from './search-sections';

/** The sheet of an assignment: from the question to what was learnt, with the first and the last count. */
export function writeAssignment(facts: SearchFacts): Block[] {
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
