import { ruleNumber } from '../base/rules';
import { seeded } from '../base/statistics';

/**
 * Pairs to match: on a rack, on a rack that others aired, and two that only air can bring together.
 */
export const PAIR_LEVELS = ['on the rack', 'aired by others', 'two that differ'] as const;
export type PairLevel = (typeof PAIR_LEVELS)[number];

/** A tire that no one has taped. */
interface HiddenTire {
  /** Round the middle of its tread, at the measuring pressure. */
  circumferenceMm: number;
  stretchMmPerKpa: number;
  /** As it stands there at first. */
  cameKpa: number;
  /** The highest pressure it may hold. */
  limitKpa: number;
}

/** Tires of which two make a pair, or none. */
export interface HiddenPair {
  measureKpa: number;
  tires: readonly HiddenTire[];
  /** The two that match at the measuring pressure, counted from 1; null where none do. */
  matches: readonly [number, number] | null;
  /** No air within the limit brings them together. */
  isHopeless: boolean;
}

/**
 * Apart from one another on the rack where they are no pair, mm: more than a taped difference that
 * is corrected.
 */
const APART_MM: [number, number] = [15, 26];

/** The tires that a number hides. */
export const hiddenPair = (seed: number, level: PairLevel): HiddenPair => {
  const chance = seeded(seed * 7621 + 137);
  const within = ([least, most]: readonly [number, number]) => least + (most - least) * chance();
  const measureKpa = ruleNumber('rollout.measureKpa', undefined);
  const stretch = () => within([0.8, 1.4]);
  const roomy = () => measureKpa + within([40, 60]);
  let mm = within([2300, 2600]);
  if (level === 'two that differ') {
    const apartMm = within([16, 22]);
    const [small, large] = [stretch(), stretch()];
    const isHopeless = chance() < 0.3;
    // What it would take, and less or more than that.
    const roomKpa = (apartMm / small) * within(isHopeless ? [0.4, 0.6] : [1.3, 1.8]);
    const limitKpa = measureKpa + roomKpa;
    const tires = [
      { circumferenceMm: mm, stretchMmPerKpa: small, cameKpa: measureKpa, limitKpa },
      { circumferenceMm: mm + apartMm, stretchMmPerKpa: large, cameKpa: measureKpa, limitKpa },
    ];
    return {
      measureKpa,
      tires: chance() < 0.5 ? tires : tires.reverse(),
      matches: null,
      isHopeless,
    };
  }
  const others = level === 'aired by others';
  const pairAt = Math.floor(3 * chance());
  const all = Array.from({ length: 4 }, (_, i) => {
    mm += i === 0 ? 0 : i === pairAt + 1 ? within([0, 4]) : within(APART_MM);
    // The two of the pair stand so differently that taped as they are they seem to be none.
    const off =
      i === pairAt ? within([-8, -6]) : i === pairAt + 1 ? within([9, 13]) : within([-9, 14]);
    const tire = { circumferenceMm: mm, stretchMmPerKpa: stretch(), limitKpa: roomy() };
    return {
      ...tire,
      cameKpa: measureKpa + (others ? off : 0),
      isPair: i === pairAt || i === pairAt + 1,
      by: chance(),
    };
  });
  const rack = all.sort((a, b) => a.by - b.by);
  const [a, b] = rack.flatMap((t, i) => (t.isPair ? [i + 1] : []));
  return {
    measureKpa,
    tires: rack.map(({ isPair: _is, by: _by, ...tire }) => tire),
    matches: [a!, b!],
    isHopeless: false,
  };
};
