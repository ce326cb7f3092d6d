import { marking } from '../../base/fields';
import { defineWorking } from '../../base/working';
import { readTire } from './tire-size';

interface Input {
  tire: string;
}

interface TireVolume {
  /** Room for air between tire and rim. */
  volumeL: number;
  sectionMm2: number;
  centerRadiusMm: number;
}

/**
 * Room for air inside a mounted tire, from its size alone.
 *
 * `tire` as printed. The section is taken as an ellipse of section width and height whose center runs round the axle;
 * walls, rim well and crown are left out. Source: second theorem of Pappus, V = A · 2πR.
 */
export const tireVolume = defineWorking<Input, TireVolume>({
  name: 'tire-volume',
  title: 'Tire air volume',
  input: () => ({ tire: marking('The tire as printed') }),
  example: { tire: '110/90-19' },
  work({ tire }, show) {
    const { sectionWidthMm, sectionHeightMm, rimDiameterMm } = readTire(tire);
    const sectionMm2 = show.line(
      'section, mm²',
      'π / 4 × width × height',
      (Math.PI / 4) * sectionWidthMm * sectionHeightMm,
    );
    const centerRadiusMm = show.line(
      'center of the section',
      'rim / 2 + height / 2',
      (rimDiameterMm + sectionHeightMm) / 2,
      'mm',
    );
    const volumeL = show.line(
      'volume, liters',
      'section × 2π × radius',
      (sectionMm2 * 2 * Math.PI * centerRadiusMm) / 1e6,
    );
    show.basis('published', 'second theorem of Pappus');
    show.basis('memory', 'the section of a mounted tire is near an ellipse');
    return { volumeL, sectionMm2, centerRadiusMm };
  },
});
