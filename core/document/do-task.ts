import { listCheckPoints } from './checklist';
import { composeDocument } from './compose';
import { gatherFacts, type SearchFacts } from './facts';
import { writeMethods } from './methods';
import type { DocumentFormat, DocumentRequest, DocumentResults } from './tasks';
import type { SearchDocument } from './document';
import { writeDocx } from './write-docx';
import { writeFlowSvg, writeHtml } from './write-html';
import { writeMarkdown } from './write-markdown';
import { writeFlowCsv, writeSearchJson, writeStringsCsv } from './write-tables';

/** How each format is written, with its media type. */
const FORMATS: Readonly<
  Record<
    DocumentFormat,
    {
      readonly type: string;
      readonly write: (
        facts: SearchFacts,
        compose: () => SearchDocument,
      ) => string | undefined | Promise<ArrayBuffer>;
    }
  >
> = {
  docx: {
    type: 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
    write: (_, compose) => writeDocx(compose()),
  },
  md: { type: 'text/markdown', write: (_, compose) => writeMarkdown(compose()) },
  html: { type: 'text/html', write: (_, compose) => writeHtml(compose()) },
  csv: { type: 'text/csv', write: writeStringsCsv },
  json: { type: 'application/json', write: writeSearchJson },
  svg: { type: 'image/svg+xml', write: ({ flow }) => flow && writeFlowSvg(flow) },
  'flow-csv': { type: 'text/csv', write: ({ flow }) => flow && writeFlowCsv(flow) },
};

/** Makes what is shown of a run, or one file of it. */
export async function doDocumentTask({
  input,
  task,
}: DocumentRequest): Promise<DocumentResults[keyof DocumentResults]> {
  const facts = gatherFacts(input);
  const compose = (): SearchDocument => composeDocument(facts, task.length);
  if (task.kind === 'show')
    return {
      document: compose(),
      points: listCheckPoints(facts),
      methods: writeMethods(facts),
      flow: facts.flow,
    };
  const { type, write } = FORMATS[task.format];
  const content = await write(facts, compose);
  return content === undefined ? undefined : { content, type };
}
