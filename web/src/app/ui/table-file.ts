import { unparse } from 'papaparse';

/** A table as rows of cells: what a chart shows, or what stands on the screen. */
export type TableCells = readonly (readonly (string | number)[])[];

/** A table as a CSV file (RFC 4180) with a mark that it is UTF-8, so that every program reads its letters. */
export function writeCsv(cells: TableCells): string {
  return `\ufeff${unparse(
    cells.map((row) => [...row]),
    { newline: '\r\n', escapeFormulae: true },
  )}\r\n`;
}

/** A table with tabs between its cells, as spreadsheets take it from the clipboard. */
export function writeTabbed(cells: TableCells): string {
  return unparse(
    cells.map((row) => [...row]),
    { delimiter: '\t', newline: '\n', escapeFormulae: true },
  );
}

const ROW = 26;
const PAD = 12;

/** A table drawn as a picture in the colours of the page. */
export function drawTable(
  title: string,
  cells: TableCells,
  font: string,
  colours: { ink: string; paper: string; rule: string },
): Promise<Blob | null> {
  const canvas = document.createElement('canvas');
  const measure = canvas.getContext('2d');
  if (!measure) return Promise.resolve(null);
  measure.font = `14px ${font}`;
  const widths = (cells[0] ?? []).map((_, column) =>
    Math.max(...cells.map((row) => measure.measureText(String(row[column] ?? '')).width + 2 * PAD)),
  );
  const scale = 2;
  canvas.width = scale * Math.max(320, widths.reduce((sum, width) => sum + width, 0) + 2 * PAD);
  canvas.height = scale * ((cells.length + 1) * ROW + 2 * PAD);
  const pen = canvas.getContext('2d');
  if (!pen) return Promise.resolve(null);
  pen.scale(scale, scale);
  pen.fillStyle = colours.paper;
  pen.fillRect(0, 0, canvas.width, canvas.height);
  pen.fillStyle = colours.ink;
  pen.textBaseline = 'middle';
  pen.font = `600 15px ${font}`;
  pen.fillText(title, PAD, PAD + ROW / 2);
  cells.forEach((row, line) => {
    pen.font = `${line === 0 ? '600 ' : ''}14px ${font}`;
    let left = PAD;
    const middle = PAD + ROW * (line + 1) + ROW / 2;
    row.forEach((cell, column) => {
      const width = widths[column] ?? 0;
      pen.textAlign = column === 0 ? 'left' : 'right';
      pen.fillText(String(cell), column === 0 ? left : left + width - PAD, middle);
      left += width;
    });
    pen.fillStyle = colours.rule;
    pen.fillRect(PAD, middle + ROW / 2 - 1, left - PAD, 1);
    pen.fillStyle = colours.ink;
  });
  return new Promise((resolve) => canvas.toBlob(resolve, 'image/png'));
}
