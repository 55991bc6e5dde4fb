import { DIALECTS } from '../dialect';
import { nameTerm } from '../outline';
import { DOCUMENT_TYPES, LANGUAGES } from '../record';
import { LIMITERS, listLimitersOf, type Limiters } from '../limiter';
import { applyChange, tidyTerm, type Change, type Concept, type Project, type Term } from '../project';
import { parseQuery, printPattern, printQuery, type Field, type QueryNode } from '../query';

/** A change of the draft that can be tried without making it: what it would become, and how to make it. */
export interface Alternative {
  /** Stable while the draft is the same. */
  readonly key: string;
  readonly words: string;
  readonly change: Change;
}

/** A place in the draft in which alternatives can be tried while all else is held. */
export interface SwapPlace {
  readonly key: string;
  readonly words: string;
  /** Alternatives can be typed in, too: wordings of a term, or aspects in place of a concept. */
  readonly takesTyped: 'term' | 'aspect' | undefined;
  readonly alternatives: readonly Alternative[];
}

/** The distances of a ladder, between the phrase and both words anywhere. */
const LADDER = [1, 2, 3, 5, 10] as const;

/** The places of a concept's words, from the narrowest to everything. */
const FIELD_CHOICES: readonly { readonly words: string; readonly fields: readonly Field[] }[] = [
  { words: 'in the title', fields: ['title'] },
  { words: 'in title and abstract', fields: ['title', 'abstract'] },
  { words: 'in keywords', fields: ['keywords'] },
  { words: 'in the abstract', fields: ['abstract'] },
  { words: 'in headings', fields: ['heading'] },
  { words: 'in the usual fields', fields: [] },
  { words: 'anywhere, full text included', fields: ['text'] },
];

/** The project as it would be with a change made; nothing if it cannot be made. */
export function tryChange(project: Project, change: Change): Project | undefined {
  const made = applyChange(project, change);
  return made.ok ? made.value : undefined;
}

/** Two changes as one: the second is made to what the first leaves. */
export function joinChanges(...changes: readonly Change[]): Change {
  return {
    kind: 'compound',
    changes: changes.flatMap((change) => (change.kind === 'compound' ? change.changes : [change])),
  };
}

/** Every place in which something else can be tried, in the order of the draft. */
export function listSwapPlaces(project: Project, thisYear: number): SwapPlace[] {
  const { concepts, limiters } = project.working;
  return [
    ...concepts.filter(({ off }) => !off).flatMap(listConceptPlaces),
    ...listLimiterPlaces(limiters, thisYear),
  ];
}

function listConceptPlaces(concept: Concept): SwapPlace[] {
  const terms = concept.terms.filter(({ off }) => !off);
  const headings = terms.filter(isHeadingTerm);
  const places: SwapPlace[] = [
    {
      key: `aspect ${concept.id}`,
      words: `the whole concept ${concept.name}`,
      takesTyped: 'aspect',
      alternatives: terms.length > 1 ? terms.map((term) => createOnly(concept, term)) : [],
    },
    {
      key: `fields ${concept.id}`,
      words: `${concept.name}: fields`,
      takesTyped: undefined,
      alternatives: listFieldChoices(concept),
    },
  ];
  if (headings.length > 0 && headings.length < terms.length)
    places.push({
      key: `headings ${concept.id}`,
      words: `${concept.name}: words or headings`,
      takesTyped: undefined,
      alternatives: [
        createSwitches(concept, 'headings alone', (term) => !isHeadingTerm(term)),
        createSwitches(concept, 'words alone', isHeadingTerm),
      ],
    });
  return [...places, ...terms.map((term) => createTermPlace(concept, term))];
}

/** The concept with one of its terms alone: each aspect by itself. */
function createOnly(concept: Concept, term: Term): Alternative {
  return {
    ...createSwitches(concept, `${term.text} alone`, (other) => other !== term),
    key: `only ${term.id}`,
  };
}

/** Some terms of a concept switched off. */
function createSwitches(concept: Concept, words: string, isOff: (term: Term) => boolean): Alternative {
  const changes = concept.terms
    .filter((term) => !term.off && isOff(term))
    .map((term): Change => ({ kind: 'switch-term', id: term.id, off: true }));
  return { key: words, words, change: { kind: 'compound', changes } };
}

/** The concept searched in other fields. */
export function listFieldChoices({ id, fields }: Concept): Alternative[] {
  return FIELD_CHOICES.filter((choice) => choice.fields.join() !== (fields ?? []).join()).map(
    ({ words, fields: chosen }) => ({
      key: `in ${chosen.join()}`,
      words,
      change: { kind: 'set-concept-fields', id, fields: chosen },
    }),
  );
}

function createTermPlace(concept: Concept, term: Term): SwapPlace {
  return {
    key: `term ${term.id}`,
    words: `${concept.name}: ${nameTerm(term.text, DIALECTS)}`,
    takesTyped: 'term',
    alternatives: listWordings(term).map(({ words, text }) => ({
      key: text,
      words,
      change: { kind: 'edit-term', id: term.id, text },
    })),
  };
}

