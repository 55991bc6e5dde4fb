import type { TrailStart, TrailTie } from '#core/trail/index';

/** More works than this cannot be told apart as arcs: a chart of years stands in their place. */
export const MOST_IN_ARCS = 60;
export const ARCS_WIDTH = 1_100;
export const ARCS_HEIGHT = 190;
const BASE = 150;
const MARGIN = 24;
/** Labels of years do not touch each other. */
const LEAST_BETWEEN_LABELS = 46;

/** A work as a point of the timeline. */
export interface ArcPoint {
  readonly x: number;
  readonly y: number;
  readonly kind: 'start' | 'found' | 'missed' | 'unknown';
  readonly title: string;
}

/** A citation as an arc, from the later work back to the earlier one. */
export interface CitationArc {
  readonly path: string;
  readonly direction: TrailTie['direction'];
}

/** A timeline of works with their citations as arcs above it. */
export interface ArcDrawing {
  readonly points: readonly ArcPoint[];
  readonly arcs: readonly CitationArc[];
  readonly years: readonly { readonly x: number; readonly year: number }[];
  /** Works and starts without a year have no place. */
  readonly withoutYear: number;
}

/** A work to be drawn. */
export interface ArcWork {
  readonly title: string;
  readonly year: number | undefined;
  readonly isFound: boolean | undefined;
  readonly ties: readonly TrailTie[];
}

/** Places works by year, side by side within a year, and joins them with the starts that they cite or are cited by. */
export function drawArcs(starts: readonly TrailStart[], works: readonly ArcWork[]): ArcDrawing {
  const all = [
    ...starts.map(({ title, year }) => ({ title, year, kind: 'start' as const, work: undefined })),
    ...works.map((work) => ({ title: work.title, year: work.year, kind: nameKind(work), work })),
  ];
  const dated = all
    .flatMap((one, place) => (one.year === undefined ? [] : [{ ...one, year: one.year, place }]))
    .sort((a, b) => a.year - b.year || a.place - b.place);
  const [first, last] = [dated[0]?.year ?? 0, dated.at(-1)?.year ?? 0];
  // A year takes as much room as it has works, and some room where it has none.
  const slots: { readonly year: number; readonly place?: number }[] = [];
  for (let year = first; year <= last; year++) {
    const own = dated.filter((one) => one.year === year);
    slots.push(...(own.length > 0 ? own.map(({ place }) => ({ year, place })) : [{ year }]));
  }
  const step = (ARCS_WIDTH - 2 * MARGIN) / Math.max(1, slots.length);
  const xOf = new Map<number, number>();
  slots.forEach(({ place }, at) => {
    if (place !== undefined) xOf.set(place, MARGIN + (at + 0.5) * step);
  });
  const years: { x: number; year: number }[] = [];
  slots.forEach(({ year }, at) => {
    const x = MARGIN + (at + 0.5) * step;
    const before = years.at(-1);
    if (before?.year === year || (before && x - before.x < LEAST_BETWEEN_LABELS)) return;
    years.push({ x, year });
  });
  const points = dated.map(({ place, kind, title }) => ({ x: xOf.get(place) ?? 0, y: BASE, kind, title }));
  const arcs = works.flatMap(({ ties }, at) =>
    ties.flatMap(({ start, direction }): CitationArc[] => {
      const [from, to] = [xOf.get(start), xOf.get(starts.length + at)];
      return from === undefined || to === undefined ? [] : [{ path: drawArc(from, to), direction }];
    }),
  );
  return { points, arcs, years, withoutYear: all.length - dated.length };
}

function nameKind({ isFound }: ArcWork): ArcPoint['kind'] {
  return isFound === undefined ? 'unknown' : isFound ? 'found' : 'missed';
}

function drawArc(from: number, to: number): string {
  const [left, right] = [Math.min(from, to), Math.max(from, to)];
  const radius = (right - left) / 2;
  const height = Math.min(radius, BASE - 16);
  return `M ${left.toFixed(1)} ${BASE} A ${radius.toFixed(1)} ${height.toFixed(1)} 0 0 1 ${right.toFixed(1)} ${BASE}`;
}
