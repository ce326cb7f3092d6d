import { quantity } from '../../base/fields';
import { ZERO_CELSIUS_IN_K } from '../../base/units';
import { InputError } from '../../base/errors';
import { defineWorking } from '../../base/working';
import { atmosphereKpa } from './atmosphere-kpa';
import { GAUGE_ERRORS, readsOf, trueOf, type GaugeError } from './gauge-error';

interface Input {
  gaugeKpa: number;
  tempC: number;
  toTempC: number;
  altitudeM?: number;
  toAltitudeM?: number;
  /** The known errors of the gauge here, and the one there. */
  gauge?: readonly GaugeError[];
  toGauge?: readonly GaugeError[];
}

/** The reading at the other place; below zero the tire would be softer than the outside air. */
export interface PressureCorrected {
  /** The reading of the gauge there. */
  gaugeKpa: number;
  /** The true pressure there, whatever a gauge shows. */
  trueKpa: number;
  changeKpa: number;
}

/**
 * The reading of a gauge after the tire is taken to another temperature and altitude.
 *
 * `gaugeKpa` 0 to 1000, temperatures -60 to 120 °C, altitudes -500 to 9000 m (0 when left out).
 * `gauge` and `toGauge` take the error of either gauge out or in. Throws `InputError` when the tire would read below
 * zero. Source: ideal gas at constant volume on absolute
 * pressure; US Standard Atmosphere 1976.
 */
export const pressureCorrect = defineWorking<Input, PressureCorrected>({
  name: 'pressure-correct',
  title: 'Pressure at riding temperature',
  input: () => ({
    gaugeKpa: quantity('kPa', 0, 1000, 'The gauge reading'),
    tempC: quantity('C', -60, 120, 'Shop temperature'),
    toTempC: quantity('C', -60, 120, 'Riding temperature'),
    altitudeM: quantity('m', -500, 9000, 'Shop elevation').optional(),
    toAltitudeM: quantity('m', -500, 9000, 'Riding elevation').optional(),
    gauge: GAUGE_ERRORS.optional(),
    toGauge: GAUGE_ERRORS.optional(),
  }),
  example: { gaugeKpa: 96, tempC: 22, toTempC: 8 },
  work(
    { gaugeKpa, tempC, toTempC, altitudeM = 0, toAltitudeM = altitudeM, gauge = [], toGauge = [] },
    show,
  ) {
    const trueHereKpa =
      gauge.length > 0
        ? show.line(
            'true pressure in the shop',
            'by this gauge’s checks',
            trueOf(gauge, gaugeKpa),
            'kPa',
          )
        : gaugeKpa;
    const outsideHereKpa = show.line(
      'outside air in the shop',
      `at ${altitudeM} m`,
      atmosphereKpa(altitudeM),
      'kPa',
    );
    const outsideThereKpa = show.line(
      'outside air where it’s ridden',
      `at ${toAltitudeM} m`,
      atmosphereKpa(toAltitudeM),
      'kPa',
    );
    const absoluteKpa = show.line(
      'absolute here',
      'gauge + outside air',
      trueHereKpa + outsideHereKpa,
      'kPa',
    );
    const hereK = show.line(
      'temperature in the shop',
      `${tempC} + 273.15`,
      tempC + ZERO_CELSIUS_IN_K,
      'K',
    );
    const thereK = show.line(
      'temperature where it’s ridden',
      `${toTempC} + 273.15`,
      toTempC + ZERO_CELSIUS_IN_K,
      'K',
    );
    const thereAbsoluteKpa = show.line(
      'absolute there',
      'absolute here × T there / T here',
      (absoluteKpa * thereK) / hereK,
      'kPa',
    );
    const trueKpa = show.line(
      'gauge where it’s ridden',
      'absolute there − outside air there',
      thereAbsoluteKpa - outsideThereKpa,
      'kPa',
    );
    show.basis('published', 'ideal gas law at constant volume');
    show.basis('published', 'US Standard Atmosphere 1976');
    if (trueKpa < 0)
      throw new InputError(
        'gaugeKpa',
        'The tire would read below zero where it’s ridden.',
        'Enter a higher gauge reading: it must stay above the outside air',
      );
    const thereKpa =
      toGauge.length > 0
        ? show.line('that gauge shows', 'by its checks', readsOf(toGauge, trueKpa), 'kPa')
        : trueKpa;
    if (gauge.length + toGauge.length > 0)
      show.basis('measured', 'the gauge’s own checks, straight lines between them');
    return { gaugeKpa: thereKpa, trueKpa, changeKpa: thereKpa - gaugeKpa };
  },
});
