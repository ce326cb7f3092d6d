import { useMemo, type ReactNode } from 'react';
import {
  fieldsOfKind,
  toCell,
  type Field,
  type RecordKind,
  type Records,
  type TireStock,
} from '../../../core/shop/records';
import type { Wheel } from '../../../core/fit/wheels';
import { formatMoney } from '../../../core/base/units';
import { Button } from '../../parts/Button';
import { WheelIcon } from '../../pictures/WheelIcon';
import { useUnits } from '../../shared/quantity';
import { selectCurrency, useApp } from '../../store';
import type { RecordPage } from '../../store/records-api';
import type { RecordList } from './use-record-list';

type AnyRecord = Records[RecordKind] & Record<string, unknown>;

const isNumber = ({ form }: Field): boolean =>
  form.as === 'quantity' || form.as === 'whole' || form.as === 'money';

/** A cell without a value. */
const NOT_KNOWN = '–';

/** Writes a value for a list, in the fitter's units. */
const useCellText = (machines: RecordPage['machines']) => {
  const { say } = useUnits();
  const currency = useApp(selectCurrency);
  return (field: Field, value: unknown): string => {
    const { form } = field;
    if (value === null || value === undefined || value === '') return NOT_KNOWN;
    if (form.as === 'yes') return value ? 'yes' : 'no';
    if (form.as === 'choice') return form.words?.[String(value)] ?? String(value);
    if (form.as === 'machine') return machines[String(value)] ?? String(value);
    if (form.as === 'money') return formatMoney(Number(value), currency);
    if (form.as === 'quantity')
      return say(Number(value), form.unit, form.unit === 'mm' ? { digits: 1 } : undefined);
    return toCell(field, value);
  };
};

const SORTED = { up: 'ascending', down: 'descending', not: 'none' } as const;
const ARROW = { up: ' ↑', down: ' ↓', not: '' } as const;

/** The picture of a wheel or a tire, by which it is found in the list. */
const iconOf = (kind: RecordKind, record: AnyRecord): ReactNode => {
  if (kind === 'wheels') return <WheelIcon wheel={record as unknown as Wheel} />;
  if (kind !== 'tires') return null;
  const { marking, tread } = record as unknown as TireStock;
  const tire = { build: 'cast', spokes: 0, tireMarking: marking, tireTread: tread } as const;
  return <WheelIcon wheel={tire} tireOnly />;
};

interface Props {
  kind: RecordKind;
  list: RecordList & { page: RecordPage };
  onOpen: (id: string) => void;
}

/**
 * A page of records as a table: a head sorts, the first cell opens. On a phone a record stands on
 * several lines; the roles keep it a table for those who hear it.
 */
export const RecordTable = ({ kind, list, onOpen }: Props) => {
  const { page, pages, pageIndex, turnTo, sort, sortBy } = list;
  const cellText = useCellText(page.machines);
  const listed = useMemo(() => fieldsOfKind(kind).filter((f) => f.listed), [kind]);
  return (
    <>
      <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label="The list">
        <table
          role="table"
          className="w-full border-t-2 border-ink text-left max-sm:block sm:min-w-[640px]"
        >
          <thead role="rowgroup" className="max-sm:block">
            <tr role="row" className="text-ink2 max-sm:flex max-sm:flex-wrap">
              {listed.map((field) => {
                const { key, label } = field;
                const way = sort === key ? 'up' : sort === `-${key}` ? 'down' : 'not';
                return (
                  <th
                    key={key}
                    role="columnheader"
                    scope="col"
                    aria-sort={SORTED[way]}
                    className="font-normal"
                  >
                    <button
                      type="button"
                      className="min-h-12 cursor-pointer pr-4 text-left whitespace-nowrap hover:text-ink"
                      onClick={() => sortBy(key, isNumber(field))}
                    >
                      {label}
                      <span aria-hidden="true">{ARROW[way]}</span>
                    </button>
                  </th>
                );
              })}
            </tr>
          </thead>
          <tbody role="rowgroup" className="max-sm:block">
            {(page.records as AnyRecord[]).map((record) => (
              <tr
                key={record.id}
                role="row"
                className={`border-t border-stone3 hover:bg-stone2 max-sm:flex max-sm:flex-wrap max-sm:gap-x-4 max-sm:pb-2 ${record.archived ? 'text-ink2 line-through' : ''}`}
              >
                {listed.map((field, i) => {
                  const text = cellText(field, record[field.key]);
                  return (
                    <td
                      key={field.key}
                      role="cell"
                      className={`pr-4 max-sm:pr-0 ${i === 0 ? 'max-sm:basis-full' : text === NOT_KNOWN ? 'max-sm:hidden' : ''} ${isNumber(field) ? 'num whitespace-nowrap' : ''}`}
                    >
                      {i > 0 ? (
                        <>
                          <span className="text-ink2 sm:hidden">{field.label} </span>
                          {text}
                        </>
                      ) : (
                        <button
                          type="button"
                          className="flex min-h-12 cursor-pointer items-center gap-3 text-left font-semibold underline decoration-1 underline-offset-4"
                          onClick={() => onOpen(record.id)}
                        >
                          {iconOf(kind, record)}
                          {text}
                        </button>
                      )}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {pages > 1 && (
        <nav aria-label="Pages" className="mt-3 flex items-center gap-3">
          <Button small disabled={pageIndex === 0} onClick={() => turnTo(pageIndex - 1)}>
            Before
          </Button>
          <span className="num">
            {pageIndex + 1} of {pages}
          </span>
          <Button small disabled={pageIndex + 1 >= pages} onClick={() => turnTo(pageIndex + 1)}>
            Next
          </Button>
        </nav>
      )}
    </>
  );
};
