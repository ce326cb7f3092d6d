import { join } from 'node:path';

/** The project folder; source and build both lie two levels below it. */
export const PROJECT_DIR = join(__dirname, '..', '..');

export const MIGRATIONS_DIR = join(PROJECT_DIR, 'src', 'server', 'db', 'migrations');
export const WEB_DIR = join(PROJECT_DIR, 'dist', 'web');

/** A file of an installed package. */
export const packageFile = (path: string): string => join(PROJECT_DIR, 'node_modules', path);
