import type { Candidate, LearnAnswer, LearnRequest, LearntRecord } from '#core/reading/index';

/** The worker that looks for what records have in common. Only the answer to the newest request counts. */
export class LearnWorker {
  private readonly worker = new Worker(new URL('../workers/learn.worker', import.meta.url), {
    type: 'module',
  });
  private turn = 0;

  constructor(onLearnt: (candidates: readonly Candidate[]) => void) {
    this.worker.addEventListener('message', ({ data }: MessageEvent<LearnAnswer>) => {
      if (data.turn === this.turn) onLearnt(data.candidates);
    });
  }

  learn(request: Omit<LearnRequest, 'turn'>): void {
    const sent: LearnRequest = { ...request, turn: ++this.turn, records: request.records.map(pickLearnt) };
    this.worker.postMessage(sent);
  }

  end(): void {
    this.worker.terminate();
  }
}

/** A record without what nothing is learnt from: full texts are long. */
function pickLearnt({ title, abstract, keywords, headings, source, authors }: LearntRecord): LearntRecord {
  return { title, abstract, keywords, headings, source, authors };
}
