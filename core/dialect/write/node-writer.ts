import { listNodes, type Field, type NearNode, type Pattern, type QueryNode } from '../../query';
import type { Dialect } from '../profile';
import {
  intersectResults,
  joinTrees,
  uniteResults,
  type Rendered,
  type Result,
  type StringTree,
  type Written,
} from './string-tree';
import {
  NARROWER,
  SAME,
  WIDER,
  describeShift,
  invertShift,
  joinShifts,
  type MeaningShift,
  type Reason,
} from '../profile';
import { holdInitials } from './initials';
import { chooseForm, gatherSide } from './near-forms';
import { NodeNotes, isRecalled, recallNode } from './recalled-nodes';
import { planFields, splitMark, type FieldPlan } from '../profile';
import {
  listPatterns,
  listPhrases,
  markItem,
  uniqueReasons,
  writeOperand,
  writePhrase,
  writeTerm,
} from './write-items';
import { MAX_SPELLINGS, describeWordHabits, isStopWord, type FindForms } from './write-words';
import { mustFlatten } from './flatten';
import { writeHeading, writePropertyNode, type ListBranch } from './write-headings';

/** What the writer may know beyond the dialect: see `WriteSettings`. */
interface NodeSettings {
  readonly findForms?: FindForms;
  readonly listBranch?: ListBranch;
  readonly references?: ReadonlyMap<string, string>;
}

/** Writes the nodes of one query in one dialect, and notes what becomes of each. */
export class NodeWriter {
  readonly notes = new NodeNotes();

  constructor(
    private readonly dialect: Dialect,
    private readonly defaultFields: readonly Field[],
    /** Default fields are not marked, to save length. */
    private readonly bare: boolean,
    private readonly known: NodeSettings = {},
  ) {}

  write(node: QueryNode, fields?: readonly Field[]): Result {
    const { result, reasons } = isRecalled(node) ? this.recall(node, fields) : this.render(node, fields);
    const level = result.kind === 'written' ? describeShift(result.shift) : 'left-out';
    const isLoss = result.kind === 'left-out' && result.shift !== SAME;
    this.notes.note(node.id, { level, reasons, ...(isLoss && { isLoss }) });
    return result;
  }

  private recall(node: QueryNode, fields: readonly Field[] | undefined): Rendered {
    // Branches and earlier searches belong to a moment, not to the node alone.
    if (this.known.listBranch ?? this.known.references) return this.render(node, fields);
    const { dialect, defaultFields, bare } = this;
    const way = { forms: this.known.findForms, fields, defaultFields, bare };
    const { rendered, notes } = recallNode(node, dialect, way, () => {
      const inside = new NodeWriter(dialect, defaultFields, bare, this.known);
      return { rendered: inside.render(node, fields), notes: inside.notes };
    });
    this.notes.include(notes);
    return rendered;
  }

  private render(node: QueryNode, fields: readonly Field[] | undefined): Rendered {
    switch (node.kind) {
      case 'and':
        return this.renderAnd(
          node,
          node.items.map((item) => this.write(item, fields)),
        );
      case 'or':
        return this.renderOr(
          node,
          node.items.map((item) => this.write(item, fields)),
        );
      case 'not':
        return this.renderNot(node, this.write(node.include, fields), this.write(node.exclude, fields));
      case 'near':
        return this.renderNear(node, fields);
      case 'fielded':
        return this.renderFielded(node);
      case 'term':
        return this.renderWords(node, [node.pattern], fields);
      case 'phrase':
        return this.renderWords(node, node.words, fields);
      case 'heading':
        return writeHeading(node, this.dialect, this.known.listBranch);
      case 'range':
      case 'value':
        return writePropertyNode(node, this.dialect);
      case 'block':
        return this.renderReference(node);
      case 'off':
      case 'only':
      case 'empty':
        return { result: { kind: 'nothing' }, reasons: [] };
    }
  }

