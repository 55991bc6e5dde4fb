import { expect, it } from 'vitest';
import { writeCsv, writeTabbed } from './table-file';

it('a table is written so that every program reads it, and no cell is taken for a formula', () => {
  expect(
    writeCsv([
      ['name', 'records'],
      ['a, "b"', 1_204],
      ['=1+1', 0],
    ]),
  ).toBe('\ufeffname,records\r\n"a, ""b""",1204\r\n"\'=1+1",0\r\n');
});

it('a table for the clipboard has tabs between its cells', () => {
  expect(
    writeTabbed([
      ['name', 'records'],
      ['lamp*\tor light', 3],
    ]),
  ).toBe('name\trecords\n"lamp*\tor light"\t3');
});
