import type { Lead } from '../project';
import { build, printQuery, type Field } from '../query';
import { buildWords } from './write-words';

/** What a kind of lead is called, and the field that it is searched in. */
interface LeadKindRow {
  readonly label: string;
  readonly field?: Field;
}

/** The kinds of leads in the order in which they are listed. */
export const LEAD_KIND_ROWS: Readonly<Record<Lead['kind'], LeadKindRow>> = {
  author: { label: 'authors', field: 'author' },
  affiliation: { label: 'places of work', field: 'affiliation' },
  source: { label: 'sources', field: 'source' },
  words: { label: 'words' },
};

/**
 * The query that finds what a lead names. Databases write names in either order, so `Okonjo, Freya` is looked for
 * as `Freya Okonjo`, too. Empty for a name without a letter.
 */
export function createLeadQuery({ kind, name }: Pick<Lead, 'kind' | 'name'>): string {
  const { field } = LEAD_KIND_ROWS[kind];
  const phrases = listOrders(kind, name).flatMap((order) => buildWords(order) ?? []);
  if (phrases.length === 0) return '';
  const any = build.any(phrases);
  return printQuery(field ? build.fielded([field], any) : any);
}

function listOrders(kind: Lead['kind'], name: string): readonly string[] {
  const [family = '', given = ''] = name.split(',', 2);
  if (kind !== 'author' || given.trim() === '') return [name];
  return [`${given} ${family}`, `${family} ${given}`];
}