  private renderAnd(node: QueryNode, results: readonly Result[]): Rendered {
    if (results.some((result) => result.kind === 'nothing'))
      return { result: { kind: 'nothing' }, reasons: [] };
    const { trees, shift, omitted } = intersectResults(results);
    if (trees.length === 0) return this.leaveAllOut(results, 'and');
    const tree = joinTrees(node, 'and', trees);
    return { result: { kind: 'written', tree, shift, omitted }, reasons: this.noteLeftOut(results) };
  }

  private renderOr(node: QueryNode, results: readonly Result[]): Rendered {
    const { trees, shift, omitted } = uniteResults(results);
    if (trees.length === 0) return this.leaveAllOut(results, 'or');
    const tree = joinTrees(node, 'or', trees);
    return { result: { kind: 'written', tree, shift, omitted }, reasons: this.noteLeftOut(results) };
  }

  private renderNot(node: QueryNode, include: Result, exclude: Result): Rendered {
    if (include.kind !== 'written') return { result: include, reasons: [] };
    if (exclude.kind !== 'written') {
      const lost: MeaningShift = exclude.kind === 'left-out' && exclude.shift !== SAME ? WIDER : SAME;
      const tree = joinTrees(node, 'and', [include.tree]);
      return {
        result: {
          ...include,
          tree,
          shift: joinShifts(include.shift, lost),
          omitted: joinShifts(include.omitted, lost),
        },
        reasons: this.noteLeftOut([exclude]),
      };
    }
    const shift = joinShifts(include.shift, invertShift(exclude.shift));
    const tree = joinTrees(node, 'not', [include.tree, exclude.tree]);
    const omitted = joinShifts(include.omitted, invertShift(exclude.omitted));
    return { result: { kind: 'written', tree, shift, omitted }, reasons: [] };
  }

  /** All members are left out: so is the group. It is no loss if it would find nothing there anyway. */
  private leaveAllOut(results: readonly Result[], operator: 'and' | 'or'): Rendered {
    if (results.every((result) => result.kind === 'nothing'))
      return { result: { kind: 'nothing' }, reasons: [] };
    const isLoss = (result: Result): boolean => result.kind === 'left-out' && result.shift === NARROWER;
    const loses = operator === 'and' ? results.every(isLoss) : results.some(isLoss);
    return {
      result: { kind: 'left-out', shift: loses ? NARROWER : SAME },
      reasons: this.noteLeftOut(results),
    };
  }

  private noteLeftOut(results: readonly Result[]): Reason[] {
    const lost = results.some((result) => result.kind === 'left-out' && result.shift !== SAME);
    return lost ? [{ code: 'member-left-out', data: {} }] : [];
  }

  /** One mark round a whole bracket where the dialect has that and every leaf takes it; else the fields go to the leaves. */
  private renderFielded(node: QueryNode & { kind: 'fielded' }): Rendered {
    const held = this.dialect.givenNames === 'initials' ? holdInitials(node) : undefined;
    if (held) {
      const { result, reasons } = this.renderFielded(held);
      if (result.kind !== 'written') return { result, reasons };
      return {
        result: { ...result, shift: joinShifts(result.shift, WIDER) },
        reasons: [...reasons, { code: 'name-initials', data: {} }],
      };
    }
    const plan = planFields(node.fields, this.dialect, true);
    const leaves = listNodes(node.item);
    const markable =
      leaves.every((leaf) => !['heading', 'fielded', 'range', 'value', 'empty'].includes(leaf.kind)) &&
      leaves.length > 1;
    const [code] = plan.kind === 'marked' ? plan.codes : [];
    if (
      !markable ||
      !this.dialect.fields.marksGroups ||
      mustFlatten(this.dialect) ||
      plan.kind !== 'marked' ||
      code === undefined ||
      plan.codes.length > 1 ||
      plan.missing.length > 0 ||
      plan.widened.length > 0
    ) {
      return { result: this.write(node.item, node.fields), reasons: [] };
    }
    const inner = this.writeUnmarked(node.item);
    if (inner.kind !== 'written') return { result: inner, reasons: [] };
    const [before, after] = splitMark(code, this.dialect);
    const tree: StringTree = { kind: 'wrap', node, before, after, item: inner.tree };
    return { result: { ...inner, tree }, reasons: [] };
  }

