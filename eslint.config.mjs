import js from '@eslint/js';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';
import words from './eslint.words.mjs';

const noNode = [
  'node:*',
  'fs',
  'path',
  'crypto',
  'http',
  'os',
  'child_process',
  'better-sqlite3',
  'express',
];

const CORE_AREAS = ['base', 'fit', 'shop', 'bench', 'job', 'practice', 'reports'];
const noOutside = [
  {
    group: ['**/server/**', '**/web/**', '**/demo/**'],
    message: 'core knows nothing of server and web',
  },
  { group: [...noNode, 'react*', '@reduxjs/*'], message: 'core does no I/O and has no interface' },
];

const noInside = {
  group: ['**/server/**', '**/demo/**', ...noNode],
  message: 'the screens know core only',
};
/** In a JSX attribute an escape is printed as its letters. */
const noEscape = {
  selector: 'JSXAttribute > Literal[raw=/\\\\u/], JSXText[raw=/\\\\u/]',
  message: 'write the character itself',
};
const noSelector = {
  selector:
    'CallExpression[callee.property.name=/^(querySelector|querySelectorAll|getElementById)$/]',
  message: 'hold a ref, or subscribe to state',
};

export default tseslint.config(
  { ignores: ['dist', 'node_modules', 'coverage', 'test-results', 'playwright-report', 'data'] },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_' },
      ],
      eqeqeq: ['error', 'always', { null: 'ignore' }],
    },
  },
  {
    files: ['**/*.mjs', '**/*.cjs'],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        module: 'writable',
        fetch: 'readonly',
        localStorage: 'readonly',
      },
    },
  },
  {
    files: ['src/core/**/*.ts'],
    rules: {
      'no-restricted-imports': ['error', { patterns: noOutside }],
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'fetch',
        'process',
        'localStorage',
        'setTimeout',
        'console',
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'core has no clock',
        },
        {
          selector: "MemberExpression[object.name='Date'][property.name='now']",
          message: 'core has no clock',
        },
        {
          selector: "MemberExpression[object.name='Math'][property.name='random']",
          message: 'core has no randomness but by seed',
        },
      ],
    },
  },
  // Areas of the core, lowest first: each knows only those before it.
  ...CORE_AREAS.map((area, i) => ({
    files: [`src/core/${area}/**/*.ts`],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            ...noOutside,
            ...CORE_AREAS.slice(i + 1).map((above) => ({
              regex: `^(\\.\\./)+${above}/`,
              message: `${area} lies below ${above}`,
            })),
          ],
        },
      ],
    },
  })),
  {
    files: ['src/core/**/*.test.ts'],
    rules: { 'no-restricted-syntax': 'off', 'no-restricted-globals': 'off' },
  },
  {
    files: ['src/server/**/*.ts', 'src/demo/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: [{ group: ['**/web/**', 'react*'], message: 'the server knows core only' }] },
      ],
    },
  },
  {
    files: ['src/web/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks },
    rules: {
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
      'no-restricted-imports': ['error', { patterns: [noInside] }],
      'no-restricted-syntax': ['error', noEscape, noSelector],
    },
  },
  // The layers of the screens, each below those it names.
  ...[
    ['parts', ['**/store/**', '**/shared/**', '**/pictures/**', '**/stations/**', '**/screens/**']],
    ['pictures', ['**/stations/**', '**/screens/**']],
    ['shared', ['**/stations/**', '**/screens/**']],
    ['stations', ['**/screens/**']],
    ['store', ['**/parts/**', '**/shared/**', '**/pictures/**', '**/stations/**', '**/screens/**']],
  ].map(([layer, group]) => ({
    files: [`src/web/${layer}/**/*.{ts,tsx}`],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: [noInside, { group, message: `${layer} lies below this` }] },
      ],
    },
  })),
  {
    files: ['src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts', 'src/demo/**'],
    plugins: { words },
    rules: { 'words/plain': 'error' },
  },
);
