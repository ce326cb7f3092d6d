import type { PlanState } from './plan-state';

/** Whether plans from a state are still looked for. */
type IsWanted = (state: PlanState) => boolean;

/** Of fewer states none is taken as a sample. */
const MIN_STATES = 500;
/** Samples are taken as long as one rules out so many states, and such a share of them. */
const MIN_OUT = 5;
const MIN_SHARE = 0.001;
/** The weight of the newest exclusion; the ones before it count with the rest. */
const NEWEST = 0.3;
/** So many that ruled out the most are asked about the next depth as well. */
const KEPT = 20;
/** Steps from one sample to the next: far from each other, whatever the order. */
const STRIDE = 7919;

/** Makes layers of states thinner by what is found out about a few of them. */
interface LayerThinning {
  /** Whether a state is ruled out by what was found out about the depth before. */
  isOut(state: PlanState): boolean;
  /** Those of a layer that are not ruled out, and how many samples that took. */
  thinned(
    layer: readonly number[],
    read: (at: number, into: PlanState) => void,
  ): { layer: number[]; samples: number };
}

/**
 * A bound computed again for one state says more about those that are like it than the bound they
 * all share: states are taken as samples until little is ruled out. `wantedLike` makes that bound;
 * the two states are room to read into.
 */
export const layerThinning = (
  wantedLike: (sample: PlanState) => IsWanted,
  sample: PlanState,
  other: PlanState,
): LayerThinning => {
  let kept: { isWanted: IsWanted; share: number }[] = [];
  return {
    isOut: (state) => kept.some(({ isWanted }) => !isWanted(state)),
    thinned: (all, read) => {
      let layer = [...all];
      let out = Infinity;
      kept = [];
      while (layer.length > MIN_STATES && out > MIN_OUT + MIN_SHARE * layer.length) {
        read(layer[(kept.length * STRIDE) % layer.length]!, sample);
        const isWanted = wantedLike(sample);
        const left = layer.filter((at) => {
          read(at, other);
          return isWanted(other);
        });
        const ruledOut = layer.length - left.length;
        kept.push({ isWanted, share: ruledOut / layer.length });
        // The first one may have been an odd one.
        out = out === Infinity ? ruledOut + MIN_STATES / 5 : (1 - NEWEST) * out + NEWEST * ruledOut;
        layer = left;
      }
      const samples = kept.length;
      kept.sort((a, b) => b.share - a.share);
      kept.length = Math.min(KEPT, samples);
      return { layer, samples };
    },
  };
};
