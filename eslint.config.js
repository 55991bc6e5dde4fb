import js from '@eslint/js';
import angular from 'angular-eslint';
import prettier from 'eslint-config-prettier';
import tseslint from 'typescript-eslint';
import { createCoreLayers, createWebLayers } from './scripts/lint/layers.js';
import { noTotalArithmetic } from './scripts/lint/no-total-arithmetic.js';

const banned = (...patterns) => ['error', { patterns }];
/** Patterns are those of ignore files, in which `#` begins a comment: it is written with a backslash. */
const rule = (group, message) => ({ group: group.map((one) => one.replace(/^#/, '\\#')), message });

const CORE_IS_ALONE = [
  rule(
    ['**/web/**', '**/server/**', '**/e2e/**', '**/demo/**', '#server/*', '#demo/*'],
    'core/ imports nothing of the other layers.',
  ),
  rule(
    ['@angular/*', '@ngrx/*', 'rxjs', 'rxjs/*', 'express', 'idb', '@codemirror/*', 'node:*'],
    'core/ is pure TypeScript.',
  ),
];
const DIALECTS_ARE_CLIENTS = rule(
  ['#core/dialect/*', '**/core/dialect/**'],
  'A stand-in reads strings by its own manual, apart from core/dialect.',
);

const WEB_IS_A_CLIENT = [
  rule(['**/server/**', '#server/*', 'express', 'node:*'], 'web/ reaches the server over HTTP only.'),
];

export default tseslint.config(
  { ignores: ['dist/**', '.angular/**', 'out-tsc/**', 'test-results/**', 'node_modules/**', '.bench/**'] },
  {
    files: ['**/*.ts'],
    extends: [
      js.configs.recommended,
      ...tseslint.configs.recommendedTypeChecked,
      ...tseslint.configs.stylisticTypeChecked,
    ],
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        {
          allowDefaultCaseForExhaustiveSwitch: false,
          considerDefaultExhaustiveForUnions: false,
          requireDefaultForNonUnion: false,
        },
      ],
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      'max-lines': ['error', { max: 600 }],
    },
    languageOptions: {
      parserOptions: {
        project: [
          './core/tsconfig.json',
          './server/tsconfig.json',
          './e2e/tsconfig.json',
          './web/tsconfig.app.json',
          './web/tsconfig.spec.json',
          './web/tsconfig.worker.json',
        ],
        tsconfigRootDir: import.meta.dirname,
      },
    },
  },
  {
    files: ['core/**/*.ts', 'web/**/*.ts', 'bench/**/*.ts'],
    ignores: ['core/count/**', '**/*.spec.ts', '**/testing/**'],
    plugins: { ewer: { rules: { 'no-total-arithmetic': noTotalArithmetic } } },
    rules: { 'ewer/no-total-arithmetic': 'error' },
  },
  {
    files: ['web/**/*.ts'],
    extends: [...angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: {
      '@angular-eslint/component-selector': [
        'error',
        { type: 'element', prefix: 'app', style: 'kebab-case' },
      ],
      '@angular-eslint/prefer-on-push-component-change-detection': 'error',
      '@typescript-eslint/no-restricted-imports': banned(...WEB_IS_A_CLIENT),
    },
  },
  ...createWebLayers(WEB_IS_A_CLIENT),
  {
    files: ['**/*.html'],
    extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility],
  },
  {
    files: ['core/**/*.ts'],
    rules: {
      '@typescript-eslint/no-restricted-imports': banned(...CORE_IS_ALONE),
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'navigator',
        'localStorage',
        'indexedDB',
        'fetch',
        'process',
        'Date',
        'performance',
        'crypto',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Random numbers are handed in.' },
      ],
    },
  },
  ...createCoreLayers(CORE_IS_ALONE),
  {
    files: ['bench/**/*.ts'],
    rules: {
      '@typescript-eslint/no-restricted-imports': banned(
        rule(['**/web/**'], 'What is measured stands in the core or the server, not in the page.'),
      ),
    },
  },
  {
    // Plain loops over typed arrays: an index below the length is always there.
    files: [
      'core/collection/**/*.ts',
      'core/compare/*.ts',
      'core/record/deduplicate.ts',
      'demo/**/*.ts',
      'server/**/*.ts',
      'bench/**/*.ts',
      '**/*.spec.ts',
      'web/src/app/data/connections/count-requests.ts',
    ],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off' },
  },
  {
    // What a template may use of a component, its tests may use.
    files: ['web/**/*.spec.ts'],
    rules: {
      '@typescript-eslint/dot-notation': [
        'error',
        { allowPrivateClassPropertyAccess: true, allowProtectedClassPropertyAccess: true },
      ],
    },
  },
  {
    files: ['core/**/*.spec.ts'],
    rules: { '@typescript-eslint/no-restricted-imports': 'off', 'no-restricted-globals': 'off' },
  },
  {
    files: ['server/**/*.ts', 'demo/**/*.ts'],
    rules: {
      '@typescript-eslint/no-restricted-imports': banned(
        rule(['**/web/**', '@angular/*', '@ngrx/*'], 'The server knows no interface.'),
      ),
    },
  },
  {
    files: ['server/standins/**/*.ts'],
    ignores: ['**/*.spec.ts'],
    rules: {
      '@typescript-eslint/no-restricted-imports': banned(
        rule(['**/web/**', '@angular/*', '@ngrx/*'], 'The server knows no interface.'),
        DIALECTS_ARE_CLIENTS,
      ),
    },
  },
  prettier,
);
