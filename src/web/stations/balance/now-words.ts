import {
  chanceText,
  type BalanceAdvice,
  type BalanceEstimate,
  type Learns,
  type Piece,
  type Sides,
} from '../../../core/bench/balance';
import type { InputProblem } from '../../../core/base/errors';
import { heavyAgainst, type BalanceLog } from '../../../core/job';
import { angleBetween } from '../../../core/base/units';
import type { ByHand } from './doing';
import type { BalanceStep } from './step-of';
import { refusalText } from '../../shared/refusal';

/** The heading above the fields when something is done by hand. */
const BY_HAND: Record<ByHand, { now: string; why: string }> = {
  settle: {
    now: 'Where did it settle?',
    why: 'The heavy spot comes to the bottom, within the stand’s dead band.',
  },
  level: {
    now: 'Which place was held level?',
    why: 'Let go at 3 or 9 o’clock, where the leverage is greatest.',
  },
  weights: {
    now: 'What is on the wheel?',
    why: 'All of it, not only the new ones. Tap the dial for the place, then a weight.',
  },
  swing: {
    now: 'How long is one swing?',
    why: 'A small swing, there and back: once bare, once with a known weight on.',
  },
  machine: {
    now: 'What does the machine say?',
    why: 'Where it is heavy. Zero it with the bare hub, then spin twice.',
  },
};

interface Told {
  step: Pick<BalanceStep, 'doing' | 'byHand' | 'toPut'>;
  broken: boolean;
  balance: BalanceLog;
  advice: BalanceAdvice | null;
  sides: Sides;
  toleranceG: number;
  estimate: BalanceEstimate | null;
  problem: InputProblem | null;
  /** Masses, places and sides as the fitter has them. */
  say: {
    mass(g: number): string;
    clock(deg: number): string;
    side(from: 'left' | 'right'): 'left' | 'right';
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
const FIRST_REST = {
  now: 'Let it settle. Where is the bottom?',
  why: 'Stand level, bearings clean and free, cones snug. The heavy spot comes to the bottom, within the stand’s dead band.',
};

interface Words {
  now: string;
  why: string;
}

/** The expected gain of a reading, if it is worth a sentence. */
const teaches = (learns: Learns | undefined, { mass }: Told['say']): string =>
  learns && learns.thenG < WORTH_SAYING * learns.nowG
    ? ` It narrows the heavy spot from ±${mass(learns.nowG)} to about ±${mass(learns.thenG)}.`
    : '';

/** The angle between the trial and the place that is believed to be heavy. */
const asideDegOf = (advice: BalanceAdvice, estimate: BalanceEstimate | null): number =>
  estimate
    ? Math.round(Math.abs(angleBetween(heavyAgainst(advice.place).deg, estimate.heavyDeg)))
    : 0;

/** An advice in one line, and why; one entry for each, so that a new one cannot be forgotten. */
const ADVISED: {
  [Do in BalanceAdvice['do']]: (advice: Extract<BalanceAdvice, { do: Do }>, told: Told) => Words;
} = {
  settle: ({ from, turned, learns }, { say }) => {
    if (turned)
      return {
        now: `Turn the wheel around on the stand. Settle from the ${say.side(from ?? 'left')}.`,
        why: 'Swap the axle ends on the stand. A level stand gives the same place.',
      };
    return from === null
      ? FIRST_REST
      : {
          now: `Let it settle again, from the ${say.side(from)}.`,
          why: `Settling from both sides cancels the friction.${teaches(learns, say)}`,
        };
  },
  spin: () => ({
    now: 'Spin it again. What does it say?',
    why: 'The machine confirms what is left.',
  }),
  level: ({ deg, at }, { say }) => ({
    now: `Hold ${say.clock(deg)} level at ${say.side(at) === 'left' ? 9 : 3}, let go.`,
    why: 'Balanced, it stays at 3 and at 9. Rises: too little there. Sinks: too much.',
  }),
  trial: (advice, { estimate, say }) => ({
    now: `Tape ${advice.place.map((p) => say.mass(p.massG)).join(' + ')} on at ${say.clock(advice.deg)}.`,
    why: `${asideDegOf(advice, estimate)}° off on purpose: how far it moves gives the weight.${teaches(advice.learns, say)}`,
  }),
  final: ({ chance }, { step, balance, sides, say }) => {
    const off = balance.trial ? 'Trial weight off. ' : '';
    return {
      now:
        step.toPut.length === 0
          ? `${off}No weight is needed.`
          : `${off}Put on ${say.pieces(step.toPut)}.`,
      why: `${SIDE_WHY[sides]} ${chanceText(chance)} chance this balances it.`,
    };
  },
  look: ({ why, leftG, doubt, reason }, { say }) => {
    if (why === 'contradiction' && doubt)
      return { now: 'Stop: these readings don’t agree.', why: doubt.says };
    return why === 'unproved'
      ? { now: 'Not shown to be balanced.', why: reason.says }
      : {
          now: `About ${say.mass(leftG)} of imbalance left.`,
          why: 'Nothing in stock does better. Try smaller weights or enter your own.',
        };
  },
  done: ({ chance }, { balance, toleranceG, estimate, say }) => ({
    now: balance.trial ? 'Balanced with the trial weight. Make it permanent.' : 'Balanced.',
    why: `${chanceText(chance)} sure it is within ${say.mass(Math.max(toleranceG, estimate?.bandG ?? 0))}, on this stand.`,
  }),
};

/** The next action in one line, and why. */
export const nowWords = (told: Told): Words => {
  const { step, broken, balance, advice, problem, say } = told;
  if (step.byHand) return BY_HAND[step.doing as ByHand];
  if (broken)
    return {
      now: 'The calculation failed.',
      why: 'Reload the screen. Confirmed entries are in the log.',
    };
  if (balance.balanced)
    return { now: 'Balanced.', why: `${say.mass(balance.balanced.leftG)} left, on this stand.` };
  if (problem) return { now: 'No weight holds here.', why: refusalText(problem) };
  if (advice)
    return (ADVISED[advice.do] as (advice: BalanceAdvice, told: Told) => Words)(advice, told);
  return step.doing === 'wait'
    ? { now: 'Calculating …', why: 'Using the readings so far.' }
    : FIRST_REST;
};
