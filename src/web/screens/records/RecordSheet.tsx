import { nanoid } from '@reduxjs/toolkit';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { Link } from 'react-router';
import { InputError } from '../../../core/errors';
import { fieldsOfKind, SPECS, type RecordKind, type Records } from '../../../core/shop';
import { Button } from '../../parts/Button';
import { useUnits } from '../../parts/quantity';
import { useApp, useDo } from '../../store';
import { api, ApiError } from '../../store/api';
import { said } from '../../store/jobs-slice';
import { loadShop, recordChanged } from '../../store/shop-slice';
import { FieldInput } from './FieldInput';
import { fromDraft, toDraft } from './record-draft';
import { Sheet } from '../../parts/Sheet';

interface Props<K extends RecordKind> {
  kind: K;
  record: Records[K] | null;
  onDone: () => void;
}

const Form = <K extends RecordKind>({ kind, record, onDone }: Props<K>) => {
  const dispatch = useDo();
  const units = useUnits();
  const currency = useApp((s) => String(s.shop.shop?.rules.find((r) => r.key === 'cost.currency')?.value ?? 'USD'));
  // What was read when the sheet opened: a change by somebody else is then refused, not overwritten.
  const [before] = useState(() => ({ record, draft: toDraft(kind, record, units, currency) }));
  const [draft, setDraft] = useState(before.draft);
  const [problem, setProblem] = useState<{ field: string; text: string } | null>(null);
  const [id] = useState(() => record?.id ?? nanoid());
  const fields = fieldsOfKind(kind);
  const one = SPECS[kind].one;

  const send = async (write: () => Promise<unknown>, says: string) => {
    try {
      await write();
      dispatch(recordChanged({ kind, id, before: record }));
      await dispatch(loadShop());
      dispatch(said({ text: says, tone: 'good' }));
      onDone();
    } catch (error) {
      if (!(error instanceof InputError) && !(error instanceof ApiError)) throw error;
      setProblem({ field: error.field.split(/[.[]/)[0]!, text: `${error.message} Right would be ${error.expected}.` });
    }
  };
  const save = () =>
    send(
      () => {
        const it = fromDraft(kind, draft, before, id, units, currency);
        return record ? api.changeRecord(kind, it) : api.addRecord(kind, it);
      },
      record ? `The ${one} is changed.` : `The ${one} is in the records.`,
    );
  const archive = () =>
    send(
      () => api.changeRecord(kind, { ...record!, archived: !record!.archived }),
      record?.archived ? `The ${one} is back.` : `The ${one} is archived.`,
    );

  return (
    <form
      className="grid grid-cols-1 items-start gap-3 sm:grid-cols-2"
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
    >
      {problem &&
        !fields.some((f) => f.key === problem.field && f.form.as !== 'fasteners' && f.form.as !== 'dated') && (
          <p role="alert" className="col-span-full text-stop">
            {problem.text}
          </p>
        )}
      {fields.map((f) => (
        <FieldInput
          key={f.key}
          field={f}
          value={draft[f.key]!}
          problem={problem?.field === f.key ? problem.text : null}
          onChange={(v) => {
            setDraft((d) => ({ ...d, [f.key]: v }));
            if (problem?.field === f.key) setProblem(null);
          }}
        />
      ))}
      <div className="sticky bottom-0 col-span-full flex flex-wrap gap-3 border-t border-stone3 bg-stone py-3">
        <Button go type="submit">
          {record ? 'Keep the changes' : `Add the ${one}`}
        </Button>
        {record && <Button onClick={() => void archive()}>{record.archived ? 'Bring it back' : 'Archive'}</Button>}
        {kind === 'wheels' && record && (
          <Link className="btn" to={`/wheels/${record.id}`}>
            Wheel record
          </Link>
        )}
      </div>
    </form>
  );
};

/** A record to look at, change or archive; or a new one. */
export const RecordSheet = <K extends RecordKind>({ kind, record, onDone }: Props<K>) => (
  <Dialog.Root open onOpenChange={(is) => !is && onDone()}>
    <Sheet
      title={
        record
          ? `${SPECS[kind].one[0]!.toUpperCase()}${SPECS[kind].one.slice(1)}${record.archived ? ', archived' : ''}`
          : `A new ${SPECS[kind].one}`
      }
      closes="Leave it"
      widthPx={760}
      footed
    >
      <Form kind={kind} record={record} onDone={onDone} />
    </Sheet>
  </Dialog.Root>
);
