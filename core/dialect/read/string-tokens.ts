import { FIELDS, type Field } from '../../query';
import type { LimiterName } from '../../limiter';
import { escapePattern, type Span } from '../../text';
import type { Dialect, ProximityRule } from '../profile';
import { BARE_IDENTIFIER, type RuleName } from '../write';

/** What a sign for nearness says; adjacent is 1. */
interface NearSaid {
  readonly distance: number;
  readonly ordered: boolean;
  readonly operands: ProximityRule['operands'];
  readonly greatest?: number;
  readonly raw: string;
}

/** A token of a string in some dialect. */
export type StringToken = Span &
  (
    | { readonly kind: 'open' | 'close' }
    | { readonly kind: 'operator'; readonly operator: 'and' | 'or' | 'not'; readonly raw: string }
    /** Between its operands, or with `opens` before them: then a separator stands between, and a bracket ends it. */
    | ({ readonly kind: 'near'; readonly opens?: true } & NearSaid)
    /** Both words with what is said of them. */
    | ({ readonly kind: 'pair'; readonly words: readonly [string, string] } & NearSaid)
    | { readonly kind: 'separator' }
    | { readonly kind: 'quote'; readonly raw: string; readonly closed: boolean }
    | { readonly kind: 'word'; readonly raw: string }
    /** With `opens`, a bracket ends what it marks. */
    | { readonly kind: 'mark'; readonly fields: readonly Field[]; readonly opens?: true }
    | {
        readonly kind: 'heading';
        readonly label: string;
        readonly scope: 'heading' | 'branch' | 'focus';
        readonly qualifier?: string;
      }
    | { readonly kind: 'limiter'; readonly name: RuleName; readonly values: readonly string[] }
    | { readonly kind: 'unknown'; readonly raw: string }
  );

type Maker = (match: RegExpExecArray, span: Span) => StringToken;
interface TokenRule {
  readonly pattern: RegExp;
  readonly make: Maker;
}

/** A splitter for one dialect's strings; the rules are made from its profile once. */
export function createStringSplitter(dialect: Dialect): (text: string) => StringToken[] {
  const rules = createRules(dialect);
  return (text) => {
    const tokens: StringToken[] = [];
    let at = 0;
    while (at < text.length) {
      if (/\s/.test(text.charAt(at))) {
        at++;
        continue;
      }
      const token = takeToken(text, at, rules);
      tokens.push(token);
      at = token.end;
    }
    return tokens;
  };
}

function takeToken(text: string, at: number, rules: readonly TokenRule[]): StringToken {
  for (const { pattern, make } of rules) {
    pattern.lastIndex = at;
    const match = pattern.exec(text);
    if (match && match[0].length > 0) return make(match, { start: at, end: at + match[0].length });
  }
  const raw = String.fromCodePoint(text.codePointAt(at) ?? 0);
  return { kind: 'unknown', raw, start: at, end: at + raw.length };
}

function createRules(dialect: Dialect): TokenRule[] {
  return [
    ...createHeadingRules(dialect),
    ...createLimiterRules(dialect),
    ...createIdentifierRules(dialect),
    ...createProximityRules(dialect),
    ...createMarkRules(dialect),
    ...createOperatorRules(dialect),
    { pattern: /\(/y, make: (_, span) => ({ kind: 'open', ...span }) },
    { pattern: /\)/y, make: (_, span) => ({ kind: 'close', ...span }) },
    {
      pattern: new RegExp(`"(${createQuotedPattern(dialect)})("?)`, 'uy'),
      make: (match, span) => ({ kind: 'quote', raw: match[1] ?? '', closed: match[2] === '"', ...span }),
    },
    createWordRule(dialect),
  ];
}

/** What may stand between quotation marks. */
function createQuotedPattern({ escape }: Dialect): string {
  if (!escape) return '[^"]*';
  const sign = escapePattern(escape.sign);
  return `(?:${sign}[^]|[^"${sign}])*`;
}

/** A label as it is, without what only lets its signs stand between quotation marks. */
function unescape(raw: string, { escape }: Dialect): string {
  if (!escape) return raw;
  return raw.replace(new RegExp(`${escapePattern(escape.sign)}([^])`, 'gu'), '$1');
}

