import { describeWorks, writeNumber } from '../log';
import type { Concept } from '../project';
import type { RichText } from '../text';
import { heading, paragraph } from './blocks';
import type { Block } from './document';
import type { DatabaseFacts, SearchFacts } from './facts';
import { writeMethods } from './methods';
import { capitalise, listInWords, tellMoment } from './words';

/** When what was run, by whom, and how many works it found. */
export function writeSubtitle({ run, variant, timeZone, project }: SearchFacts): RichText {
  const works = describeWorks(run);
  return [
    `Run of ${tellMoment(run.moment, timeZone)} (${timeZone}) · variant `,
    { strong: variant?.name ?? 'that was removed' },
    works === undefined ? '' : ` · ${works} different works`,
    project.documentWords.searcher === '' ? '' : ` · searched by ${project.documentWords.searcher}`,
  ];
}

/** The paragraph for the methods section, as the person wants it, and the numbers as a river. */
export function writeSummary(facts: SearchFacts): Block[] {
  const { methods } = facts.project.documentWords;
  return [
    paragraph(methods?.text ?? writeMethods(facts)),
    ...(facts.flow ? [{ kind: 'flow', flow: facts.flow } as const] : []),
  ];
}

/** Each database with its string, its count, and what else had to be done there. */
export function writeStrings({ databases, timeZone, limiters }: SearchFacts): Block[] {
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

/** How duplicates were told, and how many there were. */
export function writeDuplicates({ run, databases }: SearchFacts): Block[] {
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

/** The concepts with their terms, and those that are left out. */
export function writeConceptTable(concepts: readonly Concept[]): Block {
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
