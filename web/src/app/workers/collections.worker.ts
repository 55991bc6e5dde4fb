import type { CollectionMessage, CollectionRequest } from '#core/contract/index';
import { CollectionKeeper } from '../data/connections/own-collection/collection-keeper';

const keeper = new CollectionKeeper();
const send = (message: CollectionMessage): void => postMessage(message);

/** Imports, counts and searches collections away from the page; the page ends the worker to cancel an import. */
addEventListener('message', ({ data }: MessageEvent<CollectionRequest>) => {
  const { turn, asked } = data;
  void keeper
    .answer(asked, (progress) => send({ turn, kind: 'progress', progress }))
    .then((outcome) => send({ turn, kind: 'answer', outcome }));
});
