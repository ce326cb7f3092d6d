import { useState } from 'react';
import { pressureStartOf } from '../../core/job';
import { pressureCorrect, twoGauges, valveSet } from '../../core/pressure';
import { ruleNumber } from '../../core/rules';
import { attempt } from '../../core/working';
import { useUnits } from '../parts/quantity';
import { useJob } from '../screens/job-context';
import { useApp } from '../store';

const TEMP = { min: -60, max: 60 };
const PRESSURE = { min: 0, max: 1000 };
const ALTITUDE = { min: -500, max: 9000 };
/** Pressures at which a tube is known to creep are those off the road. */
const CREEPS = ['motocross', 'dirt', 'trail'];

const inRange = (v: number | null, { min, max }: { min: number; max: number }): v is number =>
  v !== null && v >= min && v <= max;

/** What is typed at Set, as numbers, with what is wrong of it, and the workings that follow from it. */
export const usePressure = () => {
  const { state, wheel, shop } = useJob();
  const lastGauge = useApp((s) => s.prefs.gauge);
  const { read, say, write: show } = useUnits();
  const before = state.pressureSet;
  const gauges = shop.instruments.filter((i) => i.kind === 'gauge');
  const startAtFirst = pressureStartOf(state);
  const shopHigh = ruleNumber('shop.altitudeM', state.rules);
  const [typed, setTyped] = useState({
    shop: show(before?.shopC ?? 20, 'C', 0),
    ride: show(before?.rideC ?? 20, 'C', 0),
    shopHigh: show(before?.shopM ?? shopHigh, 'm', 0),
    rideHigh: show(before?.rideM ?? shopHigh, 'm', 0),
    meant: before
      ? show(before.rideKpa, 'kPa')
      : startAtFirst.ok
        ? show(startAtFirst.working.result.pressureKpa, 'kPa')
        : '',
    gauge: before ? show(before.gaugeKpa, 'kPa') : '',
    second: before?.second ? show(before.second.gaugeKpa, 'kPa') : '',
  });
  const [gaugeName, setGaugeName] = useState(
    before ? (before.gauge ?? '') : gauges.some((g) => g.name === lastGauge) ? lastGauge : '',
  );
  const [secondName, setSecondName] = useState(before?.second?.gauge ?? '');
  const put = (part: Partial<typeof typed>) => setTyped((t) => ({ ...t, ...part }));

  const values = {
    shopC: read(typed.shop, 'C'),
    rideC: read(typed.ride, 'C'),
    shopM: read(typed.shopHigh, 'm'),
    rideM: read(typed.rideHigh, 'm'),
    meantKpa: read(typed.meant, 'kPa'),
    gaugeKpa: typed.gauge.trim() ? read(typed.gauge, 'kPa') : null,
    secondKpa: typed.second.trim() ? read(typed.second, 'kPa') : null,
  };
  const { shopC, rideC, shopM, rideM, meantKpa, gaugeKpa, secondKpa } = values;
  const said = (v: number | null, range: { min: number; max: number }, unit: 'C' | 'm' | 'kPa') =>
    inRange(v, range) ? null : `From ${say(range.min, unit)} to ${say(range.max, unit)}.`;
  const problems = {
    shop: said(shopC, TEMP, 'C'),
    ride: said(rideC, TEMP, 'C'),
    shopHigh: said(shopM, ALTITUDE, 'm'),
    rideHigh: said(rideM, ALTITUDE, 'm'),
    meant: said(meantKpa, PRESSURE, 'kPa'),
    gauge: said(gaugeKpa, PRESSURE, 'kPa'),
    second: typed.second.trim() ? said(secondKpa, PRESSURE, 'kPa') : null,
  };
  const checksOf = (name: string) =>
    gauges.find((g) => g.name === name)?.checks.map(({ appliedKpa, readsKpa }) => ({ appliedKpa, readsKpa })) ?? [];
  const stepOf = (name: string) =>
    gauges.find((g) => g.name === name)?.stepKpa ?? ruleNumber('gauge.stepKpa', state.rules);
  const placesFit =
    inRange(shopC, TEMP) && inRange(rideC, TEMP) && inRange(shopM, ALTITUDE) && inRange(rideM, ALTITUDE);

  const start = pressureStartOf(state, inRange(meantKpa, PRESSURE) ? meantKpa : undefined);
  const corrected =
    placesFit && inRange(meantKpa, PRESSURE)
      ? attempt(pressureCorrect, {
          gaugeKpa: meantKpa,
          tempC: rideC,
          toTempC: shopC,
          altitudeM: rideM,
          toAltitudeM: shopM,
          toGauge: checksOf(gaugeName),
        })
      : null;
  // What the gauge shows now is what counts; what it becomes out there follows from it.
  const there =
    placesFit && inRange(gaugeKpa, PRESSURE)
      ? attempt(pressureCorrect, {
          gaugeKpa,
          tempC: shopC,
          toTempC: rideC,
          altitudeM: shopM,
          toAltitudeM: rideM,
          gauge: checksOf(gaugeName),
        })
      : null;
  const both =
    inRange(gaugeKpa, PRESSURE) && secondName && inRange(secondKpa, PRESSURE)
      ? attempt(twoGauges, {
          first: { readsKpa: gaugeKpa, stepKpa: stepOf(gaugeName), checks: checksOf(gaugeName) },
          second: { readsKpa: secondKpa, stepKpa: stepOf(secondName), checks: checksOf(secondName) },
        })
      : null;
  const tube = shop.tubes.find((t) => t.id === state.chosen?.tubeId);
  const left = valveSet.run({
    tube: state.chosen?.tube ?? wheel.tube,
    sleeve: tube?.valve === 'rubber',
    rimLocks: wheel.rimLockDegs.length,
    creeps: CREEPS.includes(state.cameOff?.use ?? ''),
    rules: state.rules,
  });
  return {
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
  };
};
