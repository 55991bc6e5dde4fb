/** The terms of SKOS (W3C Recommendation, 18 August 2009) and of the vocabularies that it is used with. */
export const SKOS = 'http://www.w3.org/2004/02/skos/core#';
export const RDF_TYPE = 'http://www.w3.org/1999/02/22-rdf-syntax-ns#type';
export const DC_ISSUED = 'http://purl.org/dc/terms/issued';
const SKOS_XL = 'http://www.w3.org/2008/05/skos-xl#';

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
  [DC_ISSUED, 'issued'],
  [`${SKOS_XL}prefLabel`, 'xl-label'],
  [`${SKOS_XL}altLabel`, 'xl-entry'],
  [`${SKOS_XL}literalForm`, 'xl-form'],
]);
