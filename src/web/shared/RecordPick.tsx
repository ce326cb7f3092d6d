import { skipToken } from '@reduxjs/toolkit/query/react';
import { useState } from 'react';
import { SPECS, type RecordKind, type Records } from '../../core/shop/records';
import { useRecordPageQuery, useRecordQuery, type RecordPage } from '../store/records-api';
import { ChoiceField, TextField } from './fields';
import { useDebounced } from '../parts/use-debounced';

/** As many as a hand finds in a list; where there are more, words narrow them. */
const MAX_LISTED = 30;

interface Props<K extends RecordKind> {
  kind: K;
  label: string;
  /** The id that is picked; empty for none. */
  value: string;
  onChange: (id: string) => void;
  /** The word for none. */
  none: string;
  /** The name of a record; `machines` names those that it speaks of. */
  nameOf: (it: Records[K], machines: RecordPage['machines']) => string;
  problem?: string | null | undefined;
  hint?: string;
}

/** One of many records, found on the server: a list, and a field to narrow it where it is long. */
export const RecordPick = <K extends RecordKind>({
  kind,
  label,
  value,
  onChange,
  none,
  nameOf,
  problem,
  hint,
}: Props<K>) => {
  const [typed, setTyped] = useState('');
  const find = useDebounced(typed);
  const { data: page } = useRecordPageQuery({ kind, find, limit: MAX_LISTED });
  const listed = (page?.records ?? []) as Records[K][];
  const isListed = listed.some((r) => r.id === value);
  const { currentData: picked } = useRecordQuery(
    value && page && !isListed ? { kind, id: value } : skipToken,
  );
  const options = [...(picked && !isListed ? [picked as Records[K]] : []), ...listed];
  const isLong = typed !== '' || (page?.total ?? 0) > MAX_LISTED;
  return (
    <div className="space-y-2">
      {isLong && (
        <TextField
          label={`Find in ${SPECS[kind].many.toLowerCase()}`}
          value={typed}
          onChange={setTyped}
          maxLength={100}
        />
      )}
      <ChoiceField
        label={label}
        value={value}
        onChange={onChange}
        options={[
          ['', none],
          ...options.map((r) => [r.id, nameOf(r, page?.machines ?? {})] as const),
        ]}
        {...(problem ? { problem } : {})}
        {...(hint ? { hint } : {})}
      />
      {isLong && page && page.total > MAX_LISTED && (
        <p className="text-[15px] text-ink2">
          {page.total} fit; the first {MAX_LISTED} are listed.
        </p>
      )}
    </div>
  );
};
