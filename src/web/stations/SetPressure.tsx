import { useState } from 'react';
import { GROUNDS, GROUND_WORDS, USE_WORDS, type Ground } from '../../core/pressure';
import { Button } from '../parts/Button';
import { DeviceTake, WithTake } from '../parts/DeviceTake';
import { ChoiceField, QuantityField } from '../parts/fields';
import { useKeys } from '../parts/keys';
import { Quantity, useUnits } from '../parts/quantity';
import { Reasons } from '../parts/Reasons';
import { BasisTag, useMainWorking } from '../parts/working';
import { useJob } from '../screens/job-context';
import { useDo } from '../store';
import { gaugeChosen } from '../store/prefs-slice';
import { HotSheet } from './HotSheet';
import { StepStrip } from './StepStrip';
import { Cautions, FigureRow, JobDial, StationLayout } from './StationLayout';
import { usePressure } from './use-pressure';

/** The pressure to leave on the gauge here, so that it is right where the machine is ridden. */
export const SetPressure = () => {
  const { state, write, correcting, goTo } = useJob();
  const dispatch = useDo();
  const { say, write: show } = useUnits();
  const {
    typed,
    put,
    values,
    problems,
    gauges,
    gaugeName,
    setGaugeName,
    secondName,
    setSecondName,
    start,
    corrected,
    there,
    both,
    left,
  } = usePressure();
  const [withSecond, setWithSecond] = useState(secondName !== '');
  const [thermometer, setThermometer] = useState<string | null>(state.pressureSet?.thermometer ?? null);
  const [tried, setTried] = useState(false);
  const { shopC, rideC, shopM, rideM, gaugeKpa, secondKpa, meantKpa } = values;
  const target = corrected?.ok ? corrected.working : null;
  const refused = start.ok && start.working.verdict === 'stop';
  const usual = start.ok ? start.working.result : null;
  useMainWorking('the pressure to set', target);

  const save = async () => {
    setTried(true);
    if (
      !there?.ok ||
      shopC === null ||
      rideC === null ||
      shopM === null ||
      rideM === null ||
      gaugeKpa === null ||
      problems.second
    )
      return;
    const second = secondName && secondKpa !== null ? { gauge: secondName, gaugeKpa: secondKpa } : null;
    const data = {
      gaugeKpa,
      shopC,
      rideC,
      rideKpa: there.working.result.trueKpa,
      shopM,
      rideM,
      gauge: gaugeName || null,
      thermometer,
      second,
    };
    if (!(await write([{ kind: 'pressure-set', ...correcting('pressure-set'), data }], 'Pressure written.'))) return;
    dispatch(gaugeChosen(gaugeName));
    goTo('balance');
  };
  useKeys([
    { key: 'n', says: 'Write the pressure and go on', run: () => void save() },
    {
      key: 'r',
      says: 'Take the reading',
      run: () => document.getElementById('gauge-now')?.querySelector('input')?.focus(),
    },
  ]);

  const use = state.cameOff?.use;
  const elsewhere = rideC !== shopC || rideM !== shopM;
  const gaugeOptions = [
    ['', 'not said'],
    ...gauges.map((g) => [g.name, g.checks.length > 0 ? `${g.name}, checked` : g.name] as const),
  ] as const;
  const known = new Set(gauges.map((g) => g.name));
  return (
    <StationLayout
      picture={
        <>
          <div className="mx-auto max-w-[360px] max-lg:hidden">
            <JobDial />
          </div>
          <div className="mx-auto mt-2 grid max-w-[560px] grid-cols-2 gap-x-6 gap-y-2">
            <h3 className="self-center text-[19px]">Here</h3>
            <div className="flex flex-wrap items-center gap-x-2">
              <h3 className="whitespace-nowrap text-[19px]">Out there, on</h3>
              <select
                className="field min-w-[120px] flex-1"
                aria-label="Ground"
                value={state.ground ?? 'mixed'}
                onChange={(e) => void write([{ kind: 'ground', data: { ground: e.target.value as Ground } }])}
              >
                {GROUNDS.map((g) => (
                  <option key={g} value={g}>
                    {GROUND_WORDS[g]}
                  </option>
                ))}
              </select>
            </div>
            <WithTake
              kind="thermometer"
              what="Shop temperature"
              onTake={(line) => {
                put({ shop: show(line.value, 'C', 0) });
                setThermometer(line.device);
              }}
            >
              <QuantityField
                label="Shop"
                unit="C"
                value={typed.shop}
                onChange={(v) => {
                  put({ shop: v });
                  setThermometer(null);
                }}
                problem={problems.shop}
                signed
              />
            </WithTake>
            <QuantityField
              label="Riding"
              unit="C"
              value={typed.ride}
              onChange={(v) => put({ ride: v })}
              problem={problems.ride}
              signed
            />
            <QuantityField
              label="Shop stands at"
              unit="m"
              value={typed.shopHigh}
              onChange={(v) => put({ shopHigh: v })}
              problem={problems.shopHigh}
              signed
            />
            <QuantityField
              label="Ridden at"
              unit="m"
              value={typed.rideHigh}
              onChange={(v) => put({ rideHigh: v })}
              problem={problems.rideHigh}
              signed
            />
          </div>
          {(left.result.nut || left.result.lock) && (
            <p className="mx-auto mt-2 flex max-w-[560px] items-center gap-3 text-[15px] text-ink2">
              <span className="flex-1">{[left.result.lock, left.result.nut].filter(Boolean).join(' ')}</span>
              <BasisTag title="valve nut and rim lock" working={left} />
            </p>
          )}
        </>
      }
      lead={use ? `For ${USE_WORDS[use]}` : 'No use is written down: taken as road'}
      now={
        refused
          ? 'Not so low.'
          : target
            ? `Set ${say(target.result.gaugeKpa, 'kPa')} here.`
            : 'Which pressure is it meant to have?'
      }
      why={
        refused
          ? 'The tube or the tire would not stand it.'
          : target && meantKpa !== null && elsewhere
            ? `Out there${rideC !== shopC ? ` at ${say(rideC!, 'C')}` : ''}${rideM !== shopM ? ` ${say(rideM!, 'm')} up` : ''} it reads ${say(meantKpa, 'kPa')}${rideC !== shopC ? `: air ${rideC! < shopC! ? 'cools and loses' : 'warms and gains'} pressure on the way` : ''}.`
            : 'Cold, with a gauge whose error you know.'
      }
    >
      <StepStrip />
      {!start.ok && (
        <p className="mb-2 text-check">
          {start.problem.message} Right would be {start.problem.expected}.
        </p>
      )}
      {usual && usual.reasons.length > 0 && <Reasons reasons={usual.reasons} className="mb-2" />}
      <form
        onSubmit={(e) => {
          e.preventDefault();
          void save();
        }}
      >
        <div className="rows">
          {start.ok && usual && (
            <FigureRow
              label={
                usual.lowKpa === usual.highKpa
                  ? 'Start from'
                  : `Start, ${say(usual.lowKpa, 'kPa')} to ${say(usual.highKpa, 'kPa')}`
              }
              basis={<BasisTag title="the starting pressure" working={start.working} />}
            >
              <Quantity value={usual.pressureKpa} unit="kPa" />
            </FigureRow>
          )}
          {target && !refused && (
            <FigureRow
              label={gaugeName ? `On the ${gaugeName}` : 'On the gauge here'}
              basis={
                <BasisTag title="the pressure to set" working={target}>
                  gas law
                </BasisTag>
              }
            >
              <Quantity value={target.result.gaugeKpa} unit="kPa" big />
            </FigureRow>
          )}
        </div>
        <div className="mt-1 grid grid-cols-2 gap-x-3 gap-y-0.5">
          <QuantityField
            label="Meant out there"
            unit="kPa"
            value={typed.meant}
            onChange={(v) => put({ meant: v })}
            problem={typed.meant || tried ? problems.meant : null}
          />
          <ChoiceField
            label="Which gauge"
            value={gaugeName}
            onChange={setGaugeName}
            options={known.has(gaugeName) || !gaugeName ? gaugeOptions : [...gaugeOptions, [gaugeName, gaugeName]]}
          />
          <div id="gauge-now">
            <QuantityField
              label="Gauge reads now"
              unit="kPa"
              value={typed.gauge}
              onChange={(v) => put({ gauge: v })}
              problem={typed.gauge || tried ? problems.gauge : null}
            />
          </div>
          <div className="mt-6.5">
            <DeviceTake
              kind="gauge"
              what="Pressure"
              onTake={(line) => {
                put({ gauge: show(Math.max(0, line.value), 'kPa') });
                setGaugeName(line.device);
              }}
            />
          </div>
          {withSecond && (
            <QuantityField
              label="Another gauge reads"
              unit="kPa"
              value={typed.second}
              onChange={(v) => put({ second: v })}
              problem={problems.second}
            />
          )}
          {withSecond && (
            <ChoiceField
              label="The second gauge"
              value={secondName}
              onChange={setSecondName}
              options={gaugeOptions.filter(([name]) => name === '' || name !== gaugeName)}
            />
          )}
        </div>
        {both &&
          (both.ok ? (
            <Reasons reasons={[both.working.result.reason]} className="mt-1" />
          ) : (
            <p className="text-stop">{both.problem.message}</p>
          ))}
        <div className="mt-1 flex flex-wrap gap-2">
          {!withSecond && gauges.length > 1 && (
            <Button small onClick={() => setWithSecond(true)}>
              A second gauge
            </Button>
          )}
          <HotSheet coldC={shopC} altitudeM={shopM ?? 0} />
          <Button go type="submit" hotkey="N">
            Write it down
          </Button>
        </div>
        {start.ok && <Cautions list={start.working.cautions} />}
      </form>
    </StationLayout>
  );
};
