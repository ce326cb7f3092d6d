import { quantity } from '../../base/fields';
import { beadFields } from './bead-fields';
import type { SentenceQuantity } from '../../base/units';
import { defineWorking, reason, type Reason } from '../../base/working';
import {
  bottomMm,
  checkRim,
  hoopSlackMm,
  limpLoop,
  type BeadAndRim,
  type LimpLoop,
} from './bead-geometry';

interface Input {
  beadMm: number;
  wellMm: number;
  flangeMm: number;
  axialMm: number;
  /** Tube, strip and lock that lie in the well. */
  fillMm?: number;
  /** Length of a bite, along the flange. */
  biteMm: number;
  /** The arc that is not over the flange yet; all of it where it is not said. */
  leftDeg?: number;
  /** The arc of the far side that still sits up on its seat. */
  farUpDeg?: number;
}

/** Whether a bead gets over its flange, by two exact bounds: a real one lies between them. */
export interface BeadPath {
  /** As a stiff hoop at the last instant: a diameter; negative is short. */
  hoopSlackMm: number;
  /** As a limp loop with what is left now: a circumference. */
  loopSlackMm: number;
  /** The worst moment still to come, by the limp loop. */
  tightest: { loopSlackMm: number; leftDeg: number; leftMm: number };
  /** The part of the far side that may sit up on its seat at that moment. */
  mostUpDeg: number;
  /** The longest bite that passes all the way round; null where none does. */
  longestBiteMm: number | null;
  /** The arc from which all that is left would still go over at once. */
  oneGoDeg: number;
  how: 'by hand' | 'levers' | 'stop';
  reason: Reason;
}

const ALL_ROUND_DEG = 360;

const mm = (value: number): SentenceQuantity => ({ value, unit: 'mm', digits: 1 });
const deg = (value: number): SentenceQuantity => ({ value, unit: 'deg', digits: 0 });

/** The worst moment from here on: what comes after the tightest is easier again. */
const tightestOf = (loop: LimpLoop, biteDeg: number, fromDeg: number, upMm: number) => {
  const leftDeg = Math.min(loop.tightestDeg(biteDeg), fromDeg);
  return { leftDeg, loopSlackMm: loop.slackMm(leftDeg, biteDeg) - upMm };
};

/** Why it does not pass: the cheapest cure first. */
const stopReason = (path: {
  downMm: number;
  longestBiteMm: number | null;
  shortMm: number;
  biteMm: number;
}): Reason => {
  const { downMm, longestBiteMm, shortMm, biteMm } = path;
  if (downMm > 0)
    return reason('stop', '{0} short: the far side is not down in the well. Push it down first.', [
      mm(shortMm),
    ]);
  if (longestBiteMm !== null && longestBiteMm < biteMm)
    return reason('stop', '{0} short: the bites are too long. Use bites of {1} or less.', [
      mm(shortMm),
      { value: Math.floor(longestBiteMm), unit: 'mm' },
    ]);
  return reason(
    'stop',
    '{0} short with the far side down. Forcing it would break the bead. Find out why: shallow well, something in it, wrong size.',
    [mm(shortMm)],
  );
};

/**
 * Bead path: whether a bead gets over its flange as it lies, where it is tightest, and what of the
 * far side has to be down for it.
 *
 * Diameters 60 to 750 mm; `fillMm` 0 to 30 makes the well shallower; `biteMm` 10 to 300; `leftDeg`
 * and `farUpDeg` 0 to 360. By hand where even a stiff hoop has slack, stop where even a limp loop
 * has none, levers between: no threshold. Throws `InputError` for a well that is not smaller than
 * the bead, or a flange that is not larger. Source: geometry.
 */
