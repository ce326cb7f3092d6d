import type { Unit } from '../../../core/base/units';
import type { Reason, Working } from '../../../core/base/working';
import { Quantity, useUnits } from '../../shared/quantity';
import { Reasons } from '../../shared/Reasons';
import { FigureRow } from '../../stations/StationLayout';
import { reasonsOf, resultRows, type Row, type Shown } from './result-rows';

/** Small lengths and masses with the decimals that tell them apart; whole ones without. */
const digitsFor = (value: number, unit: Unit): { digits?: number } => {
  if (unit !== 'mm' && unit !== 'g') return {};
  const size = Math.abs(value);
  if (size >= 100 || Number.isInteger(value)) return { digits: 0 };
  return { digits: size < 10 ? 2 : 1 };
};

const Cell = ({ value }: { value: Exclude<Shown, { as: 'rows' | 'table' }> }) => {
  const { say } = useUnits();
  return (
    <>
      {value.as === 'quantity'
        ? say(value.value, value.unit, digitsFor(value.value, value.unit))
        : value.text}
    </>
  );
};

const Table = ({ label, table }: { label: string; table: Extract<Shown, { as: 'table' }> }) => (
  <div className="relative overflow-x-auto py-2" tabIndex={0} role="region" aria-label={label}>
    <table className="w-full text-left text-[15px]">
      <caption className="text-left text-ink2">{label}</caption>
      <thead className="text-ink2">
        <tr>
          {table.heads.map((head) => (
            <th key={head} className="pr-3 font-normal whitespace-nowrap">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {table.lines.map((line, i) => (
          <tr key={i} className="border-t border-stone3 align-top">
            {line.map((value, j) => (
              <td key={j} className="py-1 pr-3">
                {value.as === 'rows' || value.as === 'table' ? '…' : <Cell value={value} />}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  </div>
);

const ResultRow = ({ label, value }: Row) => {
  if (value.as === 'table') return <Table label={label} table={value} />;
  if (value.as === 'rows')
    return (
      <section aria-label={label} className="border-b border-stone3 py-2">
        <h4 className="text-[16px] text-ink2">{label}</h4>
        <div className="pl-4">
          {value.rows.map((row) => (
            <ResultRow key={row.label} {...row} />
          ))}
        </div>
      </section>
    );
  return (
    <FigureRow label={label}>
      {value.as === 'quantity' ? (
        <Quantity {...value} {...digitsFor(value.value, value.unit)} />
      ) : (
        <span className="text-[17px]">{value.text}</span>
      )}
    </FigureRow>
  );
};

/** The result of a working, in the fitter's units, with its reasons first. */
export const ResultTable = ({ working }: { working: Working }) => (
  <section aria-label="Result" className="mb-5">
    <Reasons reasons={reasonsOf(working.result) as Reason[]} className="mb-2" />
    <div className="rows">
      {resultRows(working.name, working.result).map((row) => (
        <ResultRow key={row.label} {...row} />
      ))}
    </div>
  </section>
);
