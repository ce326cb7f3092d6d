import { normalDeg } from '../../base/units';
import type { Advice, AdviceInput } from './advice';
import { withinChance, type Belief } from './belief';
import { fromVector, sumParts, toVector } from './mass-vector';
import { learnt, played, RESTS, worthOf } from './played-wheels';

/** The farthest that a trial may go to the side of the counterweight's place. */
const ASIDE_DEG = [0, 15, 30, 45, 60, 80];
/** A final piece is preferred to a trial when it is about as good. */
const ALIKE = 0.02;
/** Trials whose worth differs by less are alike. */
const AS_GOOD = 0.02;

export type Change = Extract<Advice, { do: 'trial' | 'final' }>;

/**
 * The weights to put on next: each trial and the counterweight are played through on wheels as
 * probable as the belief says, and the change most likely to end the balancing is taken.
 */
export const bestChange = (
  { toleranceG, trialsG, trialAt = (deg) => deg, realize = (counter) => [counter] }: AdviceInput,
  belief: Belief,
): Change => {
  const wheels = played(belief);
  const mean = fromVector([-belief.meanX, -belief.meanY]);
  const pieces = realize(mean, (made) => withinChance(belief, made, toleranceG, true));
  const finalWorth = worthOf(belief, wheels, sumParts(pieces), toleranceG) + ALIKE;
  const trials: { massG: number; deg: number; worth: number }[] = [];
  for (const massG of trialsG)
    for (const aside of ASIDE_DEG)
      for (const sign of aside === 0 ? [1] : [1, -1]) {
        // To the degree: no one tapes it on more precisely.
        const deg = trialAt(normalDeg(Math.round(mean.deg + sign * aside)), massG);
        if (deg === null) continue;
        const worth = worthOf(belief, wheels, toVector({ massG, deg }), toleranceG);
        if (worth > finalWorth) trials.push({ massG, deg, worth });
      }
  // Of those about as good, the lightest: less tape, and less to hurt the stand.
  const most = trials.reduce((m, t) => Math.max(m, t.worth), 0);
  const best = trials
    .filter((t) => t.worth > most - AS_GOOD)
    .sort((a, b) => a.massG - b.massG || b.worth - a.worth)[0];
  if (best)
    return {
      do: 'trial',
      massG: best.massG,
      deg: best.deg,
      chance: withinChance(belief, [best], toleranceG, true),
      learns: learnt(belief, wheels, toVector(best), RESTS),
    };
  const chance = withinChance(belief, pieces, toleranceG, true);
  return { do: 'final', massG: mean.massG, deg: mean.deg, pieces, chance };
};
