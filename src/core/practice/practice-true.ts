import { count, listOf, record } from '../base/fields';
import { ruleNumber } from '../base/rules';
import { eighthsText, trueAdvise, type Turned } from '../bench/truing';
import { counted, said } from '../base/units';
import { defineWorking, reason, type Reason } from '../base/working';
import { hiddenSpokes, SPOKE_LEVELS, type HiddenSpokes, type SpokeLevel } from './hidden-spokes';
import { MAX_ACTS, roundFields, type Played, type RoundInput } from './played';
import type { PracticeSpec } from './practice-spec';

/** The places where the rim is read, by the advice and for a score. */
const DEGS = Array.from({ length: 36 }, (_, i) => i * 10);
/** More passes than this no one makes. */
const MAX_PASSES = 4;

const TURNS = listOf(
  record(
    {
      spoke: count(1, 80, 'Spoke number'),
      eighths: count(-24, 24, 'Eighths of a turn, plus is tighter'),
    },
    'Nipple',
  ),
  MAX_ACTS,
  'Nipples turned, in order',
);

const swing = (values: readonly number[]): number => Math.max(...values) - Math.min(...values);

/** The runout of a rim as the indicator reads it, side to side and up and down, mm. */
export const outOf = (wheel: HiddenSpokes): { sideMm: number; upMm: number } => {
  const read = wheel.read(DEGS);
  return {
    sideMm: swing(read.map((r) => r.lateralMm!)),
    upMm: swing(read.map((r) => r.radialMm!)),
  };
};

/** The hidden wheel trued as the advice says, pass by pass. */
export function* advisedTruing(hidden: HiddenSpokes): Generator<Turned[]> {
  let wheel = hidden;
  let before: { readings: ReturnType<HiddenSpokes['read']>; turned: Turned[] } | undefined;
  for (let pass = 0; pass < MAX_PASSES; pass++) {
    const readings = wheel.read(DEGS);
    const { spokes, rimDiameterMm } = wheel;
    const { result } = trueAdvise.run({
      readings,
      spokes,
      rimDiameterMm,
      ...(before && { before }),
    });
    if (result.do !== 'turn') return;
    const turned = result.nipples.map((n) => ({
      spoke: n.spoke,
      eighths: n.turn === 'tighten' ? n.eighths : -n.eighths,
    }));
    yield turned;
    before = { readings, turned };
    wheel = wheel.after(turned);
  }
}

interface TruePlayed extends Played {
  before: { sideMm: number; upMm: number };
  left: { sideMm: number; upMm: number };
  advisedLeft: { sideMm: number; upMm: number };
  advisedPasses: number;
}

const mm = (value: number) => ({ value, unit: 'mm' as const, digits: 2 });

/** The turns that helped, and those that worked against each other. */
const debriefOf = (
  hidden: HiddenSpokes,
  acts: readonly Turned[],
  advised: readonly Turned[][],
): Reason[] => {
  const told: Reason[] = [];
  const sums = new Map<number, number>();
  const tried = new Map<number, number>();
  for (const { spoke, eighths } of acts) {
    sums.set(spoke, (sums.get(spoke) ?? 0) + eighths);
    tried.set(spoke, (tried.get(spoke) ?? 0) + Math.abs(eighths));
  }
  const forth = [...tried].filter(
    ([spoke, eighths]) => eighths > Math.abs(sums.get(spoke)!),
  ).length;
  if (forth > 0)
    told.push(
      reason(
        'check',
        `You turned ${counted(forth, 'nipple')} one way and back. Measure again before the next turn.`,
      ),
    );
  const first = acts[0];
  if (first) {
    const [was, is] = [outOf(hidden), outOf(hidden.after([first]))];
    if (is.sideMm + is.upMm > was.sideMm + was.upMm + 0.02)
      told.push(
        reason('check', `Spoke ${first.spoke} made it worse: wrong side or wrong direction.`),
      );
  }
  const all = advised.flat();
  const worst = all.reduce(
    (most, n) => (Math.abs(n.eighths) > Math.abs(most.eighths) ? n : most),
    all[0]!,
  );
  if (worst && !sums.get(worst.spoke))
    told.push(
      reason(
        'check',
        `You left spoke ${worst.spoke} alone. The advice turned it ${worst.eighths > 0 ? 'tighter' : 'looser'}, more than any other.`,
      ),
    );
  return told;
};