function createHeadingRules(dialect: Dialect): TokenRule[] {
  const { headings } = dialect;
  if (!headings) return [];
  const label = createQuotedPattern(dialect);
  const forms = [
    // A qualified heading looks like one with a longer label: it is tried first.
    ['heading', headings.qualified],
    ['branch', headings.branch],
    ['focus', headings.focus],
    ['heading', headings.heading],
  ] as const;
  return forms.flatMap(([scope, form]) => {
    if (form === undefined) return [];
    const isQualified = form === headings.qualified;
    const names = { label: `(${label}?)`, qualifier: `(${label})` };
    // The blanks of a qualified heading belong to it: Day/night is a label.
    const source = escapeForm(form, names, isQualified ? '\\s+' : '\\s*');
    const make: Maker = (match, span) => {
      const [, name = '', qualifier] = match;
      return {
        kind: 'heading',
        label: unescape(name, dialect).trim(),
        scope,
        ...(qualifier !== undefined && { qualifier: unescape(qualifier, dialect).trim() }),
        ...span,
      };
    };
    return [{ pattern: new RegExp(source, 'iuy'), make }];
  });
}

function createLimiterRules({ limiters }: Dialect): TokenRule[] {
  return Object.entries(limiters).flatMap(([name, rule]) => {
    // A source or a subject is read as what it is written as: words in a field.
    if (rule.how !== 'string' || name === 'sources' || name === 'subjects') return [];
    const date = name === 'entered' ? '(\\d{4}-\\d{2})' : '(\\d{4})';
    const names = Object.entries(rule.values ?? {});
    const value =
      names.length > 0
        ? `(?:${names.map(([, code]) => escapePattern(code)).join('|')})`
        : '(?:[\\p{L}\\p{N}-]+)';
    const joint = `\\s*${escapePattern((rule.joint ?? ',').trim())}\\s*`;
    const form = escapeForm(rule.form, {
      from: date,
      to: date,
      value: `(${value})`,
      values: `(${value}(?:${joint}${value})*)`,
    });
    const hasMany = rule.form.includes('{values}');
    const make: Maker = (match, span) => {
      const codes = match.slice(1).flatMap((code) => (hasMany ? code.split(new RegExp(joint, 'u')) : [code]));
      const values = codes.map(
        (code) => names.find(([, known]) => known.toLowerCase() === code.toLowerCase())?.[0] ?? code,
      );
      return { kind: 'limiter', name: name as LimiterName, values, ...span };
    };
    return [{ pattern: new RegExp(`${form}(?![\\p{L}\\p{M}\\p{N}])`, 'iuy'), make }];
  });
}

/** A whole identifier: between quotation marks anything, else what cannot end it. */
function createIdentifierRules(dialect: Dialect): TokenRule[] {
  const { identifier } = dialect.fields;
  if (identifier === undefined) return [];
  const value = identifier.includes('"{value}"') ? createQuotedPattern(dialect) : `${BARE_IDENTIFIER}+`;
  const make: Maker = ([, written = ''], span) => ({
    kind: 'limiter',
    name: 'doi',
    values: [unescape(written, dialect)],
    ...span,
  });
  return [{ pattern: new RegExp(escapeForm(identifier, { value: `(${value})` }), 'iuy'), make }];
}

function createProximityRules(dialect: Dialect): TokenRule[] {
  return dialect.proximity.flatMap((rule): TokenRule[] => {
    const { form, counts, ordered } = rule;
    const [before = '', rest = ''] = form.split('{a}');
    const [between = '', after = ''] = rest.split('{b}');
    const say = (number: string | undefined, raw: string): NearSaid => ({
      distance: Number(number) + (counts === 'between' ? 1 : 0),
      ordered,
      operands: rule.operands,
      raw: raw.trim(),
      ...(rule.greatest !== undefined && { greatest: rule.greatest + (counts === 'between' ? 1 : 0) }),
    });
    if (rule.operands === 'words' && before !== '') {
      const word = createWordRule(dialect).pattern.source;
      const pattern = escapeForm(form, { a: `(?<a>${word})`, b: `(?<b>${word})`, n: '(?<n>\\d{1,9})' });
      const make: Maker = ({ groups, 0: text }, span) => ({
        kind: 'pair',
        words: [groups?.['a'] ?? '', groups?.['b'] ?? ''],
        ...say(groups?.['n'], text),
        ...span,
      });
      return [{ pattern: new RegExp(pattern, 'iuy'), make }];
    }
    const opens = before !== '';
    const sign = opens ? before : `${between.trim()}${after.trim()}`;
    const pattern = new RegExp(`${escapeForm(sign.trim(), { n: '(\\d{1,9})' })}(?![\\p{L}\\p{N}])`, 'iuy');
    const make: Maker = (match, span) => ({
      kind: 'near',
      ...say(match[1], match[0]),
      ...(opens && { opens: true }),
      ...span,
    });
    const separator: TokenRule = {
      pattern: new RegExp(escapePattern(between.trim()), 'uy'),
      make: (_, span) => ({ kind: 'separator', ...span }),
    };
    return opens ? [{ pattern, make }, separator] : [{ pattern, make }];
  });
}