  /** Writes leaves without marks of their own, since a mark round them all follows. */
  private writeUnmarked(node: QueryNode): Result {
    return this.write(node, this.dialect.fields.unmarked);
  }

  /** An earlier search instead of a block. */
  private renderReference(node: QueryNode & { kind: 'block' }): Rendered {
    const text = this.known.references?.get(node.name);
    if (text === undefined) return { result: { kind: 'nothing' }, reasons: [] };
    return {
      result: { kind: 'written', tree: { kind: 'atom', node, text, words: 0 }, shift: SAME, omitted: SAME },
      reasons: [],
    };
  }

  private getFields(fields: readonly Field[] | undefined): readonly Field[] {
    if (fields) return fields;
    return this.bare ? this.dialect.fields.unmarked : this.defaultFields;
  }

  /** A word or a phrase: once for each field mark and each spelling, joined by OR. */
  private renderWords(
    node: QueryNode,
    words: readonly Pattern[],
    fields: readonly Field[] | undefined,
  ): Rendered {
    const plan = planFields(this.getFields(fields), this.dialect, words.length > 1);
    if (plan.kind === 'not-held')
      return {
        result: { kind: 'left-out', shift: SAME },
        reasons: [{ code: 'field-missing', data: { fields: this.getFields(fields).join(', ') } }],
      };
    if (plan.kind === 'unreachable')
      return {
        result: { kind: 'left-out', shift: NARROWER },
        reasons: [{ code: 'field-missing', data: { fields: plan.missing.join(', ') } }],
      };
    if (words.every((word) => isStopWord(word, this.dialect))) {
      return { result: { kind: 'left-out', shift: NARROWER }, reasons: [{ code: 'stop-word', data: {} }] };
    }
    const items =
      words.length === 1
        ? writeTerm(words[0] ?? [], this.dialect, this.known.findForms)
        : writePhrase(words, this.dialect, this.known.findForms);
    const habits = describeWordHabits(words, this.dialect);
    const reach = this.describeReach(plan, fields);
    const reasons = [...items.reasons, ...habits.reasons, ...reach.reasons];
    const shift = joinShifts(items.shift, habits.shift, reach.shift);
    if (items.texts.length === 0) return { result: { kind: 'left-out', shift: NARROWER }, reasons };
    const codes = plan.kind === 'marked' ? plan.codes : [undefined];
    const marked = codes.flatMap((code) =>
      items.texts.map((item) => markItem(node, item, code, this.dialect)),
    );
    const tree = marked.length === 1 && marked[0] ? marked[0] : joinTrees(node, 'or', marked);
    return { result: { kind: 'written', tree, shift, omitted: reach.omitted }, reasons };
  }

  /** What it does that fields cannot be searched, or only together with others. */
  private describeReach(
    plan: FieldPlan & { kind: 'marked' | 'unmarked' },
    fields: readonly Field[] | undefined,
  ): { shift: MeaningShift; omitted: MeaningShift; reasons: Reason[] } {
    const reasons: Reason[] = [];
    let shift: MeaningShift = SAME;
    if (plan.missing.length > 0) {
      shift = NARROWER;
      reasons.push({ code: 'field-missing', data: { fields: plan.missing.join(', ') } });
    }
    for (const { field, instead } of plan.widened) {
      shift = joinShifts(shift, WIDER);
      const where = instead === 'unmarked' ? 'all that is searched without a field' : instead;
      reasons.push({ code: 'field-widened', data: { fields: field, instead: where } });
    }
    const omitted = shift;
    if (this.bare && !fields) {
      shift = joinShifts(shift, WIDER);
      reasons.push({ code: 'fields-left-out', data: {} });
    }
    return { shift, omitted, reasons };
  }

