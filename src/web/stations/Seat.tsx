import { useEffect, useState } from 'react';
import { isCalm } from '../../core/devices';
import { seatLadderOf, seatLimitOf } from '../../core/job';
import type { SeatAdvice } from '../../core/pressure';
import { Button } from '../parts/Button';
import { DeviceLabel } from '../parts/DeviceTake';
import { QuantityField } from '../parts/fields';
import { useKeys } from '../parts/keys';
import { useUnits } from '../parts/quantity';
import { Reasons } from '../parts/Reasons';
import { HoseKnobs, useHold } from '../parts/StandInKnobs';
import { useDevice } from '../parts/use-device';
import { VerdictMark } from '../parts/VerdictMark';
import { BasisTag, useMainWorking } from '../parts/working';
import { useJob } from '../screens/job-context';
import { useApp, useDo } from '../store';
import type { Writing } from '../store/jobs-slice';
import { api } from '../store/api';
import { standInsChosen } from '../store/prefs-slice';
import { CeilingSheet } from './CeilingSheet';
import { MoldedLine } from './MoldedLine';
import { SeatPool } from './SeatPool';
import { Cautions, StationLayout } from './StationLayout';
import { StepStrip } from './StepStrip';

const MAX_KPA = 1000;
/** What a gauge shows above the limit before anybody took it counts from here on. */
const ABOVE_KPA = 0.01;
const NOW: Record<Exclude<SeatAdvice, 'air in'>, string> = {
  'go on': 'Go on. Listen for the pops.',
  look: 'No more air. Look at the line.',
  'start over': 'All air out, and again.',
  stop: 'Stop. Let it all out.',
  'give up': 'Stop here. Find out why.',
  seated: 'Both beads are seated.',
};

