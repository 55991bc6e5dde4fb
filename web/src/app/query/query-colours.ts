import { StateEffect, StateField, type EditorState } from '@codemirror/state';
import { Decoration, EditorView, type DecorationSet } from '@codemirror/view';
import type { Token } from '#core/query/index';
import type { Span } from '#core/text/index';
import { readTokens } from './document-tokens';

const OPERATORS = new Set(['AND', 'OR', 'NOT', 'WITHIN', 'BEFORE']);

/** Tells the editor the class of the hue of each block. */
export const setBlockHues = StateEffect.define<ReadonlyMap<string, string>>();

const blockHues = StateField.define<ReadonlyMap<string, string>>({
  create: () => new Map(),
  update: (hues, transaction) =>
    transaction.effects.reduce((now, effect) => (effect.is(setBlockHues) ? effect.value : now), hues),
});

/** Tells the editor which piece the outline is at. */
export const setLitSpan = StateEffect.define<Span | undefined>();

const litMark = Decoration.mark({ class: 'ewer-lit' });
const litSpan = StateField.define<DecorationSet>({
  create: () => Decoration.none,
  update: (set, transaction) => {
    for (const effect of transaction.effects) {
      if (!effect.is(setLitSpan)) continue;
      const { start, end } = effect.value ?? { start: 0, end: 0 };
      const last = Math.min(end, transaction.state.doc.length);
      return start < last ? Decoration.set(litMark.range(start, last)) : Decoration.none;
    }
    return set.map(transaction.changes);
  },
  provide: (field) => EditorView.decorations.from(field),
});

const decorations = StateField.define<DecorationSet>({
  create: (state) => decorate(state),
  update: (set, transaction) =>
    transaction.docChanged || transaction.effects.some((effect) => effect.is(setBlockHues))
      ? decorate(transaction.state)
      : set,
  provide: (field) => EditorView.decorations.from(field),
});

const looks = EditorView.theme({
  '&': {
    color: 'var(--ink)',
    backgroundColor: 'var(--sheet)',
    border: '1px solid var(--rule)',
    borderRadius: '8px',
  },
  '&.cm-focused': { outline: '2px solid var(--glaze)', outlineOffset: '1px' },
  '.cm-content': {
    fontFamily: 'var(--font-code)',
    fontSize: '13px',
    lineHeight: '21px',
    padding: '8px 4px',
    caretColor: 'var(--ink)',
    minHeight: '84px',
  },
  '.cm-scroller': { maxHeight: '300px' },
  '.cm-gutters': { backgroundColor: 'transparent', border: '0' },
  '.cm-placeholder': { color: 'var(--mute)' },
  '.cm-selectionBackground, &.cm-focused .cm-selectionBackground': { backgroundColor: 'var(--glaze-tint)' },
  '.cm-matchingBracket': { backgroundColor: 'var(--lit)', outline: '1px solid var(--lit-rule)' },
  '.cm-tooltip': { backgroundColor: 'var(--sheet)', color: 'var(--ink)', border: '1px solid var(--rule)' },
  '.cm-diagnosticAction': { backgroundColor: 'var(--glaze)', color: 'var(--on-glaze)' },
  '.ewer-operator': { fontWeight: '700' },
  '.ewer-block': { color: 'var(--hue, var(--ink))', fontWeight: '600' },
  '.ewer-field': { color: 'var(--mute)', fontStyle: 'italic' },
  '.ewer-comment': { color: 'var(--mute)' },
  '.ewer-quote': { color: 'var(--glaze)' },
  '.ewer-lit': { backgroundColor: 'var(--glaze-tint)' },
  '.ewer-piece': { maxWidth: '420px', padding: '6px 10px', font: '13px/18px var(--font-text)' },
  '.cm-foldGutter': { color: 'var(--mute)' },
  '.cm-foldPlaceholder': {
    backgroundColor: 'transparent',
    border: '1px solid var(--rule)',
    color: 'var(--mute)',
  },
  '.cm-tooltip-autocomplete > ul': { fontFamily: 'var(--font-code)', fontSize: '13px' },
  '.cm-tooltip-autocomplete > ul > li[aria-selected]': {
    backgroundColor: 'var(--glaze)',
    color: 'var(--on-glaze)',
  },
  '.cm-completionDetail': {
    color: 'inherit',
    fontFamily: 'var(--font-text)',
    fontStyle: 'normal',
    opacity: '0.85',
  },
});

/** Colours by kind and by concept, from the same tokens that the parser reads. */
export const queryColours = [blockHues, litSpan, decorations, looks];

function decorate(state: EditorState): DecorationSet {
  const hues = state.field(blockHues);
  const marks = readTokens(state.doc).flatMap((token) => {
    const name = chooseClass(token, hues);
    return name === undefined || token.end <= token.start
      ? []
      : [createMark(name).range(token.start, token.end)];
  });
  return Decoration.set(marks);
}

const MARKS = new Map<string, Decoration>();

/** One mark for a class: the editor sees at once that nothing has changed. */
function createMark(name: string): Decoration {
  const known = MARKS.get(name) ?? Decoration.mark({ class: name });
  MARKS.set(name, known);
  return known;
}

function chooseClass(token: Token, hues: ReadonlyMap<string, string>): string | undefined {
  switch (token.kind) {
    case 'block':
      return `ewer-block ${hues.get(token.name) ?? ''}`;
    case 'word':
      return OPERATORS.has(token.raw) ? 'ewer-operator' : undefined;
    case 'field':
      return 'ewer-field';
    case 'quote':
      return 'ewer-quote';
    case 'comment':
      return 'ewer-comment';
    case 'off-open':
    case 'in-open':
      return 'ewer-field';
    case 'open':
    case 'close':
      return undefined;
  }
}
