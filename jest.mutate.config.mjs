import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import base from './jest.config.cjs';

const folder = process.env.MUTATE ?? 'src/core';
const published = join(import.meta.dirname, 'tests/published');
/** Published checks that ask something of this folder. */
const ofFolder = readdirSync(published).filter((name) =>
  readFileSync(join(published, name), 'utf8').includes(`/${folder.replace('src/', '')}'`),
);

/**
 * Mutants of a folder are judged by its own tests and the published checks of it; not by those that play through many
 * simulated wheels, which take a minute each. @type {import('jest').Config}
 */
export default {
  ...base,
  roots: [`<rootDir>/${folder}`, '<rootDir>/tests/published'],
  testMatch: [
    `<rootDir>/${folder}/**/*.test.ts`,
    ...ofFolder.map((name) => `<rootDir>/tests/published/${name}`),
  ],
  testPathIgnorePatterns: [...(base.testPathIgnorePatterns ?? []), '\\.sim\\.test\\.ts$'],
  globalSetup: undefined,
  maxWorkers: 1,
};
