import { createLabelKey, foldLetters } from '../text';
import {
  DEFAULT_FIELDS,
  dropInactive,
  printPattern,
  type Field,
  type Pattern,
  type QueryNode,
} from '../query';

/** What comparing two queries can say. Words are not independent letters: so never “different”. */
export type Sameness = 'the same' | 'not shown to be the same';

/** More nodes of a decision diagram than this are not built: then nothing is shown. */
const MOST_DECISIONS = 50_000;

/**
 * Compares two queries as Boolean functions of what their words, phrases, nearness and headings find in
 * single fields, by reduced ordered decision diagrams (Bryant 1986). Equal functions find the same
 * records whatever the letters stand for, so “the same” is sure. Blocks must have been put in.
 */
export function compareQueries(a: QueryNode, b: QueryNode, databases: readonly string[] = []): Sameness {
  const asked = databases.length > 0 ? databases : [undefined];
  const isSame = asked.every((database) => {
    const diagram = new DecisionDiagram();
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
        return this.inFields(fields, describeWords([node.pattern]));
      case 'phrase':
        return this.inFields(fields, describeWords(node.words));
      case 'near':
        return this.readNear(node, fields);
      case 'heading':
        return this.letter(`${node.scope} ${node.vocabulary ?? ''} ${createLabelKey(node.label)}`);
      default:
        return NEVER;
    }
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
    const names = fields.includes('text') ? ['text'] : fields;
    return names.reduce<number>(
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
    if (this.decisions.length > MOST_DECISIONS) throw new TooLarge();
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

function listSides(node: QueryNode): string[] {
  if (node.kind === 'or') return node.items.flatMap(listSides);
  if (node.kind === 'term') return [describeWords([node.pattern])];
  return node.kind === 'phrase' ? [describeWords(node.words)] : [];
}
