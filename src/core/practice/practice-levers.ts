import Joi from 'joi';
import { angle, oneOf, quantity } from '../base/fields';
import { angleBetween, counted, placeText, said, type Sentence } from '../base/units';
import { defineWorking, reason, type Reason } from '../base/working';
import { bottomMm, hoopSlackMm } from '../bench/beads/bead-geometry';
import { effortOf, effortShare } from '../bench/beads/lever-effort';
import {
  hiddenBead,
  MIN_BITE_MM,
  LEVER_LEVELS,
  type HiddenBead,
  type LeverLevel,
} from './hidden-bead';
import {
  biteDegOf,
  isAtValve,
  keeperIsNext,
  leverAct,
  middleDeg,
  spareOf,
  untouched,
  type BeadState,
  type LeverAct,
  type LeverSeen,
} from './lever-round';
import { MAX_ACTS, roundFields, type Played, type RoundInput } from './played';
import type { PracticeSpec } from './practice-spec';

/** Bites that the advice chooses from, the longest first. */
const BITES_MM = [70, 60, 50, 40, MIN_BITE_MM];

/** Acts of a round with levers, as they are sent in. */
const LEVER_ACTS = Joi.array()
  .items(
    Joi.alternatives(
      Joi.object({ do: oneOf(['start'], 'Start position'), deg: angle('Start position') }),
      Joi.object({
        do: oneOf(['bite'], 'Bite'),
        end: oneOf(['clockwise', 'back'], 'End of the bead'),
        mm: quantity('mm', MIN_BITE_MM, 120, 'Bite length'),
      }),
      Joi.object({ do: oneOf(['kneel'], 'Action'), deg: angle('Knee position') }),
      Joi.object({ do: oneOf(['push down', 'press the lock', 'feel'], 'Action') }),
    ),
  )
  .max(MAX_ACTS)
  .required()
  .description('Actions, in order')
  .meta({
    expected: `Enter up to ${MAX_ACTS} actions: start, bite, kneel, push down, press the lock, feel`,
  });

/** A bite as the advice would take it now; null where none passes as the bead lies. */
const bestBite = (bead: HiddenBead, state: BeadState): (LeverAct & { do: 'bite' }) | null => {
  const hoopMm = hoopSlackMm(bead.rim, bottomMm(bead.rim));
  const leftDeg = 360 - state.onDeg;
  const ends = (['clockwise', 'back'] as const).map((end) => {
    const tip = end === 'clockwise' ? state.fromDeg + state.onDeg : state.fromDeg;
    return { end, tip, sign: end === 'clockwise' ? 1 : -1 };
  });
  // Both ways by turns, the shorter side first.
  const order = [...ends].sort(
    (a, b) =>
      Math.abs(angleBetween(state.startDeg!, a.tip)) -
      Math.abs(angleBetween(state.startDeg!, b.tip)),
  );
  const choices = order.flatMap(({ end, tip, sign }) =>
    BITES_MM.map((mm) => {
      const spanDeg = Math.min(biteDegOf(bead, mm), leftDeg);
      const nearValve = isAtValve(sign > 0 ? tip : tip - spanDeg, spanDeg);
      const spareMm = spareOf(bead, state, spanDeg);
      const effort = spareMm <= 0 ? null : effortOf(effortShare(hoopMm, spareMm));
      return { end, mm, nearValve, effort };
    }),
  );
  const open = choices.filter((c) => c.effort !== null && !c.nearValve);
  const found = open.find((c) => c.effort !== 'heavy') ?? open[0];
  return found ? { do: 'bite', end: found.end, mm: found.mm } : null;
};

/**
 * A quarter from the valve, where no lock is: neither the first nor the last bite is at the tube's
 * neck. Common practice.
 */
const startDeg = ({ lockDegs }: HiddenBead): number =>
  lockDegs.some((deg) => Math.abs(angleBetween(90, deg)) < 60) ? 270 : 90;

