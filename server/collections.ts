import { createHash } from 'node:crypto';
import { mkdir, readFile, rename, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import {
  NEUTRAL_ANALYSIS,
  createDocument,
  createEvaluator,
  createIndexBuilder,
  readSnapshot,
  writeSnapshot,
  type Evaluator,
  type SetExpression,
} from '#core/collection/index';
import type { Holding } from '#core/holding/index';
import {
  createIdentifierKey,
  createRecordKeys,
  type BibliographicRecord,
  type RecordKeys,
} from '#core/record/index';
import { createVocabulary, type Vocabulary } from '#core/vocabulary/index';
import { createHolding } from '#demo/holdings';
import type { HoldingId } from '#demo/themes/index';
import { createThesauri } from '#demo/thesauri/index';
import { createCorpus } from '#demo/works';
import type { Session } from './standins/sessions';
import { STANDINS, readStandinString, type Standin } from './standins/standins';

/** What one stand-in searches: its own index, its records, its headings, and the neutral index for proofs. */
export interface StandinCollection extends Holding {
  getRecord(number: number): BibliographicRecord;
  readonly standin: Standin;
  readonly vocabulary: Vocabulary;
  readonly size: number;
  /** The keys of a record by which its work is told. */
  getKeys(number: number): RecordKeys;
  /** The first record with an identifier. */
  findByIdentifier(identifier: string): number | undefined;
  /** The records of this database that a record cites, and those that cite it. */
  listReferences(number: number): readonly number[];
  listCitedBy(number: number): readonly number[];
  /** The evaluator over the neutral analysis; loaded when first asked for. */
  getLaboratory(): Promise<Evaluator>;
}

/** Which corpus to make, and a mark that changes when the way of making it does. */
export interface CorpusChoice {
  readonly seed: number;
  readonly count: number;
  readonly version: string;
}

/** Makes the holdings and their indexes and writes them to a folder, unless they are there. */
export async function buildCollections(
  folder: string,
  choice: CorpusChoice,
  tell: (line: string) => void,
): Promise<void> {
  const stamp = createStamp(choice);
  if ((await readText(join(folder, 'stamp'))) === stamp) return;
  tell(`Making the made-up corpus of ${choice.count.toLocaleString('en')} works …`);
  const temporary = `${folder}.new`;
  await rm(temporary, { recursive: true, force: true });
  await mkdir(temporary, { recursive: true });
  const corpus = createCorpus(choice.seed, choice.count);
  for (const standin of STANDINS) {
    tell(`Indexing ${standin.name} …`);
    const holding = createHolding(corpus, standin.id as HoldingId);
    const own = createIndexBuilder(standin.analysis, standin.stem);
    const neutral = createIndexBuilder(NEUTRAL_ANALYSIS);
    const lines: Buffer[] = [];
    const offsets = new Float64Array(holding.works.length + 1);
    const keys = new Float64Array(2 * holding.works.length);
    holding.works.forEach((_, place) => {
      const record = holding.createRecord(place);
      const document = createDocument(record);
      own.add(document);
      if (standin.analysis !== NEUTRAL_ANALYSIS) neutral.add(document);
      const { identifier, work } = createRecordKeys(record);
      keys.set([identifier, work], 2 * place);
      const line = Buffer.from(JSON.stringify(record));
      lines.push(line);
      offsets[place + 1] = offsets[place]! + line.length;
    });
    await writeFile(join(temporary, `${standin.id}.records`), Buffer.concat(lines));
    await writeFile(join(temporary, `${standin.id}.offsets`), Buffer.from(offsets.buffer));
    await writeFile(join(temporary, `${standin.id}.keys`), Buffer.from(keys.buffer));
    await writeFile(join(temporary, `${standin.id}.index`), writeSnapshot(own.finish()));
    if (standin.analysis !== NEUTRAL_ANALYSIS)
      await writeFile(join(temporary, `${standin.id}.neutral`), writeSnapshot(neutral.finish()));
  }
  await writeFile(join(temporary, 'stamp'), stamp);
  await rm(folder, { recursive: true, force: true });
  await rename(temporary, folder);
}

/** Opens what `buildCollections` wrote. */
export async function openCollections(folder: string): Promise<ReadonlyMap<string, StandinCollection>> {
  const opened = await Promise.all(STANDINS.map((standin) => openCollection(folder, standin)));
  return new Map(opened.map((collection) => [collection.standin.id, collection]));
}

async function openCollection(folder: string, standin: Standin): Promise<StandinCollection> {
  const [records, offsetBytes, keyBytes, evaluator] = await Promise.all([
    readFile(join(folder, `${standin.id}.records`)),
    readFile(join(folder, `${standin.id}.offsets`)),
    readFile(join(folder, `${standin.id}.keys`)),
    openIndex(join(folder, `${standin.id}.index`)),
  ]);
  const offsets = new Float64Array(Uint8Array.from(offsetBytes).buffer);
  const keys = new Float64Array(Uint8Array.from(keyBytes).buffer);
  let byIdentifier: ReadonlyMap<number, number> | undefined;
  let laboratory: Promise<Evaluator> | undefined;
  const getRecord = (number: number): BibliographicRecord =>
    JSON.parse(records.toString('utf8', offsets[number], offsets[number + 1])) as BibliographicRecord;
  let citations: Citations | undefined;
  const getCitations = (): Citations => (citations ??= readCitations(evaluator.index.size, getRecord));
  const vocabulary = findVocabulary(standin.id);
  return {
    standin,
    vocabulary,
    ...createStandinHolding(standin, evaluator, vocabulary),
    getRecord,
    size: evaluator.index.size,
    getKeys: (number) => ({ identifier: keys[2 * number] ?? 0, work: keys[2 * number + 1] ?? 0 }),
    findByIdentifier: (identifier) => {
      byIdentifier ??= listIdentifiers(keys);
      return byIdentifier.get(createIdentifierKey(identifier));
    },
    listReferences: (number) => getCitations().references[number] ?? [],
    listCitedBy: (number) => getCitations().citedBy[number] ?? [],
    getLaboratory: () => {
      if (standin.analysis === NEUTRAL_ANALYSIS) return Promise.resolve(evaluator);
      laboratory ??= openIndex(join(folder, `${standin.id}.neutral`));
      return laboratory;
    },
  };
}

/** A made-up database over its records: read by its own reader, limited by its own boxes. */
export function createStandinHolding(
  standin: Standin,
  evaluator: Evaluator,
  vocabulary: Vocabulary,
): Holding {
  const { boxes, rounding, onlyByRelevance } = standin;
  return {
    evaluator,
    boxes,
    ...(rounding && { rounding }),
    ...(onlyByRelevance && { onlyByRelevance }),
    read: (text) => {
      const { value, problem } = readStandinString(standin, text, vocabulary);
      return value ?? { problem };
    },
  };
}

/** The same database to somebody whose earlier searches it remembers: each string that it reads becomes the next set. */
export function createSessionHolding(collection: StandinCollection, session: Session): Holding {
  const { standin, vocabulary } = collection;
  const findSet = (number: number): SetExpression | undefined => {
    const text = session.strings[number - 1];
    // A set only ever names earlier ones.
    const read = text === undefined ? undefined : readStandinString(standin, text, vocabulary, findSet);
    return read?.value?.expression;
  };
  return {
    ...collection,
    read: (text) => {
      const { value, problem } = readStandinString(standin, text, vocabulary, findSet);
      if (value) session.strings.push(text);
      return value ?? { problem };
    },
  };
}

function listIdentifiers(keys: Float64Array): ReadonlyMap<number, number> {
  const places = new Map<number, number>();
  for (let number = keys.length / 2 - 1; number >= 0; number--) {
    const identifier = keys[2 * number] ?? 0;
    if (identifier !== 0) places.set(identifier, number);
  }
  return places;
}

interface Citations {
  readonly references: readonly (readonly number[])[];
  readonly citedBy: readonly (readonly number[])[];
}

/** Who cites whom among the records of one database; read when first asked for. */
function readCitations(size: number, getRecord: (number: number) => BibliographicRecord): Citations {
  const numbers = new Map<string, number>();
  const cited: (readonly string[])[] = [];
  for (let number = 0; number < size; number++) {
    const { id, references } = getRecord(number);
    const work = /-(\d+)$/.exec(id)?.[1];
    if (work !== undefined && !/-\d+-\d+$/.test(id)) numbers.set(work, number);
    cited.push(references);
  }
  const references = cited.map((works) => works.flatMap((work) => numbers.get(work) ?? []));
  const citedBy = Array.from({ length: size }, () => [] as number[]);
  references.forEach((list, number) => list.forEach((other) => citedBy[other]!.push(number)));
  return { references, citedBy };
}

/** The headings of a database; none for one without a thesaurus. */
export function findVocabulary(id: string): Vocabulary {
  return Object.entries(createThesauri()).find(([name]) => name === id)?.[1] ?? createVocabulary(id, []);
}

async function openIndex(path: string): Promise<Evaluator> {
  const bytes = Uint8Array.from(await readFile(path));
  const index = readSnapshot(bytes);
  if (!index) throw new Error(`${path} is not an index of this version.`);
  return createEvaluator(index);
}

function createStamp({ seed, count, version }: CorpusChoice): string {
  return createHash('sha256').update(`${seed} ${count} ${version}`).digest('hex');
}

async function readText(path: string): Promise<string | undefined> {
  try {
    return await readFile(path, 'utf8');
  } catch {
    return undefined;
  }
}
