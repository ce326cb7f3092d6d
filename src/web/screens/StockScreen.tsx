import { nanoid } from '@reduxjs/toolkit';
import { useState } from 'react';
import { NavLink, useParams } from 'react-router';
import { STOCK_KINDS, type Shop, type StockItem, type StockKind } from '../../core/shop';
import type { Unit } from '../../core/units';
import { Button } from '../parts/Button';
import { ChoiceField, QuantityField, TextField } from '../parts/fields';
import { Frame, Waiting } from '../parts/Frame';
import { useUnits } from '../parts/quantity';
import { useApp, useDo } from '../store';
import { api, ApiError } from '../store/api';
import { loadShop } from '../store/shop-slice';

interface Column {
  key: string;
  label: string;
  /** How it is typed and shown. */
  as: 'text' | 'count' | 'yes' | Unit | readonly string[];
  may?: boolean;
}

const COLUMNS: Record<StockKind, Column[]> = {
  tires: [
    { key: 'marking', label: 'Size', as: 'text' },
    { key: 'pattern', label: 'What for', as: 'text' },
    { key: 'dateCode', label: 'Date code', as: 'text', may: true },
    { key: 'seatLimitKpa', label: 'Seating limit', as: 'kPa', may: true },
    { key: 'lightMark', label: 'Light mark', as: 'yes' },
    { key: 'count', label: 'Count', as: 'count' },
  ],
  tubes: [
    { key: 'label', label: 'Sizes on the label', as: 'text' },
    { key: 'count', label: 'Count', as: 'count' },
  ],
  weights: [
    { key: 'massG', label: 'Mass', as: 'g' },
    { key: 'kind', label: 'Holds by', as: ['spoke', 'adhesive'] },
    { key: 'count', label: 'Count', as: 'count' },
  ],
  wrenches: [
    { key: 'name', label: 'Wrench', as: 'text' },
    { key: 'minNm', label: 'From', as: 'Nm' },
    { key: 'maxNm', label: 'To', as: 'Nm' },
    { key: 'leverMm', label: 'Drive to grip', as: 'mm', may: true },
  ],
};

const WORDS: Record<StockKind, string> = { tires: 'Tires', tubes: 'Tubes', weights: 'Weights', wrenches: 'Torque wrenches' };
const isUnit = (as: Column['as']): as is Unit => typeof as === 'string' && !['text', 'count', 'yes'].includes(as);

const useCell = () => {
  const { say } = useUnits();
  return (column: Column, value: unknown): string => {
    if (value === null || value === undefined) return '–';
    if (column.as === 'yes') return value ? 'yes' : 'no';
    if (isUnit(column.as)) return say(Number(value), column.as);
    return String(value);
  };
};

const AddForm = ({ kind }: { kind: StockKind }) => {
  const dispatch = useDo();
  const { read } = useUnits();
  const columns = COLUMNS[kind];
  const fresh = () => Object.fromEntries(columns.map((c) => [c.key, c.as === 'yes' ? 'yes' : c.as === 'count' ? '1' : Array.isArray(c.as) ? c.as[0]! : '']));
  const [values, setValues] = useState<Record<string, string>>(fresh);
  const [problem, setProblem] = useState<{ field: string; text: string } | null>(null);

  const add = async () => {
    const item: Record<string, unknown> = { id: nanoid() };
    for (const c of columns) {
      const text = (values[c.key] ?? '').trim();
      if (!text && c.may) item[c.key] = null;
      else if (!text) return setProblem({ field: c.key, text: `${c.label} is empty.` });
      else if (c.as === 'yes') item[c.key] = text === 'yes';
      else if (c.as === 'count' || isUnit(c.as)) {
        const n = c.as === 'count' ? (/^\d{1,5}$/.test(text) ? Number(text) : null) : read(text, c.as as Unit);
        if (n === null) return setProblem({ field: c.key, text: `${c.label}: a number.` });
        item[c.key] = n;
      } else item[c.key] = text;
    }
    try {
      await api.addStock(kind, item as never);
      await dispatch(loadShop());
      setValues(fresh());
      setProblem(null);
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setProblem({ field: error.field, text: `${error.message} Right would be ${error.expected}.` });
    }
  };
  return (
    <form className="mt-6 grid items-start gap-3 sm:grid-cols-2 lg:grid-cols-4" onSubmit={(e) => { e.preventDefault(); void add(); }}>
      <h2 className="col-span-full text-2xl">Add to {WORDS[kind].toLowerCase()}</h2>
      {columns.map((c) => {
        const common = {
          label: `${c.label}${c.may ? ' (may be left out)' : ''}`,
          value: values[c.key] ?? '',
          onChange: (v: string) => setValues((all) => ({ ...all, [c.key]: v })),
          problem: problem?.field === c.key ? problem.text : null,
        };
        if (c.as === 'yes') return <ChoiceField key={c.key} {...common} options={[['yes', 'yes'], ['no', 'no']]} />;
        if (typeof c.as !== 'string') return <ChoiceField key={c.key} {...common} options={c.as.map((v) => [v, v] as const)} />;
        if (c.as === 'text') return <TextField key={c.key} {...common} maxLength={80} />;
        return <QuantityField key={c.key} {...common} unit={isUnit(c.as) ? c.as : null} />;
      })}
      {problem && !columns.some((c) => c.key === problem.field) && <p role="alert" className="col-span-full text-stop">{problem.text}</p>}
      <Button go type="submit" className="col-span-full w-max">Add</Button>
    </form>
  );
};

