import { inputError } from '../../base/errors';
import { quantity } from '../../base/fields';
import { defineWorking } from '../../base/working';

interface Input {
  grade: number;
  wheelKg: number;
  speedKmh: number;
  tireDiameterMm: number;
  radiusMm: number;
  massG: number;
}

interface ResidualUnbalance {
  rpm: number;
  /** The unbalance that the standard permits for the grade, and its mass at the weight radius. */
  permittedGmm: number;
  permittedG: number;
  /** The pull of the mass left over at the rim. */
  forceN: number;
  /** The same as a lift, kilograms. */
  liftsKg: number;
  within: boolean;
}

const G_MS2 = 9.80665;

/**
 * The imbalance left over, against the permissible residual unbalance of ISO 21940-11, and as a
 * force at speed.
 *
 * `grade` G in mm/s, 0.4 to 100; `wheelKg` 1 to 80; `speedKmh` 10 to 400; `tireDiameterMm` 150 to 1200; `radiusMm` of
 * the weights
 * 50 to 500, inside the tire; `massG` left there, 0 to 500. Throws `InputError` for weights outside the tire. Source: ISO 21940-11, U = 9549 G m / n (g·mm, kg, rpm); F = m r ω².
 */
export const residualUnbalance = defineWorking<Input, ResidualUnbalance>({
  name: 'residual-unbalance',
  title: 'Imbalance at speed',
  input: () => ({
    grade: quantity('mm', 0.4, 100, 'Balance grade G, mm per second'),
    wheelKg: quantity('kg', 1, 80, 'Wheel with tire'),
    speedKmh: quantity('km/h', 10, 400, 'Speed'),
    tireDiameterMm: quantity('mm', 150, 1200, 'Diameter of the tire'),
    radiusMm: quantity('mm', 50, 500, 'Radius of the weights'),
    massG: quantity('g', 0, 500, 'Imbalance left'),
  }),
  example: { grade: 6.3, wheelKg: 12, speedKmh: 160, tireDiameterMm: 640, radiusMm: 215, massG: 5 },
  work({ grade, wheelKg, speedKmh, tireDiameterMm, radiusMm, massG }, show) {
    if (radiusMm >= tireDiameterMm / 2)
      throw inputError(
        'radiusMm',
        'Weights {0} from the axle are outside a tire {1} across.',
        'Enter a radius on the rim, less than half of the tire’s diameter',
        [
          { value: radiusMm, unit: 'mm' },
          { value: tireDiameterMm, unit: 'mm' },
        ],
      );
    const metersPerS = speedKmh / 3.6;
    const omega = metersPerS / (tireDiameterMm / 2000);
    const rpm = show.line('turns a minute', 'speed / circumference', (omega * 60) / (2 * Math.PI));
    const permittedGmm = show.line(
      'permitted, g·mm',
      '9549 × G × mass / turns a minute',
      (9549 * grade * wheelKg) / rpm,
    );
    const permittedG = show.line(
      'permitted at the weights',
      'g·mm / radius',
      permittedGmm / radiusMm,
      'g',
    );
    const forceN = show.line(
      'force at the rim',
      'mass × radius × ω²',
      (massG / 1000) * (radiusMm / 1000) * omega * omega,
      'N',
    );
    const liftsKg = show.line('as a lift', 'force / g', forceN / G_MS2, 'kg');
    show.basis('published', 'ISO 21940-11, permissible residual unbalance');
    show.basis('published', 'F = m r ω²');
    const within = massG <= permittedG;
    show.verdict(within ? 'good' : 'check');
    return { rpm, permittedGmm, permittedG, forceN, liftsKg, within };
  },
});
