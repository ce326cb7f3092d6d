import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { VISIT_KINDS } from '../src/core/shop/visit/kinds';
import { VISIT_ENTRY_KINDS, visitDefinitionOf } from '../src/core/shop/visit/entries';

test('every file of the folder defines the kind it is named for', () => {
  const files = readdirSync(join(__dirname, '../src/core/shop/visit/kinds'))
    .filter((f) => f.endsWith('.ts') && f !== 'index.ts')
    .map((f) => f.replace('.ts', ''));
  expect([...VISIT_ENTRY_KINDS].sort()).toEqual(files.sort());
});

test('no two kinds add the same part of a visit’s state', () => {
  const parts = Object.values(VISIT_KINDS).flatMap((kind) => Object.keys(kind.initial));
  expect(new Set(parts).size).toBe(parts.length);
});

test('wheels come and go by entries of their own, and the server opens a visit', () => {
  const kindsThat = (fits: (kind: ReturnType<typeof visitDefinitionOf>) => boolean) =>
    VISIT_ENTRY_KINDS.filter((kind) => fits(visitDefinitionOf(kind)));
  expect(kindsThat((d) => d.author === 'server')).toEqual(['opened', 'wheel-added']);
  expect(kindsThat((d) => d.undo === 'never')).toEqual(['opened', 'wheel-added', 'wheel-removed']);
  expect(kindsThat((d) => d.people !== undefined)).toEqual(['agreed']);
});
