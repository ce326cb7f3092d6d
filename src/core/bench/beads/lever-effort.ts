import { quantity } from '../../base/fields';
import { beadFields } from './bead-fields';
import { defineWorking, reason, type Reason } from '../../base/working';
import { bottomMm, checkRim, hoopSlackMm, limpLoop, type BeadAndRim } from './bead-geometry';

/** The force of a bite, from the lightest. */
export type Effort = 'light' | 'firm' | 'heavy';

/**
 * As a share of the way from a stiff bead that has slack to a limp one that has none: where the
 * scale steps. Basis: memory.
 */
const STEPS: readonly [Effort, number][] = [
  ['light', 1 / 3],
  ['firm', 2 / 3],
  ['heavy', 1],
];

/**
 * The share of the way from a free bead to one that no bead passes, 0 to 1: zero if even a stiff
 * hoop has slack, 1 if a limp loop has none. A model: a real bead lies somewhere between the two.
 * `hoopMm` a diameter, `spareMm` a circumference.
 */
export const effortShare = (hoopMm: number, spareMm: number): number => {
  const shortMm = Math.max(0, -Math.PI * hoopMm);
  return spareMm <= 0 ? 1 : shortMm / (shortMm + spareMm);
};

export const effortOf = (share: number): Effort =>
  STEPS.find(([, to]) => share < to)?.[0] ?? 'heavy';

interface Input {
  beadMm: number;
  wellMm: number;
  flangeMm: number;
  axialMm: number;
  fillMm?: number;
  biteMm: number;
  leftDeg: number;
}

interface LeverEffort {
  /** 0 to 1. */
  share: number;
  effort: Effort | 'stop';
  reason: Reason;
}

const SAYS: Record<Effort, { verdict: Reason['verdict']; says: string }> = {
  light: { verdict: 'good', says: 'Should go easily: {0} to spare.' },
  firm: { verdict: 'good', says: 'A firm stroke: {0} to spare. A shorter bite is easier.' },
  heavy: {
    verdict: 'check',
    says: 'A heavy stroke: only {0} to spare. Take a shorter bite, and check that the far side is down.',
  },
};

/**
 * The force of a bite: light, firm, heavy, or not at all.
 *
 * Input as for `bead-path`; `leftDeg` 1 to 360 with this bite. Throws `InputError` for a rim that
 * contradicts its bead. Source: the two bounds of `bead-path` are geometry; the scale between them
 * is a model, from memory.
 */
export const leverEffort = defineWorking<Input, LeverEffort>({
  name: 'lever-effort',
  title: 'Lever effort',
  input: () => ({
    ...beadFields(),
    leftDeg: quantity('deg', 1, 360, 'Arc still to go over the flange, with this bite'),
  }),
  example: { beadMm: 434, wellMm: 404, flangeMm: 458, axialMm: 44, biteMm: 65, leftDeg: 80 },
  work(input, show) {
    checkRim(input);
    const rim: BeadAndRim = { ...input, fillMm: input.fillMm ?? 0 };
    const loop = limpLoop(rim, bottomMm(rim));
    const biteDeg = (input.biteMm / (Math.PI * input.flangeMm)) * 360;
    const leftDeg = Math.min(input.leftDeg, 360 - 2 * loop.riseDeg);
    const hoopMm = show.line(
      'stiff hoop, slack',
      'bead − the straight way',
      hoopSlackMm(rim, bottomMm(rim)),
      'mm',
    );
    const spareMm = show.line(
      'limp loop, to spare',
      'π × bead − the shortest way',
      loop.slackMm(leftDeg, biteDeg),
      'mm',
    );
    const share = show.line(
      'between the two',
      'π × short / (π × short + to spare)',
      effortShare(hoopMm, spareMm),
    );
    show.basis('published', 'geometry of a hoop, and of a loop, that do not stretch');
    show.basis(
      'memory',
      'a model: thirds of the way between the two bounds; stiffness, cold and lubricant are not in it',
    );
    const amount = { value: Math.abs(spareMm), unit: 'mm' as const, digits: 1 };
    const effort = spareMm <= 0 ? 'stop' : effortOf(share);
    const why =
      effort === 'stop'
        ? reason('stop', '{0} short: no lever should try.', [amount])
        : reason(SAYS[effort].verdict, SAYS[effort].says, [amount]);
    show.verdict(why.verdict);
    show.caution('More force is the wrong answer.');
    return { share, effort, reason: why };
  },
});
