import fc from 'fast-check';
import { parse } from 'csv-parse/sync';
import { checkRecord, complete } from '../../src/core/shop/records';
import { csvOf, mark, unmark } from '../../src/server/export/csv-cells';
import { planCsv, recordsCsv } from '../../src/server/export/records-csv';

/** What spreadsheets, separators and quotes trip over, and anything else. */
const aCell = fc.oneof(
  fc.stringMatching(/^[=+\-@'"\t\r\n ,;a]{0,8}$/),
  fc.string({ maxLength: 12 }),
  fc.constantFrom("'=1+1", "''-x", '=HYPERLINK("x")', ' lead', 'trail ', 'a\rb', '\ufeffx'),
);

test('no cell is run as a formula, and every cell comes back as it was', () => {
  fc.assert(
    fc.property(fc.array(fc.tuple(aCell, aCell), { minLength: 1, maxLength: 5 }), (rows) => {
      const text = csvOf([['one', 'two'], ...rows]);
      const back = parse(text, { trim: true, relax_column_count: true });
      for (const cell of back.flat()) expect(cell).not.toMatch(/^[=+\-@\t\r]/);
      expect(back.slice(1).map((row) => row.map(unmark))).toEqual(rows);
    }),
    { numRuns: 500 },
  );
});

test('a mark is taken away only where it was put', () => {
  expect(['=x', "'=x", "'x", "''+x", 'x', ''].map(mark)).toEqual([
    "'=x",
    "''=x",
    "'x",
    "'''+x",
    'x',
    '',
  ]);
  expect(unmark("'x")).toBe("'x");
});

test('records that go out as CSV and come in again change nothing, whatever they are called', () => {
  const some = complete('machines', {
    id: 'm-1',
    name: 'Hob 250',
    rider: 'Ned Ash',
    kind: 'dirt',
    drive: 'chain',
  });
  const aName = fc
    .oneof(aCell, fc.string({ minLength: 1, maxLength: 30 }))
    .filter((s) => /\S/.test(s));
  fc.assert(
    fc.property(aName, aName, (name, rider) => {
      const it = checkRecord('machines', { ...some, name, rider });
      const plan = planCsv({
        kind: 'machines',
        text: recordsCsv('machines', [it]),
        have: [it],
        machineIds: new Set(),
      });
      expect(plan.rows.flatMap((r) => r.problems)).toEqual([]);
      expect([plan.problems, plan.add, plan.change]).toEqual([[], [], []]);
    }),
    { numRuns: 300 },
  );
});
