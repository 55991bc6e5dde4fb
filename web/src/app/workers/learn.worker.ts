import { listCandidates, type LearnAnswer, type LearnRequest } from '#core/reading/index';

/** Looks for what records have in common away from the page. */
addEventListener('message', ({ data }: MessageEvent<LearnRequest>) => {
  const { turn, records, lesson, most, vocabulary } = data;
  const answer: LearnAnswer = { turn, candidates: listCandidates(records, lesson, most, vocabulary) };
  postMessage(answer);
});
