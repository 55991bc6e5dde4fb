import { createHeadingKey, foldLetters } from '../text';
import {
  DEFAULT_FIELDS,
  dropInactive,
  mergeParts,
  printPattern,
  printQuery,
  type Field,
  type Pattern,
  type QueryNode,
} from '../query';

/** What comparing two queries can say. Words are not independent letters: so never “different”. */
export type Sameness = 'the same' | 'not shown to be the same';

/** Where two queries are to be the same: a database without some fields or headings says less. */
export interface ComparisonPlace {
  /** The fields that its records have. */
  readonly held: readonly Field[];
  /** Its vocabulary; without one, headings find nothing there. */
  readonly vocabulary?: string;
  /** Its headings have no levels: a branch is the heading itself. */
  readonly isFlat?: boolean;
}

/** The most spellings that letters which may be there are spelled out to. */
const MAX_SPELLINGS = 64;

/** More nodes of a decision diagram than this are not built: then nothing is shown. */
const MAX_DECISIONS = 50_000;

/**
 * Compares two queries by reduced ordered decision diagrams (Bryant 1986). Their variables are what words,
 * phrases, nearness and headings find in single fields. Equal functions find the same records whatever the
 * letters stand for, so “the same” is sure. Blocks must have been put in. With a `place`, they are the same in
 * that database.
 */
export function compareQueries(
  a: QueryNode,
  b: QueryNode,
  databases: readonly string[] = [],
  place?: ComparisonPlace,
): Sameness {
  const asked = databases.length > 0 ? databases : [undefined];
  const isSame = asked.every((database) => {
    const diagram = new DecisionDiagram(place);
    try {
      const [first, second] = [a, b].map((query) => {
        const active = dropInactive(query, database);
        return active ? diagram.read(active, DEFAULT_FIELDS) : NEVER;
      });
      return first === second;
    } catch (error) {
      if (error instanceof TooLarge) return false;
      throw error;
    }
  });
  return isSame ? 'the same' : 'not shown to be the same';
}

const NEVER = 0;
const ALWAYS = 1;

class TooLarge extends Error {}

interface Decision {
  readonly letter: number;
  readonly no: number;
  readonly yes: number;
}

/** One diagram for several queries: equal functions are the same number. */
class DecisionDiagram {
  private readonly decisions: Decision[] = [
    { letter: Infinity, no: 0, yes: 0 },
    { letter: Infinity, no: 1, yes: 1 },
  ];
  private readonly known = new Map<string, number>();
  private readonly joined = new Map<string, number>();
  private readonly letters = new Map<string, number>();

  constructor(private readonly place: ComparisonPlace | undefined) {}

  read(node: QueryNode, fields: readonly Field[]): number {
    switch (node.kind) {
      case 'and':
        return node.items.reduce((all, item) => this.join('and', all, this.read(item, fields)), ALWAYS);
      case 'or':
        return node.items.reduce((all, item) => this.join('or', all, this.read(item, fields)), NEVER);
      case 'not':
        return this.join('less', this.read(node.include, fields), this.read(node.exclude, fields));
      case 'fielded':
        return this.read(node.item, node.fields);
      case 'term':
        return this.readWords([node.pattern], fields);
      case 'phrase':
        return this.readWords(node.words, fields);
      case 'near':
        return this.readNear(node, fields);
      case 'heading':
        return this.readHeading(node);
      case 'range':
      case 'value':
        return this.letter(printQuery(node));
      case 'block':
      case 'off':
      case 'only':
      case 'empty':
        return NEVER;
    }
  }

  /** Every spelling is a letter of its own: `colo[u]r` is color or colour. */
  private readWords(words: readonly Pattern[], fields: readonly Field[]): number {
    return spell(words).reduce(
      (any, spelling) => this.join('or', any, this.inFields(fields, spelling)),
      NEVER,
    );
  }

  private readHeading({ scope, vocabulary, label, qualifier }: QueryNode & { kind: 'heading' }): number {
    const { place } = this;
    if (place && (place.vocabulary === undefined || (vocabulary ?? place.vocabulary) !== place.vocabulary))
      return NEVER;
    const wide = place?.isFlat && scope === 'branch' ? 'heading' : scope;
    const aspect = qualifier === undefined ? '' : ` / ${createHeadingKey(qualifier)}`;
    return this.letter(
      `${wide} ${place?.vocabulary ?? vocabulary ?? ''} ${createHeadingKey(label)}${aspect}`,
    );
  }

