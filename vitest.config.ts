import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    environment: 'node',
    include: ['{core,server,demo,bench,web,scripts}/**/*.spec.ts'],
    // Tests of drawn templates need the compiler of templates: `ng test` runs them.
    exclude: ['node_modules/**', 'dist/**', '**/*.view.spec.ts'],
    reporters: ['default'],
    testTimeout: 30_000,
    hookTimeout: 120_000,
  },
});
