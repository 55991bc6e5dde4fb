import { refuse } from './string-fault';

/** The deepest nesting that any stand-in takes. */
const DEEPEST = 250;

/** A group in brackets without others inside, from one bracket to the other. */
const FLAT_GROUP = /\((?:[^()"]|"[^"]*")*\)/y;
const MAX_REMEMBERED = 5_000;
/** All groups remembered together are no longer than this, and no one is longer than a tenth of it. */
const MAX_LETTERS = 400_000;

/**
 * What flat groups were read as: the strings of a batch have most of them in common. What stands in
 * one must mean the same wherever it stands, but for the `context` that it is remembered with.
 */
export class GroupMemory<T> {
  private readonly groups = new Map<string, T>();
  private letters = 0;

  find(text: string): T | undefined {
    return this.groups.get(text);
  }

  keep(text: string, value: T): void {
    if (text.length > MAX_LETTERS / 10) return;
    if (this.groups.size >= MAX_REMEMBERED || this.letters > MAX_LETTERS) {
      this.groups.clear();
      this.letters = 0;
    }
    this.groups.set(text, value);
    this.letters += text.length;
  }
}

/** A place in a string that moves forward: what all the stand-ins' readers are built on. */
export class Scanner {
  at = 0;
  private depth = 0;
  private wordAt = -1;
  private word: string | undefined;

  /** `operators` matches one of the words that join others, as the stand-in writes them. */
  constructor(
    readonly text: string,
    private readonly operators?: RegExp,
  ) {}

  skipBlanks(): void {
    const { text } = this;
    for (;;) {
      const code = text.charCodeAt(this.at);
      // Letters and digits are most of a string: only what could be a blank is asked about.
      if (code !== 32 && (code > 32 && code < 128 ? true : !/\s/.test(text.charAt(this.at)))) return;
      this.at++;
    }
  }

  isAtEnd(): boolean {
    this.skipBlanks();
    return this.at >= this.text.length;
  }

  /** Whether a sign stands here, after blanks. */
  sees(sign: string): boolean {
    this.skipBlanks();
    return this.text.startsWith(sign, this.at);
  }

  /** Takes a sign that stands here, after blanks. */
  takeSign(sign: string): boolean {
    const seen = this.sees(sign);
    if (seen) this.at += sign.length;
    return seen;
  }

  /** The joining word here, after blanks, as it is written; looked for once in each place. */
  seeOperator(): string | undefined {
    this.skipBlanks();
    if (this.at !== this.wordAt) {
      this.wordAt = this.at;
      this.word = this.operators && this.look(this.operators)?.[0];
    }
    return this.word;
  }

  /** Takes what a sticky pattern matches here, after blanks. */
  take(pattern: RegExp): RegExpExecArray | undefined {
    this.skipBlanks();
    return this.takeHere(pattern);
  }

  /** Takes what matches right here, without skipping blanks. */
  takeHere(pattern: RegExp): RegExpExecArray | undefined {
    const match = this.look(pattern);
    if (match) this.at += match[0].length;
    return match;
  }

  /** What matches here, without taking it. */
  look(pattern: RegExp): RegExpExecArray | undefined {
    pattern.lastIndex = this.at;
    return pattern.exec(this.text) ?? undefined;
  }

  /** Reads the inside of a bracket that stands here, after blanks, or recalls what its like was read as. */
  takeGroup<T>(read: () => T, memory?: GroupMemory<T>, context: number | string = ''): T | undefined {
    if (!this.sees('(')) return undefined;
    const start = this.at;
    const group = memory && this.depth < DEEPEST ? this.look(FLAT_GROUP)?.[0] : undefined;
    const known = group === undefined ? undefined : memory?.find(`${context}${group}`);
    if (group !== undefined && known !== undefined) {
      this.at += group.length;
      return known;
    }
    this.at++;
    const value = this.enclose(start, read);
    if (group !== undefined && this.at === start + group.length) memory?.keep(`${context}${group}`, value);
    return value;
  }

  /** Reads the inside of a bracket that has just been opened, and its end. */
  enclose<T>(openedAt: number, read: () => T): T {
    if (++this.depth > DEEPEST)
      refuse('too-deep', openedAt, openedAt + 1, 'There are too many brackets inside one another.');
    const value = read();
    if (!this.takeSign(')'))
      refuse('bracket-open', openedAt, openedAt + 1, 'A bracket opened here has no end.');
    this.depth--;
    return value;
  }
}
