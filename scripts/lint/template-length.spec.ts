import { readFileSync, readdirSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { expect, it } from 'vitest';

const WEB = resolve(import.meta.dirname, '../../web/src');
/** A template of more lines holds several parts. */
const MAX_LINES = 150;

it(`no template has more than ${MAX_LINES} lines`, () => {
  const files = readdirSync(WEB, { recursive: true, encoding: 'utf8' });
  const templates = files.filter((file) => file.endsWith('.component.html'));
  const countLines = (file: string): number =>
    readFileSync(join(WEB, file), 'utf8').trim().split('\n').length;
  expect(templates.length).toBeGreaterThan(30);
  expect(templates.filter((file) => countLines(file) > MAX_LINES)).toEqual([]);
});
