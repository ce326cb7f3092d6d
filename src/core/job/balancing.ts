import { balancePlace, balanceTrial, sumVectors, type BalancePlacement, type BalanceTrial, type Piece, type WeightStock } from '../balance';
import { ruleWord } from '../rules';
import type { WeightItem } from '../shop';
import { angleBetween, meanDeg } from '../units';
import { weightPlaces } from '../wheels';
import { attempt, type Attempt } from '../working';
import type { EntryData } from './entries';
import type { JobState } from './fold';

type Moved = EntryData['level-check']['moved'];

/** Where the balancing of a wheel stands, worked out from its log and the weights in stock. */
export interface Balancing {
  /** Nothing yet, at rest, a trial that cannot tell, ready to place, or weights on. */
  stage: 'rest' | 'rested' | 'again' | 'place' | 'check';
  /** The middle of the rests; null before the first. */
  restDeg: number | null;
  found: Attempt<BalanceTrial> | null;
  placed: Attempt<BalancePlacement> | null;
  /** The kinds of weight that hold on this wheel. */
  stock: WeightStock[];
  sides: 'both' | 'one';
}

/** Kinds of weight that a placement looks at. */
const MOST_KINDS = 12;

/** Weights of this shop that hold on this wheel: crimp-on at spokes, adhesive on a cast face. */
const stockFor = (state: JobState, weights: readonly WeightItem[]): WeightStock[] => {
  const kind = state.wheel?.build === 'spoked' ? 'spoke' : 'adhesive';
  return weights
    .filter((w) => w.kind === kind && w.count > 0)
    .slice(0, MOST_KINDS)
    .map(({ massG, count }) => ({ massG, count }));
};

/** The balancing of a job. Common practice: the middle of rests from both sides cancels friction. */
export const balancingOf = (state: JobState, weights: readonly WeightItem[]): Balancing => {
  const { rests, trial, rules, wheel } = state;
  const stock = stockFor(state, weights);
  const sides = ruleWord('balance.sides', rules) as Balancing['sides'];
  const restDeg = rests.length > 0 ? meanDeg(rests.map((r) => r.restDeg)) : null;
  const found =
    restDeg === null || !trial
      ? null
      : attempt(balanceTrial, { restDeg, trialMassG: trial.trialMassG, trialDeg: trial.trialDeg, restWithTrialDeg: trial.restDeg, rules });
  const positions = wheel ? weightPlaces(wheel) : undefined;
  const placed = found?.ok
    ? attempt(balancePlace, {
        counterMassG: found.working.result.counterMassG,
        counterDeg: found.working.result.counterDeg,
        stock,
        sides,
        rules,
        ...(positions ? { positions } : {}),
      })
    : null;
  const stage = state.weights ? 'check' : found?.ok ? 'place' : found ? 'again' : restDeg !== null ? 'rested' : 'rest';
  return { stage, restDeg, found, placed, stock, sides };
};

/** What the checks at 3 and 9 o'clock say together; null while one is missing. */
export const levelVerdict = (checks: JobState['levelChecks']): 'balanced' | 'too little' | 'too much' | 'unclear' | null => {
  const moves = [checks[3], checks[9]].filter((m): m is Moved => m !== undefined);
  const moving = new Set(moves.filter((m) => m !== 'stays'));
  if (moving.size > 1) return 'unclear';
  if (moving.has('rises')) return 'too little';
  if (moving.has('sinks')) return 'too much';
  return moves.length === 2 ? 'balanced' : null;
};

/** The smallest change that the checks ask for: one more smallest piece, or the smallest one off. */
export const adjustment = (state: JobState, balancing: Balancing): { piece: Piece; pieces: Piece[]; residualG: number } | null => {
  const verdict = levelVerdict(state.levelChecks);
  const { found, stock, sides } = balancing;
  if (!state.weights || !found?.ok || (verdict !== 'too little' && verdict !== 'too much')) return null;
  const { counterDeg, heavyMassG, heavyDeg } = found.working.result;
  const now = state.weights.pieces;
  const bySize = [...now].sort((a, b) => a.massG - b.massG);
  const places = state.wheel ? weightPlaces(state.wheel) : [counterDeg];
  const nearest = [...places].sort((a, b) => Math.abs(angleBetween(counterDeg, a)) - Math.abs(angleBetween(counterDeg, b)))[0]!;
  const smallestG = Math.min(...stock.map((s) => s.massG));
  const piece: Piece | undefined =
    verdict === 'too much' ? bySize[0] : stock.length > 0 ? { massG: smallestG, deg: nearest, side: sides === 'both' && now.length % 2 === 1 ? 'far' : 'near' } : undefined;
  if (!piece) return null;
  const pieces = verdict === 'too much' ? now.filter((p) => p !== piece) : [...now, piece];
  const residualG = sumVectors([{ massG: heavyMassG, deg: heavyDeg }, ...pieces]).massG;
  return { piece, pieces, residualG };
};
