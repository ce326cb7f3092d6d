/** Pressure: what applies while seating, where to start, and what temperature and altitude do. */
export { atmosphereKpa } from './atmosphere';
export { pressureCorrect } from './pressure-correct';
export { pressureStart, USES, USE_WORDS, type Use, type PressureStart } from './pressure-start';
export { seatLimit, type SeatLimit } from './seat-limit';
