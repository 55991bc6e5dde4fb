/** Something that the examples leave open, with what is taken until the person says otherwise. */
export interface LearnQuestion {
  readonly id: string;
  readonly words: string;
  readonly choices: readonly { readonly value: string; readonly words: string }[];
  readonly answer: string;
}

/** Asks one of several choices, as value and words; gives the person's answer, or the one proposed. */
export type Ask = (
  id: string,
  words: string,
  choices: readonly (readonly [string, string])[],
  answer: string,
) => string;

/** An asker that knows some answers and notes every question. */
export function createAsker(answers: Readonly<Record<string, string>>): {
  ask: Ask;
  questions: LearnQuestion[];
} {
  const questions: LearnQuestion[] = [];
  const ask: Ask = (id, words, choices, answer) => {
    const given = answers[id];
    const taken = given !== undefined && choices.some(([value]) => value === given) ? given : answer;
    questions.push({
      id,
      words,
      choices: choices.map(([value, says]) => ({ value, words: says })),
      answer: taken,
    });
    return taken;
  };
  return { ask, questions };
}