  /** A choice on a side of nearness is a choice of nearnesses; without an order the sides may change places. */
  private readNear(node: QueryNode & { kind: 'near' }, fields: readonly Field[]): number {
    let found = NEVER;
    for (const left of listSides(node.left)) {
      for (const right of listSides(node.right)) {
        const sides = node.ordered ? [left, right] : [left, right].sort();
        const order = node.ordered ? 'before' : 'within';
        found = this.join('or', found, this.inFields(fields, `${sides.join(` ${order} ${node.distance} `)}`));
      }
    }
    return found;
  }

  private inFields(fields: readonly Field[], words: string): number {
    const { place } = this;
    const names: readonly Field[] = fields.includes('text') ? ['text'] : fields;
    const held = place ? names.filter((field) => field === 'text' || place.held.includes(field)) : names;
    return held.reduce<number>(
      (any, field) => this.join('or', any, this.letter(`${field}: ${words}`)),
      NEVER,
    );
  }

  private letter(name: string): number {
    const number = this.letters.get(name) ?? this.letters.size;
    this.letters.set(name, number);
    return this.decide(number, NEVER, ALWAYS);
  }

  private decide(letter: number, no: number, yes: number): number {
    if (no === yes) return no;
    const key = `${letter} ${no} ${yes}`;
    const known = this.known.get(key);
    if (known !== undefined) return known;
    if (this.decisions.length > MAX_DECISIONS) throw new TooLarge();
    this.decisions.push({ letter, no, yes });
    this.known.set(key, this.decisions.length - 1);
    return this.decisions.length - 1;
  }

  private join(kind: 'and' | 'or' | 'less', a: number, b: number): number {
    if (kind === 'and') {
      if (a === NEVER || b === NEVER) return NEVER;
      if (a === ALWAYS || a === b) return b;
      if (b === ALWAYS) return a;
    } else if (kind === 'or') {
      if (a === ALWAYS || b === ALWAYS) return ALWAYS;
      if (a === NEVER || a === b) return b;
      if (b === NEVER) return a;
    } else {
      if (a === NEVER || b === ALWAYS || a === b) return NEVER;
      if (b === NEVER) return a;
    }
    const key = `${kind} ${a} ${b}`;
    const known = this.joined.get(key);
    if (known !== undefined) return known;
    const [first, second] = [this.decisions[a], this.decisions[b]];
    if (!first || !second) return NEVER;
    const letter = Math.min(first.letter, second.letter);
    const side = (decision: Decision, self: number, way: 'no' | 'yes'): number =>
      decision.letter === letter ? decision[way] : self;
    const made = this.decide(
      letter,
      this.join(kind, side(first, a, 'no'), side(second, b, 'no')),
      this.join(kind, side(first, a, 'yes'), side(second, b, 'yes')),
    );
    this.joined.set(key, made);
    return made;
  }
}

function describeWords(words: readonly Pattern[]): string {
  return words.map((pattern) => foldLetters(printPattern(pattern))).join(' ');
}

/** Some words in all their spellings; as they are if these would be too many. */
function spell(words: readonly Pattern[]): string[] {
  const maybes = words.flat().filter(({ kind }) => kind === 'maybe').length;
  if (maybes === 0 || 2 ** maybes > MAX_SPELLINGS) return [describeWords(words)];
  return Array.from({ length: 2 ** maybes }, (_, choice) => {
    let place = 0;
    const spelt = words.map((pattern) =>
      mergeParts(
        pattern.flatMap((part): Pattern => {
          if (part.kind !== 'maybe') return [part];
          return (choice >> place++) % 2 === 1 ? [{ kind: 'letters', text: part.letter }] : [];
        }),
      ),
    );
    return describeWords(spelt);
  });
}

function listSides(node: QueryNode): string[] {
  if (node.kind === 'or') return node.items.flatMap(listSides);
  if (node.kind === 'term') return spell([node.pattern]);
  return node.kind === 'phrase' ? spell(node.words) : [];
}
