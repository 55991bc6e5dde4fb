import {
  SIGNS,
  type Agreement,
  type SameWorkRule,
  type Sign,
  type WorkComparison,
} from '#core/record/same-work/index';
import { formatNumber } from '../../../ui/number-format';
import { say } from '../../../words/say';

/** What is said of each sign; nothing where a record does not have it. */
const WORDS: Readonly<Record<Sign, Readonly<Partial<Record<Agreement, string>>>>> = {
  title: {
    get same() {
      return say('compare.sameTitle');
    },
    get alike() {
      return say('compare.titleAlmostTheSame');
    },
    get different() {
      return say('compare.anotherTitle');
    },
  },
  author: {
    get same() {
      return say('compare.sameFirstAuthor');
    },
    get alike() {
      return say('compare.firstAuthorInAnotherForm');
    },
    get different() {
      return say('compare.anotherFirstAuthor');
    },
  },
  year: {
    get same() {
      return say('compare.sameYear');
    },
    get alike() {
      return say('compare.oneYearApart');
    },
    get different() {
      return say('shared.otherYears');
    },
  },
  source: {
    get same() {
      return say('compare.sameSource');
    },
    get alike() {
      return say('compare.sourceAlmostTheSame');
    },
    get different() {
      return say('compare.anotherSource');
    },
  },
  kind: {
    get different() {
      return say('compare.anotherDocumentType');
    },
  },
};

/** Why a record counts as one with the first of its work: how they agree and differ, where that is what told it. */
export function describeRule(rule: SameWorkRule | undefined, comparison: WorkComparison): string {
  switch (rule) {
    case undefined:
      return 'first';
    case 'identifier':
      return say('compare.sameIdentifier');
    case 'answer':
      return say('compare.asYouSaid');
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
    say('compare.byTheirIdentifier', { identifier: formatNumber(identifier) }),
    say('compare.byTitleFirstAuthorYear', { work: formatNumber(work) }),
    ...(answer > 0 ? [say('compare.asYouSaidAnswer', { answer: formatNumber(answer) })] : []),
  ].join(', ');
}

/** Says that versions of a work are not put together; empty if there are none. */
export function describeVersions(pairs: number): string {
  if (pairs === 0) return '';
  return say('compare.versionsOfOneWorkSuch', { pairs });
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