/** Air in, never past the limit, until both beads are on their seats. */
export const Seat = () => {
  const { state, wheel, write, goTo } = useJob();
  const dispatch = useDo();
  const standIns = useApp((s) => s.prefs.standIns);
  const { read, say } = useUnits();
  const [typed, setTyped] = useState('');
  const gauge = useDevice('gauge', true, standIns);
  const knobs = useHold(gauge.device);
  const live = gauge.line;
  // The stand-in's hose is on the tire of this job; a real one is where the fitter clipped it.
  const tire = state.chosen?.marking ?? wheel.tireMarking;
  const hose = gauge.device?.simulated ? gauge.device : null;
  const hoseName = hose?.name;
  const isOther = hose !== null && hose.held?.tire !== tire;
  useEffect(() => {
    if (hoseName !== undefined && isOther) void api.holdDevice(hoseName, { tire }).catch(() => undefined);
  }, [hoseName, isOther, tire]);
  const working = seatLimitOf(state);
  const { limitKpa, binds } = working.result;
  const taken = state.seatReadings.slice(state.seatTries.from);
  // What the gauge has shown in this try counts though nobody took it; the log gets it when the try ends.
  const seenKpa = gauge.track.highest;
  const ladder = seatLadderOf(
    state,
    [seenKpa, live?.value ?? null].flatMap((kpa) => (kpa === null ? [] : [Math.max(0, kpa)])),
  );
  const { advice, reasons, tryNumber, triesAllowed } = ladder.result;
  useMainWorking('what to do next while seating', ladder);
  const nowKpa = live ? live.value : (taken.at(-1)?.gaugeKpa ?? null);
  const seatedBoth = advice === 'seated';
  const endsTry = advice === 'start over' || advice === 'stop';
  const kpa = typed.trim() ? read(typed, 'kPa') : null;
  const problem =
    typed.trim() && (kpa === null || kpa < 0 || kpa > MAX_KPA)
      ? `Pressure: a number from ${say(0, 'kPa')} to ${say(MAX_KPA, 'kPa')}.`
      : null;

  const again = async () => {
    const untold =
      gauge.device && seenKpa !== null && seenKpa > Math.max(limitKpa + ABOVE_KPA, ...taken.map((r) => r.gaugeKpa));
    const over: Writing[] = untold
      ? [{ kind: 'seat-reading', data: { gaugeKpa: seenKpa, device: gauge.device!.name } }]
      : [];
    if (
      await write([...over, { kind: 'seat-again', data: { why: reasons[0]!.says } }], 'All air out. A new try begins.')
    )
      gauge.anew();
  };
  const takeLive = async () => {
    if (
      gauge.reading &&
      (await write([
        { kind: 'seat-reading', data: { gaugeKpa: Math.max(0, gauge.reading.value), device: gauge.reading.device } },
      ]))
    )
      gauge.forget();
  };
  const keepTyped = async () => {
    if (kpa === null || problem) return;
    if (await write([{ kind: 'seat-reading', data: { gaugeKpa: kpa, device: null } }])) setTyped('');
  };
  const popAt =
    live && isCalm(gauge.track)
      ? { gaugeKpa: Math.max(0, live.value), device: live.device }
      : { gaugeKpa: taken.at(-1)?.gaugeKpa ?? 0, device: null };
  const pop = async () => {
    if (await write([{ kind: 'pop', data: popAt }], 'A pop.')) gauge.note();
  };
  useKeys([
    {
      key: 'r',
      says: 'Take the reading',
      run: () => (live ? void takeLive() : document.getElementById('seat-reading')?.querySelector('input')?.focus()),
    },
    { key: 'p', says: 'A bead popped', run: () => void pop() },
    { key: 'n', says: 'Next station', run: () => goTo('set') },
    ...(endsTry ? [{ key: 'a', says: 'All air out, and again from the start', run: () => void again() }] : []),
  ]);

  const now = advice === 'air in' ? `Air in, up to ${say(limitKpa, 'kPa')} and no further.` : NOW[advice];
  const sideName =
    wheel.discSide === 'none' || wheel.discSide === 'both' ? ['Right side', 'Left side'] : ['Disc side', 'Other side'];
  const heardPop = gauge.track.event?.event === 'pop';
  const from =
    live && gauge.device ? (
      <>
        {gauge.says} · <DeviceLabel device={gauge.device} />
      </>
    ) : gauge.device ? (
      `${gauge.device.name}: ${gauge.says}`
    ) : taken.length > 0 ? (
      'as last read and typed'
    ) : (
      'no reading in this try yet'
    );
  return (
    <StationLayout
      lead={
        <span className="flex items-center gap-4">
          {ladder.verdict !== 'good' || seatedBoth ? <VerdictMark verdict={ladder.verdict!} /> : 'Limit in force'}
          <span className="text-ink2">
            try {tryNumber} of {triesAllowed}
          </span>
        </span>
      }
      now={now}
      split
      picture={
        <>
          <SeatPool
            nowKpa={nowKpa}
            limitKpa={limitKpa}
            readingsKpa={taken.map((r) => r.gaugeKpa)}
            popsKpa={state.pops.map((p) => p.gaugeKpa)}
            from={from}
          />
          <div className="mt-4 flex gap-2 max-lg:order-3">
            <MoldedLine side="disc" label={sideName[0]!} />
            <MoldedLine side="other" label={sideName[1]!} />
          </div>
        </>
      }
    >
      <Reasons reasons={reasons} className="mb-3 -mt-1" />
      {advice === 'give up' && (
        <p className="mb-3 text-[16px]">Found it? Under Trouble mark what cured it: the tries begin anew.</p>
      )}
      <StepStrip />
      <div className="rows row items-center">
        <span>
          The limit is {binds === 'sidewall' ? 'the sidewall’s' : binds === 'rim' ? 'the rim’s' : `the ${binds}`}
        </span>
        {(binds === 'shop ceiling' || binds === 'raised ceiling') && <CeilingSheet />}
        <BasisTag title="the seating limit" working={working}>
          {binds}
        </BasisTag>
      </div>
      {endsTry && (
        <Button go className="mt-3 w-full" hotkey="A" onClick={() => void again()}>
          All air is out: again from the start
        </Button>
      )}
      {/* No reading is asked for while no air may go in. */}
      {(ladder.result.upToKpa !== null || advice === 'look' || seatedBoth) && (
        <div className="mt-3 flex flex-wrap items-end gap-2">
          {live ? (
            <Button go={!seatedBoth} hotkey="R" disabled={!gauge.reading} onClick={() => void takeLive()}>
              Take it
            </Button>
          ) : (
            <form
              id="seat-reading"
              className="flex min-w-[230px] flex-1 items-end gap-2"
              onSubmit={(e) => {
                e.preventDefault();
                void keepTyped();
              }}
            >
              <div className="flex-1">
                <QuantityField label="Gauge reads" unit="kPa" value={typed} onChange={setTyped} problem={problem} />
              </div>
              <Button type="submit" go={!seatedBoth} hotkey="R">
                Take it
              </Button>
            </form>
          )}
          <Button hotkey="P" aria-label="A bead popped" onClick={() => void pop()}>
            {heardPop ? 'Pop heard!' : 'Pop'}
          </Button>
          {seatedBoth && (
            <Button go hotkey="N" onClick={() => goTo('set')}>
              Next
            </Button>
          )}
        </div>
      )}
      {live && gauge.device?.simulated && (
        <div className="mt-2">
          <HoseKnobs {...knobs} />
        </div>
      )}
      {!gauge.device && !standIns && (
        <Button small className="mt-2" onClick={() => dispatch(standInsChosen(true))}>
          Use the simulated gauge and hose
        </Button>
      )}
      <Cautions list={working.cautions} />
    </StationLayout>
  );
};
