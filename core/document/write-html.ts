import { escapeUTF8 } from 'entities';
import { writeNumber } from '../log';
import type { RichText } from '../text';
import type { Block, SearchDocument } from './document';
import { drawFlow, type Flow } from './flow';

/** Looks of the page, on a screen and on paper: rows and strings are not torn apart. */
const STYLE = `
body { max-width: 46rem; margin: 2rem auto; padding: 0 1rem; color: #22262c; background: #fff; font: 16px/1.5 "Source Sans 3", "Segoe UI", Helvetica, Arial, sans-serif; }
h1, h2 { font-family: "Source Serif 4", Georgia, serif; line-height: 1.25; break-after: avoid; }
h1 { font-size: 1.7rem; } h2 { font-size: 1.2rem; margin-top: 2rem; }
.subtitle { color: #5d6470; }
table { border-collapse: collapse; width: 100%; }
th, td { padding: .3rem .6rem .3rem 0; border-bottom: 1px solid #e4e0d8; text-align: left; vertical-align: top; }
td.number, th.number { text-align: right; font-variant-numeric: tabular-nums; }
tr, figure, .strings { break-inside: avoid; }
thead { display: table-header-group; }
pre, code { font-family: "Source Code Pro", Consolas, monospace; font-size: .9em; hyphens: none; font-variant-ligatures: none; }
pre { margin: .3rem 0 .8rem; padding: .6rem .8rem; border-left: 3px solid #1f4a94; background: #f7f5f0; white-space: pre-wrap; overflow-wrap: anywhere; }
figure { margin: 1rem 0; }
@page { margin: 18mm 16mm; }
@media print { body { margin: 0; max-width: none; font-size: 11pt; } pre { background: none; } }
`;

/** A document as a page that stands alone (HTML): nothing is fetched, and nothing in it runs. */
export function writeHtml({ title, subtitle, blocks }: SearchDocument): string {
  return [
    '<!doctype html>',
    '<html lang="en">',
    '<head>',
    '<meta charset="utf-8">',
    '<meta name="viewport" content="width=device-width">',
    `<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'">`,
    `<title>${escapeUTF8(title)}</title>`,
    `<style>${STYLE}</style>`,
    '</head>',
    '<body>',
    '<main>',
    `<h1>${escapeUTF8(title)}</h1>`,
    `<p class="subtitle">${writeRuns(subtitle)}</p>`,
    ...blocks.map(writeBlock),
    '</main>',
    '</body>',
    '</html>',
    '',
  ].join('\n');
}

function writeBlock(block: Block): string {
  switch (block.kind) {
    case 'heading':
      return `<h2>${escapeUTF8(block.text)}</h2>`;
    case 'paragraph':
      return `<p>${writeRuns(block.text)}</p>`;
    case 'list':
      return `<ul>${block.items.map((item) => `<li>${writeRuns(item)}</li>`).join('')}</ul>`;
    case 'table': {
      const cell = (tag: 'th' | 'td', at: number, text: string): string =>
        `<${tag}${block.numeric.includes(at) ? ' class="number"' : ''}>${text}</${tag}>`;
      const head = block.head.map((text, at) => cell('th', at, escapeUTF8(text))).join('');
      const rows = block.rows.map(
        (row) => `<tr>${row.map((text, at) => cell('td', at, writeRuns(text))).join('')}</tr>`,
      );
      return `<table><thead><tr>${head}</tr></thead><tbody>${rows.join('\n')}</tbody></table>`;
    }
    case 'strings':
      return `<div class="strings"><p>${writeRuns(block.about)}</p>${block.strings
        .map((text) => `<pre>${escapeUTF8(text)}</pre>`)
        .join('')}</div>`;
    case 'flow':
      return `<figure>${writeFlowSvg(block.flow)}</figure>`;
  }
}

function writeRuns(text: RichText): string {
  return text
    .map((run) => {
      if (typeof run === 'string') return escapeUTF8(run);
      return 'strong' in run
        ? `<strong>${escapeUTF8(run.strong)}</strong>`
        : `<code>${escapeUTF8(run.code)}</code>`;
    })
    .join('');
}

const COLOURS = { source: '#6d93d6', works: '#6d93d6', duplicates: '#a9abb0' } as const;

/** The drawing of a flow as a file of its own (SVG 1.1). */
export function writeFlowSvg(flow: Flow): string {
  const { width, height, streams } = drawFlow(flow);
  const words = [
    ...flow.sources.map(({ name, records }) => `${name} ${writeNumber(records)}`),
    `${writeNumber(flow.duplicates)} duplicates`,
    `${writeNumber(flow.works)} different works`,
  ].join(', ');
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}" role="img" aria-label="${escapeUTF8(words)}" font-family="Source Sans 3, Segoe UI, Helvetica, Arial, sans-serif" font-size="11">`,
    ...streams.map(({ path, kind }) => `<path d="${path}" fill="${COLOURS[kind]}"/>`),
    ...streams.map(
      ({ x, y, name, number, kind }) =>
        `<text x="${x}" y="${y}" dominant-baseline="middle" fill="#22262c">${escapeUTF8(
          kind === 'source' ? `${name} ${writeNumber(number)}` : `${writeNumber(number)} ${name}`,
        )}</text>`,
    ),
    '</svg>',
  ].join('');
}
