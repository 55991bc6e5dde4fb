import stem from 'wink-porter2-stemmer';
import { foldLetters, splitWords } from '../text';
import { findMost, type SharedWord } from './index-word';

/** The stem of an English word, by Snowball's English rules (M. F. Porter, 2001). */
export function stemWord(word: string): string {
  return stem(foldLetters(word));
}

/** Plurals and other forms that no ending tells, in groups: data, to be extended. */
const IRREGULAR: readonly (readonly string[])[] = [
  ['mouse', 'mice'],
  ['goose', 'geese'],
  ['foot', 'feet'],
  ['tooth', 'teeth'],
  ['man', 'men'],
  ['woman', 'women'],
  ['child', 'children'],
  ['person', 'people'],
  ['ox', 'oxen'],
  ['louse', 'lice'],
  ['wolf', 'wolves'],
  ['calf', 'calves'],
  ['leaf', 'leaves'],
  ['life', 'lives'],
  ['species', 'spp'],
  ['analysis', 'analyses'],
  ['hypothesis', 'hypotheses'],
  ['index', 'indices', 'indexes'],
  ['matrix', 'matrices'],
  ['larva', 'larvae', 'larvas'],
  ['pupa', 'pupae'],
  ['genus', 'genera'],
  ['fungus', 'fungi'],
  ['stimulus', 'stimuli'],
  ['nucleus', 'nuclei'],
  ['habitat', 'habitats'],
  ['phenomenon', 'phenomena'],
  ['criterion', 'criteria'],
  ['medium', 'media'],
  ['datum', 'data'],
  ['light', 'lit', 'lights', 'lighting', 'lighted'],
  ['fly', 'flew', 'flown', 'flies', 'flying', 'flight', 'flights'],
  ['feed', 'fed', 'feeds', 'feeding'],
];

/** The beginnings under which an index has to be looked through for the forms of a word. */
export function listFormPrefixes(word: string): string[] {
  const folded = foldLetters(word);
  const stem = stemWord(folded);
  const shared = stem.endsWith('i') || stem.endsWith('e') ? stem.slice(0, -1) : stem;
  const prefix = folded.startsWith(shared) ? shared : folded;
  const irregular = IRREGULAR.filter((group) => group.includes(folded)).flat();
  return [...new Set([prefix.length >= 2 ? prefix : folded, ...irregular])];
}

/** Other forms of a word that an index has: of its stem, or known as irregular. The most frequent first. */
export function findWordForms(word: string, words: readonly SharedWord[]): SharedWord[] {
  const folded = foldLetters(word);
  const stem = stemWord(folded);
  const irregular = new Set(IRREGULAR.filter((group) => group.includes(folded)).flat());
  return words
    .filter(
      (candidate) =>
        candidate.word !== folded && (stemWord(candidate.word) === stem || irregular.has(candidate.word)),
    )
    .sort((a, b) => findMost(b) - findMost(a) || (a.word < b.word ? -1 : 1));
}

/** A term written as one word, as two, or with a hyphen: as query text, each to be counted. */
export function listJoinings(words: string): string[] {
  const parts = splitWords(words).map((word) => word.text);
  const [first = '', second] = parts;
  if (parts.length === 2 && second !== undefined) return [`${first}${second}`];
  if (parts.length !== 1) return [];
  const splits: string[] = [];
  for (let at = 3; at <= first.length - 3; at++) splits.push(`"${first.slice(0, at)} ${first.slice(at)}"`);
  return splits;
}
