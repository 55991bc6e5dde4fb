import { RECORD_FORMATS, readRecordFile } from '#core/record/file/index';

/**
 * How long each kind of file takes to be read, and how much memory it needs at most beside its own text.
 * The files are made here: records with an abstract, four authors and six keywords, until 50 MB are full.
 */
const SIZE = 50_000_000;
/** Seconds that are wanted at most; of the other kinds nothing is. */
const WANTED: Readonly<Record<string, number>> = { ris: 10, csv: 10, 'csl-json': 10, bibtex: 30 };
const MOST_MEMORY = 500;

const WORDS =
  'bat lamp hedge road night light species habitat corridor survey roost insect prey field river bridge'.split(
    ' ',
  );

/** A made-up record; the same number gives the same record. */
function makeRecord(at: number) {
  const word = (n: number): string => WORDS[(at * 7 + n * n * 3 + n) % WORDS.length]!;
  const text = (length: number): string => Array.from({ length }, (_, n) => word(n)).join(' ');
  return {
    title: `${text(9)} ${at}`,
    abstract: `${text(170)}.`,
    authors: [0, 1, 2, 3].map((n) => ({ family: `Tarrow${(at + n) % 900}`, given: 'Ilse M.' })),
    keywords: [0, 1, 2, 3, 4, 5].map((n) => `${word(n)} ${word(n + 5)}`),
    source: `Annals of ${word(1)} Studies`,
    year: 1980 + (at % 45),
    doi: `10.5555/bench.${at}`,
  };
}
type Made = ReturnType<typeof makeRecord>;

/** How a record stands in each kind of file, and what stands round all of them. */
const WRITERS: Readonly<Record<string, { head: string; foot: string; write: (one: Made) => string }>> = {
  ris: {
    head: '',
    foot: '',
    write: (one) =>
      [
        'TY  - JOUR',
        `TI  - ${one.title}`,
        ...one.authors.map(({ family, given }) => `AU  - ${family}, ${given}`),
        `PY  - ${one.year}`,
        `T2  - ${one.source}`,
        `AB  - ${one.abstract}`,
        ...one.keywords.map((keyword) => `KW  - ${keyword}`),
        `DO  - ${one.doi}`,
        'ER  - ',
        '',
        '',
      ].join('\n'),
  },
  bibtex: {
    head: '@string{annals = "Annals"}\n',
    foot: '',
    write: (one) =>
      `@article{k${one.doi.slice(8)},\n  title = {{${one.title}} \\'{e}},\n  author = {${one.authors
        .map(({ family, given }) => `${family}, ${given}`)
        .join(
          ' and ',
        )}},\n  journal = annals # {${one.source.slice(6)}},\n  year = ${one.year},\n  abstract = {${
        one.abstract
      }},\n  keywords = {${one.keywords.join(', ')}},\n  doi = {${one.doi}}\n}\n`,
  },
  'csl-json': {
    head: '[\n',
    foot: '{"type":"article-journal","title":"the last one"}]',
    write: (one) =>
      `${JSON.stringify({
        type: 'article-journal',
        title: one.title,
        author: one.authors,
        issued: { 'date-parts': [[one.year]] },
        'container-title': one.source,
        abstract: one.abstract,
        keyword: one.keywords.join(', '),
        DOI: one.doi,
      })},\n`,
  },
  csv: {
    head: 'Title,Authors,Year,Source,Abstract,Keywords,DOI\n',
    foot: '',
    write: (one) =>
      `"${one.title}","${one.authors.map(({ family, given }) => `${family}, ${given}`).join('; ')}",${one.year},"${
        one.source
      }","${one.abstract}","${one.keywords.join('; ')}",${one.doi}\n`,
  },
  marcxml: {
    head: '<?xml version="1.0"?>\n<collection xmlns="http://www.loc.gov/MARC21/slim">\n',
    foot: '</collection>',
    write: (one) =>
      `<record><leader>00000nab a2200000   4500</leader><datafield tag="245" ind1="0" ind2="0"><subfield code="a">${one.title}</subfield></datafield>${one.authors
        .map(
          ({ family, given }) =>
            `<datafield tag="700" ind1="1" ind2=" "><subfield code="a">${family}, ${given}</subfield></datafield>`,
        )
        .join(
          '',
        )}<datafield tag="520" ind1=" " ind2=" "><subfield code="a">${one.abstract}</subfield></datafield><datafield tag="264" ind1=" " ind2="1"><subfield code="c">${
        one.year
      }</subfield></datafield></record>\n`,
  },
  'dublin-core': {
    head: '<?xml version="1.0"?>\n<records xmlns:oai_dc="http://www.openarchives.org/OAI/2.0/oai_dc/" xmlns:dc="http://purl.org/dc/elements/1.1/">\n',
    foot: '</records>',
    write: (one) =>
      `<oai_dc:dc><dc:title>${one.title}</dc:title>${one.authors
        .map(({ family, given }) => `<dc:creator>${family}, ${given}</dc:creator>`)
        .join('')}<dc:description>${one.abstract}</dc:description><dc:date>${
        one.year
      }</dc:date></oai_dc:dc>\n`,
  },
};

function makeFile(format: string, size: number): string {
  const { head, foot, write } = WRITERS[format]!;
  const parts = [head];
  for (let length = 0, at = 0; length < size; at++) {
    const record = write(makeRecord(at));
    parts.push(record);
    length += record.length;
  }
  return parts.join('') + foot;
}

const only = process.argv[2];
for (const { id, name, endings } of RECORD_FORMATS) {
  if (only !== undefined && only !== id) continue;
  // Text that was put together from pieces is flattened, as the text of a file is.
  const text = Buffer.from(makeFile(id, SIZE)).toString('utf8');
  globalThis.gc?.();
  const before = process.memoryUsage().heapUsed;
  let most = 0;
  const start = performance.now();
  const { records, skipped, problem } = readRecordFile(`bench.${endings[0]}`, text, String, () => {
    most = Math.max(most, process.memoryUsage().heapUsed - before);
  });
  const seconds = (performance.now() - start) / 1_000;
  console.log(
    `${name}: ${records.length.toLocaleString('en')} records, ${skipped.length} left out${
      problem ? `, ${problem.code}` : ''
    }: ${seconds.toFixed(1)} s (wanted ${WANTED[id] ?? 'no figure'}), ${(most / 1e6).toFixed(0)} MB at most (wanted ${MOST_MEMORY})`,
  );
}
