import Papa from 'papaparse';
import { printTerm, splitPastedTerms, tidyTerm, type Concept } from '#core/project/index';

/** Columns of a pasted text: their heads, if the first line has them, and their cells. */
export interface PastedTable {
  readonly columns: readonly { readonly name: string; readonly cells: readonly string[] }[];
}

/** A table as spreadsheets copy it: a concept a column, names in the first line. */
export function writeTermTable(concepts: readonly Concept[]): string {
  const longest = Math.max(0, ...concepts.map((concept) => concept.terms.length));
  const rows = Array.from({ length: longest }, (_, line) =>
    concepts.map((concept) => {
      const term = concept.terms[line];
      return term ? printTerm(term) : '';
    }),
  );
  return Papa.unparse([concepts.map((concept) => concept.name), ...rows], { delimiter: '\t', newline: '\n' });
}

/** A pasted text as columns: one for a list, several where tabs stand between cells. */
export function readTermTable(pasted: string, hasNames: boolean): PastedTable {
  if (!pasted.includes('\t')) {
    const cells = splitPastedTerms(pasted);
    return { columns: [{ name: '', cells: hasNames ? cells.slice(1) : cells }] };
  }
  const { data } = Papa.parse<string[]>(pasted.replace(/\r?\n$/, ''), { delimiter: '\t' });
  const width = Math.max(0, ...data.map((row) => row.length));
  const [names = []] = hasNames ? data : [];
  const rows = hasNames ? data.slice(1) : data;
  const columns = Array.from({ length: width }, (_, at) => ({
    name: names[at]?.trim() ?? '',
    cells: [...new Set(rows.map((row) => tidyTerm(row[at] ?? '')).filter((cell) => cell !== ''))],
  }));
  return { columns: columns.filter((column) => column.cells.length > 0 || column.name !== '') };
}
