import { describe, expect, it } from 'vitest';
import { DIALECTS, writeQuery } from '../dialect';
import { dropInactive, parseQuery, printQuery } from '../query';
import { READY_FILTERS, writeFilterText } from './ready-filter';

const databases = DIALECTS.map(({ id }) => id);

describe('the filters that ship', () => {
  it.each(READY_FILTERS)('$name is well-formed and can be written everywhere', (filter) => {
    const { root, problems } = parseQuery(writeFilterText(filter, databases));
    expect(problems).toEqual([]);
    for (const dialect of DIALECTS) {
      const rendering = writeQuery(root, dialect);
      expect(rendering.problems, dialect.id).toEqual([]);
      const own = filter.texts[dialect.id] ?? filter.text;
      const active = dropInactive(root, dialect.id);
      expect(active && printQuery(active)).toBe(printQuery(parseQuery(own).root));
    }
  });

  it('have a source and a date', () => {
    for (const { source, date, about } of READY_FILTERS) {
      expect(source.length * about.length).toBeGreaterThan(0);
      expect(date).toMatch(/^\d{4}-\d{2}-\d{2}$/);
    }
  });

  it('stand by themselves where one text is for all', () => {
    const [filter] = READY_FILTERS;
    expect(writeFilterText(filter!, ['heronsmere', 'cardinal'])).toBe(filter!.text);
    expect(writeFilterText(filter!, ['heronsmere', 'gantry'])).toMatch(
      /^IN\(heronsmere: .*\) OR IN\(gantry: /,
    );
  });
});
