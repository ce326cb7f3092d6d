import { fileColumns, fromCells, toCells, type CellProblem } from './record';
import type { RecordKind, Records } from './shop';

/** The effect of a row of a file. */
export interface ImportRow {
  /** Line in the file, the header being 1. */
  line: number;
  does: 'add' | 'change' | 'nothing' | 'faulty';
  /** The subject of the row, for the reader of the plan. */
  about: string;
  problems: CellProblem[];
}

export interface ImportPlan<K extends RecordKind = RecordKind> {
  rows: ImportRow[];
  /** Wrong with the file as a whole; nothing is imported then. */
  problems: CellProblem[];
  add: Records[K][];
  change: Records[K][];
}

const problem = (column: string, message: string, expected: string): CellProblem => ({
  column,
  message,
  expected,
});

/**
 * Header cells that fit no column, stand twice, or are missing though nothing else can stand for
 * them.
 */
const headerProblems = (
  header: readonly string[],
  columns: readonly string[],
  needed: readonly string[],
): CellProblem[] => [
  ...header
    .filter((h) => !columns.includes(h))
    .map((h) =>
      problem(
        h.slice(0, 40) || 'header',
        `"${h.slice(0, 40)}" is not a column here.`,
        columns.join(', '),
      ),
    ),
  ...header
    .filter((h, i) => header.indexOf(h) !== i)
    .map((h) =>
      problem(h.slice(0, 40), `The column ${h.slice(0, 40)} is listed twice.`, 'each column once'),
    ),
  ...needed
    .filter((c) => !header.includes(c))
    .map((c) => problem(c, `The column ${c} is missing.`, `a header with ${needed.join(', ')}`)),
];

/**
 * The effect of a file on the records of a kind, row by row; every fault of every row at once.
 * Pure: nothing is written.
 *
 * `needed` columns that have no usual value; `machineIds` for the wheels' machines; `newId` makes names for rows
 * without one.
 */
export const planImport = <K extends RecordKind>(
  kind: K,
  [header = [], ...rows]: readonly (readonly string[])[],
  have: readonly Records[K][],
  options: {
    needed: readonly string[];
    machineIds: ReadonlySet<string>;
    newId: () => string;
    /** Told before each row. */
    onRow?: (index: number, of: number) => void;
  },
): ImportPlan<K> => {
  const columns = header.map((h) => h.trim().toLowerCase());
  const problems = headerProblems(columns, fileColumns(kind), options.needed);
  const plan: ImportPlan<K> = { rows: [], problems, add: [], change: [] };
  if (problems.length > 0) return plan;
  const byId = new Map(have.map((r) => [r.id, r]));
  const lineOf = new Map<string, number>();
  rows.forEach((cells, i) => {
    const line = i + 2;
    options.onRow?.(i, rows.length);
    const byColumn = Object.fromEntries(columns.map((c, n) => [c, cells[n] ?? '']));
    const about = cells
      .filter((c, n) => columns[n] !== 'id' && c.trim())
      .slice(0, 2)
      .join(', ')
      .slice(0, 80);
    const { record, problems: faults } = fromCells(kind, byColumn, options.newId());
    if (cells.length > columns.length)
      faults.push(
        problem(
          'row',
          `${cells.length} cells for ${columns.length} columns.`,
          'one cell for each column',
        ),
      );
    if (record) {
      const before = lineOf.get(record.id);
      if (before !== undefined)
        faults.push(
          problem('id', `${record.id} stands on line ${before} too.`, 'each record once'),
        );
      lineOf.set(record.id, line);
      if ('machineId' in record && !options.machineIds.has(record.machineId))
        faults.push(
          problem(
            'machine_id',
            `There is no machine ${record.machineId}.`,
            'the id of a machine that the shop keeps',
          ),
        );
    }
    if (!record || faults.length > 0)
      return void plan.rows.push({ line, does: 'faulty', about, problems: faults });
    const old = byId.get(record.id);
    if (!old) {
      plan.add.push(record);
      return void plan.rows.push({ line, does: 'add', about, problems: [] });
    }
    const same = toCells(kind, old).join('\u0000') === toCells(kind, record).join('\u0000');
    if (!same) plan.change.push({ ...record, version: old.version });
    plan.rows.push({ line, does: same ? 'nothing' : 'change', about, problems: [] });
  });
  return plan;
};

/** So many rows are told one by one: the faulty ones first. */
const MAX_TOLD = 1000;

/** The effect of a file, planned or done, as it is answered. */
export interface ImportAnswer {
  rows: ImportRow[];
  /** The number of rows by effect, those left out of the answer included. */
  counts: Record<ImportRow['does'], number>;
  problems: CellProblem[];
  applied: boolean;
}

/** The answer of a plan; it is done if that is `asked` and nothing is faulty. */
export const importAnswer = ({ rows, problems }: ImportPlan, asked: boolean): ImportAnswer => {
  const counts: ImportAnswer['counts'] = { add: 0, change: 0, nothing: 0, faulty: 0 };
  for (const row of rows) counts[row.does]++;
  const isFaulty = (row: ImportRow) => row.does === 'faulty';
  const first = [...rows.filter(isFaulty), ...rows.filter((row) => !isFaulty(row))].slice(
    0,
    MAX_TOLD,
  );
  return {
    rows: first.sort((a, b) => a.line - b.line),
    counts,
    problems,
    applied: asked && problems.length === 0 && counts.faulty === 0,
  };
};
