import type { CollectionFiles } from '../collections/index';
import { findVocabulary } from '../collections/index';
import type { ServedStandin } from '../routes/standins';
import { STANDINS } from './standins';

/** The stand-ins of some files, as far as the server itself has to know them. */
export function listServed(
  files: readonly Pick<CollectionFiles, 'id' | 'size'>[],
): ReadonlyMap<string, ServedStandin> {
  return new Map(
    files.flatMap(({ id, size }) => {
      const standin = STANDINS.find((one) => one.id === id);
      const hasThesaurus = findVocabulary(id).headings.length > 0;
      return standin ? [[id, { standin, size, hasThesaurus }] as const] : [];
    }),
  );
}
