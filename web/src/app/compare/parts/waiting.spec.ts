import { signal } from '@angular/core';
import { beforeEach, describe, expect, it } from 'vitest';
import { createProblem, fail, succeed, type Outcome } from '#core/problem/index';
import { startInjection } from '../../testing/injection';
import { follow } from './waiting';

const angular = startInjection();

/** Follows a word; each question is answered when the test says so. */
function start(isSame?: (a: string, b: string) => boolean) {
  const asked = signal<string | undefined>(undefined);
  const questions: { word: string; answer: (outcome: Outcome<string>) => Promise<void> }[] = [];
  const answer = angular.runInInjectionContext(() =>
    follow(
      () => asked(),
      (word) =>
        new Promise<Outcome<string>>((resolve) =>
          questions.push({
            word,
            answer: (outcome) => {
              resolve(outcome);
              return Promise.resolve();
            },
          }),
        ),
      isSame,
    ),
  );
  const ask = (word: string | undefined): void => {
    asked.set(word);
    angular.tick();
  };
  ask(undefined);
  return { ask, answer, questions };
}

beforeEach(() => {
  angular.resetTestingModule();
});

describe('following what is asked', () => {
  it('asks nothing for nothing, waits, and has the answer', async () => {
    const { ask, answer, questions } = start();
    expect(answer()).toEqual({ status: 'none' });
    ask('bats');
    expect(answer()).toEqual({ status: 'waiting' });
    await questions[0]?.answer(succeed('bats found'));
    expect(answer()).toEqual({ status: 'done', outcome: succeed('bats found') });
    ask(undefined);
    expect(answer()).toEqual({ status: 'none' });
    expect(questions).toHaveLength(1);
  });

  it('drops an answer to an older question, whichever comes first', async () => {
    const { ask, answer, questions } = start();
    ask('bats');
    ask('lamps');
    await questions[1]?.answer(succeed('lamps found'));
    await questions[0]?.answer(succeed('bats found'));
    expect(answer()).toEqual({ status: 'done', outcome: succeed('lamps found') });
    ask('roads');
    ask(undefined);
    await questions[2]?.answer(succeed('roads found'));
    expect(answer()).toEqual({ status: 'none' });
  });

  it('keeps its answer, or goes on waiting, while the same is asked', async () => {
    const { ask, answer, questions } = start((a, b) => a.toLowerCase() === b.toLowerCase());
    ask('bats');
    ask('Bats');
    expect(questions.map(({ word }) => word)).toEqual(['bats']);
    const problem = createProblem('worker-stopped', 'error');
    await questions[0]?.answer(fail(problem));
    ask('BATS');
    expect(answer()).toEqual({ status: 'done', outcome: fail(problem) });
    ask('lamps');
    expect(answer()).toEqual({ status: 'waiting' });
    ask('bats');
    expect(questions.map(({ word }) => word)).toEqual(['bats', 'lamps', 'bats']);
  });

  it('gives no answer after its view is gone', async () => {
    const { ask, answer, questions } = start();
    ask('bats');
    angular.resetTestingModule();
    await questions[0]?.answer(succeed('bats found'));
    expect(answer()).toEqual({ status: 'waiting' });
  });
});
