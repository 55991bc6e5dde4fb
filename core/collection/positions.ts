import { FREQUENCY_ESCAPE, SKIP, type Segment } from './collection-index';

/** Where the positions of a posting begin, from the skip entry before it on. */
export function findPositions(segment: Segment, posting: number): number {
  const known = posting - (posting % SKIP);
  return skipPositions(segment, known, posting, segment.skips[known / SKIP]!);
}

/** Where the positions of a posting begin, from those of an earlier posting on. */
export function skipPositions(
  { meta, positions }: Segment,
  known: number,
  posting: number,
  from: number,
): number {
  let at = from;
  for (let next = known; next < posting; next++) {
    const frequency = meta[next]! & FREQUENCY_ESCAPE;
    at += frequency === FREQUENCY_ESCAPE ? positions[at]! + 1 : frequency;
  }
  return at;
}
