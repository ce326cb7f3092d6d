import { useRef } from 'react';
import { stepsOf } from '../../core/job';
import type { SeatAdvice, SeatBinds } from '../../core/bench/pressure';
import { Button } from '../parts/Button';
import { DeviceLabel } from '../shared/DeviceTake';
import { useJob } from '../shared/job-context';
import { useKeys } from '../parts/keys';
import { useUnits } from '../shared/quantity';
import { Reasons } from '../shared/Reasons';
import { HoseKnobs, useHold } from '../shared/StandInKnobs';
import type { LiveDevice } from '../shared/use-device';
import { VerdictMark } from '../parts/VerdictMark';
import { BasisTag, useMainWorking } from '../shared/working';
import { useApp, useDo } from '../store';
import { standInsChosen } from '../store/prefs-slice';
import { CeilingSheet } from './seat/CeilingSheet';
import { MoldedLine } from './seat/MoldedLine';
import { SeatPool } from './seat/SeatPool';
import { TypedReading } from './seat/TypedReading';
import { useHose } from './seat/use-hose';
import { useSeating, type Seating } from './seat/use-seating';
import { Cautions, StationLayout } from './StationLayout';
import { StepStrip } from './StepStrip';
import { useAutoAdvance } from './use-auto-advance';

const NOW: Record<Exclude<SeatAdvice, 'air in'>, string> = {
  'go on': 'Keep going. Listen for the pops.',
  look: 'No more air. Check the molded line.',
  'start over': 'All air out. Try again.',
  stop: 'Stop. Let it all out.',
  'give up': 'Stop here. Find out why.',
  seated: 'Both beads are seated.',
};

const WHOSE: Record<SeatBinds, string> = {
  sidewall: 'the sidewall’s',
  rim: 'the rim’s',
  'shop ceiling': 'the shop ceiling',
  'raised ceiling': 'the raised ceiling',
  beadlock: 'the beadlock',
  'low-pressure tire': 'the low-pressure tire',
};

/** The source of the pressure on the screen. */
const From = ({ gauge, isTyped }: { gauge: LiveDevice; isTyped: boolean }) => {
  if (gauge.line && gauge.device)
    return (
      <>
        {gauge.text} · <DeviceLabel device={gauge.device} />
      </>
    );
  if (gauge.device) return <>{`${gauge.device.name}: ${gauge.text}`}</>;
  return <>{isTyped ? 'last readings' : 'no reading yet this try'}</>;
};

/** The verdict where there is something to look at, and which try it is. */
const Lead = ({ ladder, isOver }: { ladder: Seating['ladder']; isOver: boolean }) => (
  <span className="flex items-center gap-4">
    {ladder.verdict !== 'good' || isOver ? (
      <VerdictMark verdict={ladder.verdict!} />
    ) : (
      'Seating limit'
    )}
    <span className="text-ink2">
      try {ladder.result.tryNumber} of {ladder.result.triesAllowed}
    </span>
  </span>
);

/** Air in, never past the limit, until both beads are on their seats. */
export const Seat = () => {
  const { state, wheel, goTo } = useJob();
  const dispatch = useDo();
  const standIns = useApp((s) => s.prefs.standIns);
  const { say } = useUnits();
  const readingField = useRef<HTMLInputElement>(null);
  const gauge = useHose();
  const knobs = useHold(gauge.device);
  const { limit, ladder, takenKpa, again, takeLive, takeTyped, pop } = useSeating(gauge);
  useMainWorking('what to do next while seating', ladder);

  const { limitKpa, binds } = limit.result;
  const { advice, reasons, upToKpa } = ladder.result;
  const { line } = gauge;
  const isOver = advice === 'seated';
  useAutoAdvance(isOver && stepsOf(state, 'seat').every((s) => state.steps[s.id]), 'set');
  const endsTry = advice === 'start over' || advice === 'stop';
  // No reading is asked for while no air may go in.
  const asksReading = upToKpa !== null || advice === 'look' || isOver;
  useKeys([
    {
      key: 'r',
      label: 'Use reading',
      run: () => (line ? void takeLive() : readingField.current?.focus()),
    },
    { key: 'p', label: 'A bead popped', run: () => void pop() },
    { key: 'n', label: 'Next station', run: () => goTo('set') },
    ...(endsTry
      ? [{ key: 'a', label: 'All air out, then start over', run: () => void again() }]
      : []),
  ]);

  const hasNoDiscSide = wheel.discSide === 'none' || wheel.discSide === 'both';
  return (
    <StationLayout
      lead={<Lead ladder={ladder} isOver={isOver} />}
      now={
        advice === 'air in' ? `Air in, up to ${say(limitKpa, 'kPa')} and no further.` : NOW[advice]
      }
      act={<Reasons reasons={reasons} className="-mt-1 mb-3" />}
      split
      picture={
        <>
          <SeatPool
            nowKpa={line ? line.value : (takenKpa.at(-1) ?? null)}
            limitKpa={limitKpa}
            readingsKpa={takenKpa}
            popsKpa={state.pops.map((p) => p.gaugeKpa)}
            from={<From gauge={gauge} isTyped={takenKpa.length > 0} />}
          />
          <div className="mt-4 flex gap-2 max-lg:order-4">
            <MoldedLine side="disc" label={hasNoDiscSide ? 'Right side' : 'Disc side'} />
            <MoldedLine side="other" label={hasNoDiscSide ? 'Left side' : 'Other side'} />
          </div>
        </>
      }
    >
      {advice === 'give up' && (
        <p className="mb-3 text-[16px]">Found it? Mark the fix under Trouble; tries start over.</p>
      )}
      <StepStrip />
      <div className="rows row items-center">
        <span>The limit is {WHOSE[binds]}</span>
        {(binds === 'shop ceiling' || binds === 'raised ceiling') && <CeilingSheet />}
        <BasisTag title="the seating limit" working={limit}>
          {binds}
        </BasisTag>
      </div>
      {endsTry && (
        <Button go className="mt-3 w-full" hotkey="A" onClick={() => void again()}>
          All air is out: start over
        </Button>
      )}
      {asksReading && (
        <div className="mt-3 flex flex-wrap items-end gap-2">
          {line ? (
            <Button
              go={!isOver}
              hotkey="R"
              disabled={!gauge.reading}
              onClick={() => void takeLive()}
            >
              Use reading
            </Button>
          ) : (
            <TypedReading isOver={isOver} fieldRef={readingField} onTake={takeTyped} />
          )}
          <Button hotkey="P" aria-label="A bead popped" onClick={() => void pop()}>
            {gauge.track.event?.event === 'pop' ? 'Pop heard!' : 'Pop'}
          </Button>
          {isOver && (
            <Button go hotkey="N" onClick={() => goTo('set')}>
              Next
            </Button>
          )}
        </div>
      )}
      {line && gauge.device?.simulated && (
        <div className="mt-2">
          <HoseKnobs {...knobs} />
        </div>
      )}
      {!gauge.device && !standIns && (
        <Button small className="mt-2" onClick={() => dispatch(standInsChosen(true))}>
          Simulated gauge
        </Button>
      )}
      <Cautions list={limit.cautions} />
    </StationLayout>
  );
};
