import type { Tree, WalkLimiters } from './truth';

/** A term of a concept of the walk. */
export interface WalkTerm {
  readonly text: string;
  /** What it finds in the fields of its concept. */
  readonly tree: Tree;
  readonly off?: true;
  readonly databases?: readonly string[];
}

/** A concept of the walk. */
export interface WalkConcept {
  readonly name: string;
  readonly terms: readonly WalkTerm[];
  readonly fields?: readonly string[];
  readonly off?: true;
}

/** A member of the draft, as the staircase and the combinations name it. */
export interface WalkMember {
  readonly sign: 'and' | 'not';
  readonly words: string;
  /** What it is called among combinations. */
  readonly name: string;
  readonly tree: Tree;
  /** The same in the usual fields, where it has fields of its own: these are a step of their own. */
  readonly bare?: { readonly tree: Tree; readonly fields: string };
}

/** A project whose every number is known. */
export interface WalkProject {
  readonly title: string;
  readonly concepts: readonly WalkConcept[];
  readonly blocks?: Readonly<Record<string, string>>;
  readonly draft: string;
  readonly members: readonly WalkMember[];
  /** The rows of the outline that are no concept, no term and not the whole, by what they are called. */
  readonly rows?: Readonly<Record<string, Tree>>;
  readonly limiters?: WalkLimiters;
  readonly databases?: readonly string[];
}

const term = (text: 'bat' | 'bats' | 'road' | 'owl' | 'light*' | 'lamp*' | 'moth*'): WalkTerm => ({
  text,
  tree: text,
});
const any = (concept: WalkConcept): Tree => ({
  or: concept.terms.filter(({ off }) => !off).map(({ tree }) => tree),
});
const animals: WalkConcept = { name: 'animals', terms: [term('bat'), term('bats')] };
const light: WalkConcept = { name: 'light', terms: [term('light*'), term('lamp*')] };
const moths: WalkConcept = { name: 'moths', terms: [term('moth*')] };
const place: WalkConcept = { name: 'place', terms: [term('road')] };
const narrow: WalkConcept = {
  name: 'animals',
  fields: ['title', 'abstract'],
  terms: [
    { text: 'bat', tree: 'title,abstract: bat' },
    { text: 'bats', tree: 'title,abstract: bats' },
  ],
};
const member = (concept: WalkConcept, sign: WalkMember['sign'] = 'and'): WalkMember => ({
  sign,
  words: `@${concept.name}`,
  name: concept.name,
  tree: any(concept),
});