const Table = <K extends StockKind>({ kind, shop }: { kind: K; shop: Shop }) => {
  const dispatch = useDo();
  const cell = useCell();
  const columns = COLUMNS[kind];
  const items = shop[kind] as unknown as (StockItem[K] & Record<string, unknown>)[];
  const [asked, setAsked] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  /** The first tap asks, the second does it. */
  const remove = async (id: string) => {
    if (asked !== id) return setAsked(id);
    try {
      await api.removeStock(kind, id);
      setProblem(null);
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setProblem(error.message);
    }
    setAsked(null);
    await dispatch(loadShop());
  };
  if (items.length === 0) return <p className="py-10 text-center text-xl text-ink2">Nothing here yet. Put the first one in below.</p>;
  return (
    <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label={WORDS[kind]}>
      {problem && <p role="alert" className="text-stop">{problem}</p>}
      <table className="w-full min-w-[520px] border-t-2 border-ink text-left">
        <thead>
          <tr className="text-ink2">
            {columns.map((c) => (
              <th key={c.key} scope="col" className={`py-2 pr-4 font-normal ${c.as === 'count' || isUnit(c.as) ? 'text-right' : ''}`}>{c.label}</th>
            ))}
            <th><span className="sr-only">Take away</span></th>
          </tr>
        </thead>
        <tbody>
          {items.map((item) => (
            <tr key={item.id} className="border-t border-stone3">
              {columns.map((c) => (
                <td key={c.key} className={`py-1 pr-4 ${c.as === 'count' || isUnit(c.as) ? 'num text-right' : ''}`}>{cell(c, item[c.key])}</td>
              ))}
              <td className="text-right">
                <button type="button" className="min-h-12 cursor-pointer px-3 underline" onClick={() => void remove(item.id)} onBlur={() => setAsked(null)}>
                  {asked === item.id ? 'Really take away?' : 'Take away'}
                  <span className="sr-only"> {cell(columns[0]!, item[columns[0]!.key])}</span>
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
};

/** What lies on the shelf, and the wrenches on the wall. */
export const StockScreen = () => {
  const { kind: named } = useParams();
  const shop = useApp((s) => s.shop.shop);
  const kind = STOCK_KINDS.find((k) => k === named) ?? 'tires';
  return (
    <Frame title="Stock">
      <nav aria-label="Kinds of stock" className="mb-4 flex flex-wrap gap-2">
        {STOCK_KINDS.map((k) => (
          <NavLink key={k} to={`/stock/${k}`} className="btn btn-small" style={k === kind ? { background: 'var(--ink)', color: 'var(--stone)' } : undefined} aria-current={k === kind ? 'page' : undefined}>
            {WORDS[k]}
          </NavLink>
        ))}
      </nav>
      {shop ? (
        <>
          <Table kind={kind} shop={shop as Shop} />
          <AddForm key={kind} kind={kind} />
        </>
      ) : (
        <Waiting what="Reading the stock" />
      )}
    </Frame>
  );
};
