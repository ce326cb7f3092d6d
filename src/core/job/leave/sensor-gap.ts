import { InputError } from '../../base/errors';
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
  /** How far the ring runs out. */
  runoutMm: number;
  reasons: Reason[];
}

const FEW = 3;

/** Readings of the sensor's gap, as workings and entries take them. */
export const SENSOR_READINGS = listOf(
  record(
    { deg: angle('Place on the ring'), gapMm: quantity('mm', 0, 10, 'Gap there') },
    'A reading',
  ),
  48,
  'Feeler readings round the ring',
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
  says: 'Whether a wheel-speed sensor clears its ring, and stands near enough',
  input: () => ({
    readings: SENSOR_READINGS,
    wantMinMm: quantity('mm', 0, 5, 'Gap in the manual, at least').optional(),
    wantMaxMm: quantity('mm', 0.05, 10, 'Gap in the manual, at most').optional(),
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
        'A ring that runs out is not seen from so few places.',
        `at least ${FEW} places round the ring`,
      );
    checkStretch(readings.map((r) => r.deg));
    if (wantMinMm !== undefined && wantMaxMm !== undefined && wantMinMm > wantMaxMm)
      throw new InputError(
        'wantMinMm',
        `At least ${wantMinMm} mm and at most ${wantMaxMm} mm cannot both be.`,
        'the smaller figure of the manual',
      );
    const byGap = [...readings].sort((a, b) => a.gapMm - b.gapMm);
    const [least, most] = [byGap[0]!, byGap.at(-1)!];
    const leastMm = show.line('nearest', placeText(least.deg), least.gapMm, 'mm');
    const mostMm = show.line('furthest', placeText(most.deg), most.gapMm, 'mm');
    const runoutMm = show.line('the ring runs out', 'furthest − nearest', mostMm - leastMm, 'mm');
    show.basis('measured', 'feeler between sensor and ring');
    const mm = (value: number) => ({ value, unit: 'mm' as const, digits: 2 });
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
      show.line('wanted, at least', 'manual', wantMinMm, 'mm');
      show.line('wanted, at most', 'manual', wantMaxMm, 'mm');
      if (leastMm < wantMinMm)
        reasons.push(
          reason('check', `Too near at ${placeText(least.deg)}: {0}, at least {1}.`, [
            mm(leastMm),
            mm(wantMinMm),
          ]),
        );
      if (mostMm > wantMaxMm)
        reasons.push(
          reason('check', `Too far at ${placeText(most.deg)}: {0}, at most {1}.`, [
            mm(mostMm),
            mm(wantMaxMm),
          ]),
        );
      if (reasons.length === 0)
        reasons.push(
          reason('good', 'Between {0} and {1} all round.', [mm(wantMinMm), mm(wantMaxMm)]),
        );
    }
    show.verdict(worstOf(reasons));
    show.caution(
      'A ring that touches, or a wide gap, puts the lamp on and takes the assistance away.',
    );
    return { leastMm, mostMm, runoutMm, reasons };
  },
});
