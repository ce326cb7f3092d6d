import { ZERO_CELSIUS_IN_K } from '../../base/units';

/** J/(mol·K), 2018 CODATA; molar heats of a diatomic gas. */
const GAS = 8.314462618;
const HEAT_V = 2.5 * GAS;
const HEAT_P = 3.5 * GAS;
const OUTSIDE_KPA = 101.325;
/**
 * Downstream over upstream pressure under which flow through an orifice is choked. Published: ISO
 * 6358-1, for a sharp orifice.
 */
const CHOKED = 0.528;
/** Each bead that goes home gives the air so much more room. Basis: memory. */
const ROOM_PER_BEAD = 0.015;
/** Share of the gas's own heat that goes into the tire in a second. Basis: memory. */
const COOLING_PER_S = 1 / 25;
const SUBSTEP_S = 0.005;

export const BEAD_SIDES = ['disc', 'other'] as const;
export type BeadSide = (typeof BEAD_SIDES)[number];

/** A tire on its rim, on a hose. `*MolPerSKpa` are flows for each kilopascal upstream. */
export interface HoseTire {
  volumeL: number;
  ambientC: number;
  /** The pressure at which each lubricated bead lets go, gauge; dry it takes `dryTimes` as much. */
  popKpa: Record<BeadSide, number>;
  dryTimes: number;
  /** The pressure behind the hose, gauge: the tank's, or the regulator's. */
  supplyKpa: number;
  fillMolPerSKpa: number;
  /** With the core out the hose gives so many times as much. */
  coreOutTimes: number;
  leakMolPerSKpa: number;
}

export interface HoseAir {
  mol: number;
  gasK: number;
  seated: Record<BeadSide, boolean>;
  lubricated: boolean;
}

export type Valve = 'in' | 'hold' | 'out';

const roomM3 = (tire: HoseTire, air: HoseAir): number =>
  (tire.volumeL / 1000) *
  (1 - ROOM_PER_BEAD * BEAD_SIDES.filter((side) => !air.seated[side]).length);
const absoluteKpa = (tire: HoseTire, air: HoseAir): number =>
  (air.mol * GAS * air.gasK) / roomM3(tire, air) / 1000;

/** The reading of a faultless gauge. */
export const hoseKpa = (tire: HoseTire, air: HoseAir): number =>
  absoluteKpa(tire, air) - OUTSIDE_KPA;

/** A tire with nothing but outside air in it, both beads off their seats. */
export const emptyTire = (tire: HoseTire, lubricated: boolean): HoseAir => {
  const air: HoseAir = {
    mol: 0,
    gasK: tire.ambientC + ZERO_CELSIUS_IN_K,
    seated: { disc: false, other: false },
    lubricated,
  };
  return { ...air, mol: (OUTSIDE_KPA * 1000 * roomM3(tire, air)) / (GAS * air.gasK) };
};

/** Flow through an orifice, mol/s, by the ellipse of ISO 6358-1. */
const flow = (conductance: number, upKpa: number, downKpa: number): number => {
  const ratio = downKpa / upKpa;
  if (ratio >= 1) return 0;
  return (
    conductance *
    upKpa *
    (ratio <= CHOKED ? 1 : Math.sqrt(1 - ((ratio - CHOKED) / (1 - CHOKED)) ** 2))
  );
};

/**
 * The next moment of a tire on the hose: air goes in or out and warms or cools, beads let go one
 * after the other. Says which sides popped. Source: first law for an open volume, ideal diatomic
 * gas; ISO 6358-1 for the flow.
 */
export const hoseStep = (
  tire: HoseTire,
  before: HoseAir,
  valve: Valve,
  coreOut: boolean,
  seconds: number,
): { air: HoseAir; popped: BeadSide[] } => {
  const popped: BeadSide[] = [];
  const ambientK = tire.ambientC + ZERO_CELSIUS_IN_K;
  const hose = tire.fillMolPerSKpa * (coreOut ? tire.coreOutTimes : 1);
  let air = before;
  for (let left = seconds; left > 1e-9; left -= SUBSTEP_S) {
    const dt = Math.min(left, SUBSTEP_S);
    const kpa = absoluteKpa(tire, air);
    const inMol = valve === 'in' ? flow(hose, tire.supplyKpa + OUTSIDE_KPA, kpa) * dt : 0;
    const outMol = flow(tire.leakMolPerSKpa + (valve === 'out' ? hose : 0), kpa, OUTSIDE_KPA) * dt;
    const mol = air.mol + inMol - outMol;
    const heat =
      inMol * HEAT_P * ambientK -
      outMol * HEAT_P * air.gasK -
      air.mol * HEAT_V * (air.gasK - ambientK) * COOLING_PER_S * dt;
    air = { ...air, mol, gasK: (air.mol * HEAT_V * air.gasK + heat) / (mol * HEAT_V) };
    for (const side of BEAD_SIDES) {
      if (
        air.seated[side] ||
        hoseKpa(tire, air) < tire.popKpa[side] * (air.lubricated ? 1 : tire.dryTimes)
      )
        continue;
      popped.push(side);
      air = { ...air, seated: { ...air.seated, [side]: true } };
    }
  }
  return { air, popped };
};

/**
 * Beads broken and lubricated again, as after a try that failed. Only with the air out; the
 * pressure stays where it is.
 */
export const breakAndLubricate = (air: HoseAir): HoseAir => ({
  ...air,
  seated: { disc: false, other: false },
  lubricated: true,
});
