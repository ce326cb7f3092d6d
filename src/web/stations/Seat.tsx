import { lazy, Suspense, useState } from 'react';
import { seatLadderOf, seatLimitOf } from '../../core/job';
import type { SeatAdvice } from '../../core/pressure';
import { Button } from '../parts/Button';
import { Fallback } from '../parts/Fallback';
import { QuantityField } from '../parts/fields';
import { useKeys } from '../parts/keys';
import { Quantity, useUnits } from '../parts/quantity';
import { Reasons } from '../parts/Reasons';
import { VerdictMark } from '../parts/VerdictMark';
import { BasisTag, useMainWorking } from '../parts/working';
import { useJob } from '../screens/job-context';
import { StepStrip } from './StepStrip';
import { Cautions, FigureRow, JobDial, StationLayout } from './StationLayout';

const SeatChart = lazy(() => import('./SeatChart'));
const MAX_KPA = 1000;
const NOW: Record<Exclude<SeatAdvice, 'air in'>, string> = {
  'go on': 'Go on. Listen for the pops.', 'start over': 'All air out, and again.', stop: 'Stop. Let it all out.',
  'give up': 'Stop here. Find out why.', seated: 'Both beads are seated.',
};

const SeatedChoice = ({ side, label }: { side: 'disc' | 'other'; label: string }) => {
  const { state, write } = useJob();
  const now = state.seated[side];
  const set = (seated: boolean) => void write([{ kind: 'seated', data: { side, seated } }], `${label}: ${seated ? 'seated' : 'not seated'}.`);
  return (
    <div role="group" aria-label={label} className="row items-center">
      <span>{label}</span>
      <span className="flex gap-2">
        <Button small aria-pressed={now === true} onClick={() => set(true)}>Seated</Button>
        <Button small aria-pressed={now === false} onClick={() => set(false)}>Not yet</Button>
      </span>
    </div>
  );
};

/** Air in, never past the limit, until both beads are on their seats. */
export const Seat = () => {
  const { state, wheel, write, goTo } = useJob();
  const { read, say } = useUnits();
  const [typed, setTyped] = useState('');
  const working = seatLimitOf(state);
  const { limitKpa, binds } = working.result;
  const ladder = seatLadderOf(state);
  const { advice, reasons, tryNumber, triesAllowed } = ladder.result;
  useMainWorking('what to do next while seating', ladder);
  const again = () => void write([{ kind: 'seat-again', data: { why: reasons[0]!.says } }], 'All air out. A new try begins.');
  const last = state.seatReadings.slice(state.seatTries.from).at(-1)?.gaugeKpa;
  const seatedBoth = advice === 'seated';
  const endsTry = advice === 'start over' || advice === 'stop';
  const kpa = typed.trim() ? read(typed, 'kPa') : null;
  const problem = typed.trim() && (kpa === null || kpa < 0 || kpa > MAX_KPA) ? `Pressure: a number from ${say(0, 'kPa')} to ${say(MAX_KPA, 'kPa')}.` : null;

  const keep = async () => {
    if (kpa === null || problem) return;
    if (await write([{ kind: 'seat-reading', data: { gaugeKpa: kpa } }])) setTyped('');
  };
  useKeys([
    { key: 'r', says: 'Take the reading', run: () => document.getElementById('seat-reading')?.querySelector('input')?.focus() },
    { key: 'n', says: 'Next station', run: () => goTo('set') },
    ...(endsTry ? [{ key: 'a', says: 'All air out, and again from the start', run: again }] : []),
  ]);

  const now = advice === 'air in' ? `Air in, up to ${say(limitKpa, 'kPa')} and no further.` : NOW[advice];
  const sideName = wheel.discSide === 'none' || wheel.discSide === 'both' ? ['Right side', 'Left side'] : ['Disc side', 'Other side'];
  return (
    <StationLayout
      lead={<span className="flex items-center gap-4">{ladder.verdict !== 'good' || seatedBoth ? <VerdictMark verdict={ladder.verdict!} /> : 'Limit in force'}<span className="text-ink2">try {tryNumber} of {triesAllowed}</span></span>}
      now={now}
      picture={
        <>
          <div className="mx-auto max-w-[400px] max-lg:hidden"><JobDial /></div>
          <div className="h-[210px]">
            {state.seatReadings.length > 0 ? (
              <Fallback instead={<p className="pt-10 text-center text-ink2">The picture of the readings could not be loaded. The readings are in the log.</p>}>
                <Suspense fallback={null}>
                  <SeatChart readings={state.seatReadings.map((r) => r.gaugeKpa)} limitKpa={limitKpa} />
                </Suspense>
              </Fallback>
            ) : (
              <p className="pt-10 text-center text-ink2">Readings appear here, under the line that must not be passed.</p>
            )}
          </div>
        </>
      }
    >
      <Reasons reasons={reasons} className="mb-3 -mt-1" />
      {advice === 'give up' && <p className="mb-3 text-[16px]">Found it? Under Trouble mark what cured it: the tries begin anew.</p>}
      <StepStrip />
      <div className="rows">
        <FigureRow label="Never above" basis={<BasisTag title="the seating limit" working={working}>{binds}</BasisTag>}>
          <span className="text-stop"><Quantity value={limitKpa} unit="kPa" big /></span>
        </FigureRow>
        {last !== undefined && (
          <FigureRow label="Now">
            <Quantity value={last} unit="kPa" big />
          </FigureRow>
        )}
        <SeatedChoice side="disc" label={sideName[0]!} />
        <SeatedChoice side="other" label={sideName[1]!} />
      </div>
      {/* No reading is asked for while no air may go in. */}
      {endsTry && <Button go className="mt-4 w-full" hotkey="A" onClick={again}>All air is out: again from the start</Button>}
      {(ladder.result.upToKpa !== null || seatedBoth) && (
        <form id="seat-reading" className="mt-3 flex items-start gap-2" onSubmit={(e) => { e.preventDefault(); void keep(); }}>
          <div className="flex-1">
            <QuantityField label="Gauge reads" unit="kPa" value={typed} onChange={setTyped} problem={problem} />
          </div>
          <Button type="submit" go={!seatedBoth} className="mt-6" hotkey="R">Take it</Button>
          {seatedBoth && <Button go className="mt-6" hotkey="N" onClick={() => goTo('set')}>Next</Button>}
        </form>
      )}
      <Cautions list={working.cautions} />
    </StationLayout>
  );
};
