import { resolve } from 'node:path';
import { IntlMessageFormat } from 'intl-messageformat';
import { describe, expect, it } from 'vitest';
import english from '../../web/public/words.en.json';
import { readCodeWords } from './code-words';
import { readTemplateWords } from './template-words';

const WEB = resolve(import.meta.dirname, '../../web/src/app');
const catalogue: Readonly<Record<string, string>> = english;
const templates = readTemplateWords(WEB);
const code = readCodeWords(WEB);
/** Short words that are one in English, and several in other languages: by what stands beside them. */
const BY_CONTEXT = new Set([
  'Compare',
  'For',
  'Line',
  'Reading',
  'Replace',
  'draft',
  'empty',
  'for',
  'from',
  'off',
  'then',
  'variant',
  'without',
]);

/** The names of what a message fills in. */
function listParameters(message: string): string[] {
  const names = new Set<string>();
  const collect = (parts: readonly unknown[]): void => {
    for (const part of parts as readonly { type: number; value?: string; options?: object }[]) {
      // 0 is text and 7 the number of a plural (ICU MessageFormat, as the formatter reads it).
      if (part.type !== 0 && part.type !== 7 && part.value !== undefined) names.add(part.value);
      for (const option of Object.values(part.options ?? {}) as { value: readonly unknown[] }[])
        collect(option.value);
    }
  };
  collect(new IntlMessageFormat(message, 'en', undefined, { ignoreTag: true }).getAst());
  return [...names].sort();
}

describe('the catalogue of words', () => {
  it('holds all words of the templates', () => {
    expect(templates.literals).toEqual([]);
    expect(templates.uses.length).toBeGreaterThan(1_000);
  });

  it('holds all sentences of the code', () => {
    // An example of a query, and a selector.
    expect(code.literals.filter((text) => !/title: lamp NOT cricket|contenteditable/.test(text))).toEqual([]);
    expect(code.uses.length).toBeGreaterThan(400);
  });

  it('has a message for every name, filled in as the message wants', () => {
    const wrong = [...templates.uses, ...code.uses].filter(({ key, given }) => {
      const message = catalogue[key];
      return message === undefined || listParameters(message).join() !== [...given].sort().join();
    });
    expect(wrong).toEqual([]);
  });

  it('has no message that nothing says', () => {
    const said = new Set([...[...templates.uses, ...code.uses].map(({ key }) => key), ...code.names]);
    const idle = Object.keys(catalogue).filter((key) => !said.has(key));
    expect(idle).toEqual([]);
  });

  it('has one message for one text', () => {
    const texts = Object.values(catalogue).filter((text) => !BY_CONTEXT.has(text));
    expect(texts.filter((text, at) => texts.indexOf(text) !== at)).toEqual([]);
  });

  it('is sorted by name, so that a message is found and added in one place', () => {
    const keys = Object.keys(catalogue);
    expect(keys).toEqual([...keys].sort((a, b) => (a < b ? -1 : 1)));
  });
});
