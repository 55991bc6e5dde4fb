import type { Span } from '../text';
import { FIELDS, type Field } from '../query';
import type { Dialect, LimiterName } from './dialect';

/** A token of a string in some dialect. */
export type StringToken = Span &
  (
    | { readonly kind: 'open' | 'close' }
    | { readonly kind: 'operator'; readonly operator: 'and' | 'or' | 'not' }
    | { readonly kind: 'near'; readonly distance: number; readonly ordered: boolean }
    | { readonly kind: 'quote'; readonly raw: string; readonly closed: boolean }
    | { readonly kind: 'word'; readonly raw: string }
    | { readonly kind: 'mark'; readonly fields: readonly Field[] }
    | { readonly kind: 'heading'; readonly label: string; readonly scope: 'heading' | 'branch' | 'focus' }
    | { readonly kind: 'limiter'; readonly name: LimiterName; readonly values: readonly string[] }
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
    ...createProximityRules(dialect),
    ...createOperatorRules(dialect),
    ...createMarkRules(dialect),
    { pattern: /\(/y, make: (_, span) => ({ kind: 'open', ...span }) },
    { pattern: /\)/y, make: (_, span) => ({ kind: 'close', ...span }) },
    {
      pattern: /"([^"]*)("?)/y,
      make: (match, span) => ({ kind: 'quote', raw: match[1] ?? '', closed: match[2] === '"', ...span }),
    },
    createWordRule(dialect),
  ];
}

function createHeadingRules({ headings }: Dialect): TokenRule[] {
  if (!headings) return [];
  return (['branch', 'focus', 'heading'] as const).flatMap((scope) => {
    const form = headings[scope];
    if (form === undefined) return [];
    const pattern = new RegExp(escapeForm(form, { label: '([^"]*)' }), 'iy');
    return [
      {
        pattern,
        make: (match: RegExpExecArray, span: Span): StringToken => ({
          kind: 'heading',
          label: (match[1] ?? '').trim(),
          scope,
          ...span,
        }),
      },
    ];
  });
}

function createLimiterRules({ limiters }: Dialect): TokenRule[] {
  return Object.entries(limiters).flatMap(([name, rule]) => {
    if (rule.how !== 'string') return [];
    const names = Object.entries(rule.values ?? {});
    const value =
      names.length > 0 ? `(${names.map(([, code]) => escapeText(code)).join('|')})` : '([\\p{L}\\p{N}-]+)';
    const pattern = new RegExp(escapeForm(rule.form, { from: '(\\d{4})', to: '(\\d{4})', value }), 'iuy');
    const make: Maker = (match, span) => {
      const values = match
        .slice(1)
        .map((code) => names.find(([, known]) => known.toLowerCase() === code.toLowerCase())?.[0] ?? code);
      return { kind: 'limiter', name: name as LimiterName, values, ...span };
    };
    return [{ pattern, make }];
  });
}

function createProximityRules({ proximity }: Dialect): TokenRule[] {
  return proximity.map(({ sign, counts, ordered }) => ({
    pattern: new RegExp(`${escapeForm(sign, { n: '(\\d{1,3})' })}(?![\\p{L}\\p{N}])`, 'iuy'),
    make: (match, span) => ({
      kind: 'near',
      distance: Number(match[1]) + (counts === 'between' ? 1 : 0),
      ordered,
      ...span,
    }),
  }));
}

/** The longest words first, so that `and not` is one operator. */
function createOperatorRules({ operators }: Dialect): TokenRule[] {
  const words = (['and', 'or', 'not'] as const).flatMap((operator) =>
    operators[operator].read.map((word) => ({ operator, word, anyCase: operators[operator].anyCase })),
  );
  return words
    .sort((a, b) => b.word.length - a.word.length)
    .map(({ operator, word, anyCase }) => ({
      pattern: new RegExp(
        `${escapeText(word).replaceAll(' ', '\\s+')}(?![\\p{L}\\p{M}\\p{N}])`,
        anyCase ? 'iuy' : 'uy',
      ),
      make: (_, span) => ({ kind: 'operator', operator, ...span }),
    }));
}

/** A mark holds known codes only; what looks like one but is not stays a word and is reported there. */
function createMarkRules({ fields }: Dialect): TokenRule[] {
  const codes = Object.entries(fields.codes).sort(([, a], [, b]) => b.length - a.length);
  if (codes.length === 0) return [];
  const one = `(?:${codes.map(([, code]) => escapeText(code)).join('|')})`;
  const list =
    fields.joint === undefined ? one : `${one}(?:\\s*${escapeText(fields.joint.trim())}\\s*${one})*`;
  const pattern = new RegExp(escapeForm(fields.mark.form, { field: `(${list})` }), 'iuy');
  const make: Maker = (match, span) => {
    const parts = fields.joint === undefined ? [match[1] ?? ''] : (match[1] ?? '').split(fields.joint.trim());
    const named = parts.map((part) => part.trim().toLowerCase());
    const found = FIELDS.filter((field) => named.includes(fields.codes[field]?.toLowerCase() ?? ''));
    return { kind: 'mark', fields: found, ...span };
  };
  return [{ pattern, make }];
}

/** A word: letters, marks, digits, hyphens and apostrophes within, and the dialect's wildcard signs. */
function createWordRule({ wildcards }: Dialect): TokenRule {
  const signs = Object.values(wildcards)
    .map((rule) => escapeText(rule.sign))
    .join('');
  const pattern = new RegExp(
    `[\\p{L}\\p{M}\\p{N}${signs}](?:[\\p{L}\\p{M}\\p{N}${signs}]|[-’'./](?=[\\p{L}\\p{N}]))*`,
    'uy',
  );
  return { pattern, make: (match, span) => ({ kind: 'word', raw: match[0], ...span }) };
}

function escapeText(text: string): string {
  return text.replace(/[\\^$.*+?()[\]{}|/]/g, '\\$&').replaceAll('-', '\\x2d');
}

/** A pattern from a form: its `{names}` become the given patterns, all else stands for itself. */
function escapeForm(form: string, names: Readonly<Record<string, string>>): string {
  return form
    .split(/(\{\w+\})/)
    .map((part) => names[/^\{(\w+)\}$/.exec(part)?.[1] ?? ''] ?? escapeText(part))
    .join('');
}
