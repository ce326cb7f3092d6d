import { angle, listOf, oneOf, quantity, record } from '../../base/fields';
import { defineWorking } from '../../base/working';
import { fromVector, sumVectors, type MassVector } from './mass-vector';

/** Things on a wheel that weigh something in one place. */
const HEAVY_PARTS = ['rim lock', 'valve', 'tube valve', 'strip overlap', 'patch', 'other'] as const;
type HeavyPart = (typeof HEAVY_PARTS)[number];

interface Part extends MassVector {
  what: HeavyPart;
  /** Radius of its mass; the weight radius if left out. */
  radiusMm?: number;
}

interface Input {
  parts: readonly Part[];
  weightRadiusMm: number;
  /** Works out what one more lock opposite the first would change. */
  secondLockG?: number;
}

interface BalanceFromParts {
  heavyMassG: number;
  heavyDeg: number;
  counterMassG: number;
  counterDeg: number;
  /**
   * The imbalance with a second lock opposite the first; null if not asked for, or there is no
   * lock.
   */
  withSecondLockG: number | null;
}

/**
 * The heavy spot that a wheel's known parts make, before it is ever spun: each mass at its radius,
 * brought to the weights'.
 *
 * `parts` at most 20, masses 0 to 1000 g; `weightRadiusMm` 50 to 500. The tire's own part is not in it.
 * Source: statics, masses times their radii add as vectors.
 */
export const balanceParts = defineWorking<Input, BalanceFromParts>({
  name: 'balance-parts',
  title: 'Imbalance from known parts',
  input: () => ({
    parts: listOf(
      record(
        {
          what: oneOf(HEAVY_PARTS, 'What it is'),
          massG: quantity('g', 0, 1000, 'Weight'),
          deg: angle('Place'),
          radiusMm: quantity('mm', 20, 500, 'How far from the axle').optional(),
        },
        'A part',
      ),
      20,
      'Parts with weights and places',
    ),
    weightRadiusMm: quantity('mm', 50, 500, 'Radius of the weights'),
    secondLockG: quantity('g', 1, 500, 'A second lock').optional(),
  }),
  example: {
    parts: [
      { what: 'rim lock', massG: 120, deg: 210 },
      { what: 'tube valve', massG: 18, deg: 0 },
    ],
    weightRadiusMm: 225,
    secondLockG: 120,
  },
  work({ parts, weightRadiusMm, secondLockG }, show) {
    const atRadius = ({ what, massG, deg, radiusMm = weightRadiusMm }: Part): MassVector => ({
      massG: show.line(
        what,
        'mass × its radius / weight radius',
        (massG * radiusMm) / weightRadiusMm,
        'g',
      ),
      deg,
    });
    const vectors = parts.map(atRadius);
    const heavy = sumVectors(vectors);
    const heavyMassG = show.line('heavy spot', 'all parts as vectors', heavy.massG, 'g');
    show.line('at', 'its direction', heavy.deg, 'deg');
    const counter = fromVector([
      -heavy.massG * Math.sin((heavy.deg * Math.PI) / 180),
      -heavy.massG * Math.cos((heavy.deg * Math.PI) / 180),
    ]);
    const lock = parts.find((p) => p.what === 'rim lock');
    const lockMm = lock?.radiusMm ?? weightRadiusMm;
    const withSecondLockG =
      secondLockG === undefined || !lock
        ? null
        : show.line(
            'with a second lock opposite',
            `all parts, plus it at ${lockMm} mm from the axle`,
            sumVectors([
              ...vectors,
              { massG: (secondLockG * lockMm) / weightRadiusMm, deg: lock.deg + 180 },
            ]).massG,
            'g',
          );
    show.basis('published', 'statics: masses times their radii add as vectors');
    show.basis('measured', 'the weights of the parts, as weighed or as on the stock record');
    show.caution('The tire has its own heavy spot. Settle the wheel before fixing the weights.');
    return {
      heavyMassG,
      heavyDeg: heavy.deg,
      counterMassG: heavyMassG,
      counterDeg: counter.deg,
      withSecondLockG,
    };
  },
});
