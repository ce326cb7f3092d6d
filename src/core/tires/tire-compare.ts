import Joi from 'joi';
import { InputError } from '../errors';
import { marking, quantity } from '../fields';
import { defineWorking } from '../working';
import { readTire, type TireSize } from './tire-size';

/** Where a clearance is taken: `above`, `ahead` change with the radius, `left`, `right` with half the width. */
export const CLEARANCE_PLACES = ['above', 'ahead', 'left', 'right'] as const;
export type ClearancePlace = (typeof CLEARANCE_PLACES)[number];

/** The places in words. */
export const PLACE_WORDS: Record<ClearancePlace, string> = {
  above: 'above the tire',
  ahead: 'ahead of the tire',
  left: 'left of the tire',
  right: 'right of the tire',
};

/** Changes from the old tire to the new; positive is larger or more room used. */
export interface TireComparison {
  from: TireSize;
  to: TireSize;
  sectionWidthChangeMm: number;
  sectionHeightChangeMm: number;
  diameterChangeMm: number;
  diameterChangePct: number;
  circumferenceChangePct: number;
  /** Above zero: a speedometer driven by this wheel reads high by so many percent. */
  speedometerErrorPct: number;
  clearancesAfterMm: Partial<Record<ClearancePlace, number>>;
  /** The rims are of one diameter, so that the new tire can go on at all. */
  sameRim: boolean;
}

type Input = { from: string; to: string; clearancesMm?: Partial<Record<ClearancePlace, number>> };

const sizeIn = (field: 'from' | 'to', text: string): TireSize => {
  try {
    return readTire(text);
  } catch (error) {
    if (error instanceof InputError) throw new InputError(field, error.message, error.expected);
    throw error;
  }
};

const pct = (from: number, to: number) => (to / from - 1) * 100;

/**
 * What changes when one tire size replaces another.
 *
 * `clearancesMm` measured with the old tire, 0 to 1000. Throws `InputError` for a marking that makes no sense.
 * Source: arithmetic on the sizes of UN Regulation No. 75.
 */
export const tireCompare = defineWorking<Input, TireComparison>({
  name: 'tire-compare',
  says: 'What changes from one tire size to another',
  input: {
    from: marking('The size that comes off'),
    to: marking('The size that goes on'),
    clearancesMm: Joi.object(
      Object.fromEntries(
        CLEARANCE_PLACES.map((p) => [p, quantity('mm', 0, 1000, `Room ${PLACE_WORDS[p]}`).optional()]),
      ),
    )
      .optional()
      .description('Room measured with the old tire')
      .meta({ expected: `measured room by place: ${CLEARANCE_PLACES.join(', ')}` }),
  },
  example: { from: '130/90-16', to: '130/80-16', clearancesMm: { above: 20 } },
  work(input, show) {
    const from = sizeIn('from', input.from);
    const to = sizeIn('to', input.to);
    show.basis('published', 'UN Regulation No. 75, metric dimensions');
    if (from.estimated || to.estimated) {
      show.basis('memory', 'what one of the sizes does not state is estimated');
      show.caution('One of the sizes does not state all of its dimensions: measure before you rely on the difference.');
      show.verdict('check');
    }
    const n = (v: number) => Math.round(v * 10) / 10;
    const minus = (label: string, a: number, b: number) => show.line(label, `${n(b)} − ${n(a)}`, b - a, 'mm');
    const sectionWidthChangeMm = minus('section width', from.sectionWidthMm, to.sectionWidthMm);
    const sectionHeightChangeMm = minus('section height', from.sectionHeightMm, to.sectionHeightMm);
    const diameterChangeMm = minus('diameter', from.overallDiameterMm, to.overallDiameterMm);
    const diameterChangePct = show.line(
      'diameter change',
      `${n(to.overallDiameterMm)} / ${n(from.overallDiameterMm)} − 1`,
      pct(from.overallDiameterMm, to.overallDiameterMm),
      'pct',
    );
    const circumferenceChangePct = pct(from.circumferenceMm, to.circumferenceMm);
    const speedometerErrorPct = show.line(
      'speedometer reads high by',
      'old circumference / new − 1',
      pct(to.circumferenceMm, from.circumferenceMm),
      'pct',
    );
    const clearancesAfterMm: TireComparison['clearancesAfterMm'] = {};
    for (const place of CLEARANCE_PLACES) {
      const before = input.clearancesMm?.[place];
      if (before === undefined) continue;
      const radial = place === 'above' || place === 'ahead';
      const used = (radial ? diameterChangeMm : sectionWidthChangeMm) / 2;
      const after = show.line(
        `room ${place} after`,
        `${before} − ${n(used)} (half the ${radial ? 'diameter' : 'width'} change)`,
        before - used,
        'mm',
      );
      clearancesAfterMm[place] = after;
      if (after <= 0) {
        show.verdict('stop');
        show.caution(`No room is left ${PLACE_WORDS[place]}.`);
      }
    }
    const sameRim = from.rimDiameterIn === to.rimDiameterIn;
    if (!sameRim) {
      show.verdict('stop');
      show.caution(`A ${to.rimDiameterIn} inch tire does not go on a ${from.rimDiameterIn} inch rim.`);
    }
    if (Object.keys(clearancesAfterMm).length > 0) show.caution('A tire grows at speed: keep room beyond this.');
    return {
      from,
      to,
      sectionWidthChangeMm,
      sectionHeightChangeMm,
      diameterChangeMm,
      diameterChangePct,
      circumferenceChangePct,
      speedometerErrorPct,
      clearancesAfterMm,
      sameRim,
    };
  },
});
