import { atmosphereKpa, type StandingReading } from '../bench/pressure';
import { ruleNumber } from '../base/rules';
import { seeded } from '../base/statistics';
import { ZERO_CELSIUS_IN_K } from '../base/units';

/**
 * Standing tires to tell a leak by: in steady weather, against the weather, and near what any tire
 * loses.
 */
export const LEAK_LEVELS = ['steady weather', 'against the weather', 'hardly any'] as const;
export type LeakLevel = (typeof LEAK_LEVELS)[number];

/** A standing tire that is read on days of one's choice. */
export interface HiddenLeak {
  tube: boolean;
  /** The finest step of the gauge. */
  gaugeStepKpa: number;
  /** It loses more than a tire of its kind may. */
  leaks: boolean;
  lossKpaPerDay: number;
  read(day: number): StandingReading;
}

const STEP_KPA = 1;
/** No one waits longer. */
export const MAX_DAYS = 90;

/** The hidden share of the ordinary loss: well below it, or well above. */
const SHARES: Record<LeakLevel, { ordinary: [number, number]; leak: [number, number] }> = {
  'steady weather': { ordinary: [0, 0.4], leak: [3, 6] },
  'against the weather': { ordinary: [0, 0.4], leak: [3, 6] },
  'hardly any': { ordinary: [0.3, 0.5], leak: [2, 2.6] },
};

/**
 * The standing tire that a number hides. Its temperature goes with the weather; the gas law does
 * the rest.
 */
export const hiddenLeak = (seed: number, level: LeakLevel): HiddenLeak => {
  const chance = seeded(seed * 5237 + 61);
  const within = ([least, most]: readonly [number, number]) => least + (most - least) * chance();
  const tube = chance() < 0.5;
  const leaks = chance() < 0.5;
  const share = within(SHARES[level][leaks ? 'leak' : 'ordinary']);
  const lossKpaPerDay =
    share * ruleNumber(tube ? 'leak.tubePerDayKpa' : 'leak.tubelessPerDayKpa', undefined);
  const startKpa = within(tube ? [150, 210] : [200, 260]);
  const startC = within([14, 22]);
  // Against the weather: it gets colder where nothing leaks, and warmer where something does.
  const drift = level === 'against the weather' ? (leaks ? 0.8 : -0.8) : 0;
  const temps = Array.from({ length: MAX_DAYS + 1 }, (_, day) =>
    Math.round(
      startC + Math.max(-14, Math.min(14, drift * day)) + (day === 0 ? 0 : within([-2, 2])),
    ),
  );
  const outsideKpa = atmosphereKpa(0);
  return {
    tube,
    gaugeStepKpa: STEP_KPA,
    leaks,
    lossKpaPerDay,
    read(day) {
      const at = Math.min(MAX_DAYS, day);
      const tempC = temps[at]!;
      const atFirstKpa = Math.max(0, startKpa - lossKpaPerDay * at);
      const gaugeKpa =
        ((atFirstKpa + outsideKpa) * (tempC + ZERO_CELSIUS_IN_K)) /
          (temps[0]! + ZERO_CELSIUS_IN_K) -
        outsideKpa;
      // Flat it breathes with the outside air, whatever the weather.
      const shownKpa = atFirstKpa === 0 ? 0 : Math.max(0, gaugeKpa);
      return { day: at, gaugeKpa: Math.round(shownKpa / STEP_KPA) * STEP_KPA, tempC };
    },
  };
};
