import { lazy, Suspense, useState } from 'react';
import { ruleNumber } from '../../core/rules';
import { seatLimitOf } from '../../core/job';
import { Button } from '../parts/Button';
import { Fallback } from '../parts/Fallback';
import { QuantityField } from '../parts/fields';
import { useKeys } from '../parts/keys';
import { Quantity, useUnits } from '../parts/quantity';
import { VerdictMark } from '../parts/VerdictMark';
import { BasisTag, useMainWorking } from '../parts/working';
import { useJob } from '../screens/job-context';
import { StepStrip } from './StepStrip';
import { Cautions, FigureRow, JobDial, StationLayout } from './StationLayout';

const SeatChart = lazy(() => import('./SeatChart'));
const MAX_KPA = 1000;

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
  useMainWorking('the seating limit', working);
  const last = state.seatReadings.at(-1)?.gaugeKpa;
  const seatedBoth = state.seated.disc === true && state.seated.other === true;
  const over = last !== undefined && last > limitKpa + 0.01;
  const kpa = typed.trim() ? read(typed, 'kPa') : null;
  const problem = typed.trim() && (kpa === null || kpa < 0 || kpa > MAX_KPA) ? `Pressure: a number from ${say(0, 'kPa')} to ${say(MAX_KPA, 'kPa')}.` : null;

  const keep = async () => {
    if (kpa === null || problem) return;
    if (await write([{ kind: 'seat-reading', data: { gaugeKpa: kpa } }])) setTyped('');
  };
  useKeys([
    { key: 'r', says: 'Take the reading', run: () => document.getElementById('seat-reading')?.querySelector('input')?.focus() },
    { key: 'n', says: 'Next station', run: () => goTo('set') },
  ]);

  const now = over
    ? 'Stop. Above the limit: let it all out.'
    : seatedBoth
      ? 'Both beads are seated.'
      : last === undefined
        ? `Air in, up to ${say(limitKpa, 'kPa')} and no further.`
        : last >= limitKpa - 0.01
          ? 'At the limit and not seated: all air out, break the bead, lubricate, again.'
          : 'Go on. Listen for the pops.';
  const sideName = wheel.discSide === 'none' || wheel.discSide === 'both' ? ['Right side', 'Left side'] : ['Disc side', 'Other side'];
  return (
    <StationLayout
      lead={over ? <VerdictMark verdict="stop" /> : seatedBoth ? <VerdictMark verdict="good" /> : 'Limit in force'}
      now={now}
      why={`After ${ruleNumber('seat.tries', state.rules)} tries stop: wrong size, damage or a caught tube.`}
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
      <form id="seat-reading" className="mt-3 flex items-start gap-2" onSubmit={(e) => { e.preventDefault(); void keep(); }}>
        <div className="flex-1">
          <QuantityField label="Gauge reads" unit="kPa" value={typed} onChange={setTyped} problem={problem} />
        </div>
        <Button type="submit" go={!seatedBoth} className="mt-6" hotkey="R">Take it</Button>
        {seatedBoth && <Button go className="mt-6" hotkey="N" onClick={() => goTo('set')}>Next</Button>}
      </form>
      <Cautions list={working.cautions} />
    </StationLayout>
  );
};
