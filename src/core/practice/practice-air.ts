import Joi from 'joi';
import { oneOf, quantity } from '../base/fields';
import { seatLadder } from '../bench/pressure';
import { SEATING_CAUTIONS } from '../bench/pressure/seat-limit';
import { counted, said } from '../base/units';
import { defineWorking, reason, type Reason } from '../base/working';
import {
  airAct,
  isSeated,
  playAir,
  unfilled,
  type AirAct,
  type AirSeen,
  type AirState,
} from './air-round';
import { AIR_LEVELS, hiddenAir, type AirLevel, type HiddenAir } from './hidden-air';
import { roundFields, type Played, type RoundInput } from './played';
import type { PracticeSpec } from './practice-spec';

/** Acts of a round at most. */
const MOST = 60;
/** More tries than the shop allows: it is called off. By the shop's rule. */
const TRIES = 3;

const AIR_ACTS = Joi.array()
  .items(
    Joi.alternatives(
      Joi.object({ do: oneOf(['air'], 'Action'), toKpa: quantity('kPa', 5, 690, 'Air up to') }),
      Joi.object({ do: oneOf(['all out', 'lubricate', 'call it off'], 'Action') }),
    ),
  )
  .max(MOST)
  .required()
  .description('Actions at the hose, in order')
  .meta({ expected: `Enter up to ${MOST} actions: air, all out, lubricate, call it off` });

/**
 * The tire seated as the ladder says: lubricated first, up to the limit and no further, at most
 * three tries.
 */
export function* advisedAir(hidden: HiddenAir): Generator<AirAct> {
  let state = unfilled(hidden);
  const doing = (act: AirAct): AirAct => {
    state = airAct(hidden, state, act).state;
    return act;
  };
  yield doing({ do: 'lubricate' });
  for (let triesBefore = 0; ; triesBefore++) {
    yield doing({ do: 'air', toKpa: hidden.limitKpa });
    const { advice } = seatLadder.run({
      limitKpa: Math.min(hidden.limitKpa, 344.74),
      readingsKpa: [state.highestKpa],
      discSeated: state.air.seated.disc,
      otherSeated: state.air.seated.other,
      triesBefore,
      tube: false,
      rules: { 'seat.tries': TRIES },
    }).result;
    if (advice === 'seated') return;
    yield doing({ do: 'all out' });
    if (advice === 'give up' || triesBefore + 1 >= TRIES) {
      yield doing({ do: 'call it off' });
      return;
    }
    yield doing({ do: 'lubricate' });
  }
}

/** Never above the limit, and seated; or called off where nothing seats it. */
const endedWell = (hidden: HiddenAir, state: AirState): boolean =>
  state.highestKpa <= hidden.limitKpa + 0.5 && (hidden.isHopeless ? state.isOff : isSeated(state));

const AIR_WORDS = {
  'all out': 'let all air out',
  lubricate: 'break and lubricate the beads',
  'call it off': 'call it off and find out why',
} as const;

const debriefOf = (
  hidden: HiddenAir,
  state: AirState,
  seen: readonly AirSeen[],
  advisedTries: number,
): Reason[] => {
  const told: Reason[] = [];
  const kpa = (value: number) => ({ value, unit: 'kPa' as const });
  if (state.highestKpa > hidden.limitKpa + 0.5)
    told.push(
      reason(
        'stop',
        '{0} was above the limit of {1}, the lowest of sidewall, rim and shop. A bursting tire kills.',
        [kpa(state.highestKpa), kpa(hidden.limitKpa)],
      ),
    );
  if (state.lubrications === 0 && state.tries > 0)
    told.push(reason('check', 'You never lubricated it. A dry bead needs far more air.'));
  if (hidden.isHopeless && !state.isOff)
    told.push(
      reason(
        'stop',
        `After ${TRIES} tries, stop and find out why: wrong size, damage or something caught.`,
      ),
    );
  if (!hidden.isHopeless && state.isOff)
    told.push(
      reason('check', 'You called it off too soon. Lubricated again, it seats below the limit.'),
    );
  if (state.tries > advisedTries)
    told.push(
      reason('check', `${counted(state.tries - advisedTries, 'try', 'tries')} more than advised.`),
    );
  const refused = seen.filter((s) => s.refused !== null).length;
  if (refused > 0)
    told.push(
      reason('check', `You tried something not possible yet, ${counted(refused, 'time')}.`),
    );
  return told;
};

interface AirPlayed extends Played {
  limitKpa: number;
  highestKpa: number;
}

/**
 * A round at the hose: a tire seated in as few tries as the ladder takes, never above its limit.
 *
 * Source: the stand-in of the hose, first law and ISO 6358-1; the advice of `seat-ladder`; how much
 * lubricant helps a bead is a model, memory.
 */
export const practiceAir = defineWorking<RoundInput<AirLevel, AirAct>, AirPlayed>({
  name: 'practice-air',
  title: 'Practice: seating',
  input: () => roundFields(AIR_LEVELS, AIR_ACTS),
  example: { seed: 5, level: 'a dry bead', acts: [{ do: 'lubricate' }, { do: 'air', toKpa: 200 }] },
  work({ seed, level, acts }, show) {
    const hidden = hiddenAir(seed, level);
    const { state, seen } = playAir(hidden, acts);
    const advised = [...advisedAir(hidden)];
    const advisedTries = advised.filter((a) => a.do === 'air').length;
    show.line('limit', 'the lowest of sidewall, rim and shop', hidden.limitKpa, 'kPa');
    show.line('your highest pressure', 'highest of all tries', state.highestKpa, 'kPa');
    show.line('your tries', 'times you inflated it from empty', state.tries);
    show.line('advised tries', 'tries', advisedTries);
    show.basis('published', 'first law for an open volume, ideal gas; flow by ISO 6358-1');
    show.basis(
      'practice',
      'lubricate, inflate up to the limit, let all air out and lubricate again; three tries at most',
    );
    show.basis('memory', 'how much more pressure a dry bead needs, and one lubricated once');
    for (const caution of SEATING_CAUTIONS) show.caution(caution);
    const good = endedWell(hidden, state);
    const why = good
      ? hidden.isHopeless
        ? reason(
            'good',
            `Called off after ${counted(state.tries, 'try', 'tries')}. Nothing would have seated it.`,
          )
        : reason(
            'good',
            `Seated in ${counted(state.tries, 'try', 'tries')}, never above the limit.`,
          )
      : state.highestKpa > hidden.limitKpa + 0.5
        ? reason('stop', 'Above the limit.')
        : reason('check', isSeated(state) ? 'Seated.' : 'Not seated.');
    show.verdict(why.verdict);
    return {
      good,
      cost: state.tries,
      advisedCost: advisedTries,
      debrief: debriefOf(hidden, state, seen, advisedTries),
      advice: advised.map((a) =>
        a.do === 'air'
          ? said('inflate to {0}', [{ value: a.toKpa, unit: 'kPa' }])
          : said(AIR_WORDS[a.do]),
      ),
      limitKpa: hidden.limitKpa,
      highestKpa: state.highestKpa,
      reason: why,
    };
  },
});

/** The kind of practice as the screens have it. */
export const airPractice: PracticeSpec = {
  title: 'Seating',
  does: 'A tire that won’t seat. Find the limit that applies, lubricate, inflate and deflate in few tries, and know when to stop.',
  levels: AIR_LEVELS,
  counts: ['try', 'tries'],
  scores: practiceAir,
};