/** The longest words first, so that `and not` is one operator. */
function createOperatorRules({ operators, exclusion, wildcards }: Dialect): TokenRule[] {
  const signs = Object.values(wildcards)
    .map((rule) => escapePattern(rule.sign))
    .join('');
  const words = (['and', 'or', 'not'] as const).flatMap((operator) =>
    operators[operator].read.map((word) => ({ operator, word, anyCase: operators[operator].anyCase })),
  );
  return words
    .sort((a, b) => b.word.length - a.word.length)
    .map(({ operator, word, anyCase }) => ({
      pattern: new RegExp(
        `${escapePattern(word).replaceAll(' ', '\\s+')}${describeEnd(word, operator === 'not' && exclusion === 'before')}`,
        anyCase ? 'iuy' : 'uy',
      ),
      make: ([raw], span) => ({ kind: 'operator', operator, raw, ...span }),
    }));

  /** A word ends where no letter follows; a sign before an item stands right at it. */
  function describeEnd(word: string, isAtItem: boolean): string {
    if (isAtItem) return '(?=\\S)';
    return /[\p{L}\p{N}]$/u.test(word) ? `(?![\\p{L}\\p{M}\\p{N}${signs}])` : '';
  }
}

/** A mark holds known codes only; what looks like one but is not stays a word and is reported there. */
function createMarkRules({ fields }: Dialect): TokenRule[] {
  const codes = Object.entries(fields.codes).sort(([, a], [, b]) => b.length - a.length);
  if (codes.length === 0) return [];
  const one = `(?:${codes.map(([, code]) => escapePattern(code)).join('|')})`;
  const list =
    fields.joint === undefined ? one : `${one}(?:\\s*${escapePattern(fields.joint.trim())}\\s*${one})*`;
  const [before = '', after = ''] = fields.mark.split('{item}');
  const form = before === '' ? after : before;
  const pattern = new RegExp(escapeForm(form.trim(), { field: `(${list})` }), 'iuy');
  const make: Maker = (match, span) => {
    const parts = fields.joint === undefined ? [match[1] ?? ''] : (match[1] ?? '').split(fields.joint.trim());
    const named = parts.map((part) => part.trim().toLowerCase());
    const found = FIELDS.filter((field) => named.includes(fields.codes[field]?.toLowerCase() ?? ''));
    return { kind: 'mark', fields: found, ...(before !== '' && after !== '' && { opens: true }), ...span };
  };
  return [{ pattern, make }];
}

/** A word: letters, marks, digits, hyphens and apostrophes within, and the dialect's wildcard signs. */
function createWordRule({ wildcards }: Dialect): TokenRule {
  const signs = Object.values(wildcards)
    .map((rule) => escapePattern(rule.sign))
    .join('');
  const pattern = new RegExp(
    `[\\p{L}\\p{M}\\p{N}${signs}](?:[\\p{L}\\p{M}\\p{N}${signs}]|[-’'./](?=[\\p{L}\\p{N}]))*`,
    'uy',
  );
  return { pattern, make: (match, span) => ({ kind: 'word', raw: match[0], ...span }) };
}

/** A pattern from a form: its `{names}` become the given patterns, all else stands for itself. */
function escapeForm(form: string, names: Readonly<Record<string, string>>, blank = '\\s*'): string {
  return form
    .split(/(\{\w+\})/)
    .map((part) => names[/^\{(\w+)\}$/.exec(part)?.[1] ?? ''] ?? escapePattern(part).replace(/ +/g, blank))
    .join('');
}
