/** Pressure: what applies while seating, where to start, and what temperature and altitude do. */
export { atmosphereKpa } from './atmosphere';
export { leak, type Leak, type StandingReading } from './leak';
export { pressureCorrect } from './pressure-correct';
export { pressureStart, USES, USE_WORDS, type Use, type PressureStart } from './pressure-start';
export { seatLadder, SEAT_ADVICE, type SeatAdvice, type SeatLadder } from './seat-ladder';
export { seatLimit, type SeatLimit } from './seat-limit';
