import type { Analysis, CollectionIndex, Segment } from './collection-index';
import { decodeText, encodeText } from './utf8';

const MAGIC = 'ewer-index-8';
const SEGMENT_ARRAYS = ['starts', 'docs', 'meta', 'positions', 'skips', 'fieldStarts'] as const;

interface Header {
  readonly magic: string;
  readonly size: number;
  readonly analysis: Analysis;
  readonly segments: number;
  readonly arrays: readonly { readonly wide: boolean; readonly length: number }[];
  readonly termBytes: number;
  readonly keyBytes: number;
}

/** The index as bytes that load without parsing: a JSON header, the words, the keys, then the arrays as they are in memory. */
export function writeSnapshot(index: CollectionIndex): Uint8Array<ArrayBuffer> {
  const arrays: (Uint16Array | Uint32Array)[] = [
    index.sorted,
    index.reversed,
    index.years,
    index.entered,
    index.identifiers,
    index.titleRanks,
    index.authorRanks,
    index.timesCited,
    index.keys.textStarts,
    index.keys.recordStarts,
    index.keys.records,
  ];
  for (const segment of index.segments) for (const name of SEGMENT_ARRAYS) arrays.push(segment[name]);
  const terms = encodeText(index.terms.join('\n'));
  const header: Header = {
    magic: MAGIC,
    size: index.size,
    analysis: index.analysis,
    segments: index.segments.length,
    arrays: arrays.map((array) => ({ wide: array instanceof Uint32Array, length: array.length })),
    termBytes: terms.length,
    keyBytes: index.keys.bytes.length,
  };
  const head = encodeText(JSON.stringify(header));
  const total =
    4 +
    align(head.length) +
    align(terms.length) +
    align(index.keys.bytes.length) +
    arrays.reduce((sum, array) => sum + align(array.byteLength), 0);
  const bytes = new Uint8Array(total);
  new DataView(bytes.buffer).setUint32(0, head.length, true);
  bytes.set(head, 4);
  let at = 4 + align(head.length);
  bytes.set(terms, at);
  at += align(terms.length);
  bytes.set(index.keys.bytes, at);
  at += align(index.keys.bytes.length);
  for (const array of arrays) {
    bytes.set(new Uint8Array(array.buffer, array.byteOffset, array.byteLength), at);
    at += align(array.byteLength);
  }
  return bytes;
}

/** The index of a snapshot, whose memory it goes on using; nothing if the bytes are not one of this version. */
export function readSnapshot(bytes: Uint8Array): CollectionIndex | undefined {
  const source = bytes.byteOffset % 4 === 0 ? bytes : bytes.slice();
  const headLength = new DataView(source.buffer, source.byteOffset).getUint32(0, true);
  const header = readHeader(source.subarray(4, 4 + headLength));
  if (header?.magic !== MAGIC) return undefined;
  let at = 4 + align(headLength);
  const terms = decodeText(source.subarray(at, at + header.termBytes));
  at += align(header.termBytes);
  const keyBytes = source.subarray(at, at + header.keyBytes);
  at += align(header.keyBytes);
  const arrays = header.arrays.map(({ wide, length }) => {
    const place = source.byteOffset + at;
    at += align(length * (wide ? 4 : 2));
    return wide
      ? new Uint32Array(source.buffer, place, length)
      : new Uint16Array(source.buffer, place, length);
  });
  let next = 0;
  const take = <T>(): T => arrays[next++] as T;
  const index = {
    sorted: take<Uint32Array>(),
    reversed: take<Uint32Array>(),
    years: take<Uint16Array>(),
    entered: take<Uint16Array>(),
    identifiers: take<Uint32Array>(),
    titleRanks: take<Uint32Array>(),
    authorRanks: take<Uint32Array>(),
    timesCited: take<Uint16Array>(),
    keys: {
      bytes: keyBytes,
      textStarts: take<Uint32Array>(),
      recordStarts: take<Uint32Array>(),
      records: take<Uint32Array>(),
    },
  };
  const segments = Array.from({ length: header.segments }, () => {
    const [starts, docs, meta, positions, skips, fieldStarts] = SEGMENT_ARRAYS.map(() => arrays[next++]);
    return { starts, docs, meta, positions, skips, fieldStarts } as Segment;
  });
  const { size, analysis } = header;
  return { size, analysis, terms: terms === '' ? [] : terms.split('\n'), ...index, segments };
}

function readHeader(bytes: Uint8Array): Header | undefined {
  try {
    return JSON.parse(decodeText(bytes)) as Header;
  } catch {
    return undefined;
  }
}

function align(length: number): number {
  return (length + 3) & ~3;
}
