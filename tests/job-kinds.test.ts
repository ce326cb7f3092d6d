import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { KINDS } from '../src/core/job/kinds';
import { definitionOf, ENTRY_KINDS } from '../src/core/job/entries';
import { emptyJob } from '../src/core/job/job-state';

test('every file of the folder defines the kind it is named for', () => {
  const files = readdirSync(join(__dirname, '../src/core/job/kinds'))
    .filter((f) => f.endsWith('.ts') && f !== 'index.ts')
    .map((f) => f.replace('.ts', ''));
  expect([...ENTRY_KINDS].sort()).toEqual(files.sort());
});

test('no two kinds add the same part of a job’s state', () => {
  const parts = Object.values(KINDS).flatMap((kind) => Object.keys(kind.initial));
  expect(new Set(parts).size).toBe(parts.length);
  expect(Object.keys(emptyJob()).sort()).toEqual([...parts, 'withdrawn'].sort());
});

test('only an opening is the server’s, only a hand-over needs its own right, and only remarks prove and move nothing', () => {
  const kindsThat = (fits: (kind: ReturnType<typeof definitionOf>) => boolean) =>
    ENTRY_KINDS.filter((kind) => fits(definitionOf(kind))).sort();
  expect(kindsThat((d) => d.author === 'server')).toEqual(['opened', 'rules']);
  expect(kindsThat((d) => d.right !== 'work')).toEqual(['handed-over']);
  expect(kindsThat((d) => d.scope === 'machine')).toEqual(['odometer', 'taught', 'test-ride']);
  expect(kindsThat((d) => d.stock === 'parts')).toEqual(['chosen', 'handed-over', 'undo']);
  const remarks = ['looked-again', 'note', 'photo', 'recheck'];
  expect(kindsThat((d) => d.stock === 'none')).toEqual(remarks);
  expect(kindsThat((d) => !d.isProof)).toEqual(remarks);
});

test('what the server copies to the other wheels names the entry it is a copy of', () => {
  for (const kind of ENTRY_KINDS) {
    const { scope, schema } = definitionOf(kind);
    if (scope === 'machine') expect(Object.keys(schema())).toContain('of');
  }
});
