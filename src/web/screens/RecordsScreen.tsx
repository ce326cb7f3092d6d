import { useState } from 'react';
import { Link, NavLink, useParams } from 'react-router';
import { fieldsOfKind, RECORD_KINDS, SPECS, type RecordKind } from '../../core/shop/records';
import { counted } from '../../core/base/units';
import { Button } from '../parts/Button';
import { ChoiceField, TextField } from '../shared/fields';
import { Failed, Frame, Waiting } from '../shared/Frame';
import { useKeys } from '../parts/keys';
import { useAddressTexts } from '../parts/use-address';
import { Spoken } from '../shared/Spoken';
import { useApp, useDo } from '../store';
import { announce } from '../store/jobs-slice';
import { undoRecord } from '../store/undo-record';
import { ImportSheet } from './records/ImportSheet';
import { RecordSheet } from './records/RecordSheet';
import { RecordTable } from './records/RecordTable';
import { useRecordList } from './records/use-record-list';
import { useRecordToEdit } from './records/use-record-to-edit';

const IN_ADDRESS = ['find', 'only', 'archived', 'edit'] as const;

/** The choice field that a list is narrowed by, where it has one. */
const narrowBy = (kind: RecordKind) =>
  fieldsOfKind(kind).find((f) => f.listed && f.form.as === 'choice');

const List = ({ kind }: { kind: RecordKind }) => {
  const [at, set] = useAddressTexts(IN_ADDRESS);
  const dispatch = useDo();
  const last = useApp((s) => s.shop.lastChange);
  const [importing, setImporting] = useState(false);
  const { find, only, archived, edit } = at;
  const by = narrowBy(kind);
  const list = useRecordList(kind, find, by && only ? `${by.key}:${only}` : '', archived === 'yes');
  const { page } = list;
  const editing = useRecordToEdit(kind, edit === 'new' ? '' : edit);
  const undo = async () => {
    try {
      await dispatch(undoRecord()).unwrap();
      dispatch(announce({ text: 'Undone.', tone: 'good' }));
    } catch (error) {
      dispatch(announce({ text: (error as Error).message, tone: 'stop' }));
    }
  };
  useKeys([
    { key: 'u', label: 'Undo the last change', run: () => void (last?.kind === kind && undo()) },
    { key: 'a', label: `Add a ${SPECS[kind].one}`, run: () => set({ edit: 'new' }, true) },
  ]);
  if (list.isFailed) return <Failed message="Can’t reach the shop server." />;
  if (!page) return <Waiting what="Loading records" />;
  return (
    <>
      <div className="mb-3 grid items-end gap-3 sm:grid-cols-[2fr_1fr_auto_auto]">
        <TextField
          label={`Find in ${SPECS[kind].many.toLowerCase()}`}
          value={find}
          onChange={(v) => set({ find: v })}
          maxLength={60}
        />
        {by && by.form.as === 'choice' && (
          <ChoiceField
            label={by.label}
            value={only}
            onChange={(v) => set({ only: v })}
            options={[
              ['', 'all'],
              ...by.form.of.map(
                (v) =>
                  [v, (by.form as { words?: Record<string, string> }).words?.[v] ?? v] as const,
              ),
            ]}
          />
        )}
        <label className="flex min-h-12 items-center gap-3 pr-2">
          <input
            type="checkbox"
            className="h-6 w-6 accent-[var(--water)]"
            checked={archived === 'yes'}
            onChange={(e) => set({ archived: e.target.checked ? 'yes' : '' })}
          />
          Show archived
        </label>
        <span className="num pb-3 text-ink2" role="status">
          {counted(page.total, 'record')}
        </span>
      </div>
      {page.total > 0 ? (
        <RecordTable
          kind={kind}
          list={{ ...list, page }}
          onOpen={(id) => set({ edit: id }, true)}
        />
      ) : (
        <p className="py-10 text-center text-xl text-ink2">
          {find || only
            ? 'No matches. Try fewer words.'
            : 'None yet. Add the first one or import a CSV file.'}
        </p>
      )}
      <div className="mt-5 flex flex-wrap gap-3">
        {kind === 'machines' ? (
          <Link className="btn btn-go" to="/machines/new">
            Add a machine with its wheels
          </Link>
        ) : (
          <Button go hotkey="A" onClick={() => set({ edit: 'new' }, true)}>
            Add a {SPECS[kind].one}
          </Button>
        )}
        <a className="btn" href={`/api/records/${kind}/file.csv`}>
          Export CSV
        </a>
        <Button onClick={() => setImporting(true)}>Import CSV</Button>
        {last?.kind === kind && (
          <Button hotkey="U" onClick={() => void undo()}>
            Undo the last change
          </Button>
        )}
      </div>
      {(editing.record || edit === 'new') && (
        <RecordSheet
          key={edit}
          kind={kind}
          record={editing.record as never}
          onDone={() => set({ edit: '' })}
        />
      )}
      {editing.isNone && (
        <p role="alert" className="mt-4 text-stop">
          This {SPECS[kind].one} was not found.
        </p>
      )}
      {importing && <ImportSheet kind={kind} onDone={() => setImporting(false)} />}
    </>
  );
};

/** The shop's records: machines, wheels, and everything on the shelf and the wall. */
export const RecordsScreen = () => {
  const { kind: named } = useParams();
  const kind = RECORD_KINDS.find((k) => k === named) ?? 'tires';
  return (
    <Frame title={SPECS[kind].many}>
      <nav aria-label="Kinds of records" className="mb-4 flex flex-wrap gap-2">
        {RECORD_KINDS.map((k) => (
          <NavLink
            key={k}
            to={`/records/${k}`}
            className="btn btn-small"
            style={k === kind ? { background: 'var(--ink)', color: 'var(--stone)' } : undefined}
            aria-current={k === kind ? 'page' : undefined}
          >
            {SPECS[k].many}
          </NavLink>
        ))}
      </nav>
      <List key={kind} kind={kind} />
      <Spoken />
    </Frame>
  );
};