/**
 * The advised way to get the bead on: clear of the valve, felt for the tube, pushed down if that
 * makes room.
 */
export function* advisedLevers(bead: HiddenBead): Generator<LeverAct> {
  let state = untouched(bead);
  const doing = function* (act: LeverAct): Generator<LeverAct, LeverSeen> {
    const found = leverAct(bead, state, act);
    state = found.state;
    yield act;
    return found.seen;
  };
  yield* doing({ do: 'start', deg: startDeg(bead) });
  yield* doing({ do: 'feel' });
  // One knee for the whole way: the middle of what is on moves little where both ends go by turns.
  yield* doing({ do: 'kneel', deg: middleDeg(state) });
  for (let n = 0; n < MAX_ACTS && !state.over; n++) {
    const now = bestBite(bead, state);
    const down = bestBite(bead, { ...state, upDeg: 0 });
    const isWanted = keeperIsNext(bead, state) || (!now && down !== null);
    if (isWanted) yield* doing({ do: 'push down' });
    const act = isWanted ? down : now;
    if (!act) return;
    const before = state;
    const tried = leverAct(bead, before, act);
    if (tried.seen.is === 'on the lock') yield* doing({ do: 'press the lock' });
    yield* doing(act);
  }
}

/** A round played through: how the bead lies at its end, and what was seen of each act. */
export const playLevers = (
  bead: HiddenBead,
  acts: readonly LeverAct[],
): { state: BeadState; seen: LeverSeen[] } => {
  let state = untouched(bead);
  const seen = acts.map((act) => {
    const found = leverAct(bead, state, act);
    state = found.state;
    return found.seen;
  });
  return { state, seen };
};

/** The mistakes, with their cost. */
const debriefOf = (seen: readonly LeverSeen[], state: BeadState): Reason[] => {
  const all = <K extends LeverSeen['is']>(is: K) =>
    seen.filter((s): s is Extract<LeverSeen, { is: K }> => s.is === is);
  const stuck = all('stuck');
  const up = stuck.filter((s) => s.why === 'far side up').length;
  const long = stuck.length - up;
  const told: Reason[] = [];
  const add = (verdict: Reason['verdict'], count: number, text: string) => {
    if (count > 0) told.push(reason(verdict, text));
  };
  for (const { deg } of all('pinched'))
    told.push(
      reason(
        'stop',
        deg === 0
          ? 'The lever was at the valve and pinched the neck of the tube.'
          : `The tube lay on the bead seat at ${placeText(deg)} and got pinched. Feel for it all around before using levers.`,
      ),
    );
  for (const { deg } of all('scratched'))
    told.push(
      reason(
        'check',
        `A long, hard bite scratched the rim at ${placeText(deg)}. Take shorter bites.`,
      ),
    );
  add(
    'check',
    up,
    `${counted(up, 'bite')} lost: the fitted bead had climbed out of the well. Push it down first.`,
  );
  add('check', long, `${counted(long, 'bite')} lost: too long there. Take shorter bites.`);
  const locks = all('on the lock').length;
  add(
    'check',
    locks,
    `${counted(locks, 'bite')} lost: the bead sat on the rim lock. Press the lock in as the bead passes.`,
  );
  const lifts = all('keeper lifts').length;
  add(
    'check',
    lifts,
    'The bead keeper lifted and the first bites came out. Stop halfway and push the bead down.',
  );
  if (!state.over)
    told.push(reason('stop', `${Math.round(360 - state.onDeg)}° of the bead is not over yet.`));
  return told;
};

const STEP_WORDS = {
  feel: 'feel for the tube all around',
  'push down': 'push the bead down',
  'press the lock': 'press the rim lock in',
} as const;

