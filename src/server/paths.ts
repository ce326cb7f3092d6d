import { basename, dirname, join } from 'node:path';

/** The project folder; source and build both lie two levels below it. */
const PROJECT_DIR = join(__dirname, '..', '..');

export const MIGRATIONS_DIR = join(PROJECT_DIR, 'src', 'server', 'db', 'migrations');
export const WEB_DIR = join(PROJECT_DIR, 'dist', 'web');

/** A file of an installed package. */
export const packageFile = (path: string): string => join(PROJECT_DIR, 'node_modules', path);

const beside = (file: string, what: string): string =>
  join(dirname(file), `${basename(file, '.sqlite')}-${what}`);
/** The folder of a shop's photographs. */
export const photosBeside = (file: string): string => beside(file, 'photos');
/** The folder of its backups, unless another is set. */
export const backupsBeside = (file: string): string =>
  process.env.RIMSTONE_BACKUPS ?? beside(file, 'backups');

/** The folder of its own certificate. */
export const tlsBeside = (file: string): string => beside(file, 'tls');

/** The file of the shop: the one that is set, or the usual one. */
export const shopFile = (): string =>
  process.env.RIMSTONE_DB ?? join(PROJECT_DIR, 'data', 'shop.sqlite');
