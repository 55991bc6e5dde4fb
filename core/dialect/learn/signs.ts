/** Words and signs that are operators somewhere, in small letters. */
export const OPERATOR_WORDS: Readonly<Record<'and' | 'or' | 'not', readonly string[]>> = {
  and: ['and', 'und', 'et', 'y', 'e', 'en', 'och', 'og', '&', '&&', '+'],
  or: ['or', 'oder', 'ou', 'o', 'eller', '|', '||'],
  not: ['and not', 'but not', 'not', 'und nicht', 'nicht', 'sauf', 'except', 'without', 'ohne', 'no', '!'],
};

/** How a field can be marked. `pattern` finds a mark and catches its codes; the surest come first. */
export const FIELD_MARKS: readonly { readonly mark: string; readonly pattern: RegExp }[] = [
  {
    mark: '{word}({field}: {item})',
    pattern: /(?<word>[A-Za-z]+)\((?<codes>[A-Za-z][\w., ]*): (?=["(\p{L}])/gu,
  },
  { mark: '{item}[{field}]', pattern: /(?<=["\p{L}\p{N})*%?#$] ?)\[(?<codes>[A-Za-z][\w ,;/|-]*)\]/gu },
  { mark: '{item}{{field}}', pattern: /(?<=["\p{L}\p{N})*%?#$] ?)\{(?<codes>[A-Za-z][\w ,;/|-]*)\}/gu },
  { mark: '{item}<{field}>', pattern: /(?<=["\p{L}\p{N})*%?#$] ?)<(?<codes>[A-Za-z][\w ,;/|-]*)>/gu },
  {
    mark: '{item}.{field}.',
    pattern: /(?<=["\p{L}\p{N})*%?#$])\.(?<codes>[A-Za-z]\w*(?:[,;]\s?\w+)*)\.(?![\p{L}\p{N}])/gu,
  },
  {
    mark: '{field}: {item}',
    pattern: /(?<![\p{L}\p{N}"])(?<codes>[A-Za-z][\w.]*(?:[,;|] ?[A-Za-z][\w.]*)*): (?=["(\p{L}*])/gu,
  },
  {
    mark: '{field}:{item}',
    pattern: /(?<![\p{L}\p{N}"])(?<codes>[A-Za-z][\w.]*(?:[,;|][A-Za-z][\w.]*)*):(?=["(\p{L}*])/gu,
  },
  { mark: '{field} = {item}', pattern: /(?<![\p{L}\p{N}"])(?<codes>[A-Za-z][\w.]*) = (?=["(\p{L}*])/gu },
  {
    mark: '{field}={item}',
    pattern: /(?<![\p{L}\p{N}"])(?<codes>[A-Za-z][\w.]*(?:[,;|][A-Za-z][\w.]*)*)=(?=["(\p{L}*])/gu,
  },
  {
    mark: '{field}({item})',
    pattern: /(?<![\p{L}\p{N}"])(?<codes>[A-Za-z][\w-]*)\((?!\d+:)(?=["(\p{L}*])/gu,
  },
];

/** Signs in a word, and what they mostly mean. */
export const WILDCARD_SIGNS: Readonly<Record<string, 'any' | 'one' | 'maybe'>> = {
  '*': 'any',
  '%': 'any',
  $: 'any',
  '!': 'any',
  '?': 'one',
  '#': 'one',
  _: 'one',
  '+': 'one',
  '^': 'maybe',
};

/** How nearness can be said. `pattern` catches the word, what joins the number to it, and the number. */
export const NEAR_FORMS: readonly { readonly form: string; readonly pattern: RegExp }[] = [
  { form: '{word}({n}: {a}, {b})', pattern: /(?<word>[A-Za-z]+)\((?<n>\d+): [^,]+,/gu },
  { form: '"{a} {b}"~{n}', pattern: /"[^"]+"~(?<n>\d+)/gu },
  {
    form: '{a} {word}{joint}{n} {b}',
    pattern: /(?<=["\p{L}\p{N})\]}>*%?#$.]) (?<word>[A-Za-z]+)(?<joint>[/:=<-]|)(?<n>\d+) (?=["(\p{L}])/gu,
  },
  {
    form: '{a} {word} {n} {b}',
    pattern:
      /(?<=["\p{L}\p{N})\]}>*%?#$.]) (?<word>[A-Z]+|near|within|adj|next|before) (?<n>\d+) (?=["(\p{L}])/gu,
  },
];

/** Words of nearness that ask for the order as written. */
export const ORDERED_WORDS = ['before', 'pre', 'p', 'onext', 'then', 'followed'];
