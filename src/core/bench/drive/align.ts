import { inputError } from '../../base/errors';
import type { RuleValues } from '../../base/rules';
import { ruleNumber } from '../../base/rules';
import { reason, type Reason, type Show } from '../../base/working';

export const CHAIN_SIDES = ['left', 'right'] as const;
export type ChainSide = (typeof CHAIN_SIDES)[number];

/** The correction that straightens a wheel, and how far it stands askew. */
export interface Alignment {
  /** The wheel is turned by so much, its front to the left where above nothing. */
  angleDeg: number;
  /** Left further back than right, over the adjuster spacing. */
  markDiffersMm: number;
  /** The distance of the chain's line from the front sprocket's; null if the run is not known. */
  atSprocketMm: number | null;
  /**
   * Back where above nothing, forward below: the rear sprocket stays where it is, and with it the
   * slack.
   */
  leftMoveMm: number;
  rightMoveMm: number;
  /** The same in turns of the adjusters; null without the pitch of their thread. */
  leftTurns: number | null;
  rightTurns: number | null;
  reasons: Reason[];
}

export interface Setup {
  /** Between the adjusters. */
  adjusterSpanMm: number;
  chainSide?: ChainSide;
  /** From the adjuster on its side to the sprocket's plane, inward. */
  sprocketInsetMm?: number;
  runMm?: number;
  pitchMm?: number;
  rules?: RuleValues;
}

const DEG = 180 / Math.PI;
/** An axle cannot stand more askew than this in its swingarm. Basis: memory. */
const MAX_SLOPE = 0.5;

/**
 * The turns that bring both marks level again while the rear sprocket stays where it is.
 * `differsMm`: left further back than right, over the span of the adjusters.
 */
export const alignBy = (differsMm: number, setup: Setup, show: Show): Alignment => {
  const { adjusterSpanMm, chainSide = 'left', sprocketInsetMm = 0, runMm, pitchMm, rules } = setup;
  if (Math.abs(differsMm) > MAX_SLOPE * adjusterSpanMm)
    throw inputError(
      'adjusterSpanMm',
      'A difference of {0} over {1} is not possible for an axle.',
      'Measure both marks from the same line, and the adjuster spacing, again',
      [
        { value: Math.abs(differsMm), unit: 'mm', digits: 1 },
        { value: adjusterSpanMm, unit: 'mm' },
      ],
    );
  const angleDeg = show.line(
    'the wheel is turned by',
    'atan(difference / adjuster spacing)',
    Math.atan2(differsMm, adjusterSpanMm) * DEG,
    'deg',
  );
  const atSprocketMm =
    runMm === undefined
      ? null
      : show.line(
          'off at the front sprocket',
          'run × difference / distance',
          (runMm * differsMm) / adjusterSpanMm,
          'mm',
        );
  // The axle turns around the sprocket: its own end moves by the inset's share, the other end by the
  // rest.
  const share = sprocketInsetMm / adjusterSpanMm;
  const [near, far] = [differsMm * share, differsMm * (1 - share)];
  const leftMoveMm = show.line(
    'left adjuster, back',
    'around the sprocket',
    0 - (chainSide === 'left' ? near : far),
    'mm',
  );
  const rightMoveMm = show.line(
    'right adjuster, back',
    'around the sprocket',
    chainSide === 'left' ? far : near,
    'mm',
  );
  const mayMm = ruleNumber('align.markMm', rules, show);
  show.basis('published', 'trigonometry: the wheel turns by atan(δ / b)');
  show.caution(
    'Measure the slack again after each turn of an adjuster: it comes before the marks.',
  );
  show.caution(
    'Marks stamped on a swingarm may be off themselves: a straight edge or a string along both wheels tells.',
  );
  const mm = (value: number) => ({ value: Math.abs(value), unit: 'mm' as const, digits: 1 });
  const isLevel = Math.abs(differsMm) <= mayMm + 1e-9;
  const word = differsMm > 0 ? 'left' : 'right';
  const why = isLevel
    ? reason('good', 'Both sides within {0}; spec {1} max.', [mm(differsMm), mm(mayMm)])
    : reason('check', `The ${word} end is {0} further back; spec {1} max.`, [
        mm(differsMm),
        mm(mayMm),
      ]);
  show.verdict(why.verdict);
  const turns = (moveMm: number) => (pitchMm === undefined ? null : moveMm / pitchMm);
  return {
    angleDeg,
    markDiffersMm: differsMm,
    atSprocketMm,
    leftMoveMm,
    rightMoveMm,
    leftTurns: turns(leftMoveMm),
    rightTurns: turns(rightMoveMm),
    reasons: [why],
  };
};
