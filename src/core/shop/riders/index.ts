/** Riders: what is kept of them, and how one is forgotten. */
export {
  FORGOTTEN,
  withoutWords,
  wordsPattern,
  type Forgotten,
  type RiderKept,
} from './forget-name';
