const commonjs = { type: 'commonjs' };

/** @type {import('jest').Config} */
module.exports = {
  testEnvironment: 'node',
  testTimeout: 300_000,
  // Both cores of a small machine: by itself it would leave one idle.
  maxWorkers: '100%',
  roots: ['<rootDir>/src', '<rootDir>/tests'],
  globalSetup: '<rootDir>/tests/server/templates.mjs',
  testMatch: ['**/*.test.ts'],
  // Packages that come as ES modules only are transformed too.
  transformIgnorePatterns: ['/node_modules/(?!(age-encryption|@noble|@scure)/)'],
  // Packaged scrypt takes ten times as long inside Jest.
  moduleNameMapper: { '^@noble/hashes/scrypt.*$': '<rootDir>/tests/server/native-scrypt.ts' },
  transform: {
    '/node_modules/.+\\.js$': [
      '@swc/jest',
      { jsc: { parser: { syntax: 'ecmascript' }, target: 'es2022' }, module: commonjs },
    ],
    '^.+\\.tsx?$': [
      '@swc/jest',
      {
        jsc: {
          parser: { syntax: 'typescript', tsx: true },
          target: 'es2022',
          transform: { react: { runtime: 'automatic' } },
        },
        module: commonjs,
      },
    ],
  },
};
