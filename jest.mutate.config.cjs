const { readdirSync, readFileSync } = require('node:fs');
const { join } = require('node:path');

const folder = process.env.MUTATE ?? 'src/core';
const published = join(__dirname, 'tests/published');
/** Published checks that ask something of this folder. */
const ofFolder = readdirSync(published).filter((name) =>
  readFileSync(join(published, name), 'utf8').includes(`/${folder.replace('src/', '')}'`),
);

/** Mutants of a folder are judged by its own tests and the published checks of it. @type {import('jest').Config} */
module.exports = {
  ...require('./jest.config.cjs'),
  roots: [`<rootDir>/${folder}`, '<rootDir>/tests/published'],
  testMatch: [`<rootDir>/${folder}/**/*.test.ts`, ...ofFolder.map((name) => `<rootDir>/tests/published/${name}`)],
  globalSetup: undefined,
  maxWorkers: 1,
};
