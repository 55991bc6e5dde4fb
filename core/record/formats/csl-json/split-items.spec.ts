import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { splitItems } from './split-items';

const split = (text: string) => [...splitItems(text)].map(({ line, content }) => ({ line, content }));

describe('items of a list in JSON', () => {
  it('are those that a reader of JSON finds, however the list is written', () => {
    const indent = fc.constantFrom(0, 2, '\t');
    fc.assert(
      fc.property(fc.array(fc.jsonValue({ maxDepth: 3 })), indent, (list, spaces) => {
        const found = split(JSON.stringify(list, null, spaces));
        expect(found.map(({ content }) => JSON.parse(content) as unknown)).toEqual(
          JSON.parse(JSON.stringify(list)),
        );
      }),
    );
  });

  it('stand in the line that they begin in', () => {
    expect(split('[\n {"a": "[{"},\n\n null, 7 ]')).toEqual([
      { line: 2, content: '{"a": "[{"}' },
      { line: 4, content: 'null' },
      { line: 4, content: '7' },
    ]);
  });

  it('that are broken leave those behind them whole', () => {
    expect(split('[{"a": "b},\n{"a": "c"}]').at(-1)?.content).toContain('{"a": "c"}');
    expect(split('[{"a": 1}{"a": 2},,{"a": 3}').map(({ content }) => content)).toEqual([
      '{"a": 1}',
      '{"a": 2}',
      '{"a": 3}',
    ]);
  });

  it('are all of a text, whatever it is', () => {
    fc.assert(
      fc.property(fc.string(), (text) => {
        const rest = split(text).reduce((left, { content }) => left.replace(content, ''), text);
        expect(rest).toMatch(/^[\s,[\]\uFEFF]*$/);
      }),
    );
  });
});
