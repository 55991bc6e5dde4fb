import type { CorpusChoice } from './build';

declare const EWER_CORPUS_VERSION: string | undefined;

/** The corpus of the demo. The version is a hash of the sources that make it, set when the server is built. */
export const DEMO_CORPUS: CorpusChoice = {
  seed: 2026,
  count: 40_000,
  version: typeof EWER_CORPUS_VERSION === 'string' ? EWER_CORPUS_VERSION : 'from source',
};
