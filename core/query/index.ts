export { covers, findAnchor } from './covers';
export type { CoverSettings } from './covers';
export { findMatches } from './find-matches';
export type { Match } from './find-matches';
export { dropInactive, expandBlocks } from './blocks';
export type { Blocks, ExpandedQuery } from './blocks';
export { build, createPattern } from './create';
export { formatQuery } from './format';
export { isSameQuery, withIds } from './identity';
export { splitTokens } from './lexer';
export type { Token } from './lexer';
export { DEFAULT_FIELDS, FIELDS, FIELD_TABLE, PROPERTIES, getWordsRow, holdsNames } from './field-table';
export type { Field, Property } from './field-table';
export { GREATEST_DISTANCE, foldQuery, isLeaf, listChildren, listNodes, mapChildren } from './node';
export type { HeadingNode, NearNode, PhraseNode, QueryNode, RangeNode, TermNode, ValueNode } from './node';
export { createNodePool } from './node-pool';
export type { NodePool } from './node-pool';
export { parseQuery } from './parser';
export type { KnownNames, ParsedQuery } from './parser';
export {
  countLetters,
  createMatcher,
  findPrefix,
  findSuffix,
  isPlain,
  mergeParts,
  printPattern,
} from './pattern';
export type { Pattern, PatternPart } from './pattern';
export { createNameQuery, readPersonName, writePersonName } from './person-name';
export type { PersonName } from './person-name';
export { printQuery } from './printer';
export { readProperty } from './properties';
