import {
  SIGNS,
  type Agreement,
  type SameWorkRule,
  type Sign,
  type WorkComparison,
} from '#core/record/same-work/index';
import { formatNumber } from '../../../ui/number-format';

/** What is said of each sign; nothing where a record does not have it. */
const WORDS: Readonly<Record<Sign, Readonly<Partial<Record<Agreement, string>>>>> = {
  title: { same: 'same title', alike: 'title almost the same', different: 'another title' },
  author: {
    same: 'same first author',
    alike: 'first author in another form',
    different: 'another first author',
  },
  year: { same: 'same year', alike: 'one year apart', different: 'other years' },
  source: { same: 'same source', alike: 'source almost the same', different: 'another source' },
  kind: { different: 'another document type' },
};

/** Why a record counts as one with the first of its work: how they agree and differ, where that is what told it. */
export function describeRule(rule: SameWorkRule | undefined, comparison: WorkComparison): string {
  switch (rule) {
    case undefined:
      return 'first';
    case 'identifier':
      return 'same identifier';
    case 'answer':
      return 'as you said';
    case 'work':
      return list(comparison, ['same', 'alike', 'different']);
  }
}

/** How many records were told by what to be of a work that was there before. */
export function describeMatched({
  identifier,
  work,
  answer,
}: Readonly<Record<SameWorkRule, number>>): string {
  return [
    `${formatNumber(identifier)} by their identifier`,
    `${formatNumber(work)} by title, first author, year and source`,
    ...(answer > 0 ? [`${formatNumber(answer)} as you said`] : []),
  ].join(', ');
}

/** Says that versions of a work are not put together; empty if there are none. */
export function describeVersions(pairs: number): string {
  if (pairs === 0) return '';
  const are = pairs === 1 ? '1 pair of records is' : `${formatNumber(pairs)} pairs of records are`;
  return `${are} versions of one work, such as a preprint and its article: they count as different works.`;
}

/** What speaks for one work. */
export function listFor(comparison: WorkComparison): string {
  return list(comparison, ['same', 'alike']);
}

/** What speaks against it. */
export function listAgainst(comparison: WorkComparison): string {
  return list(comparison, ['different']);
}

function list({ agreements }: WorkComparison, wanted: readonly Agreement[]): string {
  return SIGNS.flatMap((sign) => {
    const agreement = agreements[sign];
    return wanted.includes(agreement) ? (WORDS[sign][agreement] ?? []) : [];
  }).join(', ');
}
