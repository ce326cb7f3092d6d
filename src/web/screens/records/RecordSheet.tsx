import { upperFirst } from '../../../core/base/text-case';
import { nanoid } from '@reduxjs/toolkit';
import { Dialog } from 'radix-ui';
import { joiResolver } from '@hookform/resolvers/joi';
import { useMemo, useState } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { Link } from 'react-router';
import { fieldsOfKind, SPECS, type RecordKind, type Records } from '../../../core/shop/records';
import { Button } from '../../parts/Button';
import { useUnits } from '../../shared/quantity';
import { selectCurrency, useApp, useDo } from '../../store';
import { api, ApiError } from '../../store/api';
import { announce } from '../../store/jobs-slice';
import { recordChanged } from '../../store/shop-slice';
import { shopChanged } from '../../store/records-api';
import { FieldInput } from './FieldInput';
import { whole } from '../../shared/form-schema';
import { fromDraft, toDraft, type FieldDraft, type RecordDraft } from './record-draft';
import { Sheet } from '../../parts/Sheet';
import { refusalText } from '../../shared/refusal';

interface Props<K extends RecordKind> {
  kind: K;
  record: Records[K] | null;
  onDone: () => void;
}

const Form = <K extends RecordKind>({ kind, record, onDone }: Props<K>) => {
  const dispatch = useDo();
  const units = useUnits();
  const currency = useApp(selectCurrency);
  // As it was when the sheet opened: units that change meanwhile do not rewrite what is typed.
  const [before] = useState(() => ({ record, draft: toDraft(kind, record, units, currency) }));
  const [id] = useState(() => record?.id ?? nanoid());
  const one = SPECS[kind].one;
  const schema = useMemo(
    () => whole<RecordDraft>((draft) => fromDraft(kind, draft, before, id, units, currency)),
    [kind, before, id, units, currency],
  );
  const { control, handleSubmit, setError, formState } = useForm<RecordDraft>({
    resolver: joiResolver(schema),
    defaultValues: before.draft,
  });

  const build = useWatch({ control, name: 'build' });
  const fields = fieldsOfKind(kind).filter((f) => !f.builds || f.builds.includes(String(build)));

  const send = async (write: () => Promise<unknown>, text: string) => {
    try {
      await write();
      dispatch(recordChanged({ kind, id, before: record }));
      await dispatch(shopChanged());
      dispatch(announce({ text: text, tone: 'good' }));
      onDone();
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setError(error.field.split(/[.[]/)[0]!, { message: refusalText(error) });
    }
  };
  const save = handleSubmit((draft) => {
    const it = fromDraft(kind, draft, before, id, units, currency);
    return record
      ? send(() => api.changeRecord(kind, it), `${upperFirst(one)} saved.`)
      : send(() => api.addRecord(kind, it), `${upperFirst(one)} saved.`);
  });
  const archive = () =>
    send(
      () => api.changeRecord(kind, { ...record!, archived: !record!.archived }),
      record?.archived ? `${upperFirst(one)} restored.` : `${upperFirst(one)} archived.`,
    );

  // What no single line can show: of a list, or of a field that the form does not have.
  const shownApart = Object.entries(formState.errors).filter(
    ([key]) =>
      !fields.some((f) => f.key === key && f.form.as !== 'fasteners' && f.form.as !== 'dated'),
  );
  return (
    <form
      className="grid grid-cols-1 items-start gap-3 sm:grid-cols-2"
      noValidate
      onSubmit={(e) => void save(e)}
    >
      {shownApart.map(([key, error]) => (
        <p key={key} role="alert" className="col-span-full text-stop">
          {String(error?.message ?? '')}
        </p>
      ))}
      {fields.map((f) => (
        <Controller
          key={f.key}
          control={control}
          name={f.key}
          render={({ field, fieldState }) => (
            <FieldInput
              field={f}
              value={field.value as FieldDraft}
              problem={fieldState.error?.message ?? null}
              onChange={field.onChange}
            />
          )}
        />
      ))}
      <div className="sticky bottom-0 col-span-full flex flex-wrap gap-3 border-t border-stone3 bg-stone py-3">
        <Button go type="submit">
          {record ? 'Save changes' : `Add the ${one}`}
        </Button>
        {record && (
          <Button onClick={() => void archive()}>{record.archived ? 'Restore' : 'Archive'}</Button>
        )}
        {kind === 'machines' && record && (record as Records['machines']).rider && (
          <Link
            className="btn"
            to={`/riders/${encodeURIComponent((record as Records['machines']).rider)}`}
          >
            Rider data
          </Link>
        )}
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
      closes="Cancel"
      widthPx={760}
      footed
    >
      <Form kind={kind} record={record} onDone={onDone} />
    </Sheet>
  </Dialog.Root>
);
