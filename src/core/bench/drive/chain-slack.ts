import { inputError } from '../../base/errors';
import { listOf, quantity } from '../../base/fields';
import { defineWorking, reason, worstOf, type Reason } from '../../base/working';

interface Input {
  slackMm: number;
  otherPlacesMm?: number[];
  wantMinMm: number;
  wantMaxMm: number;
  runMm: number;
  pitchMm?: number;
}

interface ChainSlack {
  /** The least of what was measured: it counts. */
  tightestMm: number;
  /** Backward, for less slack; below nothing forward, for more. */
  axleMoveMm: number;
  /**
   * Of each adjuster alike, in parts that a fitter sets; null without the pitch of their thread.
   */
  turns: number | null;
  /** All turns that land inside, from the slackest to the tightest; null without the pitch. */
  turnsInside: { from: number; to: number } | null;
  /** The slack after `turns`, or after `axleMoveMm` if no turn can be told. */
  slackAfterMm: number;
  reasons: Reason[];
}

/**
 * Parts of a turn that a fitter sets, the coarsest first: halves, quarters, flats of a hexagon,
 * eighths.
 */
const PARTS = [2, 4, 6, 8] as const;
/**
 * So much of the range on either side of its middle is near enough for a coarser part of a turn.
 * Basis: memory.
 */
const NEAR_MIDDLE = 0.5;
const mm = (value: number) => ({ value, unit: 'mm' as const });

/** Arithmetic of fractions, not of the chain. */
const NEARLY = 1e-9;

/** The axle's move back from one slack to another: x = (s₁² − s₂²) / (4 L). All mm. */
export const axleMoveFor = (fromMm: number, toMm: number, runMm: number): number =>
  (fromMm ** 2 - toMm ** 2) / (4 * runMm);

/** The slack after the axle has moved back so far; nothing once the chain is straight. All mm. */
export const slackAfterMove = (slackMm: number, moveMm: number, runMm: number): number =>
  Math.sqrt(Math.max(0, slackMm ** 2 - 4 * runMm * moveMm));

/**
 * The turns that land inside: of the coarsest part of a turn that comes near the middle, else of
 * any part the ones nearest the middle, of two as near the slacker ones. Where no part lands
 * inside, the ones just on the slack side.
 */
const turnsFor = (input: {
  turnMm: number;
  runMm: number;
  slackMm: number;
  minMm: number;
  maxMm: number;
}) => {
  const { turnMm, runMm, slackMm, minMm, maxMm } = input;
  const after = (turns: number) => slackAfterMove(slackMm, turns * turnMm, runMm);
  const turnsTo = (toMm: number) => axleMoveFor(slackMm, toMm, runMm) / turnMm;
  const middle = (minMm + maxMm) / 2;
  const offMm = (turns: number) => Math.abs(after(turns) - middle);
  const inside = PARTS.flatMap((parts) => {
    // Nothing is added so that no turn is a negative zero.
    const from = Math.ceil(turnsTo(maxMm) * parts - NEARLY) + 0;
    const to = Math.floor(turnsTo(minMm) * parts + NEARLY);
    const all = Array.from({ length: Math.max(0, to - from + 1) }, (_, i) => (from + i) / parts);
    return all.sort((a, b) => offMm(a) - offMm(b) || a - b).slice(0, 1);
  });
  const near = inside.find((turns) => offMm(turns) <= (NEAR_MIDDLE * (maxMm - minMm)) / 2);
  const best = near ?? [...inside].sort((a, b) => offMm(a) - offMm(b))[0];
  if (best !== undefined) return { turns: best, isInside: true };
  const slackSide = PARTS.map((parts) => (Math.ceil(turnsTo(maxMm) * parts - NEARLY) - 1) / parts);
  return { turns: Math.max(...slackSide), isInside: false };
};

/**
 * The move of the axle and its adjusters that brings the slack of a chain or a belt to what the
 * manual wants.
 *
 * Slack 0 to 300 mm, the whole up-and-down play in the middle of the lower run, at the tightest
 * place of the chain; `runMm` 150 to 1500 between the sprockets; `pitchMm` 0.5 to 3 of the
 * adjuster's thread. Throws `InputError` where the least wanted is more than the most, or the slack
 * is more than the run could show. Source: geometry of a run with a small sag, x = (s₁² − s₂²) / (4
 * L).
 */