export const beadPath = defineWorking<Input, BeadPath>({
  name: 'bead-path',
  title: 'Bead clearance',
  input: () => ({
    ...beadFields(),
    leftDeg: quantity('deg', 0, ALL_ROUND_DEG, 'Arc still to go over the flange').optional(),
    farUpDeg: quantity('deg', 0, ALL_ROUND_DEG, 'Arc of the far side still on its seat').optional(),
  }),
  example: { beadMm: 434, wellMm: 404, flangeMm: 458, axialMm: 44, biteMm: 65 },
  work(input, show) {
    checkRim(input);
    const {
      beadMm,
      wellMm,
      flangeMm,
      axialMm,
      fillMm = 0,
      biteMm,
      leftDeg = ALL_ROUND_DEG,
      farUpDeg = 0,
    } = input;
    const rim: BeadAndRim = { beadMm, wellMm, flangeMm, axialMm, fillMm };
    const inWellMm = show.line(
      'far side in the well',
      fillMm > 0 ? `${wellMm} + 2 × ${fillMm}` : 'well',
      bottomMm(rim),
      'mm',
    );
    const biteDeg = show.line(
      'a bite',
      `${biteMm} / (π × ${flangeMm}) × 360`,
      (biteMm / (Math.PI * flangeMm)) * 360,
      'deg',
    );
    const down = limpLoop(rim, inWellMm);
    const startDeg = Math.min(leftDeg, ALL_ROUND_DEG - 2 * down.riseDeg);
    const best = tightestOf(down, biteDeg, startDeg, 0);
    const mountedDeg = ALL_ROUND_DEG - best.leftDeg - 2 * down.riseDeg;
    // With nothing of the mounted part in the well it lies on the seat all round.
    const isOnSeat = farUpDeg > 0 && farUpDeg >= mountedDeg;
    const loop = isOnSeat ? limpLoop(rim, beadMm) : down;
    const upMm = isOnSeat ? 0 : farUpDeg * down.perUpDegMm;
    const found = tightestOf(loop, biteDeg, startDeg, upMm);
    const perDegMm = (Math.PI * flangeMm) / ALL_ROUND_DEG;

    const farMm = farUpDeg > 0 ? beadMm : inWellMm;
    const hoopMm = show.line(
      'stiff hoop, at the last instant',
      `${beadMm} − √(((${farMm.toFixed(1)} + ${flangeMm}) / 2)² + ${axialMm}²)`,
      hoopSlackMm(rim, farMm),
      'mm',
    );
    show.line('tightest with so much left', 'bite + 2 arccos(well / flange)', found.leftDeg, 'deg');
    const tightestMm = show.line(
      'limp loop, to spare there',
      'π × bead − the shortest way',
      found.loopSlackMm,
      'mm',
    );
    const mostUpDeg = show.line(
      'far side may ride up',
      'to spare / ((bead − well) / 2)',
      down.perUpDegMm > 0
        ? Math.max(0, Math.min(mountedDeg, best.loopSlackMm / down.perUpDegMm))
        : mountedDeg,
      'deg',
    );
    const longestDeg = loop.longestBiteDeg(upMm);
    const longestBiteMm = longestDeg > 0 ? longestDeg * perDegMm : null;
    if (longestBiteMm !== null)
      show.line('longest bite that passes', 'to spare / (flange − well)', longestBiteMm, 'mm');
    show.basis('published', 'geometry of a hoop, and of a loop, that do not stretch');
    // A bite that even a limp loop forbids is let through by nothing.
    const how = tightestMm <= 0 ? 'stop' : hoopMm >= 0 ? 'by hand' : 'levers';
    const why =
      how === 'by hand'
        ? reason('good', 'Enough slack, even for a stiff bead. Fit it by hand.')
        : how === 'levers'
          ? reason(
              'good',
              'Levers will do: {0} to spare at the tightest place, with {1} to go. Up to {2} of the far side may ride up there.',
              [
                mm(tightestMm),
                { value: found.leftDeg * perDegMm, unit: 'mm', digits: 0 },
                deg(mostUpDeg),
              ],
            )
          : stopReason({
              downMm: upMm > 0 || isOnSeat ? best.loopSlackMm : 0,
              longestBiteMm,
              shortMm: -tightestMm,
              biteMm,
            });
    show.verdict(why.verdict);
    show.caution('More force is the wrong answer.');
    return {
      hoopSlackMm: hoopMm,
      loopSlackMm: loop.slackMm(startDeg, biteDeg) - upMm,
      tightest: {
        loopSlackMm: tightestMm,
        leftDeg: found.leftDeg,
        leftMm: found.leftDeg * perDegMm,
      },
      mostUpDeg,
      longestBiteMm,
      oneGoDeg: Math.max(0, Math.min(ALL_ROUND_DEG, loop.oneGoDeg(upMm))),
      how,
      reason: why,
    };
  },
});
