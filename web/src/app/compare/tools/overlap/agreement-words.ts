import { SIGNS, type Agreement, type Sign, type WorkComparison } from '#core/record/index';

/** What is said of each sign; nothing where a record does not have it. */
const WORDS: Readonly<Record<Sign, Readonly<Partial<Record<Agreement, string>>>>> = {
  title: { same: 'same title', alike: 'title almost the same', different: 'another title' },
  author: {
    same: 'same first author',
    alike: 'first author written otherwise',
    different: 'another first author',
  },
  year: { same: 'same year', alike: 'one year apart', different: 'other years' },
  source: { same: 'same source', alike: 'source almost the same', different: 'another source' },
  kind: { different: 'another document type' },
};

/** How two records agree and differ, sign by sign. */
export function describeAgreements(comparison: WorkComparison): string {
  return list(comparison, ['same', 'alike', 'different']);
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
