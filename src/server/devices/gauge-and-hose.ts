import Joi from 'joi';
import {
  breakAndLubricate,
  emptyTire,
  hoseKpa,
  hoseStep,
  type HoseAir,
  type HoseTire,
  type Valve,
} from '../../core/bench/devices';
import { count, marking, oneOf, quantity } from '../../core/base/fields';
import { seeded } from '../../core/base/statistics';
import { tireVolume } from '../../core/fit/tires';
import { standIn, type StandIn } from './stand-in';

const FITS = ['easy', 'tight'] as const;
const LEAKS = ['none', 'slow', 'fast'] as const;

/** The pressures at which a bead lets go by its fit, lubricated; invented tires. */
const POP_KPA: Record<(typeof FITS)[number], HoseTire['popKpa']> = {
  easy: { disc: 95, other: 135 },
  tight: { disc: 165, other: 205 },
};
const LEAK_MOL_PER_S_KPA: Record<(typeof LEAKS)[number], number> = {
  none: 0,
  slow: 2e-7,
  fast: 2e-5,
};

/** The pressure of the compressor's tank, gauge. */
const TANK_KPA = 800;

interface Knobs {
  tire: string;
  fit: (typeof FITS)[number];
  leak: (typeof LEAKS)[number];
  valve: Valve;
  core: 'in' | 'out';
  /** Dry until broken and lubricated; the same word again does it again. */
  beads: 'dry' | 'lubricated';
  ambientC: number;
  /** Regulator of the hose, gauge: no more than this ever goes in. */
  regulatorKpa: number;
  /** The speed of the air as a multiple of life's. */
  pace: number;
}

const schema = Joi.object({
  tire: marking('Tire on the rim').optional(),
  fit: oneOf(FITS, 'Bead tightness').optional(),
  leak: oneOf(LEAKS, 'Leak').optional(),
  valve: oneOf(['in', 'hold', 'out'], 'Hose').optional(),
  core: oneOf(['in', 'out'], 'The valve core').optional(),
  beads: oneOf(['dry', 'lubricated'], 'Beads').optional(),
  ambientC: quantity('C', -40, 60, 'The shop').optional(),
  regulatorKpa: quantity('kPa', 20, TANK_KPA, 'Regulator of the hose').optional(),
  pace: count(1, 10, 'Speed, times real time').optional(),
}).required();

const NOISE_KPA = 0.4;

const tireOf = ({ tire, fit, leak, ambientC, regulatorKpa }: Knobs): HoseTire => ({
  volumeL: tireVolume.run({ tire }).result.volumeL,
  ambientC,
  popKpa: POP_KPA[fit],
  dryTimes: 1.6,
  supplyKpa: regulatorKpa,
  fillMolPerSKpa: 1.2e-4,
  coreOutTimes: 3,
  leakMolPerSKpa: LEAK_MOL_PER_S_KPA[leak],
});

/** A compressor's hose with a gauge in it, on a tire whose beads are off their seats. */
export const simulatedGauge = (name: string, errorKpa = 0): StandIn => {
  const knobs: Knobs = {
    tire: '110/90-19',
    fit: 'easy',
    leak: 'none',
    valve: 'hold',
    core: 'in',
    beads: 'lubricated',
    ambientC: 20,
    regulatorKpa: TANK_KPA,
    pace: 1,
  };
  const chance = seeded(13);
  let tire = tireOf(knobs);
  let air: HoseAir = emptyTire(tire, true);
  const made = standIn<Knobs>(name, 'gauge', {
    schema,
    knobs,
    digits: 1,
    next: ({ valve, core, pace }, seconds) => {
      const step = hoseStep(tire, air, valve, core === 'out', seconds * pace);
      air = step.air;
      return {
        value: Math.max(-4, hoseKpa(tire, air) + errorKpa + (chance() - 0.5) * NOISE_KPA),
        event: step.popped.length > 0 ? 'pop' : undefined,
      };
    },
  });
  return {
    ...made,
    hold(raw) {
      const before = made.held() as Knobs;
      made.hold(raw);
      const now = made.held() as Knobs;
      tire = tireOf(now);
      // Another tire is a tire that was never seated; beads are broken when someone says what
      // becomes of them.
      if (now.tire !== before.tire || now.fit !== before.fit)
        air = emptyTire(tire, now.beads === 'lubricated');
      else if ((raw as Partial<Knobs>).beads !== undefined)
        air =
          now.beads === 'lubricated'
            ? breakAndLubricate(air)
            : { ...air, seated: { disc: false, other: false }, lubricated: false };
    },
  };
};
