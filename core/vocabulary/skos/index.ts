export { SKOS_FORMATS, findSkosFormat, readSkos } from './read-skos';
export type { SkosFormat, SkosProgress, SkosReading, SkosSettings } from './read-skos';
export { writeSkos } from './write-skos';
