import { FIELD_TABLE, type HeadingNode, type RangeNode, type ValueNode } from '../../query';
import type { Dialect } from '../profile';
import { NARROWER, SAME, WIDER, type MeaningShift, type Reason } from '../profile';
import { getPropertyRule, writeProperty } from './write-limiters';
import { joinTrees, type Rendered, type StringTree } from './string-tree';

/** Gives the labels of a heading and of all below it; empty for an unknown one. */
export type ListBranch = (label: string) => readonly string[];

/** So many headings are spelled out for a branch; a larger one is written as its top alone. */
const MAX_NARROWER = 200;

/** A year, a type or a language as the string has it; where only a box has it, it cannot be part of a query. */
export function writePropertyNode(node: RangeNode | ValueNode, dialect: Dialect): Rendered {
  const text = writeProperty(node, dialect);
  if (text === undefined) {
    const { property } = node;
    const { how } = getPropertyRule(property, dialect);
    const code = how === 'box' || how === 'hand' ? 'property-elsewhere' : 'property-missing';
    const reasons: Reason[] = [{ code, data: { property: FIELD_TABLE[property].label } }];
    return { result: { kind: 'left-out', shift: NARROWER }, reasons };
  }
  const isLoose = / (?:and|or) /i.test(text) && !text.startsWith('(');
  const tree: StringTree = { kind: 'atom', node, text, words: 0, ...(isLoose && { isLoose }) };
  return { result: { kind: 'written', tree, shift: SAME, omitted: SAME }, reasons: [] };
}

/** A heading, a branch or a main topic in the dialect's forms; what has no form is written by what it has. */
export function writeHeading(node: HeadingNode, dialect: Dialect, listBranch?: ListBranch): Rendered {
  const { headings } = dialect;
  if (!headings || (node.vocabulary !== undefined && node.vocabulary !== headings.vocabulary)) {
    return {
      result: { kind: 'left-out', shift: SAME },
      reasons: [{ code: 'heading-elsewhere', data: {} }],
    };
  }
  const label = escapeLabel(node.label, dialect);
  if (label === undefined) {
    return {
      result: { kind: 'left-out', shift: NARROWER },
      reasons: [{ code: 'heading-unwritable', data: {} }],
    };
  }
  const reasons: Reason[] = [];
  let shift: MeaningShift = SAME;
  let form = headings[node.scope];
  if (form === undefined) {
    form = headings.heading;
    if (node.scope === 'focus') {
      reasons.push({ code: 'focus-missing', data: {} });
      shift = WIDER;
    } else if (!headings.flat) {
      const spelled = spellBranch(node, form, dialect, listBranch);
      if (spelled) return spelled;
      reasons.push({ code: 'branch-missing', data: {} });
      shift = NARROWER;
    }
  }
  const qualifier = node.qualifier === undefined ? undefined : escapeLabel(node.qualifier, dialect);
  if (qualifier !== undefined && headings.qualified !== undefined) form = headings.qualified;
  else if (node.qualifier !== undefined) {
    reasons.push({ code: 'qualifier-missing', data: {} });
    shift = WIDER;
  }
  const text = form.replace('{label}', () => label).replace('{qualifier}', () => qualifier ?? '');
  const words = node.label.split(/\s+/).length;
  const tree: StringTree = { kind: 'atom', node, text, words };
  return { result: { kind: 'written', tree, shift, omitted: SAME }, reasons };
}

/** The headings of a branch one by one, where there is no sign for it and they are known. */
function spellBranch(
  node: HeadingNode,
  form: string,
  dialect: Dialect,
  listBranch?: ListBranch,
): Rendered | undefined {
  const labels = listBranch?.(node.label) ?? [];
  const written = labels.map((label) => escapeLabel(label, dialect));
  if (labels.length === 0 || labels.length > MAX_NARROWER || written.includes(undefined)) return undefined;
  const atoms = written.map((label): StringTree => {
    const text = form.replace('{label}', () => label ?? '');
    return { kind: 'atom', node, text, words: (label ?? '').split(/\s+/).length };
  });
  const [only] = atoms;
  const tree = atoms.length === 1 && only ? only : joinTrees(node, 'or', atoms);
  const reasons: Reason[] = [{ code: 'branch-spelled-out', data: { count: labels.length } }];
  return { result: { kind: 'written', tree, shift: SAME, omitted: SAME }, reasons };
}

/** A label as it stands between quotation marks; nothing if it holds one and there is no way to say so. */
function escapeLabel(label: string, dialect: Dialect): string | undefined {
  const { escape, wildcards, phrase } = dialect;
  if (!escape && phrase.wildcards === 'none') {
    // Where wildcards are refused between quotation marks, a label does without their signs, which are no letters.
    const signs = Object.values(wildcards).map(({ sign }) => sign);
    const plain = [...label].map((sign) => (signs.includes(sign) ? ' ' : sign)).join('');
    return plain.includes('"') ? undefined : plain.replace(/ +/g, ' ').trim();
  }
  if (!escape) return label.includes('"') ? undefined : label;
  return [...label].map((sign) => (escape.before.includes(sign) ? escape.sign + sign : sign)).join('');
}
