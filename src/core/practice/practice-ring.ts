import Joi from 'joi';
import { count, oneOf } from '../base/fields';
import { beadCrush, ringGap } from '../bench/ring';
import { eighthsText } from '../bench/truing';
import { counted, said, type Sentence } from '../base/units';
import { defineWorking, reason, type Reason } from '../base/working';
import {
  hiddenRing,
  RING_BOLTS,
  RING_LEVELS,
  type HiddenRing,
  type RingLevel,
} from './hidden-ring';
import { MAX_ACTS, roundFields, type Played, type RoundInput } from './played';
import {
  boltDeg,
  gapAt,
  playRing,
  ringAct,
  startedRing,
  type RingAct,
  type RingSeen,
  type RingState,
} from './ring-round';
import type { PracticeSpec } from './practice-spec';

/**
 * Places of a bundle, and of its gap, that are measured before a bolt is turned. Common practice:
 * several, both.
 */
const PLACES = 4;
/** So far down the torque may finish it, mm. Basis: memory. */
const NEAR_MM = 0.6;
/** Bolts that a feeler goes to, every second one. */
const FELT = [1, 3, 5, 7, 9, 11];

const RING_ACTS = Joi.array()
  .items(
    Joi.alternatives(
      Joi.object({ do: oneOf(['feel'], 'Action'), bolt: count(1, RING_BOLTS.count, 'Bolt') }),
      Joi.object({
        do: oneOf(['turn'], 'Action'),
        bolt: count(1, RING_BOLTS.count, 'Bolt'),
        quarters: count(1, 8, 'Quarter turns'),
      }),
      Joi.object({
        do: oneOf(['bundle', 'gap', 'half a turn each', 'torque', 'call it off'], 'Action'),
      }),
    ),
  )
  .max(MAX_ACTS)
  .required()
  .description('Actions at the ring, in order')
  .meta({
    expected: `Enter up to ${MAX_ACTS} actions: bundle, gap, feel, turn, half a turn each, torque, call it off`,
  });

/** The gap of the ring, by a feeler at every bolt. */
const gapOf = (state: RingState) =>
  ringGap.run({
    readings: FELT.map((bolt) => ({ deg: boltDeg(bolt), gapMm: gapAt(state, bolt) })),
    when: 'before the torque',
    bolts: RING_BOLTS.count,
    bolt: RING_BOLTS.size,
  }).result;

/**
 * The ring closed as the workings say: crush first, down by halves, pulled where it stands open,
 * torqued once even.
 */
export function* advisedRing(hidden: HiddenRing): Generator<RingAct> {
  let state = startedRing(hidden);
  const read: Record<'bundle' | 'gap', number[]> = { bundle: [], gap: [] };
  const doing = (act: RingAct): RingAct => {
    const found = ringAct(hidden, state, act);
    if (found.seen && (act.do === 'bundle' || act.do === 'gap')) read[act.do].push(found.seen.mm);
    state = found.state;
    return act;
  };
  for (const what of ['bundle', 'gap'] as const)
    for (let n = 0; n < PLACES; n++) yield doing({ do: what });
  const beads = [{ side: 'outer' as const, bundleMm: read.bundle, gapMm: read.gap }];
  const isThin = beadCrush
    .run({ beads, rings: 1 })
    .result.beads[0]!.reasons.some((r) => r.verdict === 'stop');
  if (isThin) {
    yield doing({ do: 'call it off' });
    return;
  }
  for (let n = 0; n < MAX_ACTS; n++) {
    for (const bolt of FELT) yield doing({ do: 'feel', bolt });
    const { state: stands, pulls, meanMm } = gapOf(state);
    if (stands !== 'tilted' && meanMm <= NEAR_MM) break;
    if (stands !== 'tilted') yield doing({ do: 'half a turn each' });
    for (const { bolt, turns } of pulls) {
      const quarters = Math.min(8, Math.round(turns * 4));
      if (quarters > 0) yield doing({ do: 'turn', bolt, quarters });
    }
  }
  yield doing({ do: 'torque' });
}

