import { runChecks } from '#core/check/index';
import type { ChecksAnswer, ChecksRequest } from '#core/contract/index';
import { findDialect } from '#core/dialect/index';
import { createVocabulary, type Vocabulary } from '#core/vocabulary/index';

const vocabularies = new Map<string, Vocabulary>();

/** Looks a query through away from the page. */
addEventListener('message', ({ data }: MessageEvent<ChecksRequest>) => {
  if (data.kind === 'vocabulary') {
    vocabularies.set(data.id, createVocabulary(data.id, data.headings));
    return;
  }
  const { working, turn } = data;
  const meanings = new Map(data.meanings);
  const start = performance.now();
  const checked = runChecks(working, {
    dialects: working.databases.flatMap(
      (id) => working.ownDatabases.find(({ dialect }) => dialect.id === id)?.dialect ?? findDialect(id) ?? [],
    ),
    known: new Map(data.known),
    findVocabulary: (id) => vocabularies.get(id),
    findMeanings: (acronym) => meanings.get(acronym),
  });
  const answer: ChecksAnswer = { turn, checked, took: performance.now() - start };
  postMessage(answer);
});
