/** Looking again: what asks for it, when, and which readings close it. */
export {
  JOB_LOOKS,
  LOOK_SHORT,
  LOOK_WHY,
  LOOK_WORDS,
  LOOKS,
  lookFrom,
  type JobLook,
  type Look,
} from './look';
export { ageDue, dueOfTool, dueOfWheel, type Due } from './due';
export { checkLook, type LookReadings } from './readings';
export type { RecheckRow } from './recheck-row';
export { riderText } from './rider-text';
