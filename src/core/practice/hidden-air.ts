import type { HoseTire } from '../bench/devices';
import { seeded } from '../base/statistics';

/** Tires to seat: one that is dry, one whose second side hangs, and one that no air seats. */
export const AIR_LEVELS = ['a dry bead', 'one side hangs', 'something is wrong'] as const;
export type AirLevel = (typeof AIR_LEVELS)[number];

/** A tire on the hose that no one has seated yet. */
export interface HiddenAir {
  tire: HoseTire;
  /** The limits of sidewall, rim and shop, gauge; the lowest of them binds. */
  sidewallKpa: number;
  rimKpa: number;
  shopKpa: number;
  limitKpa: number;
  /** No air within the limit seats it: a wrong size, damage, or a caught tube. */
  isHopeless: boolean;
}

/** The factor on a bead's pressure: dry, lubricated once, and again. Basis: memory. */
export const BY_LUBRICATION = [1.7, 1.15, 1] as const;
/** The shop's own ceiling, kPa: 40 psi. Basis: memory, as its rule. */
const SHOP_KPA = 275.79;
/** A sidewall's limit is one of these, kPa. */
const SIDEWALLS_KPA = [207, 241, 248, 276, 300] as const;
const RIMS_KPA = [220, 260, 300, 345] as const;

/**
 * The tire that a number hides. It seats within the limit once it is lubricated well, except where
 * something is wrong: there one bead lets go under the limit and the other far above it.
 */
export const hiddenAir = (seed: number, level: AirLevel): HiddenAir => {
  const chance = seeded(seed * 8111 + 307);
  const among = <T>(items: readonly T[]): T => items[Math.floor(chance() * items.length)]!;
  const [sidewallKpa, rimKpa] = [among(SIDEWALLS_KPA), among(RIMS_KPA)];
  const limitKpa = Math.min(sidewallKpa, rimKpa, SHOP_KPA);
  const first = limitKpa * (0.45 + 0.2 * chance());
  const second =
    level === 'a dry bead'
      ? limitKpa * (0.62 + 0.2 * chance())
      : level === 'one side hangs'
        ? limitKpa * (0.89 + 0.07 * chance())
        : limitKpa * (1.2 + 0.3 * chance());
  const popKpa = chance() < 0.5 ? { disc: first, other: second } : { disc: second, other: first };
  return {
    tire: {
      volumeL: 12 + 10 * chance(),
      ambientC: 20,
      popKpa,
      dryTimes: 1,
      supplyKpa: 700,
      fillMolPerSKpa: 0.0004,
      coreOutTimes: 3,
      leakMolPerSKpa: 0,
    },
    sidewallKpa,
    rimKpa,
    shopKpa: SHOP_KPA,
    limitKpa,
    isHopeless: level === 'something is wrong',
  };
};
