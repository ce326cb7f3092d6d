import Joi from 'joi';
import { count, oneOf } from '../base/fields';
import { leak, type StandingReading } from '../bench/pressure';
import { counted, said } from '../base/units';
import { defineWorking, reason, type Reason } from '../base/working';
import { hiddenLeak, LEAK_LEVELS, MAX_DAYS, type HiddenLeak, type LeakLevel } from './hidden-leak';
import { roundFields, type Played, type RoundInput } from './played';
import type { PracticeSpec } from './practice-spec';

/** So many days later it is read again; or one says what it is. */
export type LeakAct = { do: 'read'; days: number } | { do: 'leaks' | 'ordinary' };

/** Acts of a round at most. */
const MOST = 60;
/** The days between two readings of the advice. */
const EVERY_DAYS = 2;

const LEAK_ACTS = Joi.array()
  .items(
    Joi.alternatives(
      Joi.object({ do: oneOf(['read'], 'Action'), days: count(1, 30, 'Days later') }),
      Joi.object({ do: oneOf(['leaks', 'ordinary'], 'Answer') }),
    ),
  )
  .max(MOST)
  .required()
  .description('Readings, then the answer')
  .meta({ expected: `Enter up to ${MOST} actions: read, leaks, ordinary` });

/** The readings of a round: the first one is there at the beginning. */
export const leakReadings = (hidden: HiddenLeak, acts: readonly LeakAct[]): StandingReading[] => {
  let day = 0;
  const all = [hidden.read(0)];
  for (const act of acts) {
    if (act.do !== 'read' || day >= MAX_DAYS) continue;
    day = Math.min(MAX_DAYS, day + act.days);
    all.push(hidden.read(day));
  }
  return all;
};

const findingOf = (hidden: HiddenLeak, readings: StandingReading[]) =>
  leak.run({ readings, tube: hidden.tube, gaugeStepKpa: hidden.gaugeStepKpa }).result;

/** Read every other day until the arithmetic can tell. */
export function* advisedLeak(hidden: HiddenLeak): Generator<LeakAct> {
  const acts: LeakAct[] = [];
  for (let day = 0; day < MAX_DAYS; day += EVERY_DAYS) {
    const act: LeakAct = { do: 'read', days: EVERY_DAYS };
    acts.push(act);
    yield act;
    const { finding } = findingOf(hidden, leakReadings(hidden, acts));
    if (finding === 'cannot tell') continue;
    yield { do: finding === 'slow leak' ? 'leaks' : 'ordinary' };
    return;
  }
}

const daysOf = (acts: readonly LeakAct[]): number =>
  Math.min(
    MAX_DAYS,
    acts.reduce((sum, a) => sum + (a.do === 'read' ? a.days : 0), 0),
  );
const saidOf = (acts: readonly LeakAct[]) => acts.find((a) => a.do !== 'read')?.do ?? null;

interface LeakPlayed extends Played {
  lossKpaPerDay: number;
  corrected: { day: number; gaugeKpa: number }[];
}

/**
 * A round on a standing tire: whether it leaks, told from readings on days of one's choice, with
 * the weather in them.
 *
 * Source: the gas law; the judgement of `leak`.
 */
export const practiceLeak = defineWorking<RoundInput<LeakLevel, LeakAct>, LeakPlayed>({
  name: 'practice-leak',
  title: 'Practice: leak or weather',
  input: () => roundFields(LEAK_LEVELS, LEAK_ACTS),
  example: {
    seed: 2,
    level: 'steady weather',
    acts: [{ do: 'read', days: 2 }, { do: 'ordinary' }],
  },
  work({ seed, level, acts }, show) {
    const hidden = hiddenLeak(seed, level);
    const answer = saidOf(acts);
    const answered = acts.findIndex((a) => a.do !== 'read');
    // What is read after it was said counts no more.
    const before = answered < 0 ? acts : acts.slice(0, answered);
    const readings = leakReadings(hidden, before);
    const found = findingOf(hidden, readings);
    const advised = [...advisedLeak(hidden)];
    show.line('loss in a day', 'set by the tire’s number', hidden.lossKpaPerDay, 'kPa');
    show.line('normal loss in a day', 'shop rule', found.ordinaryKpaPerDay, 'kPa');
    show.line('your days', 'first reading to last', daysOf(before), 'days');
    show.line('advised days', 'first reading to last', daysOf(advised), 'days');
    show.basis('published', 'ideal gas law at constant volume');
    show.basis('memory', 'how much air such a tire normally loses');
    show.caution(
      'Check a tire that loses air before it rolls: soapy water on bead, stem and core.',
    );
    // A tire that went flat meanwhile tells it without arithmetic.
    const isTold =
      found.finding !== 'cannot tell' || readings.at(-1)!.gaugeKpa < hidden.gaugeStepKpa;
    const right = answer !== null && (answer === 'leaks') === hidden.leaks;
    const debrief: Reason[] = [];
    const amount = { value: hidden.lossKpaPerDay * 7, unit: 'kPa' as const, digits: 1 };
    if (answer === null) debrief.push(reason('check', 'You gave no answer. Say whether it leaks.'));
    else if (!right)
      debrief.push(
        reason(
          'stop',
          hidden.leaks
            ? 'It loses {0} a week. It leaks; warmer days hid it.'
            : 'It loses {0} a week. No leak; the weather did the rest.',
          [amount],
        ),
      );
    if (answer !== null && !isTold)
      debrief.push(reason('check', 'You called it before the readings could tell. That was luck.'));
    if (daysOf(before) > daysOf(advised) + EVERY_DAYS)
      debrief.push(
        reason(
          'check',
          `The readings could tell ${counted(daysOf(before) - daysOf(advised), 'day')} sooner.`,
        ),
      );
    const good = right && isTold;
    const why = good
      ? reason('good', `Right, after ${counted(daysOf(before), 'day')}.`)
      : reason(
          answer !== null && !right ? 'stop' : 'check',
          right
            ? 'Right, but the readings could not tell.'
            : answer === null
              ? 'No answer.'
              : 'Wrong.',
        );
    show.verdict(why.verdict);
    return {
      good,
      cost: daysOf(before),
      advisedCost: daysOf(advised),
      debrief,
      advice: [
        said(
          `read pressure and temperature every ${EVERY_DAYS} days, ${counted(advised.length - 1, 'time')}`,
        ),
        said(advised.at(-1)?.do === 'leaks' ? 'a slow leak' : 'no leak: weather'),
      ],
      lossKpaPerDay: hidden.lossKpaPerDay,
      corrected: found.corrected,
      reason: why,
    };
  },
});

/** The kind of practice as the screens have it. */
export const leakPractice: PracticeSpec = {
  title: 'Leak or weather',
  does: 'A standing tire and a gauge. Read it on days you choose, then say whether it leaks or the weather did it.',
  levels: LEAK_LEVELS,
  counts: ['day', 'days'],
  scores: practiceLeak,
};
