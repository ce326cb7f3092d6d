import {
  balanceAdvise,
  type AdviseInput,
  type LevelTest,
  type Observation,
  type Piece,
} from '../bench/balance';
import type { HiddenStand } from './hidden-stand';

/** One thing done at the stand, with what was seen of it. */
export type Act =
  | { do: 'settle'; restDeg: number; from: 'left' | 'right' }
  | { do: 'level'; deg: number; at: 'left' | 'right'; moved: LevelTest['moved'] }
  | { do: 'trial' | 'final'; pieces: Piece[] }
  | { do: 'done'; chance: number };

/** More is not done to any wheel. */
const MAX_ACTS = 36;

/**
 * A hidden wheel balanced as the advice says, act by act; places are read to the degree, as a
 * fitter does.
 */
export function* advisedActs(
  stand: HiddenStand,
  question: Omit<AdviseInput, 'seen' | 'on'>,
): Generator<Act> {
  const seen: Observation[] = [];
  let on: Piece[] = [];
  for (let act = 0; act < MAX_ACTS; act++) {
    const { result: advice } = balanceAdvise.run({ ...question, seen, on });
    if (advice.do === 'settle') {
      const from = advice.from ?? 'left';
      const restDeg = Math.round(stand.settle(on, from)) % 360;
      // The hidden stand is level: turned around or not, the wheel settles alike.
      seen.push({
        kind: 'settle',
        restDeg,
        from,
        ...(advice.turned && { turned: true }),
        weights: on,
      });
      yield { do: 'settle', restDeg, from };
    } else if (advice.do === 'level') {
      const deg = Math.round(advice.deg) % 360;
      const { at } = advice;
      const moved = stand.level(deg, on);
      seen.push({ kind: 'level', deg, at, moved, weights: on });
      yield { do: 'level', deg, at, moved };
    } else if (advice.do === 'spin') {
      throw new Error('A stand has no machine');
    } else if (advice.do === 'look') {
      // No one is there to look: it ends as it is.
      return;
    } else if (advice.do === 'done') {
      yield { do: 'done', chance: advice.chance };
      return;
    } else {
      on = advice.place;
      yield { do: advice.do, pieces: on };
    }
  }
}
