import { DataFactory, Writer } from 'n3';
import { createLabelKey } from '../../text';
import type { Vocabulary } from '../vocabulary';
import { DC_ISSUED, OWL_DEPRECATED, RDF_TYPE, SKOS } from './terms';

const namedNode = (address: string) => DataFactory.namedNode(address);
const literal = (text: string, language?: string) => DataFactory.literal(text, language);

/** A vocabulary as SKOS in Turtle; `language` is that of its labels. */
export function writeSkos({ id, headings }: Vocabulary, title: string, language = 'en'): string {
  const base = `urn:${id}:`;
  const writer = new Writer({ prefixes: { skos: SKOS, dct: 'http://purl.org/dc/terms/' } });
  const address = (label: string) => namedNode(base + createLabelKey(label).replaceAll(' ', '-'));
  const skos = (name: string) => namedNode(SKOS + name);
  const scheme = namedNode(`${base}thesaurus`);
  writer.addQuad(scheme, namedNode(RDF_TYPE), skos('ConceptScheme'));
  writer.addQuad(scheme, skos('prefLabel'), literal(title, language));
  for (const heading of headings) {
    const concept = heading.address === undefined ? address(heading.label) : namedNode(heading.address);
    writer.addQuad(concept, namedNode(RDF_TYPE), skos('Concept'));
    writer.addQuad(concept, skos('inScheme'), scheme);
    writer.addQuad(concept, skos('prefLabel'), literal(heading.label, language));
    for (const term of heading.entryTerms) writer.addQuad(concept, skos('altLabel'), literal(term, language));
    for (const { language: other, label } of heading.translations ?? [])
      writer.addQuad(concept, skos('altLabel'), literal(label, other));
    for (const label of heading.broader) writer.addQuad(concept, skos('broader'), address(label));
    for (const label of heading.related) writer.addQuad(concept, skos('related'), address(label));
    if (heading.scopeNote !== undefined)
      writer.addQuad(concept, skos('scopeNote'), literal(heading.scopeNote, language));
    for (const { kind, address: other } of heading.matches ?? [])
      writer.addQuad(concept, skos(`${kind}Match`), namedNode(other));
    if (heading.isDeprecated) writer.addQuad(concept, namedNode(OWL_DEPRECATED), literal('true'));
    if (heading.since !== undefined)
      writer.addQuad(concept, namedNode(DC_ISSUED), literal(String(heading.since)));
  }
  let text = '';
  writer.end((_, result) => (text = String(result)));
  return text;
}
