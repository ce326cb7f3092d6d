import { InputError, inputError } from '../../base/errors';
import { angle, listOf, quantity, record } from '../../base/fields';
import { checkStretch } from '../../bench/truing';
import { placeText } from '../../base/units';
import { defineWorking, reason, worstOf, type Reason } from '../../base/working';

/** A feeler reading between the sensor and its ring. */
export interface SensorReading {
  deg: number;
  gapMm: number;
}

interface Input {
  readings: SensorReading[];
  wantMinMm?: number;
  wantMaxMm?: number;
}

interface SensorGap {
  leastMm: number;
  mostMm: number;
  /** Runout of the ring. */
  runoutMm: number;
  reasons: Reason[];
}

const FEW = 3;

const mm = (value: number) => ({ value, unit: 'mm' as const, digits: 2 });

/** Readings of the sensor's gap, as workings and entries take them. */
export const SENSOR_READINGS = listOf(
  record(
    { deg: angle('Place on the ring'), gapMm: quantity('mm', 0, 10, 'Gap there') },
    'A reading',
  ),
  48,
  'Feeler gauge readings around the ring',
);

/**
 * Whether a wheel-speed sensor stands at its gap all round the ring.
 *
 * Gaps 0 to 10 mm at three places or more, none further than 120° from the next; the range is the
 * manual's, and without it nothing is called good. Throws `InputError` for too few places, or a
 * range that is none. Common practice.
 */
export const sensorGap = defineWorking<Input, SensorGap>({
  name: 'sensor-gap',
  title: 'Wheel sensor gap',
  input: () => ({
    readings: SENSOR_READINGS,
    wantMinMm: quantity('mm', 0, 5, 'Gap in the manual, min').optional(),
    wantMaxMm: quantity('mm', 0.05, 10, 'Gap in the manual, max').optional(),
  }),
  example: {
    readings: [
      { deg: 0, gapMm: 0.7 },
      { deg: 120, gapMm: 0.8 },
      { deg: 240, gapMm: 0.75 },
    ],
    wantMinMm: 0.4,
    wantMaxMm: 1.2,
  },
  work({ readings, wantMinMm, wantMaxMm }, show) {
    if (readings.length < FEW)
      throw new InputError(
        'readings',
        'Too few places to see ring runout.',
        `Measure at ${FEW} places or more around the ring`,
      );
    checkStretch(readings.map((r) => r.deg));
    if (wantMinMm !== undefined && wantMaxMm !== undefined && wantMinMm > wantMaxMm)
      throw inputError(
        'wantMinMm',
        'At least {0} and at most {1} cannot both be.',
        'Enter the smaller figure of the manual first',
        [mm(wantMinMm), mm(wantMaxMm)],
      );
    const byGap = [...readings].sort((a, b) => a.gapMm - b.gapMm);
    const [least, most] = [byGap[0]!, byGap.at(-1)!];
    const leastMm = show.line('nearest', placeText(least.deg), least.gapMm, 'mm');
    const mostMm = show.line('furthest', placeText(most.deg), most.gapMm, 'mm');
    const runoutMm = show.line('ring runout', 'furthest − nearest', mostMm - leastMm, 'mm');
    show.basis('measured', 'feeler between sensor and ring');
    const reasons: Reason[] = [];
    if (leastMm === 0) reasons.push(reason('stop', `The ring rubs at ${placeText(least.deg)}.`));
    if (wantMinMm === undefined || wantMaxMm === undefined)
      reasons.push(
        reason('check', 'The manual’s gap is not known: {0} to {1} measured.', [
          mm(leastMm),
          mm(mostMm),
        ]),
      );
    else {
      show.basis('manual', 'gap of the sensor');
      show.line('spec, min', 'manual', wantMinMm, 'mm');
      show.line('spec, max', 'manual', wantMaxMm, 'mm');
      if (leastMm < wantMinMm)
        reasons.push(
          reason('check', `Gap too small at ${placeText(least.deg)}: {0}, spec {1} min.`, [
            mm(leastMm),
            mm(wantMinMm),
          ]),
        );
      if (mostMm > wantMaxMm)
        reasons.push(
          reason('check', `Gap too large at ${placeText(most.deg)}: {0}, spec {1} max.`, [
            mm(mostMm),
            mm(wantMaxMm),
          ]),
        );
      if (reasons.length === 0)
        reasons.push(
          reason('good', 'Between {0} and {1} all around.', [mm(wantMinMm), mm(wantMaxMm)]),
        );
    }
    show.verdict(worstOf(reasons));
    show.caution(
      'A rubbing ring or a wide gap turns on the warning light, and ABS or traction control may not work.',
    );
    return { leastMm, mostMm, runoutMm, reasons };
  },
});
