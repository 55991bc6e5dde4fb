import type { ProximityRule } from '../profile';
import type { Ask } from './question';
import { NEAR_FORMS, ORDERED_WORDS } from './signs';

/** A form of nearness as it was seen. */
export interface Nearness {
  readonly form: string;
  readonly word: string;
  readonly pattern: RegExp;
  readonly operands: ProximityRule['operands'];
}

/** The forms of nearness that stand in some strings. */
export function findNearness(texts: readonly string[]): Nearness[] {
  const found = new Map<string, Nearness>();
  for (const { form, pattern } of NEAR_FORMS)
    for (const text of texts)
      for (const { groups = {}, 0: all, index } of text.matchAll(pattern)) {
        const word = groups['word'] ?? '';
        const written = form.replace('{word}', word).replace('{joint}', groups['joint'] ?? '');
        const around = text.slice(Math.max(0, index - 1), index) + text.charAt(index + all.length);
        const operands = /[()]/.test(around) ? 'groups' : around.includes('"') ? 'phrases' : 'words';
        const known = found.get(written);
        if (!known || known.operands === 'words' || operands === 'groups')
          found.set(written, {
            form: written,
            word,
            pattern,
            operands: form.includes('"') ? 'words' : operands,
          });
      }
  return [...found.values()];
}

/** A form as a rule, with what its number and its order mean. */
export function describeNearness({ form, word, operands }: Nearness, ask: Ask): ProximityRule {
  const name = word === '' ? form : word;
  const counts = ask(
    `near-counts ${form}`,
    `What does the number of ${name} count?`,
    [
      ['between', 'the words between the two'],
      ['difference', 'steps from one to the other: side by side is 1'],
    ],
    'between',
  );
  const order = ask(
    `near-order ${form}`,
    `In which order does ${name} find the two?`,
    [
      ['either', 'in either order'],
      ['written', 'only as they are written'],
    ],
    ORDERED_WORDS.includes(word.toLowerCase()) ? 'written' : 'either',
  );
  return {
    form,
    counts: counts === 'difference' ? 'difference' : 'between',
    ordered: order === 'written',
    operands,
  };
}
