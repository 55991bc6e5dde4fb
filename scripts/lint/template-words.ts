import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import {
  CombinedRecursiveAstVisitor,
  LiteralMap,
  LiteralPrimitive,
  parseTemplate,
  type AST,
  type Binary,
  type BindingPipe,
  type Call,
  type KeyedRead,
  type SafeCall,
  type TmplAstBoundAttribute,
  type TmplAstBoundText,
  type TmplAstElement,
  type TmplAstText,
  type TmplAstTextAttribute,
} from '@angular/compiler';

/** One place that says a message, with the names of what it fills in. */
export interface MessageUse {
  readonly file: string;
  readonly key: string;
  readonly given: readonly string[];
}

/** What a template says by the catalogue, and what it says by itself. */
export interface SpokenWords {
  readonly uses: readonly MessageUse[];
  readonly literals: readonly string[];
}

/** Inputs and attributes whose texts people read or hear. */
const WORD_ATTRIBUTES = new Set([
  'aria-description',
  'aria-label',
  'ariaLabel',
  'caption',
  'choices',
  'ends',
  'heading',
  'label',
  'matTooltip',
  'placeholder',
  'shown',
  'spoken',
  'title',
  'whenEmpty',
]);
/** What stands in these is the same in every language: query text, keys, drawings. */
const NO_WORDS = new Set(['code', 'kbd', 'mat-icon', 'svg']);
/** Names, an example of an address, a key. */
const SAME_IN_ALL = new Set(['Ewer', 'https://', 'Shift+Alt+F']);

const hasLetters = (text: string): boolean => /\p{L}{2}/u.test(text) && !SAME_IN_ALL.has(text.trim());

class WordReader extends CombinedRecursiveAstVisitor {
  readonly uses: MessageUse[] = [];
  readonly literals: string[] = [];
  private isRead = false;

  constructor(private readonly file: string) {
    super();
  }

  override visitElement(element: TmplAstElement): void {
    if (!NO_WORDS.has(element.name)) super.visitElement(element);
  }

  override visitText(text: TmplAstText): void {
    this.check(text.value);
  }

  override visitTextAttribute({ name, value }: TmplAstTextAttribute): void {
    if (WORD_ATTRIBUTES.has(name)) this.check(value);
  }

  override visitBoundText(text: TmplAstBoundText): void {
    this.read(true, () => void super.visitBoundText(text));
  }

  override visitBoundAttribute(attribute: TmplAstBoundAttribute): void {
    this.read(WORD_ATTRIBUTES.has(attribute.name), () => void super.visitBoundAttribute(attribute));
  }

  override visitLiteralPrimitive(literal: LiteralPrimitive): void {
    if (this.isRead && typeof literal.value === 'string') this.check(literal.value);
  }

  override visitInterpolation(
    ast: Parameters<CombinedRecursiveAstVisitor['visitInterpolation']>[0],
    context: unknown,
  ): void {
    if (this.isRead) ast.strings.forEach((text) => this.check(text));
    super.visitInterpolation(ast, context);
  }

  override visitPipe(pipe: BindingPipe, context: unknown): void {
    // Other pipes take forms of dates and numbers.
    if (pipe.name !== 'say') return this.read(false, () => void super.visitPipe(pipe, context));
    const [parameters] = pipe.args;
    const given =
      parameters instanceof LiteralMap
        ? parameters.keys.flatMap((key) => (key.kind === 'property' ? [key.key] : []))
        : [];
    for (const key of listStrings(pipe.exp)) this.uses.push({ file: this.file, key, given });
    this.visitAll(pipe.args, context);
  }

  /** What is compared or handed to a function is a code, not a word. */
  override visitBinary(ast: Binary, context: unknown): void {
    const isCode = ['===', '!==', '<', '>'].includes(ast.operation);
    this.read(this.isRead && !isCode, () => void super.visitBinary(ast, context));
  }

  override visitCall(ast: Call, context: unknown): void {
    this.read(false, () => void super.visitCall(ast, context));
  }

  override visitSafeCall(ast: SafeCall, context: unknown): void {
    this.read(false, () => void super.visitSafeCall(ast, context));
  }

  override visitKeyedRead(ast: KeyedRead, context: unknown): void {
    this.read(false, () => void super.visitKeyedRead(ast, context));
  }

  override visitLiteralMap(map: LiteralMap): void {
    // Beside a choice's words stands its code.
    map.keys.forEach((key, at) => {
      const value = map.values[at];
      const isCode = key.kind === 'property' && ['id', 'value', 'kind'].includes(key.key);
      if (value) this.read(this.isRead && !isCode, () => void this.visit(value));
    });
  }

  private read(isRead: boolean, visit: () => void): void {
    const before = this.isRead;
    this.isRead = isRead;
    visit();
    this.isRead = before;
  }

  private check(text: string): void {
    if (hasLetters(text)) this.literals.push(`${this.file}: ${text.trim()}`);
  }
}

/** The texts that an expression may be: its one literal, or those between which it chooses. */
function listStrings(ast: AST): string[] {
  const found: string[] = [];
  const collect = (one: AST): void => {
    if (one instanceof LiteralPrimitive) found.push(String(one.value));
    else if ('trueExp' in one && 'falseExp' in one) {
      collect(one.trueExp as AST);
      collect(one.falseExp as AST);
    } else if ('expression' in one) collect(one.expression as AST);
  };
  collect(ast);
  return found;
}

/** The words of all templates of a folder, in files of their own and in components. */
export function readTemplateWords(folder: string): SpokenWords {
  const read = readdirSync(folder, { recursive: true, encoding: 'utf8' })
    // The page of parts is for who builds the screens.
    .filter((file) => /\.component\.(html|ts)$/.test(file) && !/^part-samples[\\/]/.test(file))
    .map((file) => {
      const text = readFileSync(join(folder, file), 'utf8');
      const template = file.endsWith('.html') ? text : (/template: `([^`]*)`/.exec(text)?.[1] ?? '');
      const reader = new WordReader(file.replaceAll('\\', '/'));
      parseTemplate(template, file).nodes.forEach((node) => reader.visit(node));
      return reader;
    });
  return {
    uses: read.flatMap(({ uses }) => uses),
    literals: read.flatMap(({ literals }) => literals),
  };
}