/** Other ways to write a term: its distance ladder, if it is two words; cut and uncut; a heading with all below it. */
function listWordings({ text }: Term): { words: string; text: string }[] {
  const { root } = parseQuery(text);
  const pair = findPair(root);
  const found: { words: string; text: string }[] = [];
  if (pair) {
    const [a, b] = pair;
    found.push({ words: 'as a phrase', text: `"${a} ${b}"` });
    for (const distance of LADDER)
      found.push({ words: `within ${distance}`, text: `${a} WITHIN ${distance} ${b}` });
    found.push({ words: 'both anywhere', text: `(${a} AND ${b})` });
  }
  if (root.kind === 'term') {
    const letters = printPattern(root.pattern);
    if (letters.endsWith('*') && /^[\p{L}\p{N}]+\*$/u.test(letters)) {
      const stem = letters.slice(0, -1);
      found.push(
        { words: 'uncut', text: stem },
        { words: 'uncut, one or many', text: `(${stem} OR ${stem}s)` },
      );
    } else if (/^\p{L}{4,}$/u.test(letters)) {
      found.push({ words: 'cut at its end', text: `${letters.replace(/(?<=\p{L}{3})s$/u, '')}*` });
    }
  }
  if (root.kind === 'heading' && root.scope === 'heading' && root.qualifier === undefined)
    found.push(
      { words: 'with its narrower headings', text: text.replace(/^heading/, 'branch') },
      { words: 'as a main topic', text: text.replace(/^heading/, 'focus') },
    );
  return found.filter((one) => one.text !== text);
}

/** The two words of a phrase, or of a nearness of two words. */
function findPair(root: QueryNode): readonly [string, string] | undefined {
  if (root.kind === 'phrase' && root.words.length === 2) {
    const [a, b] = root.words.map(printPattern);
    return [a ?? '', b ?? ''];
  }
  if (root.kind === 'near' && root.left.kind === 'term' && root.right.kind === 'term')
    return [printQuery(root.left), printQuery(root.right)];
  return undefined;
}

function isHeadingTerm({ text }: Term): boolean {
  return parseQuery(text).root.kind === 'heading';
}

/** What a person typed to be tried in a place: each line one alternative. */
export function readTypedAlternatives(
  project: Project,
  place: SwapPlace,
  lines: readonly string[],
  createId: () => string,
): Alternative[] {
  const [kind = '', id = ''] = place.key.split(' ');
  const texts = [...new Set(lines.map(tidyTerm).filter((line) => line !== ''))];
  return texts.map((text) => ({
    key: `typed ${text}`,
    words: text,
    change:
      kind === 'term'
        ? { kind: 'edit-term', id, text }
        : createAspect(project, id, { id: createId(), text, off: false }),
  }));
}

/** One term in the place of all that a concept has; these stay, switched off. */
function createAspect(project: Project, concept: string, term: Term): Change {
  const others = project.working.concepts.find(({ id }) => id === concept)?.terms ?? [];
  return {
    kind: 'compound',
    changes: [
      ...others
        .filter(({ off }) => !off)
        .map((other): Change => ({ kind: 'switch-term', id: other.id, off: true })),
      { kind: 'add-terms', concept, terms: [term] },
    ],
  };
}

function listLimiterPlaces(limiters: Limiters, thisYear: number): SwapPlace[] {
  const create = (words: string, patch: Limiters): Alternative => ({
    key: words,
    words,
    change: { kind: 'set-limiters', limiters: { ...limiters, ...patch } },
  });
  const drop = (name: keyof Limiters, words: string): Alternative[] => {
    const { [name]: old, ...rest } = limiters;
    return old === undefined ? [] : [{ key: words, words, change: { kind: 'set-limiters', limiters: rest } }];
  };
  const flags = listLimitersOf('flag');
  return [
    {
      key: 'limiter years',
      words: 'Limiter: years',
      takesTyped: undefined,
      alternatives: [
        ...[3, 5, 10, 20].map((span) =>
          create(`the last ${span} years`, { years: { from: thisYear - span + 1, to: thisYear } }),
        ),
        ...drop('years', 'any year'),
      ],
    },
    {
      key: 'limiter types',
      words: 'Limiter: kind of document',
      takesTyped: undefined,
      alternatives: [
        ...DOCUMENT_TYPES.map((type) => create(type, { types: [type] })),
        create('article or review', { types: ['article', 'review'] }),
        ...drop('types', 'any kind'),
      ],
    },
    {
      key: 'limiter languages',
      words: 'Limiter: language',
      takesTyped: undefined,
      alternatives: [
        ...LANGUAGES.map(({ code, name }) => create(name, { languages: [code] })),
        ...drop('languages', 'any language'),
      ],
    },
    {
      key: 'limiter others',
      words: `Limiter: ${flags.map((name) => LIMITERS[name].label).join(', ')}`,
      takesTyped: undefined,
      alternatives: [
        ...flags.map((name) => create(LIMITERS[name].label, { [name]: true })),
        ...flags.flatMap((name) => drop(name, `${LIMITERS[name].label} or not`)),
      ],
    },
  ];
}
