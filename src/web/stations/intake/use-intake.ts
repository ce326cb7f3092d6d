import { useState } from 'react';
import type { Use } from '../../../core/bench/pressure';
import { ruleNumber } from '../../../core/base/rules';
import { attempt } from '../../../core/base/working';
import { tireAge, tireSize, type ClearancePlace } from '../../../core/fit/tires';
import { useJob } from '../../shared/job-context';
import { useUnits } from '../../shared/quantity';
import { refusalText } from '../../shared/refusal';
import { today } from '../../store';
import type { Writing } from '../../store/job-writing';

const MAX_TREAD_MM = 40;
const MAX_CLEARANCE_MM = 1000;
const MAX_ODOMETER_KM = 2_000_000;
const DATE_CODE_DIGITS = 4;
/** An odometer that differs by less was read before. */
const SAME_KM = 1;

/** The form's fields as typed, in the fitter's units. */
export interface IntakeDraft {
  marking: string;
  dateCode: string;
  tread: string;
  /** The instrument that read the tread; null if typed. */
  treadBy: string | null;
  use: Use;
  odometer: string;
  place: ClearancePlace;
  clearance: string;
  /** How the machine was loaded while the clearance was measured. */
  load: string;
}

/**
 * The intake form: its draft from what the job knows already, the faults field by field, and the
 * entries it writes.
 */
export const useIntake = () => {
  const { state, wheel, machine, correcting } = useJob();
  const { read, write: show } = useUnits();
  const before = state.cameOff;
  const measured = state.clearances[0];
  const [draft, setDraft] = useState<IntakeDraft>(() => ({
    marking: before?.marking ?? wheel.tireMarking,
    dateCode: before?.dateCode ?? '',
    tread: before?.treadMm == null ? '' : show(before.treadMm, 'tread', 2),
    treadBy: before?.treadBy ?? null,
    use: before?.use ?? (machine.kind === 'dirt' ? 'dirt' : 'road'),
    odometer: state.odometerKm === null ? '' : show(state.odometerKm, 'km', 0),
    place: measured?.place ?? 'above',
    clearance: measured ? show(measured.mm, 'mm', 2) : '',
    load: measured?.load ?? 'on the stand, unloaded',
  }));
  const [tried, setTried] = useState(false);
  const marking = draft.marking.trim();
  const dateCode = draft.dateCode.trim();
  const load = draft.load.trim();

  const size = attempt(tireSize, { marking: draft.marking || ' ' });
  const age = dateCode ? attempt(tireAge, { dateCode, onDate: today(), rules: state.rules }) : null;
  const quantity = (text: string, unit: 'tread' | 'mm' | 'km', max: number, fault: string) => {
    const value = text.trim() ? read(text, unit) : null;
    const isFaulty = text.trim() !== '' && !(value !== null && value >= 0 && value <= max);
    return { value, fault: isFaulty ? fault : null };
  };
  const tread = quantity(
    draft.tread,
    'tread',
    MAX_TREAD_MM,
    'Tread depth: enter the gauge reading.',
  );
  const clearance = quantity(
    draft.clearance,
    'mm',
    MAX_CLEARANCE_MM,
    'Clearance: enter the measurement.',
  );
  const odometer = quantity(draft.odometer, 'km', MAX_ODOMETER_KM, 'Odometer: enter the reading.');
  const faults = {
    marking: size.ok ? null : refusalText(size.problem),
    dateCode: age && !age.ok ? refusalText(age.problem) : null,
    tread: tread.fault,
    clearance: clearance.fault,
    odometer: odometer.fault,
    load:
      clearance.value !== null && !load
        ? 'Enter how it is loaded: on the stand, rider on, …'
        : null,
  };

  /** The entries of the form; null while a field is faulty, which is shown from then on. */
  const writings = (): Writing[] | null => {
    setTried(true);
    if (Object.values(faults).some((fault) => fault !== null)) return null;
    const cameOff: Writing = {
      kind: 'came-off',
      ...correcting('came-off'),
      data: {
        marking,
        dateCode: dateCode || null,
        treadMm: tread.value,
        use: draft.use,
        treadBy: tread.value === null ? null : draft.treadBy,
      },
    };
    const isNewKm =
      odometer.value !== null && Math.abs(odometer.value - (state.odometerKm ?? -1)) >= SAME_KM;
    return [
      cameOff,
      ...(clearance.value === null
        ? []
        : [
            { kind: 'clearance' as const, data: { place: draft.place, mm: clearance.value, load } },
          ]),
      // Read once for the machine: the other wheels of the visit have it too.
      ...(isNewKm ? [{ kind: 'odometer' as const, data: { km: odometer.value! } }] : []),
    ];
  };

  return {
    draft,
    change: (part: Partial<IntakeDraft>) => setDraft((now) => ({ ...now, ...part })),
    /** The size on the sidewall as a working. */
    size,
    /** The age by the date code as a working; null without a code. */
    age,
    /** The faults to show: those of marking and date code once enough is typed. */
    faults: {
      ...faults,
      marking: tried || draft.marking ? faults.marking : null,
      dateCode: tried || draft.dateCode.length >= DATE_CODE_DIGITS ? faults.dateCode : null,
    },
    /** Worn below what the shop allows on the road. */
    isWorn:
      draft.use === 'road' &&
      tread.value !== null &&
      tread.value < ruleNumber('tread.minimumMm', state.rules),
    writings,
  };
};
export type IntakeAtHand = ReturnType<typeof useIntake>;