/**
 * A round at the truing stand: one's own nipples beside those of the advice.
 *
 * Source: the model of `true-advise`, with a stiffness and a thread of the hidden wheel's own.
 */
export const practiceTrue = defineWorking<RoundInput<SpokeLevel, Turned>, TruePlayed>({
  name: 'practice-true',
  title: 'Practice: truing',
  input: () => roundFields(SPOKE_LEVELS, TURNS),
  example: { seed: 4, level: 'a wobble', acts: [{ spoke: 7, eighths: 2 }] },
  work({ seed, level, acts, rules }, show) {
    const checkMm = ruleNumber('runout.spokedCheckMm', rules, show);
    const hidden = hiddenSpokes(seed, level);
    const strange = acts.findIndex((n) => n.spoke > hidden.spokes);
    // A spoke that is none is turned by no one.
    const turned = acts.filter((n) => n.spoke <= hidden.spokes);
    const left = outOf(hidden.after(turned));
    const before = outOf(hidden);
    const advised = [...advisedTruing(hidden)];
    const advisedLeft = outOf(hidden.after(advised.flat()));
    show.line('lateral runout before', 'set by the wheel’s number', before.sideMm, 'mm');
    show.line('radial runout before', 'set by the wheel’s number', before.upMm, 'mm');
    show.line('lateral runout now', 'the wheel’s nipples + yours, by the model', left.sideMm, 'mm');
    show.line('radial runout now', 'the wheel’s nipples + yours, by the model', left.upMm, 'mm');
    show.line(
      'lateral runout as advised',
      counted(advised.length, 'pass', 'passes'),
      advisedLeft.sideMm,
      'mm',
    );
    show.line('your turns', 'times you turned a nipple', turned.length);
    show.line('advised turns', 'times a nipple is turned', advised.flat().length);
    show.basis(
      'published',
      'bending of a circular ring as in Timoshenko, Vibration Problems in Engineering',
    );
    show.basis('memory', 'rim and spoke sizes, and how much wheels vary');
    show.caution('Truing is skilled work. Make small turns, then ring every spoke again.');
    const worst = Math.max(left.sideMm, left.upMm);
    const good = worst <= checkMm + 1e-9;
    const why = reason(
      good ? 'good' : 'check',
      good
        ? `True within {0}, ${counted(turned.length, 'nipple')} turned.`
        : 'Still {0} out; the limit is {1}.',
      good ? [mm(worst)] : [mm(worst), mm(checkMm)],
    );
    show.verdict(why.verdict);
    const debrief = debriefOf(hidden, turned, advised);
    if (strange >= 0)
      debrief.push(reason('check', `This wheel has no spoke ${acts[strange]!.spoke}.`));
    return {
      good,
      cost: turned.length,
      advisedCost: advised.flat().length,
      debrief,
      advice: advised.flatMap((pass, i) =>
        pass.map((n) =>
          said(
            `${advised.length > 1 ? `pass ${i + 1}: ` : ''}spoke ${n.spoke} ${n.eighths > 0 ? 'tighter' : 'looser'}, ${eighthsText(n.eighths)}`,
          ),
        ),
      ),
      before,
      left,
      advisedLeft,
      advisedPasses: advised.length,
      reason: why,
    };
  },
});

/** The kind of practice as the screens have it. */
export const truePractice: PracticeSpec = {
  title: 'Truing',
  does: 'A spoked wheel at the indicator with some nipples off. Measure it, turn few nipples and measure again, until it runs true.',
  levels: SPOKE_LEVELS,
  counts: ['nipple', 'nipples'],
  scores: practiceTrue,
};
