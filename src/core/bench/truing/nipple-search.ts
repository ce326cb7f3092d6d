/** The input of a pass over the nipples; all lists in the order of the spokes or of the places. */
export interface NippleProblem {
  /** The runout to take away at each place, from its mean: side to side, and up and down. */
  side: readonly number[];
  up: readonly number[];
  /** The move at each place for a whole turn of each spoke, from its mean. */
  sideBy: readonly (readonly number[])[];
  upBy: readonly (readonly number[])[];
  /** The gain in each spoke's tension for a whole turn of each spoke, percent. */
  tensionBy: readonly (readonly number[])[];
  /** The difference of each spoke's tension from its group's middle before, percent. */
  tensionOff: readonly number[];
  /** Highest less lowest that is good enough. */
  enoughMm: number;
  mostTurns: number;
  mostOffPct: number;
}

/** Turns of each spoke, tightening positive, in eighths. */
export type Turns = readonly number[];

/** Finer than this no one turns by hand. */
export const STEP_TURNS = 1 / 8;
/**
 * A pass that turns so many more for the same is not wanted: what it gains has to be this share at
 * least.
 */
const MIN_GAIN = 0.004;
const SWEEPS = 12;

const dot = (a: readonly number[], b: readonly number[]): number => {
  let sum = 0;
  for (let k = 0; k < a.length; k++) sum += a[k]! * b[k]!;
  return sum;
};
const swing = (values: readonly number[]): number =>
  values.length === 0 ? 0 : Math.max(...values) - Math.min(...values);

/**
 * Turns that take the readings away: the spoke that takes most of what is left comes first, then
 * all that are turned are fitted again, until the rim is within `enoughMm` or no spoke helps any
 * more. Never past `mostTurns` for a spoke, nor past `mostOffPct` for a tension (one that was
 * further off may only come nearer).
 *
 * Source: ordinary least squares, by orthogonal matching pursuit with coordinate steps in eighths
 * of a turn.
 */
export const searchNipples = (problem: NippleProblem): Turns => {
  const { side, up, sideBy, upBy, tensionBy, tensionOff, enoughMm, mostTurns, mostOffPct } =
    problem;
  const turns = tensionOff.map(() => 0);
  const by = tensionOff.map((_, i) => [...(sideBy[i] ?? []), ...(upBy[i] ?? [])]);
  const rest = [...side, ...up];
  const tension = [...tensionOff];
  const most = tensionOff.map((off) => Math.max(mostOffPct, Math.abs(off)) + 1e-9);
  // How much the columns have in common, so that a turn tells every other spoke what is left for
  // it.
  const common = by.map((a) => Float64Array.from(by, (b) => dot(a, b)));
  const slopes = Float64Array.from(by, (column) => dot(column, rest));
  const total = dot(rest, rest);

  const fits = (i: number, step: number): boolean => {
    for (let j = 0; j < tension.length; j++)
      if (Math.abs(tension[j]! + tensionBy[i]![j]! * step) > most[j]!) return false;
    return true;
  };
  /**
   * The step of a spoke in eighths that takes most of what is left, as far as its limits let it.
   */
  const bestStep = (i: number): { step: number; gain: number } => {
    const [slope, size] = [slopes[i]!, common[i]![i]!];
    if (size === 0) return { step: 0, gain: 0 };
    const wanted = Math.max(-mostTurns, Math.min(mostTurns, turns[i]! - slope / size)) - turns[i]!;
    for (
      let eighths = Math.round(wanted / STEP_TURNS);
      eighths !== 0;
      eighths -= Math.sign(eighths)
    ) {
      const step = eighths * STEP_TURNS;
      if (Math.abs(turns[i]! + step) <= mostTurns + 1e-9 && fits(i, step))
        return { step, gain: -(2 * slope * step + size * step * step) };
    }
    return { step: 0, gain: 0 };
  };
  const turn = (i: number, step: number): void => {
    turns[i]! += step;
    for (let k = 0; k < rest.length; k++) rest[k]! += by[i]![k]! * step;
    for (let j = 0; j < tension.length; j++) {
      tension[j]! += tensionBy[i]![j]! * step;
      slopes[j]! += common[i]![j]! * step;
    }
  };
  const refit = (among: readonly number[]): void => {
    for (let sweep = 0; sweep < SWEEPS; sweep++) {
      let isMoved = false;
      for (const i of among) {
        const { step, gain } = bestStep(i);
        if (step === 0 || gain <= 1e-12) continue;
        turn(i, step);
        isMoved = true;
      }
      if (!isMoved) return;
    }
  };
  const isEnough = () =>
    swing(rest.slice(0, side.length)) <= enoughMm && swing(rest.slice(side.length)) <= enoughMm;

  const worked: number[] = [];
  while (worked.length < turns.length && !isEnough()) {
    const open = turns.flatMap((_, i) => (worked.includes(i) ? [] : [{ i, ...bestStep(i) }]));
    const best = open.reduce((most, it) => (it.gain > most.gain ? it : most), {
      i: -1,
      step: 0,
      gain: 0,
    });
    if (best.gain <= MIN_GAIN * total) break;
    turn(best.i, best.step);
    worked.push(best.i);
    refit(worked);
  }
  return turns;
};
