import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    environment: 'node',
    include: ['{core,server,demo,bench,web,scripts}/**/*.spec.ts'],
    exclude: ['node_modules/**', 'dist/**'],
    reporters: ['default'],
    testTimeout: 30_000,
    hookTimeout: 120_000,
  },
});
