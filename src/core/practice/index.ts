/** Practice: hidden wheels on a simulated stand, balanced by hand and as advised. */
export { advisedActs, type Act } from './advised-acts';
export { hiddenStand, standWheel, type HiddenStand } from './hidden-stand';
export { hiddenSpokes, SPOKE_LEVELS, type HiddenSpokes, type SpokeLevel } from './hidden-spokes';
export {
  FRICTIONS,
  hiddenHeavy,
  practiceRound,
  PRACTICE_PLACES,
  PRACTICE_WHEEL,
  SHELVES,
  type Friction,
  type PracticeRound,
  type Shelf,
} from './practice-round';
export { standingOf, type PracticeScore, type PracticeStanding, type PracticeTried } from './practice-score';
