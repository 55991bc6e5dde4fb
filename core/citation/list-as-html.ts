import type { ReferenceList } from './write-citations';

/** A list of references as a part of a page: italics and hanging lines survive in word processors. */
export function writeListAsHtml({ entries, hangs }: ReferenceList): string {
  const style = hangs ? ' style="margin:0 0 0.5em 2em;text-indent:-2em"' : ' style="margin:0 0 0.5em"';
  return entries.map(({ html }) => `<p${style}>${html}</p>`).join('\n');
}

/** A list as a page of its own, which word processors open, too. */
export function writePage(list: string): string {
  return `<!doctype html>\n<meta charset="utf-8">\n<title>References</title>\n${list}\n`;
}
