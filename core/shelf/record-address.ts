import type { Dialect } from '../dialect';
import type { KeptWork } from '../project';
import type { BibliographicRecord } from '../record';

/**
 * The address of a record in its own database, as the dialect says that it is built; nothing where it does not say,
 * or where the record lacks what the address needs.
 */
export function createRecordAddress(
  { recordAddress }: Pick<Dialect, 'recordAddress'>,
  { doi }: Pick<BibliographicRecord, 'doi'>,
  id: string,
): string | undefined {
  if (recordAddress === undefined || (doi === undefined && recordAddress.includes('{doi}'))) return undefined;
  return recordAddress.replaceAll('{id}', encodeURIComponent(id)).replaceAll('{doi}', encodeDoi(doi ?? ''));
}

function encodeDoi(doi: string): string {
  return doi.split('/').map(encodeURIComponent).join('/');
}

/** The addresses of a kept work, one for each of its places that has one, with the name of the database. */
export function listRecordAddresses(
  { record, places }: Pick<KeptWork, 'record' | 'places'>,
  findDialect: (database: string) => Dialect | undefined,
): { readonly name: string; readonly address: string }[] {
  return places.flatMap((place) => {
    const dialect = findDialect(place.database);
    const address = dialect && createRecordAddress(dialect, record, place.record);
    return address === undefined ? [] : [{ name: dialect?.name ?? '', address }];
  });
}

/** Where a work can be read: by its DOI, and in the databases that have it. */
export interface Whereabouts {
  readonly title: string;
  readonly addresses: readonly string[];
}

/** The lasting addresses of a kept work. */
export function findWhereabouts(
  work: Pick<KeptWork, 'record' | 'places'>,
  findDialect: (database: string) => Dialect | undefined,
): Whereabouts {
  const { title, doi } = work.record;
  const own = listRecordAddresses(work, findDialect).map(({ address }) => address);
  const addresses = [...(doi === undefined ? [] : [`https://doi.org/${encodeDoi(doi)}`]), ...own];
  return { title, addresses: [...new Set(addresses)] };
}

/** The addresses of works behind a list of references, as text and as HTML; empty if no work has one. */
export function writeWhereabouts(
  works: readonly Whereabouts[],
  heading: string,
): { readonly text: string; readonly html: string } {
  const known = works.filter(({ addresses }) => addresses.length > 0);
  if (known.length === 0) return { text: '', html: '' };
  const lines = known.map(({ title, addresses }) => `${title}: ${addresses.join(' ')}`);
  const items = known.map(({ title, addresses }) => {
    const links = addresses.map((address) => `<a href="${escapeHtml(address)}">${escapeHtml(address)}</a>`);
    return `<li>${escapeHtml(title)}: ${links.join(' ')}</li>`;
  });
  return {
    text: `\n\n${heading}\n${lines.join('\n')}`,
    html: `\n<p>${escapeHtml(heading)}</p>\n<ul>\n${items.join('\n')}\n</ul>`,
  };
}

function escapeHtml(text: string): string {
  return text.replace(/[&<>"']/g, (sign) => `&#${sign.codePointAt(0)};`);
}
