import Joi from 'joi';
import { count, oneOf, quantity } from '../base/fields';
import { rolloutMatch } from '../bench/ring';
import { said, type Sentence } from '../base/units';
import { defineWorking, reason, type Reason } from '../base/working';
import { hiddenPair, PAIR_LEVELS, type HiddenPair, type PairLevel } from './hidden-pair';
import { pairAct, playPair, tapeOf, untaped, type PairAct, type PairState } from './pair-round';
import { MAX_ACTS, roundFields, type Played, type RoundInput } from './played';
import type { PracticeSpec } from './practice-spec';

/** Pressures that differ by less are one pressure: a gauge is read no finer, kPa. Basis: memory. */
const SAME_KPA = 1;
/** So much more air tells how a tire stretches, where its limit allows it, kPa. Basis: memory. */
const MORE_KPA = 10;
const MAX_TIRES = 9;

const tireField = count(1, MAX_TIRES, 'Tire');
const PAIR_ACTS = Joi.array()
  .items(
    Joi.alternatives(
      Joi.object({
        do: oneOf(['air'], 'Action'),
        tire: tireField,
        kpa: quantity('kPa', 5, 690, 'Pressure'),
      }),
      Joi.object({ do: oneOf(['tape'], 'Action'), tire: tireField }),
      Joi.object({ do: oneOf(['pair'], 'Answer'), tire: tireField, with: tireField }),
      Joi.object({ do: oneOf(['no pair'], 'Answer') }),
    ),
  )
  .max(MAX_ACTS)
  .required()
  .description('Actions with the tires, in order')
  .meta({ expected: `Enter up to ${MAX_ACTS} actions: air, tape, pair, no pair` });

/** The match of two lengths of tape; `stretchMmPerKpa` and `limitKpa` of the smaller one. */
const matchOf = (
  { measureKpa }: HiddenPair,
  [leftMm, rightMm]: readonly [number, number],
  smaller: { stretchMmPerKpa?: number; limitKpa?: number } = {},
) => rolloutMatch.run({ leftMm, rightMm, measuringKpa: measureKpa, ...smaller });

/** The two taped tires that differ least, the smaller one first; counted from 1. */
const nearestOf = ({ tires }: PairState): [number, number] => {
  const taped = tires.map((t, i) => ({ n: i + 1, mm: t.tapedMm! })).sort((a, b) => a.mm - b.mm);
  const steps = taped.slice(1).map((t, i) => t.mm - taped[i]!.mm);
  const at = steps.indexOf(Math.min(...steps));
  return [taped[at]!.n, taped[at + 1]!.n];
};

/**
 * All taped at the measuring pressure; those two paired that match, or the smaller one given the
 * air that it takes.
 */
export function* advisedPair(hidden: HiddenPair): Generator<PairAct> {
  const { measureKpa, tires } = hidden;
  let state = untaped(hidden);
  const doing = (act: PairAct): PairAct => {
    state = pairAct(hidden, state, act);
    return act;
  };
  for (const [i, { gaugeKpa }] of state.tires.entries()) {
    if (Math.abs(gaugeKpa - measureKpa) > SAME_KPA)
      yield doing({ do: 'air', tire: i + 1, kpa: measureKpa });
    yield doing({ do: 'tape', tire: i + 1 });
  }
  const tapedMm = (tire: number): number => state.tires[tire - 1]!.tapedMm!;
  const [small, large] = nearestOf(state);
  const paired: PairAct = { do: 'pair', tire: small, with: large };
  const [smallMm, largeMm] = [tapedMm(small), tapedMm(large)];
  if (matchOf(hidden, [smallMm, largeMm]).verdict === 'good') {
    yield paired;
    return;
  }
  const { limitKpa } = tires[small - 1]!;
  const moreKpa = Math.min(measureKpa + MORE_KPA, limitKpa);
  yield doing({ do: 'air', tire: small, kpa: moreKpa });
  yield doing({ do: 'tape', tire: small });
  const stretchMmPerKpa = (tapedMm(small) - smallMm) / (moreKpa - measureKpa);
  const { correct } = matchOf(hidden, [smallMm, largeMm], { stretchMmPerKpa, limitKpa }).result;
  if (!correct) {
    yield { do: 'no pair' };
    return;
  }
  yield doing({ do: 'air', tire: small, kpa: correct.toKpa });
  yield doing({ do: 'tape', tire: small });
  yield paired;
}

const kpa = (value: number) => ({ value, unit: 'kPa' as const, digits: 1 });
const mm = (value: number) => ({ value, unit: 'mm' as const, digits: 0 });

/** Whether a tire was taped at two pressures, so that its stretch is known. */
const isStretchKnown = (hidden: HiddenPair, acts: readonly PairAct[], tire: number): boolean => {
  const at = acts.flatMap((act, i) =>
    act.do === 'tape' && act.tire === tire
      ? [playPair(hidden, acts.slice(0, i)).tires[tire - 1]!.gaugeKpa]
      : [],
  );
  return Math.max(...at) - Math.min(...at) > SAME_KPA;
};

