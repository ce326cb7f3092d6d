import { dateText } from '../../core/base/units';
import { useState } from 'react';
import { ruleNumber } from '../../core/base/rules';
import {
  CLEARANCE_PLACES,
  PLACE_WORDS,
  tireAge,
  tireSize,
  type ClearancePlace,
} from '../../core/fit/tires';
import { USES, USE_WORDS, type Use } from '../../core/bench/pressure';
import { attempt } from '../../core/base/working';
import { Button } from '../parts/Button';
import { WithTake } from '../parts/DeviceTake';
import { ChoiceField, QuantityField, TextField } from '../parts/fields';
import { useKeys } from '../parts/keys';
import { useUnits } from '../parts/quantity';
import { useWheelRecord } from '../parts/use-wheel-record';
import { VerdictMark } from '../parts/VerdictMark';
import { BasisTag, useMainWorking } from '../parts/working';
import { useJob } from '../parts/job-context';
import { today } from '../store';
import type { Writing } from '../store/job-writing';
import { JobDial, StationLayout } from './StationLayout';
import { refusalText } from '../parts/refusal';

const MAX_TREAD_MM = 40;
const MAX_ROOM_MM = 1000;
const MAX_ODOMETER_KM = 2_000_000;

/** The tire that comes off, and the machine's use. */
export const Intake = () => {
  const { job, state, wheel, machine, write, correcting, goTo } = useJob();
  const { read, say, tell, write: show } = useUnits();
  const before = state.cameOff;
  const room = state.clearances[0];
  const [marking, setMarking] = useState(before?.marking ?? wheel.tireMarking);
  const [dateCode, setDateCode] = useState(before?.dateCode ?? '');
  const [tread, setTread] = useState(
    before?.treadMm != null ? show(before.treadMm, 'tread', 2) : '',
  );
  const [treadBy, setTreadBy] = useState(before?.treadBy ?? null);
  const [use, setUse] = useState<Use>(before?.use ?? (machine.kind === 'dirt' ? 'dirt' : 'road'));
  const [place, setPlace] = useState<ClearancePlace>(room?.place ?? 'above');
  const [roomText, setRoomText] = useState(room ? show(room.mm, 'mm', 2) : '');
  const [load, setLoad] = useState(room?.load ?? 'on the stand, unloaded');
  const [odometer, setOdometer] = useState(
    state.odometerKm === null ? '' : show(state.odometerKm, 'km', 0),
  );
  const [tried, setTried] = useState(false);

  const size = attempt(tireSize, { marking: marking || ' ' });
  const age = dateCode.trim()
    ? attempt(tireAge, { dateCode: dateCode.trim(), onDate: today(), rules: state.rules })
    : null;
  const treadMm = tread.trim() ? read(tread, 'tread') : null;
  const roomMm = roomText.trim() ? read(roomText, 'mm') : null;
  const odometerKm = odometer.trim() ? read(odometer, 'km') : null;
  const inRange = (v: number | null, max: number) => v !== null && v >= 0 && v <= max;
  const treadProblem =
    tread.trim() && !inRange(treadMm, MAX_TREAD_MM)
      ? 'Tread depth: enter the gauge reading.'
      : null;
  const roomProblem =
    roomText.trim() && !inRange(roomMm, MAX_ROOM_MM) ? 'Clearance: enter the measurement.' : null;
  const odometerProblem =
    odometer.trim() && !inRange(odometerKm, MAX_ODOMETER_KM)
      ? 'Odometer: enter the reading.'
      : null;
  const worn =
    use === 'road' && treadMm !== null && treadMm < ruleNumber('tread.minimumMm', state.rules);
  useMainWorking('the old size', size.ok ? size.working : null);

  const save = async () => {
    setTried(true);
    if (
      !size.ok ||
      (age && !age.ok) ||
      treadProblem ||
      roomProblem ||
      odometerProblem ||
      (roomMm !== null && !load.trim())
    )
      return;
    const writings: Writing[] = [
      {
        kind: 'came-off',
        ...correcting('came-off'),
        data: {
          marking: marking.trim(),
          dateCode: dateCode.trim() || null,
          treadMm,
          use,
          treadBy: treadMm === null ? null : treadBy,
        },
      },
    ];
    if (roomMm !== null)
      writings.push({ kind: 'clearance', data: { place, mm: roomMm, load: load.trim() } });
    // Read once for the machine: the other wheels of the visit have it too.
    if (odometerKm !== null && Math.abs(odometerKm - (state.odometerKm ?? -1)) >= 1)
      writings.push({ kind: 'odometer', data: { km: odometerKm } });
    if (await write(writings, 'Intake saved.')) goTo('choose');
  };
  const { record } = useWheelRecord(wheel.id);
  const last = record?.history.life.find((event) => event.jobId !== job.id && event.by !== null);
  const lastTime =
    last && `Last time, ${dateText(last.onDate)}: ${last.facts.map(tell).join('; ')}.`;
  useKeys([{ key: 'n', says: 'Save and go on', run: () => void save() }]);

  return (
    <StationLayout
      picture={
        <>
          <JobDial className={lastTime ? 'lg:max-h-[560px]' : 'lg:max-h-[620px]'} />
          {lastTime && <p className="mt-2 text-[16px] text-ink2">{lastTime}</p>}
        </>
      }
      lead={`${machine.rider}’s wheel comes in`}
      now="What comes off?"
      act={
        <form
          className="grid grid-cols-2 gap-x-3 gap-y-2"
          onSubmit={(e) => {
            e.preventDefault();
            void save();
          }}
        >
          <div className="col-span-2">
            <TextField
              label="Size, as printed on the sidewall"
              value={marking}
              onChange={setMarking}
              maxLength={40}
              problem={!size.ok && (tried || marking) ? refusalText(size.problem) : null}
            />
          </div>
          <TextField
            label="Date code"
            value={dateCode}
            onChange={setDateCode}
            maxLength={4}
            inputMode="numeric"
            problem={
              age && !age.ok && (tried || dateCode.length >= 4) ? refusalText(age.problem) : null
            }
          />
          <WithTake
            kind="caliper"
            what="Tread depth"
            onTake={(line) => {
              setTread(show(line.value, 'tread', 2));
              setTreadBy(line.device);
            }}
          >
            <QuantityField
              label="Tread depth"
              unit="tread"
              value={tread}
              onChange={(v) => {
                setTread(v);
                setTreadBy(null);
              }}
              problem={treadProblem}
            />
          </WithTake>
          <div className={machine.loose ? 'col-span-2' : ''}>
            <ChoiceField
              label="Use"
              value={use}
              onChange={(v) => setUse(v as Use)}
              options={USES.map((u) => [u, USE_WORDS[u]] as const)}
            />
          </div>
          {!machine.loose && (
            <QuantityField
              label="Odometer"
              unit="km"
              value={odometer}
              onChange={setOdometer}
              problem={odometerProblem}
            />
          )}
          <ChoiceField
            label="Clearance at"
            value={place}
            onChange={(v) => setPlace(v as ClearancePlace)}
            options={CLEARANCE_PLACES.map((p) => [p, PLACE_WORDS[p]] as const)}
          />
          <QuantityField
            label="Clearance"
            unit="mm"
            value={roomText}
            onChange={setRoomText}
            problem={roomProblem}
          />
          <div className="col-span-2">
            <TextField
              label="Load while measuring"
              value={load}
              onChange={setLoad}
              maxLength={60}
              problem={
                roomMm !== null && !load.trim()
                  ? 'Enter how it is loaded: on the stand, rider on, …'
                  : null
              }
            />
          </div>
          <div className="col-span-2 space-y-1 text-[16px]" role="status">
            {age?.ok && (
              <p className="flex items-center gap-3">
                <VerdictMark verdict={age.working.result.verdict}>
                  week {age.working.result.weekOf.week} of {age.working.result.weekOf.year},{' '}
                  {age.working.result.ageYears.toFixed(1)} years old
                </VerdictMark>
                <BasisTag title="the age of the old tire" working={age.working} />
              </p>
            )}
            {state.clearances.length > 0 && (
              <p className="text-ink2">
                Measured: {state.clearances.map((c) => `${c.place} ${say(c.mm, 'mm')}`).join(', ')}.
                Pick the next place.
              </p>
            )}
            {worn && <VerdictMark verdict="stop">below road minimum</VerdictMark>}
          </div>
          <div className="col-span-2">
            <Button go type="submit" hotkey="N">
              Save
            </Button>
          </div>
        </form>
      }
    />
  );
};
