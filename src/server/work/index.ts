/** Long work off the request thread. */
export { workHere, workPool, type WorkPool } from './work-pool';
export type { CatalogRow } from './catalog';
