import { describe, expect, it } from 'vitest';
import { parseQuery } from '../../query';
import { PHRASE_FALLBACKS } from './dialect';
import { listPhraseWays, preferPhraseWay } from './phrase-ways';
import { findDialect } from './profiles';
import { writeQuery } from '../write';

const gantry = findDialect('gantry')!;
const marlstone = findDialect('marlstone')!;
const { root } = parseQuery('title: "street light*"');
const write = (way: (typeof PHRASE_FALLBACKS)[number], dialect = gantry) =>
  writeQuery(root, preferPhraseWay(dialect, way));

describe('phrases that a database cannot cut', () => {
  it('are written the way that the person chose, each with what it does to the meaning', () => {
    expect(write('proximity')).toMatchObject({ text: 'street{title} within:0 light%{title}' });
    expect(write('uncut')).toMatchObject({ text: '"street light"{title}', whole: 'different' });
    expect(write('and')).toMatchObject({ text: 'street{title} and light%{title}', whole: 'wider' });
    expect(write('leave-out').problems).toHaveLength(1);
  });

  it('are spelled out in their forms only if that is the way', () => {
    const findForms = () => ({ forms: ['light', 'lights'], day: '2026-03-01' });
    const texts = (['forms', 'uncut'] as const).map(
      (way) => writeQuery(root, preferPhraseWay(marlstone, way), { findForms }).text,
    );
    expect(texts[0]).toContain('"street lights"');
    expect(texts[1]).not.toContain('"street lights"');
  });

  it('are a choice only where there is one', () => {
    expect(listPhraseWays(root, gantry)).toEqual(PHRASE_FALLBACKS);
    expect(listPhraseWays(root, findDialect('cardinal')!)).toEqual([]);
    expect(listPhraseWays(parseQuery('"street light" OR lamp*').root, gantry)).toEqual([]);
  });

  it('leave the dialect as it was, and give the same one each time', () => {
    expect(preferPhraseWay(gantry, 'and')).toBe(preferPhraseWay(gantry, 'and'));
    expect(gantry.phrase.fallbacks[0]).not.toBe('leave-out');
    expect(preferPhraseWay(gantry, 'leave-out').phrase.fallbacks[0]).toBe('leave-out');
  });
});
