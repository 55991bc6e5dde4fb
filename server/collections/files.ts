import { openSync, readSync } from 'node:fs';
import { open, readFile, type FileHandle } from 'node:fs/promises';
import { join } from 'node:path';
import { NEUTRAL_ANALYSIS } from '#core/collection/index';
import { STANDINS, type Standin } from '../standins/standins';

/**
 * What `buildCollections` wrote of one stand-in, in memory that threads share: each opens its own
 * collection on it, and none copies it.
 */
export interface CollectionFiles {
  /** The short name of the stand-in. */
  readonly id: string;
  /** The number of records. */
  readonly size: number;
  /** The file of the records: one JSON text after the other, from one offset to the next. */
  readonly records: string;
  readonly offsets: SharedArrayBuffer;
  readonly keys: SharedArrayBuffer;
  /** What else tells the works of the records (`RecordKeys`): one text after the other. */
  readonly signs: SharedArrayBuffer;
  readonly signOffsets: SharedArrayBuffer;
  readonly index: SharedArrayBuffer;
  /** The index by the neutral analysis, for proofs; none where the own one is by it. */
  readonly neutral?: SharedArrayBuffer;
}

/** Reads the files of all stand-ins. */
export async function readCollectionFiles(folder: string): Promise<CollectionFiles[]> {
  return Promise.all(STANDINS.map((standin) => readFiles(folder, standin)));
}

async function readFiles(folder: string, { id, analysis }: Standin): Promise<CollectionFiles> {
  const read = (kind: string): Promise<SharedArrayBuffer> => readShared(join(folder, `${id}.${kind}`));
  const [offsets, keys, signs, signOffsets, index, neutral] = await Promise.all([
    read('offsets'),
    read('keys'),
    read('signs'),
    read('sign-offsets'),
    read('index'),
    analysis === NEUTRAL_ANALYSIS ? undefined : read('neutral'),
  ]);
  return {
    id,
    size: offsets.byteLength / Float64Array.BYTES_PER_ELEMENT - 1,
    records: join(folder, `${id}.records`),
    offsets,
    keys,
    signs,
    signOffsets,
    index,
    ...(neutral && { neutral }),
  };
}

async function readShared(path: string): Promise<SharedArrayBuffer> {
  let file: FileHandle | undefined;
  try {
    file = await open(path);
    const { size } = await file.stat();
    const shared = new SharedArrayBuffer(size);
    const bytes = new Uint8Array(shared);
    for (let at = 0; at < size;) {
      const { bytesRead } = await file.read(bytes, at, size - at, at);
      if (bytesRead === 0) throw new Error(`${path} ends too soon.`);
      at += bytesRead;
    }
    return shared;
  } finally {
    await file?.close();
  }
}

/** Reads texts out of a file that stay on disk until one is wanted. */
export function createTextReader(path: string, offsets: Float64Array): (number: number) => string {
  const file = openSync(path, 'r');
  return (number) => {
    const start = offsets[number] ?? 0;
    const bytes = Buffer.allocUnsafe((offsets[number + 1] ?? start) - start);
    readSync(file, bytes, 0, bytes.length, start);
    return bytes.toString('utf8');
  };
}

/** A text file; nothing if there is none. */
export async function readText(path: string): Promise<string | undefined> {
  try {
    return await readFile(path, 'utf8');
  } catch {
    return undefined;
  }
}
