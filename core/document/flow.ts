/** How many records came from each database, and how many different works are left of them. */
export interface Flow {
  readonly sources: readonly { readonly name: string; readonly records: number }[];
  readonly records: number;
  readonly duplicates: number;
  readonly works: number;
}

/** One stream of the drawing: a ribbon from one upright line to another. */
export interface Stream {
  readonly name: string;
  readonly number: number;
  readonly kind: 'source' | 'works' | 'duplicates';
  /** A closed path of SVG. */
  readonly path: string;
  /** Where its words stand. */
  readonly x: number;
  readonly y: number;
}

/** The drawing: widths are numbers. */
export interface FlowDrawing {
  readonly width: number;
  readonly height: number;
  readonly streams: readonly Stream[];
}

const WIDTH = 430;
const RIVER = 84;
const GAP = 14;
/** A stream that is thinner than its words has them above it. */
const WORDS = 13;
/** The thinnest stream that can be seen. */
const THINNEST = 1.5;
const TOP = 6;
/** Where the streams of databases end, and where those of works and duplicates begin. */
const MEETING = 210;
const END = 360;

/** Lays a flow out as a river: one stream for each database, joined, and parted into works and duplicates. */
export function drawFlow({ sources, records, duplicates, works }: Flow): FlowDrawing {
  const scale = RIVER / Math.max(1, records);
  const thick = (number: number): number => (number === 0 ? 0 : Math.max(THINNEST, number * scale));
  // Above a thin stream there is room for its words.
  const gaps = sources.map(({ records: number }, at) =>
    thick(number) < WORDS ? GAP + WORDS - 4 : at === 0 ? 0 : GAP,
  );
  const spread = gaps.reduce((all, gap) => all + gap, 0);
  // The joined river lies in the middle of the streams that come to it.
  let meeting = TOP + spread / 2;
  let left = TOP;
  const streams: Stream[] = [];
  for (const [at, { name, records: number }] of sources.entries()) {
    const width = thick(number);
    left += gaps[at]!;
    streams.push({
      name,
      number,
      kind: 'source',
      path: drawRibbon(0, left, MEETING, meeting, width),
      x: 6,
      y: width < WORDS ? left - WORDS / 2 : left + width / 2,
    });
    left += width;
    meeting += width;
  }
  const start = TOP + spread / 2;
  const kept = thick(works);
  streams.push({
    name: 'works',
    number: works,
    kind: 'works',
    path: drawRibbon(MEETING, start, END, start + GAP / 2, kept),
    x: END + 6,
    y: start + GAP / 2 + kept / 2,
  });
  if (duplicates > 0) {
    const width = thick(duplicates);
    streams.push({
      name: 'duplicates',
      number: duplicates,
      kind: 'duplicates',
      path: drawRibbon(MEETING, start + kept, END - 30, start + kept + GAP * 2, width),
      x: END - 24,
      y: start + kept + GAP * 2 + width / 2,
    });
  }
  const bottom = start + kept + (duplicates > 0 ? GAP * 2 + thick(duplicates) : 0);
  return { width: WIDTH, height: Math.ceil(Math.max(left, bottom) + TOP + 8), streams };
}

function drawRibbon(x1: number, y1: number, x2: number, y2: number, width: number): string {
  const middle = (x1 + x2) / 2;
  const at = (x: number, y: number): string => `${round(x)} ${round(y)}`;
  return [
    `M${at(x1, y1)}`,
    `C${at(middle, y1)} ${at(middle, y2)} ${at(x2, y2)}`,
    `L${at(x2, y2 + width)}`,
    `C${at(middle, y2 + width)} ${at(middle, y1 + width)} ${at(x1, y1 + width)}`,
    'Z',
  ].join('');
}

function round(number: number): number {
  return Math.round(number * 100) / 100;
}
