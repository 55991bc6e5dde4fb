import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { REASON_CODES } from '../dialect';
import { CATALOGUE } from './catalogue';
import { describeProblem, describeRemedy } from './describe';
import { applyFix, createProblem } from './problem';
import { FILE_WORDINGS } from './wordings/files';
import { OUTLINE_WORDINGS } from './wordings/outline';
import { QUERY_TEXT_WORDINGS } from './wordings/query-text';
import { SERVICE_WORDINGS } from './wordings/services';
import { CHECK_WORDINGS } from './wordings/topic-checks';
import { WRITING_WORDINGS } from './wordings/writing';

const read = (name: string): string =>
  readFileSync(join(import.meta.dirname, '../../docs/reference', name), 'utf8');

describe('the catalogue', () => {
  it('fills in the particulars', () => {
    const problem = createProblem('string-too-long', 'error', {
      length: 1240,
      most: 480,
      database: 'Marlstone',
    });
    expect(describeProblem(problem)).toBe('The string has 1,240 characters; Marlstone takes 480.');
    expect(describeRemedy(problem)).toBe('Switch off terms, or search in parts.');
  });

  it('has each code once', () => {
    const parts = [
      QUERY_TEXT_WORDINGS,
      WRITING_WORDINGS,
      SERVICE_WORDINGS,
      CHECK_WORDINGS,
      FILE_WORDINGS,
      OUTLINE_WORDINGS,
    ].flatMap((wordings) => Object.keys(wordings));
    expect(parts).toEqual([...new Set(parts)]);
    expect([...parts].sort()).toEqual(Object.keys(CATALOGUE).sort());
  });

  it('says and advises in whole sentences', () => {
    for (const [code, { says, remedy }] of Object.entries(CATALOGUE)) {
      expect(`${says}${remedy}`, code).toMatch(/^[“{A-Z0-9].*[.}]$/u);
    }
  });

  it('makes the edits of a fix together', () => {
    const fix = {
      label: '',
      edits: [
        { span: { start: 0, end: 0 }, text: '(' },
        { span: { start: 6, end: 6 }, text: ')' },
      ],
    };
    expect(applyFix('a OR b AND c', fix)).toBe('(a OR b) AND c');
  });
});

describe('the documentation', () => {
  it('lists every problem', () => {
    const page = read('problems.md');
    expect(Object.keys(CATALOGUE).filter((code) => !page.includes(`\`${code}\``))).toEqual([]);
  });

  it('lists every reason for a difference in a translation', () => {
    const page = read('dialects.md');
    expect(REASON_CODES.filter((code) => !page.includes(`\`${code}\``))).toEqual([]);
  });
});
