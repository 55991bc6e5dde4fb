/** A request that is legal, or nearly, and means to keep the server busy. */
export interface HostileRequest {
  readonly name: string;
  readonly path: string;
  readonly body: unknown;
}

const LETTERS = 'abcdefghijklmnopqrstuvwxyz';
/** Cut at both ends, each of these looks through the whole list of words. */
const SCANS = [...LETTERS].flatMap((one) => [...LETTERS].map((two) => `*${one}${two}*`));
const NORTHERN = { address: 'standin:northern', version: '1.2' };

const count = (id: string, ...strings: string[]): { path: string; body: unknown } => ({
  path: `/api/standins/${id}/count`,
  body: { strings, sentLimiters: {} },
});
const countNorthern = (...strings: string[]): { path: string; body: unknown } => ({
  path: '/api/sru/count',
  body: { endpoint: NORTHERN, strings },
});
const repeat = (times: number, write: (at: number) => string, joined = ' '): string =>
  Array.from({ length: times }, (_, at) => write(at)).join(joined);

/** The slowest string that a stand-in takes; one with other words for each number. */
export function writeSlowest(number: number): string {
  const start = (number * 180) % (SCANS.length - 180);
  const third = LETTERS.charAt(number % LETTERS.length);
  return SCANS.slice(start, start + 180)
    .map((scan) => scan.replace(/\*$/, `${third}*`))
    .join(' OR ');
}

/** What kept a server of one thread busy for seconds or minutes, and its like. */
export const HOSTILE_REQUESTS: readonly HostileRequest[] = [
  { name: '180 members cut at both ends', ...count('cardinal', writeSlowest(0)) },
  {
    name: 'a batch of five of them',
    ...count('cardinal', ...[0, 1, 2, 3, 4].map((at) => writeSlowest(at))),
  },
  { name: 'the same over SRU', ...countNorthern(SCANS.slice(0, 600).join(' or ')) },
  {
    name: 'proximity of what is cut',
    ...count(
      'cardinal',
      repeat(40, (at) => `(${SCANS[at]} NEAR/15 ${SCANS[at + 40]})`, ' OR '),
    ),
  },
  {
    name: 'proximity over SRU',
    ...countNorthern(repeat(100, (at) => `(${SCANS[at]} prox/distance<=80 ${SCANS[at + 100]})`, ' or ')),
  },
  { name: 'a phrase of cut words', ...countNorthern(`"${repeat(150, (at) => SCANS[at] ?? '')}"`) },
  { name: '4,000 NOTs', ...count('heronsmere', `bats${repeat(4_000, (at) => ` NOT lamp${at}`, '')}`) },
  { name: '4,000 NOTs over SRU', ...countNorthern(`bats${repeat(4_000, (at) => ` not lamp${at}`, '')}`) },
  {
    name: 'operators that take turns',
    ...countNorthern(`${repeat(8_000, () => 'bats or lamp and', ' ')} road`),
  },
  {
    name: 'a row of 18,000 words',
    ...count(
      'heronsmere',
      repeat(18_000, (at) => `w${at}`, ' OR '),
    ),
  },
  { name: 'a row of 18,000 words over SRU', ...countNorthern(repeat(18_000, (at) => `w${at}`, ' or ')) },
  { name: '199,000 brackets', ...count('heronsmere', '('.repeat(199_000)) },
  { name: '199,000 quotation marks', ...count('heronsmere', '"'.repeat(199_000)) },
  {
    name: '5,000 strings',
    ...count(
      'heronsmere',
      ...Array.from({ length: 5_000 }, (_, at) => `(bats OR lamp${at}) AND (road* OR light*) NOT w${at}`),
    ),
  },
  {
    name: '2,000 unions',
    path: '/api/standins/heronsmere/unions',
    body: {
      unions: Array.from({ length: 2_000 }, (_, at) => [`bats OR w${at}`, `"street light*" OR v${at}`]),
      sentLimiters: {},
    },
  },
  {
    name: 'records by weight of 180 scans',
    path: '/api/standins/cardinal/search',
    body: { string: writeSlowest(0), sentLimiters: {}, rows: 100 },
  },
  { name: 'a phrase of 20,000 words', ...count('heronsmere', `"${repeat(20_000, () => 'the')}"`) },
  {
    name: 'words of no beginning',
    path: '/api/standins/plainfinder/laboratory',
    body: { query: repeat(300, (at) => `${SCANS[at]}`, ' OR ') },
  },
];
