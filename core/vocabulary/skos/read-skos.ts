import { Parser } from 'n3';
import { RdfXmlParser } from 'rdfxml-streaming-parser';
import { createProblem, type Problem } from '../../problem';
import type { Heading } from '../vocabulary';
import { ConceptCollector, type Statement } from './collect-concepts';

/** The RDF syntaxes that a thesaurus may come in (W3C). */
export const SKOS_FORMATS = ['turtle', 'n-triples', 'n-quads', 'rdf-xml', 'json-ld'] as const;
export type SkosFormat = (typeof SKOS_FORMATS)[number];

/** How far a reading has come. */
export interface SkosProgress {
  /** UTF-16 units read, and in all. */
  readonly read: number;
  readonly of: number;
  readonly concepts: number;
}

/** What a file gave: the headings that could be read, and what went wrong. */
export interface SkosReading {
  readonly format: SkosFormat;
  readonly headings: readonly Heading[];
  /** An error says the line where reading had to stop; what stood before it is in `headings`. */
  readonly problems: readonly Problem[];
}

/** What the reader may be told. */
export interface SkosSettings {
  /** Whose labels name the headings, as ISO 639-1. */
  readonly language?: string;
  readonly onProgress?: (progress: SkosProgress) => void;
}

/** The largest text that is read, in UTF-16 units. */
export const LARGEST_SKOS = 150_000_000;
/** Read and reported in pieces of this size. */
const CHUNK = 256 * 1024;
/** Relative addresses are taken as if the file stood here. */
const BASE = 'urn:thesaurus:';

/** So much of a file tells its syntax. */
const FIRST_SIGNS = 4_000;
const NODE = String.raw`(?:<[^>\s]*>|_:\S+)`;
const LITERAL = String.raw`"(?:[^"\\]|\\.)*"(?:@[\w-]+|\^\^<[^>\s]*>)?`;
/** A statement in a line of its own, in the last group the graph that it is of. */
const STATEMENT_LINE = new RegExp(
  `^${NODE}\\s+<[^>\\s]*>\\s+(?:${NODE}|${LITERAL})\\s*(${NODE})?\\s*\\.\\s*(?:#.*)?$`,
  'u',
);

/** N-Triples or N-Quads if each line is a statement; Turtle with whole addresses begins like them, but goes on in its own way. */
function findStatementLines(start: string, isCut: boolean): 'n-triples' | 'n-quads' | undefined {
  const lines = start.split(/\r?\n/).map((line) => line.trim());
  const statements = (isCut ? lines.slice(0, -1) : lines).filter(
    (line) => line !== '' && !line.startsWith('#'),
  );
  const found = statements.map((line) => STATEMENT_LINE.exec(line));
  if (found.length === 0 || found.includes(null)) return undefined;
  return found.some((match) => match?.[1] !== undefined) ? 'n-quads' : 'n-triples';
}

