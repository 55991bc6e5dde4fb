import fc from 'fast-check';

/**
 * What stands in the strings of one syntax, as its manual says: the pieces of which a generator makes strings
 * that no writer of Ewer made.
 */
export interface StringGrammar {
  /** Words as they may stand alone, wildcards included. */
  readonly words: readonly string[];
  readonly phrases: readonly string[];
  /** Operators between two items; an empty one is a blank. */
  readonly operators: readonly string[];
  /** Signs that stand before an item: exclusions and the like. */
  readonly signs?: readonly string[];
  /** An item with its field: `title:{item}`; `isGroup` where a bracket may stand there. */
  readonly marks: readonly { readonly form: string; readonly isGroup: boolean }[];
  /** Nearness of two items: `{a} within:2 {b}`. */
  readonly near: readonly string[];
  readonly headings: readonly string[];
  readonly limiters: readonly string[];
  /** Pieces that are seldom right: operators of other syntaxes, doubled ones, signs out of place. */
  readonly odd: readonly string[];
}

const WORDS = ['bat', 'bats', 'light', 'lights', 'street', 'lamp', 'colour', 'road', 'bat-friendly', 'the'];
const PHRASES = ['"street light"', '"bats of the road"', '"light"'];

export const STRING_GRAMMARS: Readonly<Record<string, StringGrammar>> = {
  heronsmere: {
    words: [...WORDS, 'light*', 'roads*', 'l?mp', 'ba*', 'l*ght', 'or', 'AND*'],
    phrases: [...PHRASES, '"street ligh*"', '"stre* light"', '"open'],
    operators: ['AND', 'OR', 'NOT', ''],
    marks: ['title', 'summary', 'terms', 'writer', 'journal'].flatMap((field) => [
      { form: `${field}:{item}`, isGroup: true },
    ]),
    near: [],
    headings: [
      'terms:"Bats"',
      'terms:"Bats / behaviour"',
      'under:"Animals"',
      'focus:"Bats"',
      'terms:"Unknown"',
    ],
    limiters: [
      'year:2000..2005',
      'year:2003..2015',
      'kind:review',
      'kind:proceeding',
      'kind:poem',
      'entered:2026-01..2026-03',
      'doi:"10.5555/bat.1"',
      'doi:"10.5555/none"',
    ],
    odd: [
      'AND NOT',
      'OR NOT',
      'AND OR',
      'NOT',
      'and',
      'within:3',
      'title:',
      'colour:',
      '()',
      ')',
      '(',
      '|',
      '-',
      'set:1',
    ],
  },
  gantry: {
    words: [...WORDS, 'light%', 'roads%', 'l_mp', 'b%', '%ght', 'of', 'within'],
    phrases: [...PHRASES, '"light%"', '"and"', '"of the"'],
    operators: ['and', 'or', 'and not', 'AND', 'Or'],
    marks: ['title', 'summary', 'title,summary', 'person', 'source'].map((field) => ({
      form: `{item}{${field}}`,
      isGroup: false,
    })),
    near: ['{a} within:2 {b}', '{a} within:0 {b}', '{a} within:200 {b}'],
    headings: ['"Bats"{index}', '"Street lighting"{index}'],
    limiters: ['published{2000-2005}', 'published{2003-2015}'],
    odd: [
      'not',
      'and or',
      'or not',
      'and and not',
      '',
      'NOT',
      '(bat or lamp){title}',
      '()',
      ')',
      '(',
      '{title}',
      'within:3',
    ],
  },
  cardinal: {
    words: [...WORDS, 'light*', '*ght', 'l+mp', 'colo^r', '*', 'b*'],
    phrases: [...PHRASES, '"stre* light*"', '"colo^r light"'],
    operators: ['AND', 'OR', 'EXCEPT', 'and'],
    marks: ['title', 'summary', 'title, summary, keywords', 'writers', 'lead'].map((field) => ({
      form: `in(${field}: {item})`,
      isGroup: true,
    })),
    near: ['NEAR(3: {a}, {b})', 'near(1: {a}, {b})', 'NEAR(13: {a}, {b})', 'NEAR(2: ({a} or {b}), {a})'],
    headings: [],
    limiters: [
      'years(2000-2005)',
      'type(review)',
      'type(article, proceeding)',
      'lang(fr)',
      'type(poem)',
      'doi("10.5555/bat.2")',
    ],
    odd: [
      'AND EXCEPT',
      'AND NOT',
      'NOT',
      'OR AND',
      '',
      'in(colour: bat)',
      'in(title:)',
      '()',
      ')',
      '(',
      ',',
      'NEAR(2: bat)',
    ],
  },
  marlstone: {
    words: [...WORDS, 'light*', 'roads*', 'lamp*', 'l*mps'],
    phrases: [...PHRASES, '"lights*"', 'street light', 'bats of light*'],
    operators: ['and', 'or', 'not', 'AND'],
    marks: ['title', 'abstract', 'writer'].map((field) => ({ form: `${field}={item}`, isGroup: false })),
    near: [],
    headings: [],
    limiters: [],
    odd: [
      'and not',
      'or not',
      'and or',
      'not',
      '',
      'title=(bat)',
      'source=bat',
      '()',
      ')',
      '(',
      '"light"',
      'near',
    ],
  },
  northern: createCqlGrammar(),
  cql: createCqlGrammar(),
  plainfinder: {
    words: [...WORDS, 'or', 'NOT'],
    phrases: PHRASES,
    operators: ['', '|', '', '|'],
    signs: ['-'],
    marks: [{ form: 'title:{item}', isGroup: false }],
    near: [],
    headings: [],
    limiters: [],
    odd: ['| -', '-(', '| |', 'light*', '((', '()', ')', '(', 'title:(', 'OR', '-'],
  },
  lucene: {
    words: [...WORDS, 'light*', 'roads*', 'l?mp', '*ght', 'roam~', 'bat^4', 'light\\-bat'],
    phrases: [...PHRASES, '"street light"~2', '"bats road"~10', '"bats of road"~2', '"light bats"^2'],
    operators: ['AND', 'OR', 'NOT', '', '&&', '||', 'AND NOT', 'OR NOT', 'AND !', 'AND -', 'OR +'],
    signs: ['+', '-', '!', 'NOT '],
    marks: ['title', 'abstract', 'subject', 'author'].map((field) => ({
      form: `${field}:{item}`,
      isGroup: true,
    })),
    near: [],
    headings: [],
    limiters: [
      'year:[2000 TO 2005]',
      'year:{1999 TO 2007}',
      'year:[2003 TO *]',
      'type:review',
      'type:"conference paper"',
      'language:(en OR fr)',
    ],
    odd: [
      'AND OR',
      'OR AND',
      'NOT NOT',
      'and',
      '()',
      ')',
      '(',
      'colour:bat',
      '/ba.*/',
      '[a TO b]',
      '~',
      ':',
      '{',
    ],
  },
  'own-records': {
    words: [...WORDS, 'light*', '*ght', 'l?mp', 'colo[u]r'],
    phrases: [...PHRASES, '"stre* light*"'],
    operators: ['AND', 'OR', 'NOT', '', 'AND NOT'],
    marks: ['title', 'abstract', 'title,abstract', 'keywords'].map((field) => ({
      form: `${field}: {item}`,
      isGroup: true,
    })),
    near: ['{a} WITHIN 3 {b}', '{a} BEFORE 2 {b}'],
    headings: ['heading: "Bats"', 'heading: "Bats / behaviour"', 'branch: "Animals"'],
    limiters: ['year: 2000..2005', 'type: review', 'type: "conference paper"', 'language: fr', 'year: soon'],
    odd: ['OR NOT', 'AND OR', 'NOT', 'and', '()', ')', '(', 'colour: bat'],
  },
  'field-around': createTemplateGrammar((field) => `${field}({item})`, true, [
    '{a} near 2 {b}',
    '{a} near 40 {b}',
  ]),
  'field-before': createTemplateGrammar((field) => `${field}={item}`, true, []),
  'field-behind': createTemplateGrammar((field) => `{item}<${field}>`, false, []),
  'one-box': {
    words: [...WORDS, 'or', 'NOT'],
    phrases: PHRASES,
    operators: ['', 'OR', ''],
    signs: ['-'],
    marks: [],
    near: [],
    headings: [],
    limiters: [],
    odd: ['OR -', 'OR OR', 'light*', '(bat lamp)', '(', ')', '-', 'title:bat', '|'],
  },
};