const debriefOf = (
  hidden: HiddenRing,
  state: RingState,
  acts: readonly RingAct[],
  seen: readonly RingSeen[],
): Reason[] => {
  const told: Reason[] = [];
  const few = state.bundles < PLACES || state.gaps < PLACES;
  if (few)
    told.push(
      reason(
        'check',
        `Crush from ${counted(state.bundles, 'bundle reading')} and ${counted(state.gaps, 'gap reading')}. Take ${PLACES} of each to see whether it varies.`,
      ),
    );
  if (hidden.isThin && state.end !== 'called off')
    told.push(
      reason(
        'stop',
        'The bead is too thin for this ring, so the wheel would slip in the tire. No bolt fixes that.',
      ),
    );
  if (!hidden.isThin && state.end === 'called off')
    told.push(reason('check', 'There was enough crush. You could clamp it.'));
  if (state.end === 'torqued') {
    const { state: stands, tiltMm, meanMm } = gapOf(state);
    const mm = (value: number) => ({ value, unit: 'mm' as const, digits: 2 });
    if (stands === 'tilted')
      told.push(
        reason('stop', 'Torqued with the gap {0} wider on one side. It stays tilted.', [
          mm(tiltMm),
        ]),
      );
    if (meanMm > NEAR_MM)
      told.push(
        reason('check', 'Torqued with {0} still open. Bring it down half a turn per bolt first.', [
          mm(meanMm),
        ]),
      );
  }
  const felt = acts.filter((a, i) => a.do === 'feel' && seen[i] !== null).length;
  if (state.isTurned && felt < 4)
    told.push(
      reason(
        'check',
        'You turned bolts without checking the gap all around. A feeler shows where to pull.',
      ),
    );
  return told;
};

const RING_WORDS = {
  bundle: 'measure the bundle at one more place',
  gap: 'measure the gap at one more place',
  'half a turn each': 'half a turn on each bolt, all around',
  torque: 'torque all bolts',
  'call it off': 'call it off: too little crush',
} as const;

/** The acts in words; the same one in a row is one line, and so is a feeler that goes round. */
const adviceOf = (acts: readonly RingAct[]): Sentence[] => {
  const words = acts.map((act) =>
    act.do === 'feel'
      ? 'check the gap all around with a feeler'
      : act.do === 'turn'
        ? `turn bolt ${act.bolt}, ${eighthsText(2 * act.quarters)}`
        : RING_WORDS[act.do],
  );
  return words.flatMap((text, i) => (text === words[i - 1] ? [] : [said(text)]));
};

interface RingPlayed extends Played {
  tiltMm: number;
  meanMm: number;
}

/**
 * A round at a ring: crush measured, the ring brought down evenly and torqued, or called off.
 *
 * Source: `bead-crush` and `ring-gap`; a stiff flat ring under evenly spaced bolts, geometry.
 */
export const practiceRing = defineWorking<RoundInput<RingLevel, RingAct>, RingPlayed>({
  name: 'practice-ring',
  title: 'Practice: close a ring',
  input: () => roundFields(RING_LEVELS, RING_ACTS),
  example: {
    seed: 4,
    level: 'a ring that tilts',
    acts: [
      { do: 'bundle' },
      { do: 'gap' },
      { do: 'feel', bolt: 1 },
      { do: 'turn', bolt: 1, quarters: 2 },
    ],
  },
  work({ seed, level, acts }, show) {
    const hidden = hiddenRing(seed, level);
    const { state, seen } = playRing(hidden, acts);
    const advised = [...advisedRing(hidden)];
    const { state: stands, tiltMm, meanMm } = gapOf(state);
    show.line('mean gap at the end', 'plane through the gaps', meanMm, 'mm');
    show.line('tilt at the end', 'plane through the gaps', tiltMm, 'mm');
    show.line('your moves', 'every action', acts.length);
    show.line('advised moves', 'every action', advised.length);
    show.basis('published', 'a stiff flat ring: a plane over evenly spaced bolts, least squares');
    show.basis(
      'practice',
      'crush first; half a turn on each bolt, pass after pass, until the gap closes evenly; then torque',
    );
    show.basis('memory', 'how wide a gap torquing may still close');
    show.caution(
      'Deflate before touching a ring bolt. Only a torque wrench finishes; the maker’s spec comes first.',
    );
    const debrief = debriefOf(hidden, state, acts, seen);
    const closed = state.end === 'torqued' && stands !== 'tilted' && meanMm <= NEAR_MM;
    const measured = state.bundles >= PLACES && state.gaps >= PLACES;
    const good = measured && (hidden.isThin ? state.end === 'called off' : closed);
    const why = good
      ? reason(
          'good',
          hidden.isThin ? 'Called off in time, by the crush.' : 'Closed evenly and torqued.',
        )
      : reason(
          debrief.some((r) => r.verdict === 'stop') ? 'stop' : 'check',
          state.end === null ? 'Not finished.' : 'Problem found.',
        );
    show.verdict(why.verdict);
    return {
      good,
      cost: acts.length,
      advisedCost: advised.length,
      debrief,
      advice: adviceOf(advised),
      tiltMm,
      meanMm,
      reason: why,
    };
  },
});

/** The kind of practice as the screens have it. */
export const ringPractice: PracticeSpec = {
  title: 'Ring',
  does: 'A beadlock ring with its bolts just started. Measure the crush, tighten it down evenly and torque it, or stop before anything is clamped.',
  levels: RING_LEVELS,
  counts: ['move', 'moves'],
  scores: practiceRing,
};
