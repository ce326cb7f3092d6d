import { useState } from 'react';
import { pressureStartOf } from '../../core/job';
import { pressureCorrect, USE_WORDS } from '../../core/pressure';
import { attempt } from '../../core/working';
import { Button } from '../parts/Button';
import { QuantityField } from '../parts/fields';
import { useKeys } from '../parts/keys';
import { Quantity, useUnits } from '../parts/quantity';
import { BasisTag, useMainWorking } from '../parts/working';
import { useJob } from '../screens/job-context';
import { StepStrip } from './StepStrip';
import { Cautions, FigureRow, JobDial, StationLayout } from './StationLayout';

const TEMP = { min: -60, max: 60 };
const PRESSURE = { min: 0, max: 1000 };

/** The pressure to leave on the gauge here, so that it is right where the machine is ridden. */
export const SetPressure = () => {
  const { state, write, correcting, goTo } = useJob();
  const { read, say, write: show } = useUnits();
  const before = state.pressureSet;
  const start = pressureStartOf(state);
  const [shop, setShop] = useState(show(before?.shopC ?? 20, 'C', 0));
  const [ride, setRide] = useState(show(before?.rideC ?? 20, 'C', 0));
  const [meant, setMeant] = useState(before ? show(before.rideKpa, 'kPa') : start.ok ? show(start.working.result.pressureKpa, 'kPa') : '');
  const [gauge, setGauge] = useState(before ? show(before.gaugeKpa, 'kPa') : '');
  const [tried, setTried] = useState(false);

  const inRange = (v: number | null, r: { min: number; max: number }): v is number => v !== null && v >= r.min && v <= r.max;
  const shopC = read(shop, 'C');
  const rideC = read(ride, 'C');
  const meantKpa = read(meant, 'kPa');
  const gaugeKpa = gauge.trim() ? read(gauge, 'kPa') : null;
  const tempProblem = (v: number | null) => (inRange(v, TEMP) ? null : `From ${say(TEMP.min, 'C')} to ${say(TEMP.max, 'C')}.`);
  const pressureProblem = (v: number | null) => (inRange(v, PRESSURE) ? null : `From ${say(PRESSURE.min, 'kPa')} to ${say(PRESSURE.max, 'kPa')}.`);
  const corrected =
    inRange(shopC, TEMP) && inRange(rideC, TEMP) && inRange(meantKpa, PRESSURE)
      ? attempt(pressureCorrect, { gaugeKpa: meantKpa, tempC: rideC, toTempC: shopC })
      : null;
  const target = corrected?.ok ? corrected.working : null;
  useMainWorking('the pressure to set', target);

  const save = async () => {
    setTried(true);
    if (!target || !inRange(shopC, TEMP) || !inRange(rideC, TEMP) || !inRange(gaugeKpa, PRESSURE)) return;
    // What the gauge shows now is what counts; what it becomes out there follows from it.
    const there = pressureCorrect.run({ gaugeKpa, tempC: shopC, toTempC: rideC }).result.gaugeKpa;
    if (await write([{ kind: 'pressure-set', ...correcting('pressure-set'), data: { gaugeKpa, shopC, rideC, rideKpa: Math.max(0, there) } }], 'Pressure written.')) goTo('balance');
  };
  useKeys([
    { key: 'n', says: 'Write the pressure and go on', run: () => void save() },
    { key: 'r', says: 'Take the reading', run: () => document.getElementById('gauge-now')?.querySelector('input')?.focus() },
  ]);

  const use = state.cameOff?.use;
  return (
    <StationLayout
      picture={<JobDial />}
      lead={use ? `For ${USE_WORDS[use]}` : 'No use is written down: taken as road'}
      now={target ? `Set ${say(target.result.gaugeKpa, 'kPa')} here.` : 'Which pressure is it meant to have?'}
      why={
        target && inRange(meantKpa, PRESSURE) && rideC !== shopC
          ? `Out there at ${say(rideC!, 'C')} it reads ${say(meantKpa, 'kPa')}: air ${rideC! < shopC! ? 'cools and loses' : 'warms and gains'} pressure on the way.`
          : 'Cold, with a gauge whose error you know.'
      }
    >
      <StepStrip />
      {!start.ok && <p className="mb-3 text-check">{start.problem.message} Right would be {start.problem.expected}.</p>}
      <form
        onSubmit={(e) => {
          e.preventDefault();
          void save();
        }}
      >
        <div className="rows">
          {start.ok && (
            <FigureRow label="Start from" basis={<BasisTag title="the starting pressure" working={start.working} />}>
              <Quantity value={start.working.result.pressureKpa} unit="kPa" />
            </FigureRow>
          )}
          {start.ok && start.working.result.lowKpa !== start.working.result.highKpa && (
            <FigureRow label="Usual between">
              <span className="num text-lg">
                {say(start.working.result.lowKpa, 'kPa')} and {say(start.working.result.highKpa, 'kPa')}
              </span>
            </FigureRow>
          )}
          {target && (
            <FigureRow label="On the gauge here" basis={<BasisTag title="the pressure to set" working={target}>gas law</BasisTag>}>
              <Quantity value={target.result.gaugeKpa} unit="kPa" big />
            </FigureRow>
          )}
        </div>
        <div className="mt-3 grid grid-cols-2 gap-3">
          <QuantityField label="Shop" unit="C" value={shop} onChange={setShop} problem={tempProblem(shopC)} />
          <QuantityField label="Riding" unit="C" value={ride} onChange={setRide} problem={tempProblem(rideC)} />
          <QuantityField label="Meant out there" unit="kPa" value={meant} onChange={setMeant} problem={meant || tried ? pressureProblem(meantKpa) : null} />
          <div id="gauge-now">
            <QuantityField label="Gauge reads now" unit="kPa" value={gauge} onChange={setGauge} problem={gauge || tried ? pressureProblem(gaugeKpa) : null} />
          </div>
        </div>
        {start.ok && <Cautions list={start.working.cautions} />}
        <Button go type="submit" className="mt-4" hotkey="N">
          Write it down
        </Button>
      </form>
    </StationLayout>
  );
};