/** The faults of two tires that were called a pair. */
const againstPair = (
  hidden: HiddenPair,
  state: PairState,
  tires: readonly [number, number],
): Reason[] => {
  const told: Reason[] = [];
  const { measureKpa, matches } = hidden;
  for (const n of tires)
    if (state.tires[n - 1]!.tapedMm === null)
      told.push(reason('check', `You didn’t tape tire ${n} at its present pressure.`));
  const [a, b] = [...tires].sort(
    (x, y) => hidden.tires[x - 1]!.circumferenceMm - hidden.tires[y - 1]!.circumferenceMm,
  );
  const [small, large] = [state.tires[a! - 1]!.gaugeKpa, state.tires[b! - 1]!.gaugeKpa];
  const isOff = (at: number) => Math.abs(at - measureKpa) > SAME_KPA;
  if (isOff(large) || small < measureKpa - SAME_KPA || (matches !== null && isOff(small)))
    told.push(
      reason('check', 'They are at {0} and {1}. Compare rollout at the measuring pressure, {2}.', [
        kpa(small),
        kpa(large),
        kpa(measureKpa),
      ]),
    );
  const [aMm, bMm] = tires.map((n) => tapeOf(hidden, n, state.tires[n - 1]!.gaugeKpa));
  if (matchOf(hidden, [aMm!, bMm!]).verdict !== 'good')
    told.push(
      reason(
        'stop',
        `Tires ${tires.join(' and ')} are {0} apart. An unmatched pair steers the machine.`,
        [mm(Math.abs(aMm! - bMm!))],
      ),
    );
  return told;
};

/** The fault of calling it off. */
const againstNone = (hidden: HiddenPair, acts: readonly PairAct[]): Reason[] => {
  if (hidden.matches)
    return [
      reason(
        'check',
        `Tires ${hidden.matches.join(' and ')} match at the measuring pressure with no more air.`,
      ),
    ];
  if (!hidden.isHopeless)
    return [reason('check', 'Air up the smaller tire, within its limit, until they match.')];
  const small = hidden.tires[0]!.circumferenceMm < hidden.tires[1]!.circumferenceMm ? 1 : 2;
  return isStretchKnown(hidden, acts, small)
    ? []
    : [
        reason(
          'check',
          `You didn’t know how much air tire ${small} needs. Tape it at a second pressure to find out.`,
        ),
      ];
};

const againstEnd = (hidden: HiddenPair, state: PairState, acts: readonly PairAct[]): Reason[] => {
  if (state.end === null) return [reason('check', 'You gave no answer. Say which two are a pair.')];
  return state.end === 'no pair'
    ? againstNone(hidden, acts)
    : againstPair(hidden, state, state.end.tires);
};

/** The acts in words; a tire that was brought to a pressure and taped there is one line. */
const adviceOf = (acts: readonly PairAct[]): Sentence[] =>
  acts.flatMap((act, i) => {
    if (act.do === 'air') return [said(`air tire ${act.tire} to {0} and tape it`, [kpa(act.kpa)])];
    if (act.do === 'tape') return acts[i - 1]?.do === 'air' ? [] : [said(`tape tire ${act.tire}`)];
    return [
      said(
        act.do === 'pair'
          ? `call tires ${act.tire} and ${act.with} a pair`
          : 'no pair: get another tire',
      ),
    ];
  });

interface PairPlayed extends Played {
  /** Those that match without more air; null where none do. */
  matches: readonly [number, number] | null;
}

/**
 * A round at a rack: which two tires are a pair by their rollout, what air corrects two that are
 * none, or that another tire is wanted.
 *
 * Source: `rollout-match`; common practice for drag rears.
 */
export const practicePair = defineWorking<RoundInput<PairLevel, PairAct>, PairPlayed>({
  name: 'practice-pair',
  title: 'Practice: match a pair',
  input: () => roundFields(PAIR_LEVELS, PAIR_ACTS),
  example: {
    seed: 9,
    level: 'on the rack',
    acts: [
      { do: 'tape', tire: 1 },
      { do: 'tape', tire: 2 },
      { do: 'pair', tire: 1, with: 2 },
    ],
  },
  work({ seed, level, acts }, show) {
    const hidden = hiddenPair(seed, level);
    const state = playPair(hidden, acts);
    const advised = [...advisedPair(hidden)];
    hidden.tires.forEach((t, i) =>
      show.line(
        `tire ${i + 1}`,
        'rollout at the measuring pressure, set by its number',
        t.circumferenceMm,
        'mm',
      ),
    );
    show.line('your moves', 'every action', acts.length);
    show.line('advised moves', 'every action', advised.length);
    show.basis(
      'practice',
      'tape at the measuring pressure; a little more air brings the smaller tire up',
    );
    show.basis(
      'memory',
      'how much more air shows what a tire gains, and how finely a gauge can be read',
    );
    show.caution('Never past the tire’s own limit. An unmatched pair steers the machine.');
    const overfilled = state.over.map((n) =>
      reason('stop', `Tire ${n} was inflated above its limit of {0}. A bursting tire kills.`, [
        kpa(hidden.tires[n - 1]!.limitKpa),
      ]),
    );
    const debrief = [...overfilled, ...againstEnd(hidden, state, acts)];
    const good = debrief.length === 0;
    const why = good
      ? reason('good', state.end === 'no pair' ? 'No pair, by the tape.' : 'A matched pair.')
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
      matches: hidden.matches,
      reason: why,
    };
  },
});

/** The kind of practice as the screens have it. */
export const pairPractice: PracticeSpec = {
  title: 'Pair',
  does: 'Tires for a driven axle, and a tape. Set the measuring pressure, tape each tire and say which two match. If none do, find the pressure that matches the smaller one, or say that none will.',
  levels: PAIR_LEVELS,
  counts: ['move', 'moves'],
  scores: practicePair,
};
