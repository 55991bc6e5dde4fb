import '@angular/compiler';
import { Injector, signal } from '@angular/core';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Settings } from '../data/settings';
import { OpenProject } from '../state/open-project';
import { KeptChoices } from './kept-choices';

const kept = new Map<string, string>();
const storage = {
  getItem: (key: string) => kept.get(key) ?? null,
  setItem: (key: string, text: string) => void kept.set(key, text),
};

/** The choices as they are after a reload. */
function load(id = 'p') {
  const project = signal({ id });
  const choices = Injector.create({
    providers: [KeptChoices, Settings, { provide: OpenProject, useValue: { project } }],
  }).get(KeptChoices);
  return { choices, project };
}

beforeEach(() => {
  kept.clear();
  vi.stubGlobal('localStorage', storage);
});
afterEach(() => vi.unstubAllGlobals());

describe('what was chosen in Compare', () => {
  it('stands again after a reload, for its own project', () => {
    const { choices, project } = load();
    choices.toggle('hiddenVariants', 'v1');
    choices.toggle('hiddenVariants', 'v2');
    choices.toggle('hiddenVariants', 'v1');
    choices.choose({ sort: 'name', stepOrder: ['b', 'a'], showsTogether: true });
    project.set({ id: 'other' });
    expect(choices.sort()).toBe('descent');
    const again = load().choices;
    expect([...again.hiddenVariants()]).toEqual(['v2']);
    expect(again.sort()).toBe('name');
    expect(again.stepOrder()).toEqual(['b', 'a']);
    expect(again.showsTogether()).toBe(true);
    expect(load('other').choices.sort()).toBe('descent');
  });

  it('is as usual where what was kept makes no sense', () => {
    for (const text of ['{', '[]', '{"sort":7}', '{"stepOrder":"a"}']) {
      kept.set('ewer-compare-p', text);
      expect(load().choices.sort()).toBe('descent');
      expect(load().choices.stepOrder()).toEqual([]);
    }
    kept.set('ewer-compare-p', '{"sort":"name","later":true}');
    expect(load().choices.sort()).toBe('name');
  });

  it('lasts as long as the page where nothing can be kept', () => {
    vi.stubGlobal('localStorage', {
      getItem: () => {
        throw new DOMException('denied', 'SecurityError');
      },
      setItem: () => {
        throw new DOMException('full', 'QuotaExceededError');
      },
    });
    const { choices } = load();
    choices.choose({ sort: 'name' });
    expect(choices.sort()).toBe('name');
  });
});