/** Ten projects with the corners in which numbers go wrong. */
export const WALK_PROJECTS: readonly WalkProject[] = [
  {
    title: 'two concepts',
    concepts: [animals, light],
    draft: '@animals AND @light',
    members: [member(animals), member(light)],
  },
  {
    title: 'an exclusion under a limiter, a concept that is off',
    concepts: [animals, light, moths, { ...place, off: true }],
    draft: '@animals AND @light AND @place NOT @moths',
    members: [member(animals), member(light), member(moths, 'not')],
    limiters: { years: { from: 2010, to: 2014 } },
  },
  {
    title: 'a concept in fields of its own',
    concepts: [narrow, light],
    draft: '@animals AND @light',
    members: [
      { ...member(narrow), bare: { tree: { or: ['bat', 'bats'] }, fields: 'title, abstract' } },
      member(light),
    ],
  },
  {
    title: 'an exclusion that a database cannot search',
    concepts: [animals, light],
    draft: '@animals NOT affiliation: university',
    members: [
      member(animals),
      {
        sign: 'not',
        words: 'affiliation: university',
        name: 'affiliation: university',
        tree: 'affiliation: university',
      },
    ],
    rows: { 'without university': 'affiliation: university' },
  },
  {
    title: 'an exclusion that some databases have nothing of',
    concepts: [animals],
    draft: '@animals NOT keywords: light',
    members: [
      member(animals),
      { sign: 'not', words: 'keywords: light', name: 'keywords: light', tree: 'keywords: light' },
    ],
    rows: { 'without light': 'keywords: light' },
  },
  {
    title: 'terms that are off, a concept that the query does not use',
    concepts: [{ ...animals, terms: [term('bat'), { ...term('bats'), off: true }] }, light, moths],
    draft: '@animals AND @light',
    members: [{ ...member({ ...animals, terms: [term('bat')] }), tree: { or: ['bat'] } }, member(light)],
  },
  {
    title: 'alternatives',
    concepts: [animals, moths, light],
    draft: '(@animals OR @moths) AND @light',
    members: [
      {
        sign: 'and',
        words: '@animals OR @moths',
        name: '@animals OR @moths',
        tree: { or: [any(animals), any(moths)] },
      },
      member(light),
    ],
    rows: { 'any of': { or: [any(animals), any(moths)] } },
  },
  {
    title: 'a concept that is used through a block',
    concepts: [animals, light, moths],
    blocks: { quiet: '@animals NOT @moths' },
    draft: '@quiet AND @light',
    members: [
      { sign: 'and', words: '@quiet', name: '@quiet', tree: { not: [any(animals), any(moths)] } },
      member(light),
    ],
    rows: { '@quiet': { not: [any(animals), any(moths)] }, 'all of 2': { not: [any(animals), any(moths)] } },
  },
  {
    title: 'a required part that a database cannot search',
    concepts: [animals, light],
    draft: '@animals AND @light AND affiliation: university',
    members: [
      member(animals),
      member(light),
      {
        sign: 'and',
        words: 'affiliation: university',
        name: 'affiliation: university',
        tree: 'affiliation: university',
      },
    ],
    rows: { university: 'affiliation: university' },
  },
  {
    title: 'a limiter that a database does not have',
    concepts: [animals, light],
    draft: '@animals AND @light NOT title: road',
    members: [
      member(animals),
      member(light),
      { sign: 'not', words: 'title: road', name: 'title: road', tree: 'title: road' },
    ],
    rows: { 'without road': 'title: road' },
    limiters: { peerReviewed: true },
  },
];

/** The whole that a project asks for. */
export function createWhole(members: readonly WalkMember[]): Tree {
  const required = members.filter(({ sign }) => sign === 'and').map(({ tree }) => tree);
  return members
    .filter(({ sign }) => sign === 'not')
    .reduce<Tree>((whole, { tree }) => ({ not: [whole, tree] }), { and: required });
}

/** The concept's terms that are on, any of them. */
export const anyOf = any;

/** The file of a project, to be imported as people do: its compared variant asks for the first concept alone. */
export function writeWalkFile(project: WalkProject): string {
  const moment = '2026-10-01T08:00:00.000Z';
  const concepts = project.concepts.map(({ name, terms, fields, off }) => ({
    id: name,
    name,
    block: name,
    off: off === true,
    ...(fields && { fields }),
    terms: terms.map((one, at) => ({
      id: `${name}${at}`,
      text: one.text,
      off: one.off === true,
      ...(one.databases && { databases: one.databases }),
    })),
  }));
  const blocks = Object.entries(project.blocks ?? {}).map(([name, text]) => ({ id: name, name, text }));
  const databases = project.databases ?? ['heronsmere', 'gantry', 'cardinal'];
  const frozen = { concepts, blocks, limiters: project.limiters ?? {}, databases };
  const first = `@${project.concepts[0]?.name ?? ''}`;
  return JSON.stringify({
    format: 'ewer-project',
    version: 7,
    project: {
      id: `walk-${project.title}`,
      name: project.title,
      created: moment,
      working: {
        question: project.title,
        purpose: 'review',
        rules: { note: '', limiters: {}, wanted: {} },
        contextWords: { added: [], dropped: [] },
        ...frozen,
        draft: project.draft,
        bands: {},
        ownDatabases: [],
        reasons: {},
      },
      variants: [{ id: 'v', name: 'first', note: 'one', moment, frozen: { ...frozen, draft: first } }],
      tallies: [],
      states: [],
      mustFinds: [],
      judgements: {},
      review: {},
      compared: 'v',
    },
  });
}
