import { useMemo } from 'react';
import type { Section, WheelCut } from '../../../core/fit/drawing';
import { wellFillMm } from '../../../core/bench/beads';
import type { BeadState, HiddenBead } from '../../../core/practice';
import { WheelCutPicture } from '../../pictures/WheelCutPicture';
import { useMoved } from '../../parts/use-moved';

/** The tire of a round is as wide and as high as this, for the width of its rim. Basis: memory. */
const SECTION_SHARE = 1.35;
const HEIGHT_SHARE = 1;
/** The distance from the well to the far flange is this share of the rim's width. Basis: memory. */
const AXIAL_SHARE = 0.65;

const sectionOfBead = ({ rim, fill }: HiddenBead): Section => {
  const rimWidthMm = rim.axialMm / AXIAL_SHARE;
  return {
    sectionMm: rimWidthMm * SECTION_SHARE,
    heightMm: rimWidthMm * HEIGHT_SHARE,
    rimWidthMm,
    wellMm: (rim.beadMm - rim.wellMm) / 2,
    hasHump: false,
    tread: 'other',
    hasTube: fill.tube !== 'none',
    hasStrip: fill.strips > 0,
  };
};

/**
 * The wheel of a round cut through: the second bead at the levers, and the part that is on, down in
 * the well or up on its seat.
 */
export const RimCut = ({ bead, state }: { bead: HiddenBead; state: BeadState }) => {
  const upShare = state.onDeg > 0 ? Math.min(1, state.upDeg / state.onDeg) : 0;
  const section = useMemo(() => sectionOfBead(bead), [bead]);
  const overShare = useMoved(`${state.strokes} ${state.over}`, 1, state.over ? 0 : 0.5);
  const cut = useMemo(
    (): WheelCut => ({
      near: { lower: { seatShare: upShare }, upper: { overShare } },
      far: { lower: { seatShare: upShare }, upper: { seatShare: upShare } },
      hasLever: !state.over,
    }),
    [upShare, overShare, state.over],
  );
  const says = state.over
    ? 'The bead is over.'
    : `Of the bead that is on, ${Math.round(upShare * 100)}% is up on its seat; the rest is in the well.`;
  return (
    <figure className="max-w-[400px]">
      <WheelCutPicture section={section} cut={cut} fillMm={wellFillMm(bead.fill)} label={says} />
      <figcaption className="flex justify-around text-[15px] leading-none text-ink2" aria-hidden>
        <span>at the lever</span>
        <span>far side</span>
      </figcaption>
    </figure>
  );
};
