/**
 * The terms of SKOS (W3C Recommendation, 18 August 2009) and of the vocabularies that it is used with: SKOS-XL, the
 * ontology of ISO 25964, OWL and Dublin Core.
 */
export const SKOS = 'http://www.w3.org/2004/02/skos/core#';
export const RDF_TYPE = 'http://www.w3.org/1999/02/22-rdf-syntax-ns#type';
export const DC_ISSUED = 'http://purl.org/dc/terms/issued';
export const OWL_DEPRECATED = 'http://www.w3.org/2002/07/owl#deprecated';
export const RDFS_SUBCLASS = 'http://www.w3.org/2000/01/rdf-schema#subClassOf';
const SKOS_XL = 'http://www.w3.org/2008/05/skos-xl#';
const ISO_THES = 'http://purl.org/iso25964/skos-thes#';

/** What is no concept, though it may have a label. */
export const OTHER_CLASSES: ReadonlySet<string> = new Set([
  `${SKOS}ConceptScheme`,
  `${SKOS}Collection`,
  `${SKOS}OrderedCollection`,
  `${SKOS_XL}Label`,
  `${ISO_THES}ThesaurusArray`,
  `${ISO_THES}ConceptGroup`,
  'http://www.w3.org/2002/07/owl#Ontology',
]);

/** What a predicate says about a concept. */
export type SkosRole =
  | 'label'
  | 'entry'
  | 'broader'
  | 'narrower'
  | 'related'
  | 'scope'
  | 'exact'
  | 'close'
  | 'issued'
  | 'deprecated'
  | 'scheme'
  | 'xl-label'
  | 'xl-entry'
  | 'xl-form';

/** The predicates that are read; every other one is passed over. */
export const ROLES: ReadonlyMap<string, SkosRole> = new Map<string, SkosRole>([
  [`${SKOS}prefLabel`, 'label'],
  [`${SKOS}altLabel`, 'entry'],
  [`${SKOS}hiddenLabel`, 'entry'],
  [`${SKOS}broader`, 'broader'],
  [`${SKOS}broaderTransitive`, 'broader'],
  [`${SKOS}narrower`, 'narrower'],
  [`${SKOS}narrowerTransitive`, 'narrower'],
  [`${SKOS}related`, 'related'],
  [`${SKOS}exactMatch`, 'exact'],
  [`${SKOS}closeMatch`, 'close'],
  [`${SKOS}scopeNote`, 'scope'],
  [`${SKOS}definition`, 'scope'],
  // The generic, partitive and instantial relations of ISO 25964.
  ...['Generic', 'Partitive', 'Instantial'].flatMap((way): [string, SkosRole][] => [
    [`${ISO_THES}broader${way}`, 'broader'],
    [`${ISO_THES}narrower${way}`, 'narrower'],
  ]),
  [`${SKOS}inScheme`, 'scheme'],
  [`${SKOS}topConceptOf`, 'scheme'],
  [OWL_DEPRECATED, 'deprecated'],
  [DC_ISSUED, 'issued'],
  [`${SKOS_XL}prefLabel`, 'xl-label'],
  [`${SKOS_XL}altLabel`, 'xl-entry'],
  [`${SKOS_XL}literalForm`, 'xl-form'],
]);
