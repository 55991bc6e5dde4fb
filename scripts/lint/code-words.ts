import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import type { MessageUse, SpokenWords } from './template-words';

/** Calls whose texts are codes: selectors, keys of storage, codes of problems. */
const CODE_CALLS =
  /^(closest|createProblem|join|matchMedia|matches|querySelector|querySelectorAll|replace|say|split|test)$/;
/** Folders whose texts nobody reads on a screen: what is asked of others, tests, the page of parts. */
const NO_SCREEN = /\.spec\.ts$|(^|\/)testing\/|^(data|part-samples|workers)\//;

/** Four words or more are a sentence for people; fewer may be a code, a selector, a form of a date. */
const isSentence = (text: string): boolean =>
  (text.match(/(?<![\w.[#-])\p{L}{2,}(?![\w\]=(-])/gu) ?? []).length >= 4 && !/^\W*\[|::|=>|px/.test(text);

function listGiven(node: ts.Expression | undefined): string[] {
  if (!node || !ts.isObjectLiteralExpression(node)) return [];
  return node.properties.flatMap(({ name }) => (name ? [name.getText()] : []));
}

function listStrings(node: ts.Expression): string[] {
  if (ts.isStringLiteral(node)) return [node.text];
  if (ts.isConditionalExpression(node))
    return [...listStrings(node.whenTrue), ...listStrings(node.whenFalse)];
  if (ts.isParenthesizedExpression(node)) return listStrings(node.expression);
  return [];
}

function readText(node: ts.Node): string | undefined {
  if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) return node.text;
  if (!ts.isTemplateExpression(node)) return undefined;
  return [node.head.text, ...node.templateSpans.map(({ literal }) => literal.text)].join(' ');
}

/** What the code says, and the names of messages that stand in its tables. */
export interface CodeWords extends SpokenWords {
  readonly names: readonly string[];
}

/** Names of messages have the folder first: `read.records`. */
const NAME = /^[a-z-]+\.\w+$/;

function readFileWords(file: string, text: string): CodeWords {
  const uses: MessageUse[] = [];
  const names: string[] = [];
  const literals: string[] = [];
  const visit = (node: ts.Node): void => {
    // What is thrown is for who reads the log; what decorates is a template, which is read elsewhere.
    if (
      ts.isImportDeclaration(node) ||
      ts.isDecorator(node) ||
      ts.isThrowStatement(node) ||
      ts.isTypeNode(node)
    )
      return;
    if (ts.isCallExpression(node)) {
      const name = ts.isPropertyAccessExpression(node.expression)
        ? node.expression.name.text
        : node.expression.getText();
      const [first, second] = node.arguments;
      if (name === 'say' && first)
        for (const key of listStrings(first)) uses.push({ file, key, given: listGiven(second) });
      if (CODE_CALLS.test(name)) {
        visit(node.expression);
        node.arguments.filter((one) => readText(one) === undefined).forEach(visit);
        return;
      }
    }
    const words = readText(node);
    if (words !== undefined && NAME.test(words)) names.push(words);
    if (words !== undefined && isSentence(words)) literals.push(`${file}: ${words}`);
    ts.forEachChild(node, visit);
  };
  visit(ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true));
  return { uses, literals, names };
}

/** The words of the code of a folder: what it says by the catalogue, and sentences that it holds itself. */
export function readCodeWords(folder: string): CodeWords {
  const read = readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .map((file) => file.replaceAll('\\', '/'))
    .filter((file) => file.endsWith('.ts') && !NO_SCREEN.test(file))
    .map((file) => readFileWords(file, readFileSync(join(folder, file), 'utf8')));
  return {
    uses: read.flatMap(({ uses }) => uses),
    literals: read.flatMap(({ literals }) => literals),
    names: read.flatMap(({ names }) => names),
  };
}