  private renderNear(node: NearNode, fields: readonly Field[] | undefined): Rendered {
    const pairs = this.writePairs(node, fields);
    if (pairs) return { result: { kind: 'written', ...pairs.written }, reasons: pairs.reasons };
    const phrases = listPhrases(node);
    if (phrases) {
      const written = phrases.map((words) => this.renderWords(node, words, fields));
      const { trees, shift, omitted } = uniteResults(written.map(({ result }) => result));
      const reasons = uniqueReasons(written.flatMap((one) => one.reasons));
      const tree = trees.length === 1 && trees[0] ? trees[0] : joinTrees(node, 'or', trees);
      // Where a phrase cannot be said, neither can the words that stand beside each other be found in order.
      if (trees.length === phrases.length)
        return { result: { kind: 'written', tree, shift, omitted }, reasons };
    }
    const both = this.renderAnd(node, [this.write(node.left, fields), this.write(node.right, fields)]);
    const result =
      both.result.kind === 'written'
        ? { ...both.result, shift: joinShifts(both.result.shift, WIDER) }
        : both.result;
    return { result, reasons: [...both.reasons, { code: 'proximity-missing', data: {} }] };
  }

  /** The pairs of the two sides in the best of the dialect's forms; nothing if that cannot be said. */
  private writePairs(
    node: NearNode,
    fields: readonly Field[] | undefined,
  ): { written: Omit<Written, 'kind'>; reasons: Reason[] } | undefined {
    const plan = planFields(this.getFields(fields), this.dialect, true);
    if (plan.kind === 'not-held' || plan.kind === 'unreachable' || plan.missing.length > 0) return undefined;
    const chosen = chooseForm(node, this.dialect);
    if (!chosen) return undefined;
    const sides = [node.left, node.right].map((side) =>
      (side.kind === 'or' ? side.items : [side]).map((item) =>
        writeOperand(item, this.dialect, chosen.rule, this.known.findForms),
      ),
    );
    const operands = sides.flat();
    const known = operands.filter((operand) => operand !== undefined);
    if (known.length < operands.length) return undefined;
    const [left = [], right = []] = sides.map((side) =>
      gatherSide(
        side.filter((one) => one !== undefined),
        chosen.rule,
      ),
    );
    if (left.length * right.length > MAX_SPELLINGS || left.length * right.length === 0) return undefined;
    const patterns = [node.left, node.right].flatMap(listPatterns);
    const habits = describeWordHabits(patterns, this.dialect);
    const reach = this.describeReach(plan, fields);
    const skips: MeaningShift = this.dialect.stopWords.length > 0 ? WIDER : SAME;
    const reasons = uniqueReasons([
      ...known.flatMap((operand) => operand.reasons),
      ...habits.reasons,
      ...reach.reasons,
      ...chosen.reasons,
    ]);
    if (skips === WIDER) reasons.push({ code: 'stop-words-skipped', data: {} });
    const codes = plan.kind === 'marked' ? plan.codes : [undefined];
    const { form } = chosen;
    const trees = codes.flatMap((code) =>
      left.flatMap((a) =>
        right.flatMap((b) =>
          (chosen.bothWays ? [[a, b] as const, [b, a] as const] : [[a, b] as const]).map((pair) =>
            markItem(node, { kind: 'pair', form, sides: pair }, code, this.dialect),
          ),
        ),
      ),
    );
    const shift = joinShifts(
      ...known.map((operand) => operand.shift),
      habits.shift,
      reach.shift,
      chosen.shift,
      skips,
    );
    const tree = trees.length === 1 && trees[0] ? trees[0] : joinTrees(node, 'or', trees);
    return { written: { tree, shift, omitted: reach.omitted }, reasons };
  }
}
