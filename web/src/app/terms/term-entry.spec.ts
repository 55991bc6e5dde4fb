import '@angular/compiler';
import { LiveAnnouncer } from '@angular/cdk/a11y';
import { Injector } from '@angular/core';
import { describe, expect, it } from 'vitest';
import type { Change, Concept } from '#core/project/index';
import { OpenProject } from '../state/open-project';
import { TermEntry } from './term-entry';

const BATS: Concept = {
  id: 'a',
  name: 'bats',
  block: 'bats',
  off: false,
  terms: [{ id: 't', text: 'bat', off: false }],
};

function createEntry() {
  const changes: Change[] = [];
  const said: string[] = [];
  let number = 0;
  const entry = Injector.create({
    providers: [
      TermEntry,
      {
        provide: OpenProject,
        useValue: { createId: () => `n${number++}`, change: (change: Change) => changes.push(change) },
      },
      {
        provide: LiveAnnouncer,
        useValue: { announce: (words: string) => Promise.resolve(said.push(words)) },
      },
    ],
  }).get(TermEntry);
  return { entry, changes, said };
}

describe('putting terms into a concept', () => {
  it('leaves out what is there already, in whatever letters, and says so', () => {
    const { entry, changes, said } = createEntry();
    entry.add(BATS, ['BAT', 'street light', '"Street Light"', ' '], 'pasted');
    expect(changes).toEqual([
      {
        kind: 'add-terms',
        concept: 'a',
        terms: [{ id: 'n1', text: '"street light"', off: false, source: 'pasted' }],
      },
    ]);
    expect(said).toEqual(['1 term added to bats, 2 there already']);
  });

  it('changes nothing when nothing is new', () => {
    const { entry, changes, said } = createEntry();
    entry.add(BATS, ['bat'], 'typed');
    expect(changes).toEqual([]);
    expect(said).toEqual(['0 terms added to bats, 1 there already']);
  });

  it('takes a list straight in, and asks about tables and what there is no room for', () => {
    const { entry } = createEntry();
    expect(entry.isPlainPaste(BATS, 'bat, lamp; road')).toBe(true);
    expect(entry.isPlainPaste(BATS, 'bat\tlamp')).toBe(true);
    expect(entry.isPlainPaste(BATS, 'bat\tlamp\nnoctule\tlantern')).toBe(false);
    const many = (count: number) => Array.from({ length: count }, (_, at) => `word${at}`).join('\n');
    expect(entry.isPlainPaste(BATS, many(199))).toBe(true);
    expect(entry.isPlainPaste(BATS, many(200))).toBe(false);
  });
});
