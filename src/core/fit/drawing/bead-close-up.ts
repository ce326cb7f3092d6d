import { FLANGE_MM, rimWidthOf, sectionLine, sectionShapes, type Section } from './section';
import { path, type DrawnShape } from './shapes';
import { beadPoints } from './wheel-cut';

/** Side of the square field of a close-up. */
export const CLOSE_UP_FIELD = 120;
/** Length of wheel that it shows, mm, and the part of it outside the flange. */
const SHOWN_MM = 68;
const OUTSIDE_MM = 27;
/** Height of the molded line above the flange. Basis: memory. */
const LINE_ABOVE_MM = 7;

/**
 * One bead at its flange, cut through and larger: `seatShare` of its way up from the well, 1 on its
 * seat. The molded line shows above the flange from its seat on.
 */
export const beadCloseUp = (
  section: Section,
  side: 'left' | 'right',
  seatShare: number,
): DrawnShape[] => {
  const scale = CLOSE_UP_FIELD / SHOWN_MM;
  const half = rimWidthOf(section) / 2;
  const way = side === 'left' ? -1 : 1;
  const edge = side === 'left' ? OUTSIDE_MM : SHOWN_MM - OUTSIDE_MM;
  const place = { x: edge * scale - way * half * scale, y: 80, scale };
  const at = { seatShare };
  const beads = beadPoints(section, { lower: at, upper: at });
  const lineOut = FLANGE_MM + LINE_ABOVE_MM;
  const mark = path(
    'live',
    sectionLine(
      [
        [way * (half - 1), lineOut],
        [way * (half + 9), lineOut],
      ],
      place,
    ),
    false,
    5,
  );
  return [...sectionShapes(section, place, beads), ...(seatShare === 1 ? [mark] : [])];
};
