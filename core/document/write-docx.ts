import {
  AlignmentType,
  BorderStyle,
  Document,
  HeadingLevel,
  Packer,
  Paragraph,
  Table,
  TableCell,
  TableRow,
  TextRun as Run,
  WidthType,
} from 'docx';
import { writeNumber } from '../log';
import type { RichText } from '../text';
import type { Block, SearchDocument } from './document';

const CODE = 'Source Code Pro';
const LANGUAGE = { value: 'en-GB' };
const RULE = { style: BorderStyle.SINGLE, size: 4, color: 'D9D4C8' };
const NO_RULE = { style: BorderStyle.NONE, size: 0, color: 'auto' };

/** A document for word processors (DOCX, ISO/IEC 29500). Strings are marked so that nothing corrects or divides them. */
export async function writeDocx({ title, subtitle, blocks }: SearchDocument): Promise<ArrayBuffer> {
  const document = new Document({
    title,
    creator: 'Ewer',
    styles: { default: { document: { run: { font: 'Source Sans 3', size: 22, language: LANGUAGE } } } },
    sections: [
      {
        children: [
          new Paragraph({ text: title, heading: HeadingLevel.TITLE }),
          new Paragraph({ children: writeRuns(subtitle), spacing: { after: 200 } }),
          ...blocks.flatMap(writeBlock),
        ],
      },
    ],
  });
  return Packer.toArrayBuffer(document);
}

function writeBlock(block: Block): (Paragraph | Table)[] {
  switch (block.kind) {
    case 'heading':
      return [new Paragraph({ text: block.text, heading: HeadingLevel.HEADING_1, keepNext: true })];
    case 'paragraph':
      return [new Paragraph({ children: writeRuns(block.text), spacing: { after: 120 } })];
    case 'list':
      return block.items.map((item) => new Paragraph({ children: writeRuns(item), bullet: { level: 0 } }));
    case 'table':
      return [writeTable(block), new Paragraph({})];
    case 'strings':
      return [
        new Paragraph({ children: writeRuns(block.about), keepNext: true, spacing: { before: 120 } }),
        ...block.strings.map(
          (text) =>
            new Paragraph({
              children: [writeCode(text)],
              border: { left: { style: BorderStyle.SINGLE, size: 18, color: '1F4A94', space: 8 } },
              spacing: { after: 80 },
            }),
        ),
      ];
    case 'flow': {
      const { sources, duplicates, works } = block.flow;
      return [
        writeTable({
          kind: 'table',
          head: ['From', 'Records'],
          rows: [
            ...sources.map(({ name, records }) => [[name], [writeNumber(records)]]),
            [['duplicates'], [writeNumber(duplicates)]],
            [['different works'], [writeNumber(works)]],
          ],
          numeric: [1],
        }),
        new Paragraph({}),
      ];
    }
  }
}

function writeTable({ head, rows, numeric }: Extract<Block, { kind: 'table' }>): Table {
  const cell = (text: RichText, at: number): TableCell =>
    new TableCell({
      children: [
        new Paragraph({
          children: writeRuns(text),
          alignment: numeric.includes(at) ? AlignmentType.RIGHT : AlignmentType.LEFT,
        }),
      ],
      margins: { top: 40, bottom: 40, right: 100 },
    });
  return new Table({
    width: { size: 100, type: WidthType.PERCENTAGE },
    borders: {
      top: NO_RULE,
      bottom: RULE,
      left: NO_RULE,
      right: NO_RULE,
      insideHorizontal: RULE,
      insideVertical: NO_RULE,
    },
    rows: [
      new TableRow({
        tableHeader: true,
        cantSplit: true,
        children: head.map((text, at) => cell([{ strong: text }], at)),
      }),
      ...rows.map((row) => new TableRow({ cantSplit: true, children: row.map(cell) })),
    ],
  });
}

function writeRuns(text: RichText): Run[] {
  return text.flatMap((run) => {
    if (typeof run === 'string') return run === '' ? [] : [new Run(keepSigns(run))];
    return 'strong' in run ? [new Run({ text: keepSigns(run.strong), bold: true })] : [writeCode(run.code)];
  });
}

function writeCode(text: string): Run {
  return new Run({ text: keepSigns(text), font: CODE, noProof: true });
}

/** Signs that XML 1.0 cannot hold would make a file that does not open. */
function keepSigns(text: string): string {
  // eslint-disable-next-line no-control-regex
  return text.replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, '\ufffd');
}
