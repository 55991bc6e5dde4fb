import type { APIRequestContext } from '@playwright/test';

/** The databases of the walk, by the names that stand on the screen. */
export const NAMES = {
  'Heronsmere Life Index': 'heronsmere',
  'Gantry Engineering Abstracts': 'gantry',
  'Cardinal Point Citations': 'cardinal',
} as const;
export type DatabaseId = (typeof NAMES)[keyof typeof NAMES];

/**
 * A piece of a query in each database's own syntax, written by hand from its manual: `none` where its records have
 * nothing of the kind, `unsearchable` where they have it and nobody can search it.
 */
export type Leaf = Readonly<Record<DatabaseId, string>>;

const alike = (letters: string): Leaf => ({ heronsmere: letters, gantry: letters, cardinal: letters });
const cut = (letters: string): Leaf => ({
  heronsmere: `${letters}*`,
  gantry: `${letters}%`,
  cardinal: `${letters}*`,
});

/** The pieces that the projects of the walk are made of, by their query text. */
export const LEAVES = {
  bat: alike('bat'),
  bats: alike('bats'),
  road: alike('road'),
  owl: alike('owl'),
  'light*': cut('light'),
  'lamp*': cut('lamp'),
  'moth*': cut('moth'),
  'title: road': { heronsmere: 'title:road', gantry: 'road{title}', cardinal: 'in(title: road)' },
  'title,abstract: bat': {
    heronsmere: 'title:bat OR summary:bat',
    gantry: 'bat{title,summary}',
    cardinal: 'in(title, summary: bat)',
  },
  'title,abstract: bats': {
    heronsmere: 'title:bats OR summary:bats',
    gantry: 'bats{title,summary}',
    cardinal: 'in(title, summary: bats)',
  },
  'affiliation: university': {
    heronsmere: 'unsearchable',
    gantry: 'university{firm}',
    cardinal: 'in(places: university)',
  },
  'keywords: light': { heronsmere: 'none', gantry: 'none', cardinal: 'in(keywords: light)' },
} as const satisfies Readonly<Record<string, Leaf>>;
export type LeafText = keyof typeof LEAVES;

/** A query as the test understands it, apart from the application. Nothing is a group without members. */
export type Tree =
  | LeafText
  | { readonly and: readonly Tree[] }
  | { readonly or: readonly Tree[] }
  | { readonly not: readonly [Tree, Tree] };

/** What limits the counts of a project. */
export interface WalkLimiters {
  readonly years?: { readonly from: number; readonly to: number };
  readonly peerReviewed?: true;
}

/** What a number has to be: the records, or that something of it cannot be searched there. */
export interface Truth {
  readonly records: ReadonlySet<number>;
  readonly isOff: boolean;
}

/** Sets of records from the databases themselves: only the leaves are asked for, the rest is set algebra. */
export class Truths {
  private readonly sets = new Map<string, Promise<ReadonlySet<number>>>();

  constructor(private readonly request: APIRequestContext) {}

  async find(database: DatabaseId, tree: Tree, limiters: WalkLimiters): Promise<Truth> {
    // A ticked box goes with each piece: what is taken away is limited as what it is taken from.
    const sentLimiters = limiters.peerReviewed && database !== 'cardinal' ? { peerReviewed: true } : {};
    const found = await this.evaluate(database, tree, sentLimiters);
    return { ...found, records: await this.limit(database, found.records, limiters) };
  }

  private async evaluate(database: DatabaseId, tree: Tree, sentLimiters: object): Promise<Truth> {
    if (typeof tree === 'string') {
      const string = LEAVES[tree][database];
      if (string === 'none' || string === 'unsearchable')
        return { records: new Set(), isOff: string === 'unsearchable' };
      return { records: await this.ask(database, string, sentLimiters), isOff: false };
    }
    const members = 'and' in tree ? tree.and : 'or' in tree ? tree.or : tree.not;
    const [first, ...others] = await Promise.all(
      members.map((member) => this.evaluate(database, member, sentLimiters)),
    );
    // A field that the records lack finds nothing; a member of AND of which nothing can be written is left out.
    const isUnwritten = 'and' in tree && tree.and.some((member) => this.isNone(database, member));
    const isOff = isUnwritten || [first, ...others].some((one) => one?.isOff === true);
    const records = others.reduce(
      (all, { records: some }) => this.join(tree, all, some),
      new Set(first?.records ?? []),
    );
    return { records, isOff };
  }

  private isNone(database: DatabaseId, tree: Tree): boolean {
    if (typeof tree === 'string') return LEAVES[tree][database] === 'none';
    return 'or' in tree && tree.or.length > 0 && tree.or.every((member) => this.isNone(database, member));
  }

  private join(tree: Exclude<Tree, string>, all: Set<number>, some: ReadonlySet<number>): Set<number> {
    if ('or' in tree) return new Set([...all, ...some]);
    return new Set([...all].filter((number) => some.has(number) === 'and' in tree));
  }

  private async limit(
    database: DatabaseId,
    records: ReadonlySet<number>,
    { years }: WalkLimiters,
  ): Promise<ReadonlySet<number>> {
    let left = [...records];
    if (years) {
      const { from, to } = years;
      const strings: Readonly<Record<DatabaseId, string>> = {
        heronsmere: `year:${from}..${to}`,
        gantry: `published{${from}-${to}}`,
        cardinal: `years(${from}-${to})`,
      };
      const within = await this.ask(database, strings[database], {});
      left = left.filter((number) => within.has(number));
    }
    return new Set(left);
  }

  private ask(database: DatabaseId, string: string, sentLimiters: object): Promise<ReadonlySet<number>> {
    const key = `${database} ${string} ${JSON.stringify(sentLimiters)}`;
    const known = this.sets.get(key);
    if (known) return known;
    const asked = this.request
      .post(`/api/standins/${database}/ids`, { data: { string, sentLimiters } })
      .then(async (response) => {
        const body = (await response.json()) as { numbers?: number[] };
        if (!body.numbers) throw new Error(`${database} does not take ${string}`);
        return new Set(body.numbers);
      });
    this.sets.set(key, asked);
    return asked;
  }
}
