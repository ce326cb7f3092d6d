import Joi from 'joi';
import type { Topic } from '../bench/fitting';
import { count, oneOf } from '../base/fields';
import { said } from '../base/units';
import { counted } from '../base/units';
import { defineWorking, reason, type Reason } from '../base/working';
import {
  hiddenSidewall,
  SIDEWALL_LEVELS,
  type HiddenSidewall,
  type SidewallLevel,
} from './hidden-sidewall';
import { roundFields, type Played, type RoundInput } from './played';
import type { PracticeSpec } from './practice-spec';

/** The faults of a tire for a wheel, in words. */
export const TOPIC_WORDS: Record<Topic, string> = {
  size: 'its size',
  rim: 'the rim',
  load: 'its load or its speed',
  tube: 'tube or no tube',
  tread: 'its tread',
  age: 'its age',
  direction: 'its direction',
};
export const TOPICS = Object.keys(TOPIC_WORDS) as Topic[];

/** An answer: this one goes on; or this one must not, and why. Tires are counted from 1. */
export type SidewallAct = { do: 'fits'; tire: number } | { do: 'refuse'; tire: number; why: Topic };

/** Answers of a round at most. */
const MOST = 40;

const ANSWERS = Joi.array()
  .items(
    Joi.alternatives(
      Joi.object({ do: oneOf(['fits'], 'Answer'), tire: count(1, 9, 'Tire') }),
      Joi.object({
        do: oneOf(['refuse'], 'Answer'),
        tire: count(1, 9, 'Tire'),
        why: oneOf(TOPICS, 'What is wrong'),
      }),
    ),
  )
  .max(MOST)
  .required()
  .description('Answers, in order')
  .meta({ expected: `Enter up to ${MOST} answers: fits, refuse` });

/** Whether an answer is right, and what the tire says for itself. */
export const judgeAnswer = (
  hidden: HiddenSidewall,
  act: SidewallAct,
): { right: boolean; reasons: Reason[] } => {
  const fit = hidden.fits[act.tire - 1];
  if (!fit) return { right: false, reasons: [] };
  const right =
    act.do === 'fits'
      ? act.tire - 1 === hidden.suits
      : act.tire - 1 === hidden.refused && act.why === hidden.why;
  return { right, reasons: fit.reasons.filter((r) => r.verdict !== 'good') };
};

/** Both questions are answered rightly. */
export const isAnswered = (hidden: HiddenSidewall, acts: readonly SidewallAct[]): boolean =>
  (['fits', 'refuse'] as const).every((what) =>
    acts.some((a) => a.do === what && judgeAnswer(hidden, a).right),
  );

interface SidewallPlayed extends Played {
  suits: number;
  refused: number;
  why: Topic;
}

/**
 * A round of sidewalls: which tire suits a wheel, which one must be refused, and why.
 *
 * Source: the judgement of `tire-fit`, with its rules.
 */
export const practiceSidewall = defineWorking<
  RoundInput<SidewallLevel, SidewallAct>,
  SidewallPlayed
>({
  name: 'practice-sidewall',
  title: 'Practice: sidewalls',
  input: () => roundFields(SIDEWALL_LEVELS, ANSWERS),
  example: { seed: 3, level: 'plain', acts: [{ do: 'fits', tire: 1 }] },
  work({ seed, level, acts }, show) {
    const hidden = hiddenSidewall(seed, level);
    const { tires, suits, refused, why } = hidden;
    show.line('suits', tires[suits]!.marking, suits + 1);
    show.line('tire to refuse', tires[refused]!.marking, refused + 1);
    show.line('your answers', 'right and wrong', acts.length);
    show.basis('practice', 'what a tire must match: rim, load and speed, tube, tread, age');
    show.caution('If the manual does not allow a tire, the manual and a licensed shop decide.');
    const wrong = acts.filter((act) => !judgeAnswer(hidden, act).right);
    const good = isAnswered(hidden, acts);
    const result = good
      ? reason(
          'good',
          wrong.length === 0
            ? 'Both right on the first try.'
            : `Both right, after ${counted(wrong.length, 'wrong answer')}.`,
        )
      : reason('check', 'Answer both questions.');
    show.verdict(result.verdict);
    const debrief = wrong.map((act) =>
      act.do === 'fits'
        ? reason(
            'check',
            `Tire ${act.tire}, ${tires[act.tire - 1]?.marking ?? 'none'}, is not the one that fits. ${judgeAnswer(hidden, act).reasons[0]?.says ?? 'There is a better one.'}`,
          )
        : act.tire - 1 === refused
          ? reason(
              'check',
              `Tire ${act.tire} is the one to refuse, but not for ${TOPIC_WORDS[act.why]}.`,
            )
          : reason('check', `Tire ${act.tire} can go on.`),
    );
    if (!good)
      debrief.push(
        reason(
          'check',
          `Tire ${suits + 1} fits; tire ${refused + 1} must not go on because of ${TOPIC_WORDS[why]}. ${hidden.fits[refused]!.reasons.find((r) => r.verdict === 'stop')!.says}`,
        ),
      );
    return {
      good,
      cost: acts.length,
      advisedCost: 2,
      debrief,
      advice: [
        said(`tire ${suits + 1}, ${tires[suits]!.marking}, fits`),
        said(
          `tire ${refused + 1}, ${tires[refused]!.marking}, refuse because of ${TOPIC_WORDS[why]}`,
        ),
      ],
      suits: suits + 1,
      refused: refused + 1,
      why,
      reason: result,
    };
  },
});

/** The kind of practice as the screens have it. */
export const sidewallPractice: PracticeSpec = {
  title: 'Sidewall',
  does: 'A wheel needs a tire. Say which tire on the rack fits, which ones must be refused, and why.',
  levels: SIDEWALL_LEVELS,
  counts: ['answer', 'answers'],
  scores: practiceSidewall,
};
