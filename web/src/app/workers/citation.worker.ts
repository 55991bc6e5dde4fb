import { doCitationTask } from '#core/citation/do-task';
import type { CitationAnswer, CitationRequest } from '#core/citation/index';

/** Writes citations away from the page: a long list takes seconds. */
addEventListener('message', ({ data }: MessageEvent<CitationRequest>) => {
  const answer: CitationAnswer = { turn: data.turn, outcome: doCitationTask(data) };
  postMessage(answer);
});
