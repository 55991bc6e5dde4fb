import { ESLint } from 'eslint';
import { expect, it } from 'vitest';

/** Stands for a file of the comparisons: what it holds is handed to the linter in its place. */
const FILE = 'core/compare/question.ts';
const check = async (text: string): Promise<string[]> => {
  const [result] = await new ESLint().lintText(
    `import { createAmount, getLeast, type Total } from '../count';\n${text}`,
    {
      filePath: FILE,
    },
  );
  return (result?.messages ?? []).flatMap(({ ruleId }) => ruleId ?? []);
};

it('nobody but core/count calculates with numbers of records, whatever they are called', async () => {
  const rule = 'ewer/no-total-arithmetic';
  expect(await check('export const less = getLeast(createAmount(3)) - getLeast(createAmount(2));')).toContain(
    rule,
  );
  expect(await check('export const share = (a: Total, b: Total | undefined) => a / (b ?? 1);')).toContain(
    rule,
  );
  expect(
    await check('export function add(all: number, one: Total) {\n  all += one;\n  return all;\n}'),
  ).toContain(rule);
  expect(await check('export const isLess = (a: Total, b: Total) => a < b || a === 0;')).not.toContain(rule);
  expect(await check('export const sum = (a: number, b: number) => a + b;')).not.toContain(rule);
}, 60_000);
