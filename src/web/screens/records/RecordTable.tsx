import {
  createColumnHelper,
  flexRender,
  getCoreRowModel,
  getPaginationRowModel,
  getSortedRowModel,
  useReactTable,
  type ColumnDef,
  type SortingState,
} from '@tanstack/react-table';
import { useDeferredValue, useMemo, useState } from 'react';
import { fieldsOfKind, toCell, type Field, type RecordKind, type Records } from '../../../core/shop';
import { formatMoney } from '../../../core/units';
import { Button } from '../../parts/Button';
import { useUnits } from '../../parts/quantity';
import { useApp } from '../../store';

type AnyRecord = Records[RecordKind] & Record<string, unknown>;

const PAGE = 50;
const BY_WORDS = new Intl.Collator('en', { numeric: true });
const isNumber = ({ form }: Field): boolean => form.as === 'quantity' || form.as === 'whole' || form.as === 'money';

/** How a value is read in a list, in the fitter's units. */
const useCellText = () => {
  const { say } = useUnits();
  const machines = useApp((s) => s.shop.shop?.machines);
  const currency = useApp((s) => String(s.shop.shop?.rules.find((r) => r.key === 'cost.currency')?.value ?? 'USD'));
  return useMemo(() => {
    const names = new Map(machines?.map((m) => [m.id, m.name]));
    return (field: Field, value: unknown): string => {
      const { form } = field;
      if (value === null || value === undefined || value === '') return '–';
      if (form.as === 'yes') return value ? 'yes' : 'no';
      if (form.as === 'choice') return form.words?.[String(value)] ?? String(value);
      if (form.as === 'machine') return names.get(String(value)) ?? String(value);
      if (form.as === 'money') return formatMoney(Number(value), currency);
      if (form.as === 'quantity') return say(Number(value), form.unit, form.unit === 'mm' ? { digits: 1 } : undefined);
      return toCell(field, value);
    };
  }, [say, machines, currency]);
};

const columnHelper = createColumnHelper<AnyRecord>();

/** The records of a kind: searched, narrowed, sorted, a page at a time. `find` and `only` narrow them. */
export const RecordTable = ({
  kind,
  records,
  find,
  only,
  onOpen,
}: {
  kind: RecordKind;
  records: readonly Records[RecordKind][];
  find: string;
  only: { key: string; value: string } | null;
  onOpen: (id: string) => void;
}) => {
  const cellText = useCellText();
  const [sorting, setSorting] = useState<SortingState>([]);
  const listed = useMemo(() => fieldsOfKind(kind).filter((f) => f.listed), [kind]);
  const columns = useMemo(
    () =>
      listed.map((field) =>
        columnHelper.accessor((r) => r[field.key], {
          id: field.key,
          header: field.label,
          sortUndefined: 'last',
          sortingFn: isNumber(field)
            ? (a, b, id) => Number(a.getValue(id) ?? -1) - Number(b.getValue(id) ?? -1)
            : (a, b, id) => BY_WORDS.compare(cellText(field, a.getValue(id)), cellText(field, b.getValue(id))),
          cell: (c) => cellText(field, c.getValue()),
        }),
      ) as ColumnDef<AnyRecord, unknown>[],
    [listed, cellText],
  );
  // What the search looks through is put into words once, not on each key press.
  const texts = useMemo(() => {
    const fields = fieldsOfKind(kind);
    return (records as readonly AnyRecord[]).map((record) => ({
      record,
      text: fields
        .map((f) => cellText(f, record[f.key]))
        .join(' ')
        .toLowerCase(),
    }));
  }, [records, kind, cellText]);
  const sought = useDeferredValue(find);
  const data = useMemo(() => {
    const words = sought.toLowerCase().split(/\s+/).filter(Boolean);
    return texts
      .filter(
        ({ record, text }) =>
          (!only || String(record[only.key]) === only.value) && words.every((w) => text.includes(w)),
      )
      .map(({ record }) => record);
  }, [texts, sought, only]);
  // The table package hands out functions that change inside; nothing here is kept from one draw to the next.
  const table = useReactTable({
    data,
    columns,
    state: { sorting },
    onSortingChange: setSorting,
    getRowId: (r) => r.id,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
    getPaginationRowModel: getPaginationRowModel(),
    initialState: { pagination: { pageSize: PAGE } },
    autoResetPageIndex: true,
  });
  const { pageIndex } = table.getState().pagination;
  if (records.length === 0)
    return (
      <p className="py-10 text-center text-xl text-ink2">Nothing here yet. Add the first one, or take a CSV file in.</p>
    );
  if (data.length === 0) return <p className="py-10 text-center text-xl text-ink2">Nothing fits. Take a word away.</p>;
  return (
    <>
      <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label="The list">
        <table className="w-full min-w-[640px] border-t-2 border-ink text-left">
          <thead>
            {table.getHeaderGroups().map((group) => (
              <tr key={group.id} className="text-ink2">
                {group.headers.map((h) => {
                  const sorted = h.column.getIsSorted();
                  return (
                    <th
                      key={h.id}
                      scope="col"
                      aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : 'none'}
                      className="font-normal"
                    >
                      <button
                        type="button"
                        className="min-h-12 cursor-pointer pr-4 text-left whitespace-nowrap hover:text-ink"
                        onClick={h.column.getToggleSortingHandler()}
                      >
                        {flexRender(h.column.columnDef.header, h.getContext())}
                        <span aria-hidden="true">{sorted === 'asc' ? ' ↑' : sorted === 'desc' ? ' ↓' : ''}</span>
                      </button>
                    </th>
                  );
                })}
              </tr>
            ))}
          </thead>
          <tbody>
            {table.getRowModel().rows.map((row) => (
              <tr
                key={row.id}
                className={`border-t border-stone3 hover:bg-stone2 ${row.original.archived ? 'text-ink2 line-through' : ''}`}
              >
                {row.getVisibleCells().map((cell, i) => {
                  const numeric = isNumber(listed[i]!);
                  return (
                    <td key={cell.id} className={`pr-4 ${numeric ? 'num whitespace-nowrap' : ''}`}>
                      {i === 0 ? (
                        <button
                          type="button"
                          className="min-h-12 cursor-pointer text-left font-semibold underline decoration-1 underline-offset-4"
                          onClick={() => onOpen(row.id)}
                        >
                          {flexRender(cell.column.columnDef.cell, cell.getContext())}
                        </button>
                      ) : (
                        flexRender(cell.column.columnDef.cell, cell.getContext())
                      )}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {table.getPageCount() > 1 && (
        <nav aria-label="Pages" className="mt-3 flex items-center gap-3">
          <Button small disabled={!table.getCanPreviousPage()} onClick={() => table.previousPage()}>
            Before
          </Button>
          <span className="num">
            {pageIndex + 1} of {table.getPageCount()}
          </span>
          <Button small disabled={!table.getCanNextPage()} onClick={() => table.nextPage()}>
            Next
          </Button>
        </nav>
      )}
    </>
  );
};
