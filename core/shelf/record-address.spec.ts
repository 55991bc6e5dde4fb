import { expect, it } from 'vitest';
import { TEMPLATE_DIALECTS } from '../dialect';
import { createTestRecord } from '../testing/records';
import { createRecordAddress, findWhereabouts, writeWhereabouts } from './record-address';

it('the address of a record is built as its dialect says', () => {
  const create = (recordAddress: string | undefined, doi?: string) =>
    createRecordAddress(
      { ...(recordAddress !== undefined && { recordAddress }) },
      { ...(doi !== undefined && { doi }) },
      'a/1 b',
    );
  expect(create('https://paperbark.example/record?id={id}')).toBe(
    'https://paperbark.example/record?id=a%2F1%20b',
  );
  expect(create('https://paperbark.example/doi/{doi}', '10.5555/x<1>')).toBe(
    'https://paperbark.example/doi/10.5555/x%3C1%3E',
  );
  expect(create('https://paperbark.example/doi/{doi}')).toBeUndefined();
  expect(create(undefined, '10.5555/x')).toBeUndefined();
});

it('a message says where the works are, with nothing of a title as markup', () => {
  const paperbark = { ...TEMPLATE_DIALECTS[0]!, recordAddress: 'https://paperbark.example/{id}' };
  const find = (id: string) => (id === 'paperbark' ? paperbark : undefined);
  const place = (database: string) => ({ database, record: 'r1' });
  const work = findWhereabouts(
    {
      record: createTestRecord({ title: 'Bats <b>& lamps</b>', doi: '10.5555/a"b' }),
      places: [place('paperbark'), place('gantry')],
    },
    find,
  );
  expect(work.addresses).toEqual(['https://doi.org/10.5555/a%22b', 'https://paperbark.example/r1']);
  const nowhere = { title: 'Nowhere', addresses: [] };
  const { text, html } = writeWhereabouts([work, nowhere], 'Where they are:');
  expect(text).toBe(
    '\n\nWhere they are:\nBats <b>& lamps</b>: https://doi.org/10.5555/a%22b https://paperbark.example/r1',
  );
  expect(html).toContain(
    '<li>Bats &#60;b&#62;&#38; lamps&#60;/b&#62;: <a href="https://doi.org/10.5555/a%22b">',
  );
  expect(html).not.toContain('Nowhere');
  expect(writeWhereabouts([nowhere], 'x')).toEqual({ text: '', html: '' });
});
