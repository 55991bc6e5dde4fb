import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { SAMPLE_SIZE, createJudgementKey, drawFurther, drawRecords, judgePart } from './judged-sample';

const numbers = fc.uniqueArray(fc.nat(5_000), { maxLength: 80 });

describe('the sample of a part', () => {
  it('is the same whenever it is drawn, holds each record once, and grows without changing', () => {
    fc.assert(
      fc.property(numbers, fc.nat(60), (part, count) => {
        const drawn = drawRecords(part, count);
        expect(drawRecords(part, count)).toEqual(drawn);
        expect(new Set(drawn).size).toBe(Math.min(count, part.length));
        expect(drawn.every((number) => part.includes(number))).toBe(true);
        expect([...drawn, ...drawFurther(part, count)]).toEqual(drawRecords(part, count + SAMPLE_SIZE));
      }),
    );
  });

  it('counts the verdicts on what was drawn, each record once, and on nothing else', () => {
    const key = (record: string): string => createJudgementKey('gantry', record);
    const judge = (verdict: 'on' | 'off' | 'unsure') => ({ verdict, title: '' });
    const judgements = {
      [key('1')]: judge('on'),
      [key('2')]: judge('off'),
      [key('3')]: judge('unsure'),
      [key('4')]: judge('on'),
      [createJudgementKey('cardinal', '5')]: judge('on'),
    };
    expect(judgePart(40, ['1', '2', '3', '1', '5', '6'].map(key), judgements)).toEqual({
      size: 40,
      good: 1,
      bad: 1,
      unsure: 1,
    });
  });
});
