import { doDocumentTask } from '#core/document/do-task';
import { DOCUMENT_FORMATS } from '#core/document/index';
import { DIALECTS } from '#core/dialect/index';
import { createLongProject } from '#core/testing/long-project';

/** How long a document takes of 12 databases, 40 variants and a log of 2,000 lines (wanted 1 s each). */
const databases = Array.from({ length: 12 }, (_, at) => DIALECTS[at]?.id ?? `own-${at}`);
const project = createLongProject({ databases, states: 1_500, variants: 40, notes: 460 });
const input = { project, run: project.runs[0]!, dialects: DIALECTS, timeZone: 'UTC' };
for (let round = 0; round < 3; round++)
  for (const format of [undefined, ...DOCUMENT_FORMATS]) {
    const start = performance.now();
    await doDocumentTask({
      turn: 0,
      input,
      task: format ? { kind: 'write', length: 'appendix', format } : { kind: 'show', length: 'appendix' },
    });
    console.log(`${format ?? 'shown'}: ${(performance.now() - start).toFixed(0)} ms (wanted 1,000)`);
  }