/** The syntax of a file by its first signs; nothing if it looks like none of them. */
export function findSkosFormat(content: string): SkosFormat | undefined {
  const start = content.slice(0, FIRST_SIGNS).trimStart();
  if (/^(?:<\?xml|<!DOCTYPE|<!--|<(?:\w+:)?RDF\b)/i.test(start)) return 'rdf-xml';
  if (/^[{[]/.test(start)) return 'json-ld';
  const lines = findStatementLines(start, content.length > FIRST_SIGNS);
  if (lines) return lines;
  return /^(?:#[^\n]*\n\s*)*(?:@?prefix|@?base|<|_:|[\w-]*:[\w-]+\s|\[)/i.test(start) ? 'turtle' : undefined;
}

/**
 * Reads a thesaurus in SKOS. Never throws: a file that breaks off gives what stood before the break
 * and a problem with its line and cause. Nothing is fetched for it.
 */
export async function readSkos(content: string, settings: SkosSettings = {}): Promise<SkosReading> {
  const text = content.replace(/^\ufeff/, '');
  const format = findSkosFormat(text);
  if (!format) return { format: 'turtle', headings: [], problems: [createProblem('not-skos', 'error')] };
  if (text.length > LARGEST_SKOS)
    return {
      format,
      headings: [],
      problems: [createProblem('file-too-large', 'error', { most: '150 million letters' })],
    };
  const collector = new ConceptCollector();
  const onProgress = (read: number): void =>
    settings.onProgress?.({ read, of: text.length, concepts: collector.size });
  const fault = await READERS[format](text, (statement) => collector.add(statement), onProgress);
  const { headings, problems } = collector.finish(settings.language ?? 'en');
  const none = headings.length === 0 && !fault ? [createProblem('skos-no-concepts', 'error')] : [];
  return { format, headings, problems: [...(fault ? [fault] : []), ...none, ...problems] };
}

type Reader = (
  text: string,
  add: (statement: Statement) => void,
  onProgress: (read: number) => void,
) => Promise<Problem | undefined>;

const READERS: Readonly<Record<SkosFormat, Reader>> = {
  turtle: (text, add, onProgress) => Promise.resolve(readTurtle(text, 'text/turtle', add, onProgress)),
  'n-triples': (text, add, onProgress) =>
    Promise.resolve(readTurtle(text, 'application/n-triples', add, onProgress)),
  // The graphs are passed over: a thesaurus is one.
  'n-quads': (text, add, onProgress) =>
    Promise.resolve(readTurtle(text, 'application/n-quads', add, onProgress)),
  'rdf-xml': async (text, add, onProgress) => {
    const parser = new RdfXmlParser({ baseIRI: BASE, trackPosition: true });
    return (await readStream(parser, text, add, onProgress)) ?? findMissingEnd(text);
  },
  'json-ld': readJsonLd,
};

/** The parts of an RDF/JS quad that are read; the libraries' own types are wider. */
interface Quad {
  readonly subject: { readonly value: string };
  readonly predicate: { readonly value: string };
  readonly object: { readonly termType: string; readonly value: string; readonly language?: string };
}

function createStatement({ subject, predicate, object }: Quad): Statement {
  return {
    subject: subject.value,
    predicate: predicate.value,
    object: object.value,
    isLiteral: object.termType === 'Literal',
    language: object.language?.toLowerCase() ?? '',
  };
}

/** The parser takes a stream; this one hands over the text piece by piece, so that progress can be told. */
function readTurtle(
  text: string,
  format: string,
  add: (statement: Statement) => void,
  onProgress: (read: number) => void,
): Problem | undefined {
  const listeners = new Map<string, (piece?: string) => void>();
  const source = {
    on: (event: string, listener: (piece?: string) => void) => void listeners.set(event, listener),
    setEncoding: () => undefined,
  };
  let fault: Problem | undefined;
  const parser = new Parser({ format, baseIRI: BASE });
  const take = (error: Error | null, quad: Quad | null): void => {
    if (error) fault ??= createSyntaxProblem(error);
    else if (quad) add(createStatement(quad));
  };
  try {
    (
      parser.parse as unknown as (
        input: typeof source,
        take: (error: Error | null, quad: Quad | null) => void,
      ) => void
    )(source, take);
    for (let at = 0; at < text.length && !fault; at += CHUNK) {
      listeners.get('data')?.(text.slice(at, at + CHUNK));
      onProgress(Math.min(text.length, at + CHUNK));
    }
    listeners.get('end')?.();
  } catch (error) {
    fault ??= createSyntaxProblem(error);
  }
  return fault;
}

/** JSON-LD has to be there as a whole before any of it means something, so a broken file gives nothing. */
async function readJsonLd(
  text: string,
  add: (statement: Statement) => void,
  onProgress: (read: number) => void,
): Promise<Problem | undefined> {
  let parsed: unknown;
  try {
    parsed = JSON.parse(text);
  } catch (error) {
    const message = error instanceof Error ? error.message : '';
    const at = Number(/position (\d+)/.exec(message)?.[1] ?? text.length);
    const line = text.slice(0, at).split('\n').length;
    return createProblem('skos-syntax', 'error', {
      line,
      cause: message.replace(/ in JSON at.*| at position.*/, ''),
    });
  }
  onProgress(Math.floor(text.length / 2));
  let elsewhere: string | undefined;
  try {
    const documentLoader = (address: string): never => {
      elsewhere = address;
      throw new Error(address);
    };
    // Large, and few files are of this syntax: fetched for those.
    const { default: jsonld } = await import('jsonld');
    const quads = await jsonld.toRDF(parsed as object, { base: BASE, documentLoader });
    for (const quad of quads as unknown as readonly Quad[]) add(createStatement(quad));
    onProgress(text.length);
    return undefined;
  } catch (error) {
    return elsewhere === undefined
      ? createSyntaxProblem(error)
      : createProblem('skos-syntax-somewhere', 'error', {
          cause: `it needs ${elsewhere}, which is not in the file`,
        });
  }
}

/** The parts of a parsing stream that are used. */
interface ParsingStream {
  on(event: 'data', listener: (quad: Quad) => void): unknown;
  on(event: 'error', listener: (error: Error) => void): unknown;
  on(event: 'end' | 'close', listener: () => void): unknown;
  write(piece: string, done: () => void): unknown;
  end(): unknown;
}

async function readStream(
  parser: unknown,
  text: string,
  add: (statement: Statement) => void,
  onProgress: (read: number) => void,
): Promise<Problem | undefined> {
  const stream = parser as ParsingStream;
  let fault: Problem | undefined;
  const ended = new Promise<void>((resolve) => {
    stream.on('data', (quad) => add(createStatement(quad)));
    stream.on('error', (error) => {
      fault ??= createSyntaxProblem(error);
      resolve();
    });
    stream.on('end', resolve);
    stream.on('close', resolve);
  });
  for (let at = 0; at < text.length && !fault; at += CHUNK) {
    const piece = text.slice(at, at + CHUNK);
    await Promise.race([new Promise<void>((resolve) => void stream.write(piece, resolve)), ended]);
    onProgress(Math.min(text.length, at + CHUNK));
  }
  if (!fault) stream.end();
  await ended;
  return fault;
}

/** The library does not mind a file that ends in the middle; a person does. */
function findMissingEnd(text: string): Problem | undefined {
  const root = /<([\w.-]+:?[\w.-]*)(?=[\s/>])(?![^<>]*\?>)/.exec(text.replace(/<!--[^]*?-->/g, ''))?.[1];
  if (root === undefined || text.includes(`</${root}`) || /\/>\s*$/.test(text)) return undefined;
  return createProblem('skos-syntax', 'error', {
    line: text.split('\n').length,
    cause: `it ends before </${root}>`,
  });
}

/** The line where a parser stopped, as it says it, and its reason without the place. */
function createSyntaxProblem(error: unknown): Problem {
  const message = error instanceof Error ? error.message : String(error);
  const context = (error as { context?: { line?: number } }).context;
  const line =
    context?.line ?? Number(/\bline[: ]+(\d+)/i.exec(message)?.[1] ?? /^(\d+):\d+:/.exec(message)?.[1] ?? 0);
  const cause = message
    .replace(/^\d+:\d+:\s*/, '')
    .replace(/\s*(?:on|at) line \d+\.?/i, '')
    .replace(/\.$/, '')
    .slice(0, 200);
  return line > 0
    ? createProblem('skos-syntax', 'error', { line, cause })
    : createProblem('skos-syntax-somewhere', 'error', { cause });
}
