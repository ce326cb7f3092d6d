import type { DialMark, DrawnWheel } from '../../../core/fit/drawing';
import { PRACTICE_WHEEL, type PracticeKind } from '../../../core/practice';

/** The wheels of practice as they are drawn: invented ones, each of its kind of work. */
export const DRAWN_PRACTICE = {
  dirt: { build: 'spoked', spokes: 36, lacing: '3x', tireMarking: '110/90-19', tireTread: 'soft' },
  balance: {
    build: PRACTICE_WHEEL.build,
    spokes: PRACTICE_WHEEL.spokes,
    lacing: '3x',
    tireMarking: '120/90-18',
    tireTread: 'hard',
  },
  ring: {
    build: 'beadlock',
    spokes: 8,
    castShape: 'plate',
    tireMarking: '31.0/11.5-15',
    tireTread: 'slick',
    holes: 5,
    circleMm: 120.7,
  },
  road: {
    build: 'cast',
    spokes: 5,
    castShape: 'double',
    tireMarking: '180/55ZR17 73W TL',
    tireTread: 'sport',
  },
} as const satisfies Record<string, DrawnWheel>;

/** A wheel with marks on it. */
interface PracticePicture {
  wheel: DrawnWheel;
  marks: readonly DialMark[];
  tireOn?: false;
}

const around = (count: number, mark: (i: number, deg: number) => DialMark): DialMark[] =>
  Array.from({ length: count }, (_, i) => mark(i, ((i + 0.5) * 360) / count));

/** The picture by which each kind of practice is found. */
export const PRACTICE_PICTURES: Record<PracticeKind, PracticePicture> = {
  sidewall: { wheel: DRAWN_PRACTICE.road, marks: [{ is: 'arrow', clockwise: true }] },
  levers: {
    wheel: DRAWN_PRACTICE.dirt,
    marks: [
      { is: 'lock', deg: 210 },
      { is: 'push', fromDeg: 240, toDeg: 20 },
      { is: 'start', deg: 230 },
      ...around(6, (i, deg) => ({ is: 'bite', deg, n: i + 1, done: i < 2, now: i === 2 })),
    ],
  },
  true: { wheel: DRAWN_PRACTICE.dirt, marks: [{ is: 'rest', deg: 80, label: '' }], tireOn: false },
  ring: {
    wheel: DRAWN_PRACTICE.ring,
    marks: around(8, (i, deg) => ({
      is: 'bolt',
      deg,
      n: i + 1,
      state: i < 3 ? 'done' : i === 3 ? 'now' : 'open',
    })),
  },
  pair: { wheel: { ...DRAWN_PRACTICE.ring, ringBolts: 16 }, marks: [] },
  air: {
    wheel: DRAWN_PRACTICE.road,
    marks: around(8, (i, deg) => ({ is: 'line', deg, even: i !== 5 })),
  },
  leak: { wheel: DRAWN_PRACTICE.road, marks: [] },
  balance: {
    wheel: DRAWN_PRACTICE.balance,
    marks: [
      { is: 'heavy', deg: 200, label: '' },
      { is: 'weight', deg: 15, label: '' },
      { is: 'weight', deg: 25, label: '' },
    ],
  },
};
