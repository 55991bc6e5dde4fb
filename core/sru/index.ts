export { SRU_ENDPOINT, SRU_VERSIONS, STANDIN_SCHEME } from './endpoint';
export type { SruEndpoint, SruVersion } from './endpoint';
