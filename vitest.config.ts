import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    projects: [
      { extends: true, test: { name: 'core', include: ['{core,server,demo,bench,scripts}/**/*.spec.ts'] } },
      {
        extends: true,
        test: {
          name: 'web',
          include: ['web/**/*.spec.ts'],
          setupFiles: ['web/src/app/testing/compiler.setup.ts', 'web/src/app/testing/english.setup.ts'],
        },
      },
    ],
    environment: 'node',
    // Tests of drawn templates need the compiler of templates: `ng test` runs them.
    exclude: ['node_modules/**', 'dist/**', '**/*.view.spec.ts'],
    reporters: ['default'],
    testTimeout: 30_000,
    hookTimeout: 120_000,
  },
});
