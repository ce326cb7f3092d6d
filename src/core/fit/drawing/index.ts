/** The drawing of a wheel as itself: shapes without a screen, for the dial, lists, papers and SVG. */
export { wheelDial, drawDial, type Dial, type DialView } from './wheel-dial';
export { type DialMark } from './marks';
export { type DrawnDrive, type DrawnWheel } from './drawn-wheel';
export {
  sizePicture,
  SIZE_LETTERS,
  type PictureShape,
  type PictureWheel,
  type SizePicture,
} from './size-picture';
export { sectionOf } from './section-of';
export { mergedShapes } from './merge';
export { boxOf } from './labels';
export { sectionOutline, sectionShapes, type Section, type SectionPlace } from './section';
export { lockMarks } from './lock-marks';
export { arcLetters, coordinate, line, type DrawnShape, type ShapeRole } from './shapes';
export { CUT_FIELD, wheelCut, type BeadPlace, type BeadPlaces, type WheelCut } from './wheel-cut';
export { beadCloseUp, CLOSE_UP_FIELD } from './bead-close-up';
