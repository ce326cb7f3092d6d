/**
 * Tubes: whether one is needed, which one, how far it stretches, whether the old one goes in again.
 */
export { parseTubeLabel } from './tube-label';
export { tubeNeed, needsTube, type TubeNeedInput } from './tube-need';
export { tubePick, fitTubes, type TubeFit, type TubeStock, type TubeUse } from './tube-pick';
export { tubeStretch, stretchOf, ellipseGirthMm } from './tube-stretch';
export { tubeReuse, judgeOldTube, type TubeFindings, type TubeReuse } from './tube-reuse';
export { tubeDouble, doubleTube, tubeMassG, type DoubledTube } from './tube-double';
