import { doDocumentTask } from '#core/document/do-task';
import type { DocumentAnswer, DocumentRequest } from '#core/document/index';

/** Makes documents away from the page: a long log takes a while. */
addEventListener('message', ({ data }: MessageEvent<DocumentRequest>) => {
  const { turn } = data;
  void doDocumentTask(data)
    .then((result): DocumentAnswer => ({ turn, result }))
    .catch((fault: unknown): DocumentAnswer => ({
      turn,
      fault: fault instanceof Error ? fault.message : String(fault),
    }))
    .then((answer) => postMessage(answer));
});
