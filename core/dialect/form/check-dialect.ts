import { createProblem, type Problem } from '../../problem';
import { parseQuery } from '../../query';
import type { Dialect } from '../profile';
import { readString } from '../read';
import { readDialect } from '../profile';
import { writeQuery } from '../write';

/** Queries that every dialect is tried with: what it writes, it must take. */
const TRIALS = [
  'bat',
  '"street light"',
  'bat AND (lamp OR road) NOT cricket',
  'title: bat',
  'light*',
  'bat WITHIN 3 road',
];

/** What is odd about a dialect of the right shape, each with the entry that it is about. */
const RULES: readonly {
  readonly path: string;
  readonly fault: string;
  readonly isBroken: (dialect: Dialect) => boolean;
}[] = [
  {
    path: 'fields.mark',
    fault: 'a mark that stands on both sides must end with )',
    isBroken: ({ fields: { mark } }) => {
      const [before = '', after = ''] = mark.split('{item}');
      return before !== '' && after !== '' && (after.trim() !== ')' || !before.includes('('));
    },
  },
  {
    path: 'operators',
    fault: 'two operators are written alike',
    isBroken: ({ operators }) => {
      const words = Object.values(operators).map(({ write }) => write.toLowerCase());
      return new Set(words).size < words.length;
    },
  },
  {
    path: 'operators',
    fault: 'only “and” can be left to a blank',
    isBroken: ({ operators }) => operators.or.write === '' || operators.not.write === '',
  },
  {
    path: 'operators.and',
    fault: 'without a word for “and”, words side by side must mean it',
    isBroken: ({ operators, sideBySide }) => operators.and.write === '' && sideBySide !== 'and',
  },
  {
    path: 'operators',
    fault: 'what is written must be read, too',
    isBroken: ({ operators }) =>
      Object.values(operators).some(
        ({ write, read, anyCase }) =>
          write !== '' &&
          !read.some((word) => (anyCase ? word.toLowerCase() === write.toLowerCase() : word === write)),
      ),
  },
  {
    path: 'wildcards',
    fault: 'two wildcards have the same sign',
    isBroken: ({ wildcards }) => {
      const signs = Object.values(wildcards).map(({ sign }) => sign);
      return new Set(signs).size < signs.length;
    },
  },
  {
    path: 'fields.codes',
    fault: 'two fields have the same code',
    isBroken: ({ fields }) => {
      const codes = Object.values(fields.codes).map((code) => code.toLowerCase());
      return new Set(codes).size < codes.length;
    },
  },
  {
    path: 'fields.held',
    fault: 'what is searched without a mark must be held',
    isBroken: ({ fields }) => fields.unmarked.some((field) => !fields.held.includes(field)),
  },
];

/** A document as a dialect, or all its faults, each with its entry. */
export function checkDialect(document: unknown): { dialect?: Dialect; problems: Problem[] } {
  const read = readDialect(document);
  if (!read.dialect) return { problems: read.problems };
  const { dialect } = read;
  const problems = RULES.filter(({ isBroken }) => isBroken(dialect)).map(({ path, fault }) =>
    createFault(path, fault),
  );
  if (problems.length === 0) problems.push(...tryOut(dialect));
  return problems.length === 0 ? { dialect, problems } : { problems };
}

/** Strings that the dialect writes and does not take itself. */
function tryOut(dialect: Dialect): Problem[] {
  return TRIALS.flatMap((text) => {
    const rendering = writeQuery(parseQuery(text).root, dialect);
    const refused = rendering.parts.filter((part) =>
      readString(part.text, dialect).problems.some(({ severity }) => severity === 'error'),
    );
    return refused
      .slice(0, 1)
      .map((part) => createFault('the whole', `it writes ${part.text} and cannot read that`));
  }).slice(0, 1);
}

function createFault(path: string, fault: string): Problem {
  return createProblem('dialect-invalid', 'error', { path, fault });
}
