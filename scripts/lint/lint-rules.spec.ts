import { ESLint } from 'eslint';
import { beforeEach, describe, expect, it, vi } from 'vitest';

/** The lines that a rule refuses, when they stand in a file. The file must exist: types need its place. */
async function listRefused(rule: string, filePath: string, lines: readonly string[]): Promise<number[]> {
  const [result] = await new ESLint().lintText(lines.join('\n'), { filePath });
  const messages = result?.messages ?? [];
  const unreadable = messages.find(({ fatal }) => fatal);
  if (unreadable) throw new Error(`${filePath}: ${unreadable.message}`);
  return messages.filter(({ ruleId }) => ruleId === rule).map(({ line }) => line);
}

/** The lines that are marked as wrong. */
function listMarked(lines: readonly string[]): number[] {
  return lines.flatMap((line, at) => (line.endsWith('// refused') ? [at + 1] : []));
}

// In a single run the linter reads the file itself, not the lines that are handed in.
beforeEach(() => void vi.stubEnv('TSESTREE_SINGLE_RUN', 'false'));

it('only core/count calculates with numbers of records, whatever they are called', async () => {
  const lines = [
    "import { createAmount, getLeast, type Total } from '../count';",
    'export const less = getLeast(createAmount(3)) - getLeast(createAmount(2)); // refused',
    'export const share = (a: Total, b: Total | undefined) => a / (b ?? 1); // refused',
    'export const add = (all: number, one: Total) => (all += one); // refused',
    'export const isLess = (a: Total, b: Total) => a < b || a === 0;',
    'export const sum = (a: number, b: number) => a + b;',
  ];
  const refused = await listRefused('ewer/no-total-arithmetic', 'core/compare/alternatives.ts', lines);
  expect(refused).toEqual(listMarked(lines));
}, 180_000);

describe('an import against the order of folders', () => {
  const cases: Readonly<Record<string, readonly string[]>> = {
    'core/dialect/write/writer.ts': [
      "import '../../query/index';",
      "import '../../problem';",
      "import '../profile';",
      "import '../profile/dialect'; // refused",
      "import '../read'; // refused",
      "import '#core/limiter/index';",
      "import '../../project'; // refused",
      "import '../../compare/index'; // refused",
      "import '#core/holding/index'; // refused",
      "import '#demo/random'; // refused",
      "import 'node:fs'; // refused",
    ],
    'core/problem/problem.ts': ["import '../text/index';", "import '../query'; // refused"],
    'web/src/app/ui/screen.ts': [
      "import '../words/fidelity-levels';",
      "import './hues';",
      "import '../data/save-file'; // refused",
      "import '../counting/count-state'; // refused",
    ],
    'web/src/app/data/save-file.ts': ["import '../state/open-project'; // refused"],
    'web/src/app/counting/turns.ts': [
      "import '../state/open-project';",
      "import '../records/record-drawer'; // refused",
      "import '../topic/term-order'; // refused",
    ],
    'web/src/app/compare/tools/years/years.component.ts': [
      "import '../../../terms/term-entry';",
      "import '../../parts/waiting';",
      "import '../../../query/query-desk'; // refused",
      "import '../../../shell/gauge.component'; // refused",
      "import 'express'; // refused",
    ],
    'web/src/app/shell/gauge.component.ts': ["import '../projects/project-files';"],
    'server/standins/standins.ts': [
      "import '#core/query/index';",
      "import '#core/dialect/index'; // refused",
    ],
    'bench/outline.ts': [
      "import '../web/src/app/query/query-desk'; // refused",
      "import '#core/query/index';",
    ],
  };
  for (const [file, lines] of Object.entries(cases))
    it(`fails the linter in ${file}`, async () => {
      const refused = await listRefused('@typescript-eslint/no-restricted-imports', file, lines);
      expect(refused).toEqual(listMarked(lines));
    }, 180_000);
});
