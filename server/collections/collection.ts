import { EvaluatorMemory, createEvaluator, readSnapshot, type Evaluator } from '#core/collection/index';
import type { Holding } from '#core/holding/index';
import { createIdentifierKey, type BibliographicRecord } from '#core/record/index';
import { type RecordKeys } from '#core/record/same-work/index';
import { createVocabulary, type Vocabulary } from '#core/vocabulary/index';
import { createThesauri } from '#demo/thesauri/index';
import { STANDINS, readStandinString, type Standin } from '../standins/standins';
import { readCitations, type Citations } from './citations';
import { createTextReader, readCollectionFiles, type CollectionFiles } from './files';

/** The record sets that a thread remembers of all databases together: bytes. */
const SET_BYTES = 6 * 1024 * 1024;

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
  /** The evaluator over the neutral analysis; opened when first asked for. */
  getNeutralIndex(): Evaluator;
}

/** Opens what `buildCollections` wrote, for one thread. */
export async function openCollections(folder: string): Promise<ReadonlyMap<string, StandinCollection>> {
  return openCollectionFiles(await readCollectionFiles(folder));
}

/** Opens the collections of some files, by the short names of their stand-ins. */
export function openCollectionFiles(
  files: readonly CollectionFiles[],
): ReadonlyMap<string, StandinCollection> {
  const memory = new EvaluatorMemory(SET_BYTES);
  return new Map(files.map((one) => [one.id, openCollection(one, memory)]));
}

function openCollection(files: CollectionFiles, memory: EvaluatorMemory): StandinCollection {
  const standin = STANDINS.find(({ id }) => id === files.id);
  if (!standin) throw new Error(`There is no stand-in ${files.id}.`);
  const offsets = new Float64Array(files.offsets);
  const keys = new Float64Array(files.keys);
  const signs = Buffer.from(files.signs);
  const signOffsets = new Float64Array(files.signOffsets);
  const evaluator = openIndex(files.index, memory);
  const readRecord = createTextReader(files.records, offsets);
  const getRecord = (number: number): BibliographicRecord =>
    JSON.parse(readRecord(number)) as BibliographicRecord;
  let byIdentifier: ReadonlyMap<number, number> | undefined;
  let neutral: Evaluator | undefined;
  let citations: Citations | undefined;
  const getCitations = (): Citations => (citations ??= readCitations(files.size, getRecord));
  const vocabulary = findVocabulary(standin.id);
  return {
    standin,
    vocabulary,
    ...createStandinHolding(standin, evaluator, vocabulary),
    getRecord,
    size: files.size,
    getKeys: (number) => ({
      identifier: keys[2 * number] ?? 0,
      work: keys[2 * number + 1] ?? 0,
      signs: signs.toString('utf8', signOffsets[number], signOffsets[number + 1]),
    }),
    findByIdentifier: (identifier) => {
      byIdentifier ??= listIdentifiers(keys);
      return byIdentifier.get(createIdentifierKey(identifier));
    },
    listReferences: (number) => getCitations().references[number] ?? [],
    listCitedBy: (number) => getCitations().citedBy[number] ?? [],
    getNeutralIndex: () => (neutral ??= files.neutral ? openIndex(files.neutral, memory) : evaluator),
  };
}

/** A made-up database over its records: read by its own reader, limited by the limiters that it has. */
export function createStandinHolding(
  standin: Standin,
  evaluator: Evaluator,
  vocabulary: Vocabulary,
): Holding {
  const { sentLimiters, rounding, sorts } = standin;
  return {
    evaluator,
    sentLimiters,
    ...(rounding && { rounding }),
    sorts,
    read: (text) => {
      const { value, problem } = readStandinString(standin, text, vocabulary);
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

/** The headings of a database; none for one without a thesaurus. */
export function findVocabulary(id: string): Vocabulary {
  return Object.entries(createThesauri()).find(([name]) => name === id)?.[1] ?? createVocabulary(id, []);
}

function openIndex(bytes: SharedArrayBuffer, memory: EvaluatorMemory): Evaluator {
  const index = readSnapshot(new Uint8Array(bytes));
  if (!index) throw new Error('An index of the made-up databases is not of this version.');
  return createEvaluator(index, memory);
}
