import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { doCitationTask } from '#core/citation/do-task';
import type { BibliographicRecord } from '#core/record/index';

// A list of 1,000 references in a style of each kind, as the worker writes it. Wanted: 2 s for all three.
const FOLDER = join(import.meta.dirname, '../web/public/citation-styles');
const STYLES = ['apa', 'chicago-note-bibliography', 'vancouver'];
const WANTED = 2_000;
const FAMILIES = [
  'Okonjo',
  'Hale',
  'Tarrow',
  'Kessel',
  'Ostrow',
  'Pell',
  'Yew',
  'Ibarra',
  'Quill',
  'Laiquist',
];

const records = Array.from({ length: 1_000 }, (_, at): BibliographicRecord => {
  const authors = [0, 1, 2].map((turn) => ({
    family: `${FAMILIES[(at + turn) % 10]!}${((at + turn) * 7_919) % 300}`,
    given: `${'ABCDEFGH'.charAt(at % 8)}.`,
  }));
  return {
    id: String(at),
    title: `What lamps do to bats at site ${at}`,
    abstract: '',
    keywords: [],
    headings: [],
    authors,
    source: 'Annals of Night Ecology',
    volume: String(at % 60),
    issue: String(at % 4),
    pages: `${at}-${at + 9}`,
    year: 1990 + (at % 35),
    type: 'article',
    language: 'en',
    peerReviewed: 'yes',
    hasFullText: false,
    doi: `10.5555/bench.${at}`,
    entered: '',
    references: [],
  };
});
const read = (file: string): string => readFileSync(join(FOLDER, file), 'utf8');
const locales = { 'en-GB': read('locale-en-GB.xml'), 'en-US': read('locale-en-US.xml') };
let all = 0;
for (const style of STYLES) {
  const start = performance.now();
  const written = doCitationTask({ task: { kind: 'list', records }, style: read(`${style}.csl`), locales });
  const milliseconds = performance.now() - start;
  if (!written.ok) throw new Error(written.problem.code);
  all += milliseconds;
  console.log(`${style}: ${Math.round(milliseconds)} ms`);
}
console.log(`1,000 references in three styles: ${Math.round(all)} ms (wanted ${WANTED})`);