function createCqlGrammar(): StringGrammar {
  return {
    words: [...WORDS, 'light*', '*ght', 'l?mp', '^bat', 'bat^', 'light\\*'],
    phrases: [...PHRASES, '"stre* light*"', '"^bats road"', '""'],
    operators: ['and', 'or', 'not', 'AND', 'prox', 'prox/distance<=3', 'prox/unit=word/distance<3/ordered'],
    marks: [
      ...['dc.title', 'title', 'dc.description', 'dc.subject', 'dc.creator', 'cql.serverChoice'].flatMap(
        (index) => [`${index} = {item}`, `${index} any {item}`, `${index} all {item}`, `${index} adj {item}`],
      ),
      '> x = "info:srw/cql-context-set/1/dc-v1.1" x.title = {item}',
      '> "info:srw/cql-context-set/1/cql-v1.2" serverChoice = {item}',
      'dc.title =/masked {item}',
      'dc.title =/stem {item}',
      'dc.title <> {item}',
      'dc.title == {item}',
      'bath.title = {item}',
      'dc.colour = {item}',
    ].map((form) => ({ form, isGroup: false })),
    near: ['{a} prox/distance=1 {b}', '{a} prox/distance>2 {b}', '{a} prox/unit=sentence {b}'],
    headings: ['dc.subject == "Bats"', 'dc.subject exact "Street lighting"'],
    limiters: [
      'dc.date within "2000 2005"',
      'dc.date >= 2003',
      'date < 2007',
      'dc.date > 1999 and dc.date <= 2007',
      'dc.type == "review"',
      'dc.type any "review book"',
      'dc.type = "conference paper"',
      'dc.language == "fr"',
      'dc.date = soon',
    ],
    odd: [
      'and not',
      'or and',
      'not',
      '',
      '()',
      ')',
      '(',
      'and/rel.combine=sum',
      'sortby dc.date',
      '=',
      '/',
      '"open',
    ],
  };
}

