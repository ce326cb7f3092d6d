import type { BalanceEstimate, Piece } from '../bench/balance';
import type { DialMark } from '../fit/drawing';
import type { BalanceLog } from './balance-log';
import { heavyOf } from './balance-of';

/** Writes a mass beside a mark. */
export type SayMass = (massG: number) => string;
const inGrams: SayMass = (massG) => `${Math.round(massG * 10) / 10} g`;

/** `2 × 20 g` for pieces of one kind at one place, their sum for pieces of several. */
const massesText = (masses: number[], say: SayMass): string =>
  masses.every((m) => m === masses[0])
    ? `${masses.length > 1 ? `${masses.length} × ` : ''}${say(masses[0]!)}`
    : say(masses.reduce((t, m) => t + m, 0));

/** Pieces at one place as one mark: on the rim, or still to be put on. */
export const weightMarks = (
  pieces: readonly Pick<Piece, 'massG' | 'deg'>[],
  is: 'weight' | 'trial' = 'weight',
  say = inGrams,
): DialMark[] => {
  const byPlace = new Map<number, number[]>();
  for (const piece of pieces)
    byPlace.set(piece.deg, [...(byPlace.get(piece.deg) ?? []), piece.massG]);
  return [...byPlace].map(([deg, masses]) => ({ is, deg, label: massesText(masses, say) }));
};

/** Masses that the way from axle to rim may stand for, so that what is believed fills the dial. */
const SCALES_G = [20, 40, 60, 80, 120, 160, 240];

/** Nine of ten lie so many standard deviations about the middle. */
export const NINE_OF_TEN = 1.645;

/** Whether the mass is known at all: what it could be spans less than itself. */
export const isMassKnown = ({
  heavyMassG,
  alongG,
}: Pick<BalanceEstimate, 'heavyMassG' | 'alongG'>): boolean =>
  2 * NINE_OF_TEN * alongG < heavyMassG;

/**
 * The belief about the heavy spot, drawn from the axle outward: the region that holds 90 of 100,
 * and its middle.
 */
export const beliefMark = (
  estimate: Pick<BalanceEstimate, 'region' | 'heavyMassG' | 'heavyDeg' | 'alongG'>,
  say = inGrams,
): DialMark => {
  const { region, heavyMassG, heavyDeg } = estimate;
  const heavy = { massG: heavyMassG, deg: heavyDeg };
  const most = Math.max(
    heavy.massG * 1.25,
    ...region.map((p) => Math.min(p.massG, heavy.massG * 1.6)),
  );
  return {
    is: 'belief',
    region: region.map((p) => ({ ...p })),
    heavy,
    label: isMassKnown(estimate) ? say(Math.round(heavyMassG)) : 'heavy',
    fullG: SCALES_G.find((g) => g >= most) ?? SCALES_G.at(-1)!,
  };
};

/**
 * The pieces that are on beside those that are to be put on: what stays, what comes off, what is
 * new.
 */
export const changeMarks = (
  on: readonly Pick<Piece, 'massG' | 'deg'>[],
  next: readonly Pick<Piece, 'massG' | 'deg'>[],
  say = inGrams,
): DialMark[] => {
  const [now, then] = [weightMarks(on, 'weight', say), weightMarks(next, 'trial', say)];
  const same = (a: DialMark, b: DialMark) =>
    'label' in a &&
    'label' in b &&
    'deg' in a &&
    'deg' in b &&
    a.deg === b.deg &&
    a.label === b.label;
  return [
    ...now.map((m): DialMark =>
      then.some((t) => same(m, t)) || !('deg' in m)
        ? m
        : { is: 'rest', deg: m.deg, label: 'take off' },
    ),
    ...then
      .filter((t) => !now.some((m) => same(m, t)))
      .map((t): DialMark => ('label' in t ? ({ ...t, label: `put ${t.label}` } as DialMark) : t)),
  ];
};

/** The marks by the log alone once it is over: where it was heavy, and the weights that are on. */
export const balanceMarks = (balance: BalanceLog, say = inGrams): DialMark[] => {
  const heavy = heavyOf(balance);
  return [
    ...(heavy
      ? [
          {
            is: 'heavy',
            deg: heavy.deg,
            ...(heavy.massG === null ? {} : { label: say(Math.round(heavy.massG)) }),
          } as const,
        ]
      : []),
    ...weightMarks(balance.on, balance.trial ? 'trial' : 'weight', say),
  ];
};
