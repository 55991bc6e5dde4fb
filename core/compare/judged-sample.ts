import type { Project } from '../project';
import { drawSample, type JudgedPart } from './precision';

/** So many records are drawn at a time. */
export const SAMPLE_SIZE = 12;
/** One sample for all: the same records come again whenever the same part is looked at. */
const SEED = 20_260_301;

/** The first so many records of the sample of a part, by their numbers. */
export function drawRecords(numbers: readonly number[], count: number): number[] {
  return drawSample(numbers, count, SEED);
}

/** The records that are drawn after so many were, a further sample of the same size. */
export function drawFurther(numbers: readonly number[], drawn: number): number[] {
  return drawRecords(numbers, drawn + SAMPLE_SIZE).slice(drawn);
}

/** The key under which the judgement of a record is kept. */
export function createJudgementKey(database: string, record: string): string {
  return `${database} ${record}`;
}

/** What was judged of a part of `size` records: only those that were drawn count, so that the sample stays one. */
export function judgePart(
  size: number,
  drawn: readonly string[],
  judgements: Project['judgements'],
): JudgedPart {
  const verdicts = [...new Set(drawn)].map((key) => judgements[key]?.verdict);
  const count = (verdict: (typeof verdicts)[number]): number =>
    verdicts.filter((one) => one === verdict).length;
  return { size, good: count('on'), bad: count('off'), unsure: count('unsure') };
}
