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
        document: SearchDocument,
        facts: SearchFacts,
      ) => string | undefined | Promise<ArrayBuffer>;
    }
  >
> = {
  docx: {
    type: 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
    write: writeDocx,
  },
  md: { type: 'text/markdown', write: writeMarkdown },
  html: { type: 'text/html', write: writeHtml },
  csv: { type: 'text/csv', write: (_, facts) => writeStringsCsv(facts) },
  json: { type: 'application/json', write: (_, facts) => writeSearchJson(facts) },
  svg: { type: 'image/svg+xml', write: (_, { flow }) => flow && writeFlowSvg(flow) },
  'flow-csv': { type: 'text/csv', write: (_, { flow }) => flow && writeFlowCsv(flow) },
};

/** Makes what is shown of a run, or one file of it. */
export async function doDocumentTask({
  input,
  task,
}: DocumentRequest): Promise<DocumentResults[keyof DocumentResults]> {
  const facts = gatherFacts(input);
  const document = composeDocument(facts, task.length);
  if (task.kind === 'show')
    return { document, points: listCheckPoints(facts), methods: writeMethods(facts), flow: facts.flow };
  const { type, write } = FORMATS[task.format];
  const content = await write(document, facts);
  return content === undefined ? undefined : { content, type };
}
