import { describeWorks, writeNumber } from '../log';
import type { EditedText } from '../project';
import type { Span } from '../text';
import type { SearchFacts } from './facts';
import { capitalise, countInWords, listInWords, tellDay } from './words';

/** The paragraph for the methods section, with the numbers of a run. */
export function writeMethods({ project, run, state, databases, limiters, timeZone }: SearchFacts): string {
  const names = databases.map(({ name }) => name);
  const concepts = state.concepts.filter(({ off }) => !off).map(({ name }) => name);
  const works = describeWorks(run);
  const { matched } = run.works ?? {};
  const { searcher } = project.documentWords;
  const sentences = [
    `${capitalise(countInWords(names.length, 'database'))} (${listInWords(names)}) ${names.length === 1 ? 'was' : 'were'} searched on ${tellDay(run.moment, timeZone)}${searcher === '' ? '' : ` by ${searcher}`}${concepts.length > 0 ? ` for works on ${listInWords(concepts)}` : ''}${limiters.length > 0 ? `, limited to ${listInWords(limiters)}` : ''}.`,
    `The search found ${listInWords(databases.map(({ name, words, count }) => (count ? `${words} records in ${name}` : `nothing that was counted in ${name}`)))}.`,
    ...(run.works && works !== undefined
      ? [
          run.works.countsOnly.length > 0
            ? `Without duplicates these are ${works} different works; ${listInWords(run.works.countsOnly.map((id) => databases.find(({ database }) => database === id)?.name ?? id))} could only be counted.`
            : `${countDuplicates(run.works.duplicates)}, ${works} works were left.`,
        ]
      : []),
    ...(matched && matched.identifier + matched.work + matched.answer > 0
      ? [
          `Duplicates were told by ${listInWords([
            ...(matched.identifier > 0 ? [`the same identifier (${writeNumber(matched.identifier)})`] : []),
            ...(matched.work > 0
              ? [`title, first author, year and source (${writeNumber(matched.work)})`]
              : []),
            ...(matched.answer > 0 ? [`hand (${writeNumber(matched.answer)})`] : []),
          ])}.`,
        ]
      : []),
    ...(run.recall && run.recall.there > 0
      ? [
          `Of ${run.recall.there} works known beforehand that these databases hold, the search found ${run.recall.found}.`,
        ]
      : []),
    ...(project.sources.length > 0
      ? [
          `Beside the databases, ${countInWords(project.sources.length, 'further source')} ${project.sources.length === 1 ? 'was' : 'were'} searched without a string.`,
        ]
      : []),
  ];
  return sentences.join(' ');
}

function countDuplicates(duplicates: number): string {
  return duplicates === 0
    ? 'There were no duplicates'
    : `Without ${writeNumber(duplicates)} ${duplicates === 1 ? 'duplicate' : 'duplicates'}`;
}

/**
 * Where an edited paragraph holds a number that its proposal had, and the proposal of today has not: there a number
 * has changed since.
 */
export function findStaleNumbers({ text, from }: EditedText, proposal: string): Span[] {
  const had = new Set(readNumbers(from));
  const has = new Set(readNumbers(proposal));
  return [...text.matchAll(NUMBER)]
    .filter(([number]) => had.has(number) && !has.has(number))
    .map((match) => ({ start: match.index, end: match.index + match[0].length }));
}

const NUMBER = /\d+(?:[,.]\d+)*/g;

function readNumbers(text: string): string[] {
  return [...text.matchAll(NUMBER)].map(([number]) => number);
}
