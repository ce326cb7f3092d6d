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
  /** What the gauge here, and the one there, were found to show. */
  gauge?: readonly GaugeError[];
  toGauge?: readonly GaugeError[];
}

/** The reading at the other place; below zero the tire would be softer than the outside air. */
export interface PressureCorrected {
  /** What the gauge there shows. */
  gaugeKpa: number;
  /** What is in the tire there, whatever a gauge shows. */
  trueKpa: number;
  changeKpa: number;
}

/**
 * What a gauge reads after the tire is taken to another temperature and altitude.
 *
 * `gaugeKpa` 0 to 1000, temperatures -60 to 120 °C, altitudes -500 to 9000 m (0 when left out).
 * `gauge` and `toGauge` take the error of either gauge out or in. Throws `InputError` when the tire would read below
 * zero. Source: ideal gas at constant volume on absolute
 * pressure; US Standard Atmosphere 1976.
 */
export const pressureCorrect = defineWorking<Input, PressureCorrected>({
  name: 'pressure-correct',
  says: 'What a pressure becomes at another temperature and altitude',
  input: () => ({
    gaugeKpa: quantity('kPa', 0, 1000, 'The gauge reading'),
    tempC: quantity('C', -60, 120, 'Temperature where it is read'),
    toTempC: quantity('C', -60, 120, 'Temperature where it will be'),
    altitudeM: quantity('m', -500, 9000, 'Altitude where it is read').optional(),
    toAltitudeM: quantity('m', -500, 9000, 'Altitude where it will be').optional(),
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
        ? show.line('true here', 'by this gauge’s checks', trueOf(gauge, gaugeKpa), 'kPa')
        : gaugeKpa;
    const outsideHereKpa = show.line(
      'outside air here',
      `at ${altitudeM} m`,
      atmosphereKpa(altitudeM),
      'kPa',
    );
    const outsideThereKpa = show.line(
      'outside air there',
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
      'temperature here',
      `${tempC} + 273.15`,
      tempC + ZERO_CELSIUS_IN_K,
      'K',
    );
    const thereK = show.line(
      'temperature there',
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
      'gauge there',
      'absolute there − outside air there',
      thereAbsoluteKpa - outsideThereKpa,
      'kPa',
    );
    show.basis('published', 'ideal gas law at constant volume');
    show.basis('published', 'US Standard Atmosphere 1976');
    if (trueKpa < 0)
      throw new InputError(
        'gaugeKpa',
        'The tire would read below zero there.',
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
