import type { Piece } from '../bench/balance';
import type { RunoutReading } from '../bench/truing';
import { quantityText, placeText, type Unit, type UnitPreferences } from '../base/units';

const SIDE_TEXT: Record<Piece['side'], string> = {
  near: '',
  far: ', far side',
  inner: ', inner face',
};

/** Values of entries in the fitter's words and units. */
export interface EntryWords {
  /** `38.0 psi` */
  q(value: number, unit: Unit, digits?: number): string;
  /** `, by hose gauge`; empty for a reading that was typed. */
  by(device: string | null | undefined): string;
  pieces(list: readonly Piece[]): string;
  /** The words of a step. */
  step(stepId: string): string;
}

/** Words in a person's units; `steps` gives the words of step ids. */
export const entryWords = (
  units: UnitPreferences,
  steps: ReadonlyMap<string, string>,
): EntryWords => {
  const q: EntryWords['q'] = (value, unit, digits) =>
    quantityText(value, unit, units, digits === undefined ? {} : { digits });
  return {
    q,
    by: (device) => (device ? `, by ${device}` : ''),
    pieces: (list) =>
      list.map((p) => `${q(p.massG, 'g')} at ${placeText(p.deg)}${SIDE_TEXT[p.side]}`).join('; '),
    step: (stepId) => steps.get(stepId) ?? stepId,
  };
};

/** Joins the parts of a sentence that are there. */
export const listed = (
  parts: readonly (string | false | null | undefined)[],
  between = ', ',
): string => parts.filter(Boolean).join(between);

/** Largest less smallest reading in one direction; null without a reading. */
export const spanOf = (
  readings: readonly RunoutReading[],
  key: 'lateralMm' | 'radialMm',
  { q }: EntryWords,
  digits = 1,
): string | null => {
  const values = readings.flatMap((r) => (r[key] === undefined ? [] : [r[key]]));
  return values.length === 0 ? null : q(Math.max(...values) - Math.min(...values), 'mm', digits);
};
