import { createLabelKey } from '#core/text/index';
import { createVocabulary, type Heading, type Vocabulary } from '#core/vocabulary/index';
import { GANTRY_LIST } from './gantry-list';
import { HERONSMERE_TREE } from './heronsmere-tree';
import { MATCHES, SCOPE_NOTES, TRANSLATIONS } from './notes';
import { combineHeadings } from './combined';
import type { ThesaurusId } from './thesaurus-id';

let made: Readonly<Record<ThesaurusId, Vocabulary>> | undefined;

/** The thesaurus of each database that has one; made once. */
export function createThesauri(): Readonly<Record<ThesaurusId, Vocabulary>> {
  made ??= {
    heronsmere: createThesaurus('heronsmere', HERONSMERE_TREE),
    gantry: createThesaurus('gantry', GANTRY_LIST),
  };
  return made;
}

function createThesaurus(id: ThesaurusId, text: string): Vocabulary {
  const written = readTree(text);
  const known = new Set(written.map((heading) => heading.label));
  const combined = combineHeadings(id).filter((heading) => !known.has(heading.label));
  return createVocabulary(
    id,
    [...written, ...combined].map((heading) => annotate(id, heading)),
  );
}

function createAddress(id: ThesaurusId, label: string): string {
  return `urn:${id}:${createLabelKey(label).replaceAll(' ', '-')}`;
}

/** The heading with its scope note, its names in other languages, and what it is in the other thesaurus. */
function annotate(id: ThesaurusId, heading: Heading): Heading {
  const match = id === 'heronsmere' ? MATCHES[heading.label] : undefined;
  const translations = TRANSLATIONS[heading.label];
  const scopeNote = SCOPE_NOTES[heading.label] ?? heading.scopeNote ?? describeScope(heading);
  return {
    ...heading,
    address: createAddress(id, heading.label),
    ...(match && { matches: [{ kind: match.kind, address: createAddress('gantry', match.label) }] }),
    ...(scopeNote !== undefined && { scopeNote }),
    ...(translations && {
      translations: Object.entries(translations).flatMap(([language, labels]) =>
        labels.split('; ').map((label) => ({ language, label })),
      ),
    }),
  };
}

function describeScope({ label, entryTerms, since }: Heading): string | undefined {
  if (since !== undefined) return `Given since ${since}; earlier works stand under the broader heading.`;
  return entryTerms.length > 0
    ? `For works on ${label.toLowerCase()} as a whole. Used for ${entryTerms.join(' and ').toLowerCase()}, too.`
    : undefined;
}

function readTree(text: string): Heading[] {
  const open: string[] = [];
  return text
    .split('\n')
    .filter((line) => line.trim() !== '')
    .map((line) => {
      const level = (/^ */.exec(line)?.[0].length ?? 0) / 2;
      const [, label = '', entries, since, related] =
        /^\s*([^=@~]+?)\s*(?:= ([^@~]+?))?\s*(?:@ (\d+))?\s*(?:~ (.+))?$/.exec(line) ?? [];
      open.splice(level, open.length, label);
      return {
        label,
        entryTerms: entries?.split('; ') ?? [],
        broader: open.slice(Math.max(0, level - 1), level),
        related: related?.split('; ') ?? [],
        ...(since !== undefined && { since: Number(since) }),
      };
    });
}
