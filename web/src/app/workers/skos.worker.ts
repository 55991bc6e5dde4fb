import type { SkosMessage, SkosRequest } from '#core/contract/index';
import { readSkos } from '#core/vocabulary/skos/index';

const send = (message: SkosMessage): void => postMessage(message);

/** Reads one thesaurus away from the page; the page ends the worker to cancel. */
addEventListener('message', ({ data }: MessageEvent<SkosRequest>) => {
  const { content, language } = data;
  void readSkos(content, {
    language,
    onProgress: (progress) => send({ kind: 'progress', progress }),
  }).then((reading) => send({ kind: 'read', reading }));
});
