/** The six holdings. */
export const HOLDING_IDS = [
  'heronsmere',
  'gantry',
  'cardinal',
  'marlstone',
  'northern',
  'plainfinder',
] as const;
export type HoldingId = (typeof HOLDING_IDS)[number];

/**
 * What a group of works is about. In the word lists, `a|b|c` are ways to say one thing: an author
 * prefers one of them and now and then uses another.
 */
export interface Theme {
  readonly id: string;
  /** Works of this theme in 40,000. */
  readonly works: number;
  /** Works that answer the question of the demo project. */
  readonly answersDemo?: boolean;
  readonly subjects: readonly string[];
  readonly factors: readonly string[];
  readonly responses: readonly string[];
  readonly methods: readonly string[];
  readonly settings: readonly string[];
  /** Noun phrases that are used now and then. */
  readonly details: readonly string[];
  readonly keywords: readonly string[];
  readonly sources: readonly string[];
  readonly heronsmere: readonly string[];
  readonly gantry: readonly string[];
  /** How likely each holding takes such a work, relative to others. */
  readonly affinity: Readonly<Record<HoldingId, number>>;
  /** Species names stand in the texts. */
  readonly hasSpecies?: boolean;
}

/** Reads the compact form in which themes are written: one line a list, members separated by `;`. */
export function createTheme(
  id: string,
  works: number,
  affinity: readonly number[],
  lists: Readonly<Record<string, string>>,
  traits: Partial<Theme> = {},
): Theme {
  const list = (name: string): string[] =>
    (lists[name] ?? '')
      .split(';')
      .map((item) => item.trim())
      .filter((item) => item !== '');
  const [heronsmere = 0, gantry = 0, cardinal = 0, marlstone = 0, northern = 0, plainfinder = 0] = affinity;
  return {
    id,
    works,
    subjects: list('subjects'),
    factors: list('factors'),
    responses: list('responses'),
    methods: list('methods'),
    settings: list('settings'),
    details: list('details'),
    keywords: list('keywords'),
    sources: list('sources'),
    heronsmere: list('heronsmere'),
    gantry: list('gantry'),
    affinity: { heronsmere, gantry, cardinal, marlstone, northern, plainfinder },
    ...traits,
  };
}
