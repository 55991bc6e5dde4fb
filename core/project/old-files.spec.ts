import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { createHistory, makeChange } from './history';
import { FORMAT_VERSION, readProjectFile, writeProjectFile } from './project-file';

const FOLDER = join(import.meta.dirname, 'fixtures');

/** Files as each older version of the program wrote them, by their names. */
const OLD_FILES = readdirSync(FOLDER).sort((a, b) => a.localeCompare(b, 'en', { numeric: true }));

describe('project files of older versions', () => {
  it('are here, one of each', () => {
    const versions = Array.from({ length: FORMAT_VERSION - 1 }, (_, at) => `version-${at + 1}.json`);
    expect(OLD_FILES).toEqual(versions);
  });

  it.each(OLD_FILES)('%s opens, loses nothing, can be changed and is saved as today', (name) => {
    const text = readFileSync(join(FOLDER, name), 'utf8');
    const old = JSON.parse(text) as {
      version: number;
      project: {
        name: string;
        working: { question: string; draft: string; concepts: { name: string; terms: { text: string }[] }[] };
        variants: { name: string; frozen: { draft: string } }[];
        tallies: { string: string; total: number }[];
      };
    };
    expect(name).toBe(`version-${old.version}.json`);
    const read = readProjectFile(text);
    if (!read.ok) throw new Error(JSON.stringify(read.problem));
    // All that stood in it stands in what is read.
    expect(read.value).toMatchObject(old.project);
    expect(old.project.working.concepts.length).toBeGreaterThan(2);
    expect(old.project.variants.length).toBeGreaterThan(0);
    const made = makeChange(
      createHistory(read.value),
      { kind: 'set-limiters', limiters: { openAccess: true } },
      0,
    );
    if (!made.ok) throw new Error(JSON.stringify(made.problem));
    const again = readProjectFile(writeProjectFile(made.value.project));
    expect(again).toEqual({ ok: true, value: made.value.project });
  });
});
