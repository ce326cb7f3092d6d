import { marking, oneOf, quantity, ruleValues } from '../../base/fields';
import type { RuleValues } from '../../base/rules';
import { readTire, type TireSize } from '../tires';
import { defineWorking, SILENT, type Show } from '../../base/working';

/** Thickness of a tube's wall. Basis: memory. */
export const WALL_MM: Readonly<Record<'standard' | 'heavy' | 'ultra', number>> = {
  standard: 1.5,
  heavy: 3,
  ultra: 4,
};
/** Mass of tube rubber, grams in a cubic millimetre. Basis: memory, 1.15 g/cm³. */
const RUBBER_G_PER_MM3 = 0.00115;
/** Flat width of a tube in percent of the section it serves. Basis: memory. */
const FLAT_OF_SECTION_PCT = 95;

/** Mass of a tube from its wall and girth, g. */
export const tubeMassG = (
  size: TireSize,
  wall: 'standard' | 'heavy' | 'ultra',
  flatWidthMm: number | undefined,
  show: Show = SILENT,
): number => {
  const flatMm = show.line(
    'laid flat',
    flatWidthMm === undefined ? `${FLAT_OF_SECTION_PCT}% of the section` : 'as measured',
    flatWidthMm ?? (size.sectionWidthMm * FLAT_OF_SECTION_PCT) / 100,
    'mm',
  );
  const lengthMm = show.line(
    'length round the rim',
    'π × (rim + half the height)',
    Math.PI * (size.rimDiameterMm + size.sectionHeightMm / 2),
    'mm',
  );
  const wallMm = show.line('wall', wall, WALL_MM[wall], 'mm');
  return show.line(
    'mass',
    '2 × flat × length × wall × 1.15 g/cm³',
    2 * flatMm * lengthMm * wallMm * RUBBER_G_PER_MM3,
    'g',
  );
};

export interface DoubledTube {
  addedMassG: number;
  does: string[];
  limits: string[];
}

/** The use of a sleeve of a known mass. Common practice. */
export const doubleTube = (addedMassG: number): DoubledTube => ({
  addedMassG,
  does: ['stops pinch flats', 'weighs less than a foam insert'],
  limits: [
    'stops no nails',
    'more work to feed in, with less air in it',
    'runs hotter: for slow machines only',
  ],
});

/**
 * An old tube worn as a sleeve around the new one: what it adds and what it is good for.
 *
 * `massG` of the old tube where it was weighed, `flatWidthMm` where it was measured; otherwise estimated, from memory.
 * Throws `InputError` for a marking that makes no sense. Common practice.
 */
export const tubeDouble = defineWorking<
  {
    tire: string;
    wall: 'standard' | 'heavy' | 'ultra';
    massG?: number;
    flatWidthMm?: number;
    rules?: RuleValues;
  },
  DoubledTube
>({
  name: 'tube-double',
  title: 'Doubled tube',
  input: () => ({
    tire: marking('The tire that goes on'),
    wall: oneOf(['standard', 'heavy', 'ultra'], 'Wall of the old tube'),
    massG: quantity('g', 50, 5000, 'Mass of the old tube, weighed').optional(),
    flatWidthMm: quantity('mm', 15, 300, 'Width of the old tube laid flat').optional(),
    rules: ruleValues(),
  }),
  example: { tire: '110/100-18', wall: 'standard' },
  work({ tire, wall, massG, flatWidthMm, rules }, show) {
    const addedMassG =
      massG === undefined
        ? tubeMassG(readTire(tire, rules), wall, flatWidthMm, show)
        : show.line('mass', 'as weighed', massG, 'g');
    show.basis(
      massG === undefined ? 'memory' : 'measured',
      massG === undefined ? 'wall thickness and mass of tube rubber' : 'mass of the old tube',
    );
    show.basis(
      'practice',
      'slit around the inside, valve cut out, powdered, worn around the good tube',
    );
    show.verdict('good');
    return doubleTube(addedMassG);
  },
});
