import { printQuery } from '../../query';
import type { Dialect } from '../profile';
import { readString } from '../read';
import { describeFields, findFields } from './field-marks';
import { describeNearness, findNearness } from './nearness';
import { findOperators, hasMixedLevels } from './operators';
import { createAsker, type Ask, type LearnQuestion } from './question';
import { findPhraseWildcards, findWildcards } from './wildcards';

/** How the proposed dialect reads one example. */
export interface LearnReading {
  readonly text: string;
  /** Signs of it that the proposal does not take. */
  readonly faults: number;
  /** What it is read as, in Ewer's own query text. */
  readonly meaning: string;
}

/** What some examples teach. */
export interface Lesson {
  readonly dialect: Dialect;
  readonly questions: readonly LearnQuestion[];
  readonly readings: readonly LearnReading[];
}

/** The least and the most examples that are asked for. */
export const FEWEST_EXAMPLES = 3;
export const MAX_EXAMPLES = 6;

/**
 * Proposes a dialect for strings of a database that has no dialect yet: from the signs that stand in them and
 * what the person answers (by the questions' ids). `base` gives the rest.
 */
export function learnDialect(
  examples: readonly string[],
  base: Dialect,
  answers: Readonly<Record<string, string>> = {},
): Lesson {
  const { ask, questions } = createAsker(answers);
  const texts = examples.map((text) => text.trim()).filter((text) => text !== '');
  const near = findNearness(texts);
  const fields = findFields(texts, near);
  const operators = findOperators(
    texts,
    near.map(({ word }) => word),
    ask,
  );
  const isBefore = texts.some((text) => /(^|[\s(])-(?=["\p{L}(])/u.test(text));
  // How operators bind is asked where it matters, and the grammar is what the examples show.
  const { mixedOperators: _, grammar: __, ...rest } = base;
  const proposal: Dialect = {
    ...rest,
    operators: {
      ...operators,
      ...(isBefore && { not: { write: '-', read: ['-'], anyCase: true } }),
    },
    exclusion: isBefore ? 'before' : 'between',
    wildcards: findWildcards(texts, ask),
    phrase: { ...base.phrase, wildcards: findPhraseWildcards(texts) },
    proximity: near.map((one) => describeNearness(one, ask)),
    fields: describeFields(fields, base, ask),
    precedence: hasMixedLevels(texts, operators) ? describePrecedence(ask) : base.precedence,
    sideBySide: 'error',
    reservedWords: [],
  };
  const isSideBySide = texts.some((text) =>
    readString(text, proposal).problems.some(({ code }) => code === 'side-by-side'),
  );
  const isBlank = operators.and.write === '';
  const sideBySide = isBlank ? 'and' : isSideBySide ? describeSideBySide(ask) : 'error';
  const dialect: Dialect = { ...proposal, sideBySide };
  return {
    dialect,
    questions,
    readings: texts.map((text) => {
      const { root, problems } = readString(text, dialect);
      return {
        text,
        faults: problems.filter(({ severity }) => severity === 'error').length,
        meaning: printQuery(root),
      };
    }),
  };
}

function describePrecedence(ask: Ask): Dialect['precedence'] {
  const answer = ask(
    'precedence',
    'Where AND and OR stand side by side without brackets, which comes first?',
    [
      ['and', 'AND, as in most databases'],
      ['or', 'OR'],
      ['left', 'whichever stands further left'],
    ],
    'and',
  );
  if (answer === 'left') return 'left-to-right';
  return answer === 'or' ? [['not'], ['or'], ['and']] : [['not'], ['and'], ['or']];
}

function describeSideBySide(ask: Ask): Dialect['sideBySide'] {
  const answer = ask(
    'side-by-side',
    'What do words side by side mean, without quotation marks?',
    [
      ['and', 'all of them'],
      ['phrase', 'a phrase'],
    ],
    'and',
  );
  return answer === 'phrase' ? 'phrase' : 'and';
}
