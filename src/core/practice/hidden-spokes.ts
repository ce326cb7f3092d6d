import { seeded } from '../base/statistics';
import { wheelModel, type RunoutReading, type Turned } from '../bench/truing';

/**
 * Laced wheels to practice on: a wobble; a wobble and a hop; a battered rim that is bent itself.
 */
export const SPOKE_LEVELS = ['a wobble', 'wobble and hop', 'battered'] as const;
export type SpokeLevel = (typeof SPOKE_LEVELS)[number];

/** A laced wheel on the truing stand whose nipples no one knows. */
export interface HiddenSpokes {
  spokes: number;
  rimDiameterMm: number;
  /** The rim's position at a place: toward the disc side, and outward, mm. */
  sideMm(deg: number): number;
  upMm(deg: number): number;
  /** Reads the indicator at places, to its step. */
  read(degs: readonly number[]): RunoutReading[];
  /** As it is after nipples were turned; this one is left as it was. */
  after(turned: readonly Turned[]): HiddenSpokes;
}

/** The step of the stand's indicator, mm. */
const STEP_MM = 0.05;
const round = (mm: number): number => Math.round(mm / STEP_MM) * STEP_MM;

/** A stretch of nipples that someone turned too far or not far enough, most in its middle. */
const fault = (chance: () => number, spokes: number, alike: boolean): number[] => {
  const from = Math.floor(chance() * spokes);
  const length = 3 + Math.floor(chance() * (spokes / 3));
  const size = (0.5 + chance()) * (chance() < 0.5 ? -1 : 1);
  const errors = Array.from({ length: spokes }, () => 0);
  for (let k = 0; k < length; k++) {
    const i = (from + k) % spokes;
    errors[i] = size * (alike || i % 2 === 0 ? 1 : -1) * Math.sin((Math.PI * (k + 0.5)) / length);
  }
  return errors;
};

const FAULTS: Record<SpokeLevel, { wobbles: number; hops: number; bentMm: number }> = {
  'a wobble': { wobbles: 1, hops: 0, bentMm: 0 },
  'wobble and hop': { wobbles: 1, hops: 1, bentMm: 0 },
  battered: { wobbles: 2, hops: 1, bentMm: 0.25 },
};

/** No fault that can be seen is no practice. */
const MIN_MM = 1.8;

/**
 * The wheel that a number hides: 28 to 40 spokes, its own stiffness and thread, and nipples that
 * are off. Side to side or up and down it is out by 1.8 mm at least.
 */
export const hiddenSpokes = (seed: number, level: SpokeLevel): HiddenSpokes => {
  const chance = seeded(seed * 6007 + 113);
  const spokes = 28 + 4 * Math.floor(4 * chance());
  const rimDiameterMm = Math.round(400 + 130 * chance());
  const near = (swing: number) => 1 - swing + 2 * swing * chance();
  const model = wheelModel(spokes, rimDiameterMm / 2, {
    side: near(0.4),
    up: near(0.4),
    spoke: near(0.3),
    pitch: near(0.3),
  });
  const { wobbles, hops, bentMm } = FAULTS[level];
  const faults = [
    ...Array.from({ length: wobbles }, () => fault(chance, spokes, false)),
    ...Array.from({ length: hops }, () => fault(chance, spokes, true)),
  ];
  const errors = Array.from({ length: spokes }, (_, i) =>
    faults.reduce((sum, f) => sum + f[i]!, 0),
  );
  const bent = [2, 3, 4].map((n) => ({
    n,
    sideMm: bentMm * (chance() - 0.5),
    upMm: bentMm * (chance() - 0.5),
    deg: 360 * chance(),
  }));
  const wheel = (turns: readonly number[]): HiddenSpokes => {
    const at = (of: 'sideMm' | 'upMm', deg: number): number =>
      turns.reduce((sum, t, i) => (t === 0 ? sum : sum + t * model[of](i + 1, deg)), 0) +
      bent.reduce((sum, b) => sum + b[of] * Math.cos(((deg - b.deg) * b.n * Math.PI) / 180), 0);
    return {
      spokes,
      rimDiameterMm,
      sideMm: (deg) => at('sideMm', deg),
      upMm: (deg) => at('upMm', deg),
      read: (degs) =>
        degs.map((deg) => ({
          angleDeg: deg,
          lateralMm: round(at('sideMm', deg)),
          radialMm: round(at('upMm', deg)),
        })),
      after: (turned) =>
        wheel(
          turns.map(
            (t, i) =>
              t + turned.reduce((sum, n) => sum + (n.spoke === i + 1 ? n.eighths / 8 : 0), 0),
          ),
        ),
    };
  };
  const degs = Array.from({ length: 36 }, (_, i) => i * 10);
  const swing = (values: readonly number[]) => Math.max(...values) - Math.min(...values);
  const outMm = (it: HiddenSpokes) =>
    Math.max(swing(degs.map(it.sideMm)), swing(degs.map(it.upMm)));
  let made = wheel(errors);
  for (let grown = 1.3; outMm(made) < MIN_MM; grown *= 1.3)
    made = wheel(errors.map((e) => e * grown));
  return made;
};
