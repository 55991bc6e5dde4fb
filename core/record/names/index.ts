export { isOrganisation, readName, splitNames } from './read-names';
