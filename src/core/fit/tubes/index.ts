/** Tubes: whether one is needed, which one, how far it stretches, whether the old one goes in again. */
export { parseTubeLabel, type TubeRange } from './tube-label';
export { tubeNeed, needsTube, type TubeNeed, type TubeNeedInput } from './tube-need';
export {
  tubePick,
  fitTubes,
  TUBE_USES,
  type TubeFit,
  type TubePick,
  type TubeStock,
  type TubeUse,
} from './tube-pick';
export { tubeStretch, stretchOf, ellipseGirthMm, type TubeStretch } from './tube-stretch';
export { tubeReuse, judgeOldTube, type TubeFindings, type TubeReuse } from './tube-reuse';
export { tubeDouble, doubleTube, tubeMassG, type DoubledTube } from './tube-double';
