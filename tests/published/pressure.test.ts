import { atmosphereKpa, pressureCorrect } from '../../src/core/bench/pressure';
import {
  FT_LBF_IN_NM,
  INCH_IN_MM,
  OUNCE_IN_G,
  POUND_IN_KG,
  PSI_IN_KPA,
  ZERO_CELSIUS_IN_K,
} from '../../src/core/base/units';

/** Source: US Standard Atmosphere 1976, table of pressure by geopotential altitude. */
test.each([
  [0, 101.325],
  [1000, 89.875],
  [2000, 79.495],
  [3000, 70.109],
  [5000, 54.02],
])('the outside air at %d m is %d kPa', (altitudeM, kpa) => {
  expect(Math.abs(atmosphereKpa(altitudeM) - kpa)).toBeLessThan(0.001);
});

/**
 * Source: OpenStax, College Physics, chapter 13, example on the pressure of a tire: 7.00e5 Pa
 * absolute at 18.0 °C becomes 7.41e5 Pa at 35.0 °C.
 */
test('the worked example of the textbook comes out', () => {
  const outsideKpa = atmosphereKpa(0);
  const { gaugeKpa } = pressureCorrect.run({
    gaugeKpa: 700 - outsideKpa,
    tempC: 18,
    toTempC: 35,
  }).result;
  expect(gaugeKpa + outsideKpa).toBeCloseTo(741, 0);
});

/** Common practice, by the gas law: 13.0 psi set at 25 °C reads 11.1 psi at 5 °C. */
test('a tire set in a warm shop reads less in the cold', () => {
  const { gaugeKpa } = pressureCorrect.run({
    gaugeKpa: 13 * PSI_IN_KPA,
    tempC: 25,
    toTempC: 5,
  }).result;
  expect(gaugeKpa / PSI_IN_KPA).toBeCloseTo(11.1, 1);
});

/** Source: NIST Special Publication 811 (2008), appendix B.8. */
test.each([
  ['pound-force per square inch', PSI_IN_KPA, 6.894757],
  ['inch', INCH_IN_MM, 25.4],
  ['foot pound-force', FT_LBF_IN_NM, 1.355818],
  ['ounce (avoirdupois)', OUNCE_IN_G, 28.34952],
  ['pound (avoirdupois)', POUND_IN_KG, 0.4535924],
  ['zero Celsius', ZERO_CELSIUS_IN_K, 273.15],
])('the factor of the %s is as published', (_name, used, published) => {
  expect(used).toBe(published);
});