function createTemplateGrammar(
  mark: (field: string) => string,
  isGroup: boolean,
  near: readonly string[],
): StringGrammar {
  return {
    words: [...WORDS, 'light*', 'roads*', 'l?mp', 'ba*', 'l*ght'],
    phrases: [...PHRASES, '"street ligh*"', '"stre* light"'],
    operators: ['AND', 'OR', 'NOT', 'and'],
    marks: ['title', 'abstract', 'keywords', 'author'].map((field) => ({ form: mark(field), isGroup })),
    near,
    headings: [],
    limiters: [],
    odd: ['AND NOT', 'OR NOT', 'AND OR', 'NOT', '', '()', ')', '(', 'colour:bat', ','],
  };
}

/** Strings of a syntax: most of them as its manual has them, with operators in every position; some are not. */
export function arbitraryString(grammar: StringGrammar): fc.Arbitrary<string> {
  const leaf = fc.oneof(
    { weight: 5, arbitrary: fc.constantFrom(...grammar.words) },
    { weight: 2, arbitrary: fc.constantFrom(...grammar.phrases) },
    ...[grammar.headings, grammar.limiters]
      .filter((some) => some.length > 0)
      .map((some) => ({ weight: 1, arbitrary: fc.constantFrom(...some) })),
  );
  const word = fc.oneof(fc.constantFrom(...grammar.words), fc.constantFrom(...grammar.phrases));
  const near = grammar.near.map((form) =>
    fc.tuple(word, word).map(([a, b]) => form.replaceAll('{a}', () => a).replaceAll('{b}', () => b)),
  );
  const operator = fc.oneof(
    { weight: 14, arbitrary: fc.constantFrom(...grammar.operators) },
    { weight: 1, arbitrary: fc.constantFrom(...grammar.odd) },
  );
  return fc.letrec<{ row: string; item: string }>((tie) => {
    const group = tie('row').map((row) => `(${row})`);
    const marked = grammar.marks.map(({ form, isGroup }) =>
      (isGroup ? fc.oneof(word, group) : word).map((item) => form.replace('{item}', () => item)),
    );
    const signed = (grammar.signs ?? []).map((sign) =>
      fc.oneof({ weight: 6, arbitrary: leaf }, group).map((item) => sign + item),
    );
    const item = fc.oneof(
      { maxDepth: 3, depthSize: 'small' },
      { weight: 6, arbitrary: leaf },
      { weight: 2, arbitrary: group },
      ...(marked.length > 0 ? [{ weight: 3, arbitrary: fc.oneof(...marked) }] : []),
      ...(near.length > 0 ? [{ weight: 1, arbitrary: fc.oneof(...near) }] : []),
      ...(signed.length > 0 ? [{ weight: 2, arbitrary: fc.oneof(...signed) }] : []),
    );
    const rest = fc.array(fc.tuple(operator, tie('item')), { maxLength: 3 });
    const row = fc
      .tuple(tie('item'), rest)
      .map(([first, others]) => [first, ...others.map(([sign, next]) => `${sign} ${next}`)].join(' '));
    return {
      item,
      row: fc.oneof(
        { weight: 20, arbitrary: row },
        { weight: 1, arbitrary: fc.tuple(operator, row).map(([sign, some]) => `${sign} ${some}`) },
        { weight: 1, arbitrary: fc.tuple(row, operator).map(([some, sign]) => `${some} ${sign}`) },
      ),
    };
  }).row;
}