export const chainSlack = defineWorking<Input, ChainSlack>({
  name: 'chain-slack',
  title: 'Chain slack adjustment',
  input: () => ({
    slackMm: quantity('mm', 0, 300, 'Slack at the tightest place'),
    otherPlacesMm: listOf(
      quantity('mm', 0, 300, 'Slack at another place'),
      12,
      'Slack with the wheel turned',
    ).optional(),
    wantMinMm: quantity('mm', 0, 200, 'Spec, min'),
    wantMaxMm: quantity('mm', 1, 250, 'Spec, max'),
    runMm: quantity('mm', 150, 1500, 'Free chain run'),
    pitchMm: quantity('mm', 0.5, 3, 'Adjuster thread pitch').optional(),
  }),
  example: {
    slackMm: 44,
    otherPlacesMm: [47, 52],
    wantMinMm: 30,
    wantMaxMm: 38,
    runMm: 605,
    pitchMm: 1.25,
  },
  work({ slackMm, otherPlacesMm = [], wantMinMm, wantMaxMm, runMm, pitchMm }, show) {
    if (wantMinMm > wantMaxMm)
      throw inputError(
        'wantMinMm',
        'At least {0} and at most {1} cannot both be.',
        'Enter the smaller figure of the manual first',
        [mm(wantMinMm), mm(wantMaxMm)],
      );
    const places = [slackMm, ...otherPlacesMm];
    const loosestMm = Math.max(...places);
    if (loosestMm > runMm / 3)
      throw inputError(
        'slackMm',
        '{0} of slack on a run of {1}: that chain would jump the sprocket.',
        'Measure the play in the middle of the lower run, and the free chain run',
        [mm(loosestMm), mm(runMm)],
      );
    const tightestMm = show.line('slack now', 'at the tightest place', Math.min(...places), 'mm');
    const middleMm = show.line(
      'wanted',
      'middle of the manual’s range',
      (wantMinMm + wantMaxMm) / 2,
      'mm',
    );
    const isInside = tightestMm >= wantMinMm - NEARLY && tightestMm <= wantMaxMm + NEARLY;
    const axleMoveMm = isInside ? 0 : axleMoveFor(tightestMm, middleMm, runMm);
    show.line('axle moves back', '(now² − wanted²) / (4 × run)', axleMoveMm, 'mm');
    const inTurns = (toMm: number) => axleMoveFor(tightestMm, toMm, runMm) / pitchMm!;
    const found =
      pitchMm === undefined
        ? null
        : isInside
          ? { turns: 0, isInside: true }
          : turnsFor({
              turnMm: pitchMm,
              runMm,
              slackMm: tightestMm,
              minMm: wantMinMm,
              maxMm: wantMaxMm,
            });
    const turnsInside =
      pitchMm === undefined
        ? null
        : {
            from: show.line('turns for max slack', 'to the spec max', inTurns(wantMaxMm)),
            to: show.line('turns for min slack', 'to the spec min', inTurns(wantMinMm)),
          };
    if (found)
      show.line(
        'turns of each adjuster',
        'in halves, quarters, flats or eighths: inside, near the middle',
        found.turns,
      );
    const moveMm = found ? found.turns * pitchMm! : axleMoveMm;
    const slackAfterMm = show.line(
      'slack after',
      '√(now² − 4 × run × move)',
      slackAfterMove(tightestMm, moveMm, runMm),
      'mm',
    );
    const looseAfterMm = slackAfterMove(loosestMm, moveMm, runMm);
    show.basis('published', 'geometry of a run with a small sag, x = (s₁² − s₂²) / (4 L)');
    show.basis('manual', 'the slack spec and the stand it is measured on');
    show.basis(
      'practice',
      'too tight ruins bearings when the swingarm moves: err on the loose side',
    );
    show.caution('Slack does not change evenly with the axle. Measure again after each half turn.');
    show.caution('On the stand that the manual names, at the tightest place of the chain.');
    const reasons: Reason[] = [
      tightestMm < wantMinMm - NEARLY
        ? reason(
            'stop',
            'Too tight: {0}, spec {1} min. It ruins bearings when the swingarm moves.',
            [mm(tightestMm), mm(wantMinMm)],
          )
        : isInside
          ? reason('good', 'Slack {0}, spec {1} to {2}.', [
              mm(tightestMm),
              mm(wantMinMm),
              mm(wantMaxMm),
            ])
          : reason('check', 'Too loose: {0}, spec {1} max.', [mm(tightestMm), mm(wantMaxMm)]),
    ];
    if (tightestMm === 0)
      reasons.push(
        reason(
          'stop',
          'No slack to measure. Move the axle forward until the chain sags, then measure.',
        ),
      );
    if (found && !found.isInside)
      reasons.push(
        reason(
          'check',
          'No part of a turn lands in spec. This one leaves {0}, on the loose side.',
          [mm(slackAfterMm)],
        ),
      );
    if (looseAfterMm > wantMaxMm + NEARLY && loosestMm > tightestMm)
      reasons.push(
        reason(
          'check',
          'The chain is uneven: {0} at its loosest with {1} at its tightest. Look at its wear.',
          [mm(looseAfterMm), mm(slackAfterMm)],
        ),
      );
    show.verdict(worstOf(reasons));
    return {
      tightestMm,
      axleMoveMm,
      turns: found?.turns ?? null,
      turnsInside,
      slackAfterMm,
      reasons,
    };
  },
});
