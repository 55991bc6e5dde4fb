import { ESLint } from 'eslint';
import { expect, it, vi } from 'vitest';

/** Stands for a file of the comparisons: what it holds is handed to the linter in its place. */
const FILE = 'core/compare/question.ts';
const LINES = [
  "import { createAmount, getLeast, type Total } from '../count';",
  'export const less = getLeast(createAmount(3)) - getLeast(createAmount(2)); // refused',
  'export const share = (a: Total, b: Total | undefined) => a / (b ?? 1); // refused',
  'export const add = (all: number, one: Total) => (all += one); // refused',
  'export const isLess = (a: Total, b: Total) => a < b || a === 0;',
  'export const sum = (a: number, b: number) => a + b;',
];

it('nobody but core/count calculates with numbers of records, whatever they are called', async () => {
  // In a single run the linter reads the file itself, not what is handed in.
  vi.stubEnv('TSESTREE_SINGLE_RUN', 'false');
  const [result] = await new ESLint().lintText(LINES.join('\n'), { filePath: FILE });
  const refused = (result?.messages ?? []).filter(({ ruleId }) => ruleId === 'ewer/no-total-arithmetic');
  const wanted = LINES.flatMap((line, at) => (line.endsWith('// refused') ? [at + 1] : []));
  expect(refused.map(({ line }) => line)).toEqual(wanted);
}, 180_000);
