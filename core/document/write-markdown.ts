import type { RichText } from '../text';
import type { Block, SearchDocument } from './document';
import { writeNumber } from '../log';

/** A document as Markdown (CommonMark with tables); strings stand in fences, exactly as they are. */
export function writeMarkdown({ title, subtitle, blocks }: SearchDocument): string {
  return `${[`# ${escapeText(title)}`, writeRuns(subtitle), ...blocks.flatMap(writeBlock)].join('\n\n')}\n`;
}

function writeBlock(block: Block): string[] {
  switch (block.kind) {
    case 'heading':
      return [`## ${escapeText(block.text)}`];
    case 'paragraph':
      return [writeRuns(block.text)];
    case 'list':
      return block.items.length > 0 ? [block.items.map((item) => `- ${writeRuns(item)}`).join('\n')] : [];
    case 'table': {
      const cells = (row: readonly string[]): string => `| ${row.join(' | ')} |`;
      const ruler = block.head.map((_, at) => (block.numeric.includes(at) ? '---:' : '---'));
      return [
        [
          cells(block.head.map(escapeText)),
          cells(ruler),
          ...block.rows.map((row) => cells(row.map(writeRuns))),
        ].join('\n'),
      ];
    }
    case 'strings':
      return [writeRuns(block.about), ...block.strings.map(fence)];
    case 'flow': {
      const { sources, duplicates, works } = block.flow;
      return [
        [
          ...sources.map(({ name, records }) => `- ${escapeText(name)}: ${writeNumber(records)} records`),
          `- duplicates: ${writeNumber(duplicates)}`,
          `- different works: ${writeNumber(works)}`,
        ].join('\n'),
      ];
    }
  }
}

function writeRuns(text: RichText): string {
  return text
    .map((run) => {
      if (typeof run === 'string') return escapeText(run);
      return 'strong' in run ? `**${escapeText(run.strong)}**` : quoteCode(run.code);
    })
    .join('');
}

/** Signs that would mean something in Markdown, or in HTML within it, lose their meaning; a text is one line. */
function escapeText(text: string): string {
  return text.replace(/[\\`*_{}[\]<>#|~&]/g, '\\$&').replace(/\s*\n\s*/g, ' ');
}

function quoteCode(text: string): string {
  const ticks = '`'.repeat(longestTicks(text) + 1);
  const line = text.replace(/\s*\n\s*/g, ' ').replaceAll('|', '\\|');
  return line.startsWith('`') || line.endsWith('`') ? `${ticks} ${line} ${ticks}` : `${ticks}${line}${ticks}`;
}

/** A text as it is, whatever signs it holds. */
function fence(text: string): string {
  const ticks = '`'.repeat(Math.max(3, longestTicks(text) + 1));
  return `${ticks}\n${text}\n${ticks}`;
}

function longestTicks(text: string): number {
  return Math.max(0, ...[...text.matchAll(/`+/g)].map(([ticks]) => ticks.length));
}
