/** The day: how long the work that is left will take. */
export { timeLeft, timeLeftOf, type StationLeft, type TimeLeft } from './time-left';
