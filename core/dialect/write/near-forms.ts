import type { NearNode } from '../../query';
import type { Dialect, ProximityRule } from '../profile';
import { SAME, WIDER, type MeaningShift, type Reason } from '../profile';
import type { WrittenSide } from './write-items';

/** All of a side at once where groups are taken, else one after the other. */
export function gatherSide(side: readonly WrittenSide[], rule: ProximityRule): WrittenSide[] {
  const texts = side.flatMap((operand) => operand.texts);
  if (rule.operands !== 'groups')
    return side.flatMap((operand) => operand.texts.map((text) => ({ texts: [text], words: operand.words })));
  return texts.length > 0 ? [{ texts, words: side.reduce((sum, operand) => sum + operand.words, 0) }] : [];
}

/** A form of nearness for one node, and what it does to its meaning. */
export interface ChosenForm {
  readonly rule: ProximityRule;
  /** The form with its number. */
  readonly form: string;
  /** Written in both orders, either of which will do. */
  readonly bothWays: boolean;
  readonly shift: MeaningShift;
  readonly reasons: readonly Reason[];
}

/** The form of a nearness that loses least: the same order, both orders of an ordered one, either order. */
export function chooseForm(node: NearNode, dialect: Dialect): ChosenForm | undefined {
  const forms = dialect.proximity.flatMap((rule): ChosenForm[] => {
    const asked = rule.counts === 'between' ? node.distance - 1 : node.distance;
    const number = rule.numbers ? [...rule.numbers].sort((a, b) => a - b).find((one) => one >= asked) : asked;
    if (number === undefined || number > (rule.greatest ?? Infinity)) return [];
    const reasons: Reason[] = [];
    if (number > asked) reasons.push({ code: 'distance-widened', data: { number } });
    if (node.ordered && !rule.ordered) reasons.push({ code: 'order-missing', data: {} });
    if (node.ordered && rule.ordered && rule.turnsWhenNearer) reasons.push({ code: 'order-loose', data: {} });
    return [
      {
        rule,
        form: rule.form.replace('{n}', String(number)),
        bothWays: !node.ordered && rule.ordered,
        shift: reasons.length > 0 ? WIDER : SAME,
        reasons,
      },
    ];
  });
  const rank = (form: ChosenForm): number => form.reasons.length * 2 + Number(form.bothWays);
  return forms.sort((a, b) => rank(a) - rank(b))[0];
}
