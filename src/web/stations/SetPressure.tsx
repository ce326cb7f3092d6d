import { useRef, useState } from 'react';
import { USE_WORDS } from '../../core/bench/pressure';
import { Button } from '../parts/Button';
import { useJob } from '../shared/job-context';
import { useKeys } from '../parts/keys';
import { Quantity, useUnits } from '../shared/quantity';
import { Reasons } from '../shared/Reasons';
import { BasisTag, useMainWorking } from '../shared/working';
import { useDo } from '../store';
import { gaugeChosen } from '../store/prefs-slice';
import { GaugeFields } from './GaugeFields';
import { HotSheet } from './HotSheet';
import { PressurePlaces } from './PressurePlaces';
import { Cautions, FigureRow, JobDial, StationLayout } from './StationLayout';
import { StepStrip } from './StepStrip';
import { useGauges } from './use-gauges';
import { usePressure, type PressureAtHand } from './use-pressure';
import { useTypedPressure, type TypedPressure } from './use-typed-pressure';
import { refusalText } from '../shared/refusal';

/** The change of the pressure between the shop and the place of the ride, in a sentence. */
const useWhy = () => {
  const { say } = useUnits();
  return (
    { shopC, rideC, shopM, rideM, meantKpa }: TypedPressure['values'],
    isRefused: boolean,
    isKnown: boolean,
  ): string => {
    if (isRefused) return 'The tube or tire won’t take it.';
    const isWarmer = rideC !== null && shopC !== null && rideC > shopC;
    const isElsewhere = rideC !== shopC || rideM !== shopM;
    if (!isKnown || meantKpa === null || rideC === null || rideM === null || !isElsewhere)
      return 'Cold, with a calibrated gauge.';
    const where = [
      rideC !== shopC && `At ${say(rideC, 'C')}`,
      rideM !== shopM && `${rideC === shopC ? 'At' : 'and'} ${say(rideM, 'm')} elevation`,
    ];
    const air = isWarmer ? 'warmer air, higher' : 'cooler air, lower';
    const why = rideC === shopC ? '' : `: ${air} pressure`;
    return `${where.filter(Boolean).join(' ')} where it’s ridden it reads ${say(meantKpa, 'kPa')}${why}.`;
  };
};

/** The starting pressure, and the reading to leave on the gauge in hand. */
const PressureFigures = ({
  start,
  corrected,
  gauge,
}: Pick<PressureAtHand, 'start' | 'corrected'> & { gauge: string }) => {
  const { say } = useUnits();
  const usual = start.ok ? start.working.result : null;
  const isRefused = start.ok && start.working.verdict === 'stop';
  const target = corrected?.ok && !isRefused ? corrected.working : null;
  return (
    <div className="rows">
      {start.ok && usual && (
        <FigureRow
          label={
            usual.lowKpa === usual.highKpa
              ? 'Starting pressure'
              : `Starting range, ${say(usual.lowKpa, 'kPa')} to ${say(usual.highKpa, 'kPa')}`
          }
          basis={<BasisTag title="the starting pressure" working={start.working} />}
        >
          <Quantity value={usual.pressureKpa} unit="kPa" />
        </FigureRow>
      )}
      {target && (
        <FigureRow
          label={gauge ? `On the ${gauge}` : 'Set on the gauge'}
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
  );
};

/** The pressure to leave on the gauge here, so that it is right where the machine is ridden. */
export const SetPressure = () => {
  const { state, write, correcting, goTo } = useJob();
  const dispatch = useDo();
  const { say } = useUnits();
  const why = useWhy();
  const typing = useTypedPressure();
  const gauges = useGauges();
  const { start, corrected, there, both, left } = usePressure(typing, gauges);
  const { values, problems } = typing;
  const { first, second } = gauges;
  const [withSecond, setWithSecond] = useState(second.name !== '');
  const [thermometer, setThermometer] = useState<string | null>(
    state.pressureSet?.thermometer ?? null,
  );
  const [tried, setTried] = useState(false);
  const gaugeField = useRef<HTMLInputElement>(null);
  const target = corrected?.ok ? corrected.working : null;
  const isRefused = start.ok && start.working.verdict === 'stop';
  useMainWorking('the pressure to set', target);

  const save = async () => {
    setTried(true);
    const { gaugeKpa, shopC, rideC, shopM, rideM, secondKpa } = values;
    if (
      !there?.ok ||
      shopC === null ||
      rideC === null ||
      shopM === null ||
      rideM === null ||
      gaugeKpa === null ||
      problems.secondKpa
    )
      return;
    const data = {
      gaugeKpa,
      shopC,
      rideC,
      rideKpa: there.working.result.trueKpa,
      shopM,
      rideM,
      gauge: first.name || null,
      thermometer,
      second:
        second.name && secondKpa !== null ? { gauge: second.name, gaugeKpa: secondKpa } : null,
    };
    if (
      !(await write(
        [{ kind: 'pressure-set', ...correcting('pressure-set'), data }],
        'Pressure saved.',
      ))
    )
      return;
    dispatch(gaugeChosen(first.name));
    goTo('balance');
  };
  useKeys([
    { key: 'n', label: 'Save pressure and go on', run: () => void save() },
    { key: 'r', label: 'Use reading', run: () => gaugeField.current?.focus() },
  ]);

  const use = state.cameOff?.use;
  const advised = start.ok ? start.working.result.reasons : [];
  const leave = [left.result.lock, left.result.nut].filter(Boolean).join(' ');
  return (
    <StationLayout
      picture={
        <>
          <div className="mx-auto max-w-[360px] max-lg:hidden">
            <JobDial letters={1.15} />
          </div>
          <PressurePlaces typing={typing} onThermometer={setThermometer} />
          {leave && (
            <p className="mx-auto mt-2 flex max-w-[560px] items-center gap-3 text-[15px] text-ink2">
              <span className="flex-1">{leave}</span>
              <BasisTag title="valve nut and rim lock" working={left} />
            </p>
          )}
        </>
      }
      lead={use ? `For ${USE_WORDS[use]}` : 'No use recorded: treated as road'}
      now={
        isRefused
          ? 'Too low.'
          : target
            ? `Set ${say(target.result.gaugeKpa, 'kPa')} in the shop.`
            : 'What’s the riding pressure?'
      }
      why={why(values, isRefused, target !== null)}
      act={<StepStrip />}
    >
      {!start.ok && <p className="mb-2 text-check">{refusalText(start.problem)}</p>}
      {advised.length > 0 && <Reasons reasons={advised} className="mb-2" />}
      <form
        onSubmit={(e) => {
          e.preventDefault();
          void save();
        }}
      >
        <PressureFigures start={start} corrected={corrected} gauge={first.name} />
        <GaugeFields
          typing={typing}
          gauges={gauges}
          withSecond={withSecond}
          tried={tried}
          gaugeRef={gaugeField}
        />
        {both &&
          (both.ok ? (
            <Reasons reasons={[both.working.result.reason]} className="mt-1" />
          ) : (
            <p className="text-stop">{both.problem.message}</p>
          ))}
        <div className="mt-1 flex flex-wrap gap-2">
          {!withSecond && gauges.all.length > 1 && (
            <Button small onClick={() => setWithSecond(true)}>
              A second gauge
            </Button>
          )}
          <HotSheet coldC={values.shopC} altitudeM={values.shopM ?? 0} />
          <Button go type="submit" hotkey="N">
            Save
          </Button>
        </div>
        {start.ok && <Cautions list={start.working.cautions} />}
      </form>
    </StationLayout>
  );
};