/** The acts in words; bites of one length in a row are one line. */
const adviceOf = (acts: readonly LeverAct[]): Sentence[] => {
  const all: Sentence[] = [];
  acts.forEach((act, i) => {
    if (act.do === 'start') all.push(said(`start at ${placeText(act.deg)}, clear of the valve`));
    else if (act.do === 'kneel') all.push(said(`kneel at ${placeText(act.deg)}`));
    else if (act.do !== 'bite') all.push(said(STEP_WORDS[act.do]));
    else {
      const isAlike = (it: LeverAct | undefined) => it?.do === 'bite' && it.mm === act.mm;
      if (isAlike(acts[i - 1])) return;
      const count = acts.slice(i).findIndex((it) => !isAlike(it));
      const bites = counted(count < 0 ? acts.length - i : count, 'bite');
      all.push(said(`${bites} of {0}`, [{ value: act.mm, unit: 'mm', digits: 0 }]));
    }
  });
  return all;
};

interface LeverPlayed extends Played {
  advisedBitesMm: number[];
  advisedPushes: number;
}

/**
 * A round with levers: a second bead over a hidden rim, one's own moves beside those of the advice.
 *
 * Source: the bounds of `bead-path`, geometry; how a bead climbs, where a tube lies and what
 * scratches: a model, memory.
 */
export const practiceLevers = defineWorking<RoundInput<LeverLevel, LeverAct>, LeverPlayed>({
  name: 'practice-levers',
  title: 'Practice: levers',
  input: () => roundFields(LEVER_LEVELS, LEVER_ACTS),
  example: {
    seed: 5,
    level: 'deep rim',
    acts: [{ do: 'start', deg: 180 }, { do: 'feel' }, { do: 'bite', end: 'clockwise', mm: 60 }],
  },
  work({ seed, level, acts }, show) {
    const bead = hiddenBead(seed, level);
    const { rim } = bead;
    show.line('bead circumference', 'set by the wheel’s number', rim.beadMm, 'mm');
    show.line('around the flange', 'set by the wheel’s number', rim.flangeMm, 'mm');
    show.line(
      'around the well, with what is in it',
      `${rim.wellMm.toFixed(1)} + 2 × ${rim.fillMm}`,
      bottomMm(rim),
      'mm',
    );
    const { state, seen } = playLevers(bead, acts);
    const advised = [...advisedLevers(bead)];
    const bites = advised.flatMap((a) => (a.do === 'bite' ? [a.mm] : []));
    const pushes = advised.filter((a) => a.do === 'push down').length;
    show.line('your moves', 'every action', acts.length);
    show.line('advised moves', `${bites.length} bites, ${counted(pushes, 'push')}`, advised.length);
    show.basis('published', 'geometry of a hoop and a loop that do not stretch');
    show.basis(
      'memory',
      'model of how the fitted bead climbs, where a tube sits, when a bead keeper lifts and when a rim gets scratched',
    );
    show.caution('More force is the wrong answer.');
    const good = state.over && state.pinchedDegs.length === 0 && state.scratches === 0;
    const why = good
      ? reason('good', `On in ${counted(acts.length, 'move')}, tube undamaged.`)
      : !state.over
        ? reason('check', 'The bead is not over yet.')
        : state.pinchedDegs.length > 0
          ? reason('stop', 'The bead is over but the tube is pinched. The whole job again.')
          : reason('check', 'The bead is over but the rim is scratched.');
    show.verdict(why.verdict);
    return {
      good,
      cost: acts.length,
      advisedCost: advised.length,
      debrief: debriefOf(seen, state),
      advice: adviceOf(advised),
      advisedBitesMm: bites,
      advisedPushes: pushes,
      reason: why,
    };
  },
});

/** The kind of practice as the screens have it. */
export const leversPractice: PracticeSpec = {
  title: 'Levers',
  does: 'A second bead on a rim you have not measured. Choose where to start, how long each bite is, when to push down, press the lock in or feel for the tube. Get it over in few moves, without a pinch.',
  levels: LEVER_LEVELS,
  counts: ['move', 'moves'],
  scores: practiceLevers,
};
