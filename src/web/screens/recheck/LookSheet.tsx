import { dateText } from '../../../core/base/units';
import { nanoid } from '@reduxjs/toolkit';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { LOOK_WORDS, type Look, type RecheckRow } from '../../../core/job/recheck';
import type { Unit } from '../../../core/base/units';
import { Button } from '../../parts/Button';
import { QuantityField, TextField } from '../../shared/fields';
import { useUnits } from '../../shared/quantity';
import { Sheet } from '../../parts/Sheet';
import { today, useApp, useDo } from '../../store';
import { announce } from '../../store/jobs-slice';
import { useLookedAgainMutation, useRecheckQuery } from '../../store/rechecks-api';
import { shopChanged } from '../../store/records-api';
import { serverProblem } from '../../shared/server-problem';
import { recheckName } from './recheck-words';

interface Reading {
  field: string;
  label: string;
  unit: Unit | null;
}

interface Asked {
  readings: readonly Reading[];
  /** Someone says whether it is as it should be, and what he found. */
  judged: boolean;
  /** The subject, in a line. */
  label: string;
}

const PRESSURE: readonly Reading[] = [
  { field: 'gaugeKpa', label: 'Pressure, cold', unit: 'kPa' },
  { field: 'tempC', label: 'The tire is at', unit: 'C' },
];

/** The readings that close each look. */
const ASKED: Record<Look, Asked> = {
  pressure: { readings: PRESSURE, judged: true, label: 'Cold, with the same gauge.' },
  leak: {
    readings: PRESSURE,
    judged: false,
    label: 'Check bead, stem and core with soapy water, then read the gauge.',
  },
  bolts: {
    readings: [],
    judged: true,
    label: 'Torque the bolts cold; weights still on; spokes ring.',
  },
  age: { readings: [], judged: true, label: 'Check sidewall, grooves, bead and valve for cracks.' },
  anything: { readings: [], judged: true, label: '' },
  tread: {
    readings: [
      { field: 'depthMm', label: 'Depth at the lowest place', unit: 'tread' },
      { field: 'km', label: 'Distance run', unit: 'km' },
    ],
    judged: false,
    label: 'Measured where it is lowest.',
  },
  tape: {
    readings: [
      { field: 'circumferenceMm', label: 'Circumference', unit: 'mm' },
      { field: 'gaugeKpa', label: 'Taped at', unit: 'kPa' },
      { field: 'run', label: 'Runs so far', unit: null },
    ],
    judged: false,
    label: 'Around the middle of the tread, at the measuring pressure.',
  },
  calibration: { readings: [], judged: false, label: 'The date on its certificate.' },
};

const Form = ({ row, onDone }: { row: RecheckRow; onDone: () => void }) => {
  const { read } = useUnits();
  const dispatch = useDo();
  const who = useApp((s) => s.prefs.who);
  const [send, { isLoading }] = useLookedAgainMutation();
  // Made once: sent again after a lost answer it is the same look.
  const [entryId] = useState(nanoid);
  const [typed, setTyped] = useState<Record<string, string>>({});
  const [found, setFound] = useState('');
  const [day, setDay] = useState(today);
  const [problem, setProblem] = useState<string | null>(null);
  const asked = ASKED[row.look];

  const close = async (good: boolean) => {
    if (!who) return setProblem('Choose who’s working first: tap the initials, top right.');
    const values = asked.readings.map(({ field, label, unit }) => {
      const text = typed[field] ?? '';
      return {
        field,
        label,
        value:
          unit === null ? (/^\d{1,3}$/.test(text.trim()) ? Number(text) : null) : read(text, unit),
      };
    });
    const missing = values.find((v) => v.value === null);
    if (missing) return setProblem(`${missing.label}: enter a number.`);
    const judged = asked.judged ? { good, found: found.trim() } : {};
    const readings = Object.fromEntries(values.map((v) => [v.field, v.value]));
    const body = row.look === 'calibration' ? { onDate: day } : { ...readings, ...judged };
    setProblem(null);
    try {
      await send({
        id: row.id,
        looked: { id: entryId, who, onDate: today(), read: body },
      }).unwrap();
      await dispatch(shopChanged());
      dispatch(announce({ text: `Recheck saved: ${row.what}.`, tone: 'good' }));
      onDone();
    } catch (error) {
      setProblem(serverProblem(error));
    }
  };
  return (
    <form
      noValidate
      className="grid gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        if (!asked.judged) void close(true);
      }}
    >
      <p className="text-[17px]">
        {recheckName(row)}
        {row.rider && <span className="text-ink2">, {row.rider}</span>}
        <span className="block text-ink2">
          {row.dueOn < today() ? 'Was due on' : 'Due on'} {dateText(row.dueOn)}
          {row.jobNumber !== null && `, by job ${row.jobNumber}`}. {asked.label}
        </span>
      </p>
      <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
        {asked.readings.map(({ field, label, unit }) => (
          <QuantityField
            key={field}
            label={label}
            unit={unit}
            value={typed[field] ?? ''}
            onChange={(value) => setTyped((all) => ({ ...all, [field]: value }))}
          />
        ))}
      </div>
      {row.look === 'calibration' && (
        <TextField label="Calibrated on" type="date" value={day} onChange={setDay} />
      )}
      {asked.judged && (
        <TextField label="What was found" value={found} onChange={setFound} maxLength={300} />
      )}
      {problem && (
        <p role="alert" className="text-stop">
          {problem}
        </p>
      )}
      <div className="flex flex-wrap gap-3">
        {asked.judged ? (
          <>
            <Button go disabled={isLoading} onClick={() => void close(true)}>
              OK
            </Button>
            <Button disabled={isLoading} onClick={() => void close(false)}>
              Problem found
            </Button>
          </>
        ) : (
          <Button go type="submit" disabled={isLoading}>
            Save reading
          </Button>
        )}
      </div>
    </form>
  );
};

/** The result of an earlier look, instead of its fields. */
const Over = ({ row }: { row: RecheckRow }) => (
  <p className="text-[17px]">
    {recheckName(row)}.{' '}
    {row.closed
      ? `Checked by ${row.closed.by} on ${dateText(row.closed.at)}: ${row.closed.good ? 'OK' : 'problem found'}${row.closed.found ? `; ${row.closed.found}` : ''}.`
      : `Closed by job ${row.passedBy}.`}
  </p>
);

const Inside = ({ id, onDone }: { id: string; onDone: () => void }) => {
  const { data: row, error } = useRecheckQuery(id, { refetchOnMountOrArgChange: true });
  return (
    <Sheet title={row?.what ?? LOOK_WORDS.anything} closes="Close without a reading">
      {error && <p role="alert">{serverProblem(error)}</p>}
      {row &&
        (row.closed || row.passedBy !== null ? (
          <Over row={row} />
        ) : (
          <Form row={row} onDone={onDone} />
        ))}
    </Sheet>
  );
};

/**
 * The sheet that closes what is to be looked at again; which one stands in the address as `look`.
 */
export const LookSheet = () => {
  const [params, setParams] = useSearchParams();
  const id = params.get('look');
  const close = () =>
    setParams(
      (now) => {
        now.delete('look');
        return now;
      },
      { replace: true },
    );
  return (
    <Dialog.Root open={id !== null} onOpenChange={(open) => open || close()}>
      {id !== null && <Inside key={id} id={id} onDone={close} />}
    </Dialog.Root>
  );
};
