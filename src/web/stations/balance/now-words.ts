import {
  chanceText,
  type BalanceAdvice,
  type BalanceEstimate,
  type Learns,
  type Piece,
  type Sides,
} from '../../../core/balance';
import type { InputProblem } from '../../../core/errors';
import { heavyAgainst, type BalanceLog } from '../../../core/job';
import { angleBetween } from '../../../core/units';
import { BY_HAND, type Doing } from './doing';

interface Told {
  hand: Doing | null;
  broken: boolean;
  balance: BalanceLog;
  advice: BalanceAdvice | null;
  /** The pieces that the advice wants on. */
  toPut: readonly Piece[];
  sides: Sides;
  toleranceG: number;
  estimate: BalanceEstimate | null;
  problem: InputProblem | null;
  /** Masses, places and sides as the fitter has them. */
  say: {
    mass(g: number): string;
    clock(deg: number): string;
    side(from: 'left' | 'right'): string;
    pieces(list: readonly Piece[]): string;
  };
}

const SIDE_WHY: Record<Sides, string> = {
  both: 'In pairs, one on each side of the rim.',
  one: 'On the side away from the caliper.',
  inner: 'On the inner face, under tape.',
};
/** Less is not worth a sentence. */
const WORTH_SAYING = 0.8;
const SETTLES =
  'Stand level, bearings clean and free, cones snug. The heavy spot comes to the bottom, within what the bearings hide.';

/** The next action in one line, and why. */
export const nowWords = ({
  hand,
  broken,
  balance,
  advice,
  toPut,
  sides,
  toleranceG,
  estimate,
  problem,
  say,
}: Told): { now: string; why: string } => {
  const teaches = (learns: Learns | undefined) =>
    learns && learns.thenG < WORTH_SAYING * learns.nowG
      ? ` It narrows the heavy spot from ±${say.mass(learns.nowG)} to about ±${say.mass(learns.thenG)}.`
      : '';
  if (hand) return BY_HAND[hand];
  if (broken) return { now: 'The arithmetic broke.', why: 'Load the screen again; what was confirmed is in the log.' };
  if (balance.balanced)
    return { now: 'Balanced.', why: `${say.mass(balance.balanced.leftG)} left, as far as this stand can tell.` };
  if (problem) return { now: 'No weight holds here.', why: `${problem.message} Right would be ${problem.expected}.` };
  if (!advice)
    return balance.seen.length > 0
      ? { now: 'Working it out …', why: 'What was seen so far is being weighed.' }
      : { now: 'Let it settle. Where is the bottom?', why: SETTLES };
  switch (advice.do) {
    case 'settle':
      return advice.from === null
        ? { now: 'Let it settle. Where is the bottom?', why: SETTLES }
        : {
            now: `Let it settle again, from the ${say.side(advice.from)}.`,
            why: `From both sides, the middle cancels the friction.${teaches(advice.learns)}`,
          };
    case 'spin':
      return { now: 'Spin it again. What does it say?', why: 'The machine confirms what the weights left.' };
    case 'level':
      return {
        now: `Hold ${say.clock(advice.deg)} level, let go.`,
        why: 'At 3 or at 9 its lever is longest. Rises: too little there. Sinks: too much.',
      };
    case 'trial': {
      const asideDeg = estimate
        ? Math.round(Math.abs(angleBetween(heavyAgainst(advice.place).deg, estimate.heavyDeg)))
        : 0;
      return {
        now: `Tape ${advice.place.map((p) => say.mass(p.massG)).join(' + ')} on at ${say.clock(advice.deg)}.`,
        why: `${asideDeg}° aside on purpose: how far the rest moves tells the mass.${teaches(advice.learns)}`,
      };
    }
    case 'final':
      return {
        now: toPut.length === 0 ? 'No weight is needed.' : `Put on ${say.pieces(toPut)}.`,
        why: `${balance.trial ? 'The trial comes off. ' : ''}${SIDE_WHY[sides]} Balanced then in ${chanceText(advice.chance)}.`,
      };
    case 'done':
      return {
        now: balance.trial ? 'Balanced with the trial: fix it for good.' : 'Balanced.',
        why: `As far as this stand can tell: in ${chanceText(advice.chance)} within ${say.mass(Math.max(toleranceG, estimate?.bandG ?? 0))}.`,
      };
  }
};
