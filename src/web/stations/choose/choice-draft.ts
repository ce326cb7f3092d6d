import type { EntryData } from '../../../core/job';
import type { TireStock } from '../../../core/shop/records';
import type { Tread } from '../../../core/fit/tires';
import type { Arrows } from '../../../core/fit/tires';

/** The tire is typed and not from the shelf. */
export const TYPED = 'typed';

/** The fitter's choices and texts so far. */
export interface Draft {
  tireId: string;
  marking: string;
  dateCode: string;
  /** The sidewall's seating limit as typed, in the fitter's unit. */
  limit: string;
  lightMark: boolean;
  tread: Tread;
  arrows: Arrows;
  takeOff: boolean;
  treadMm: number | null;
  tube: boolean;
  /** The old tube goes round the new one. */
  doubled: boolean;
  tubeId: string;
}

/** Writes a pressure as a field has it. */
type WriteKpa = (kpa: number) => string;

/** A tire that is not on the shelf, before anything is typed but what comes off. */
export const typedDraft = (marking: string, tube: boolean): Draft => ({
  tireId: TYPED,
  marking,
  dateCode: '',
  limit: '',
  lightMark: true,
  tread: 'other',
  arrows: 'one',
  takeOff: false,
  treadMm: null,
  tube,
  doubled: false,
  tubeId: '',
});

/** The choice that a tire on the shelf fills in. */
export const shelfDraft = (tire: TireStock, writeKpa: WriteKpa): Partial<Draft> => ({
  tireId: tire.id,
  marking: tire.marking,
  dateCode: tire.dateCode ?? '',
  limit: tire.seatLimitKpa === null ? '' : writeKpa(tire.seatLimitKpa),
  lightMark: tire.lightMark,
  tread: tire.tread,
  arrows: tire.arrows,
  takeOff: tire.takeOff,
  treadMm: tire.treadMm,
});

/** The choice as it was written down before. */
export const writtenDraft = (chosen: EntryData['chosen'], writeKpa: WriteKpa): Draft => ({
  tireId: chosen.tireId ?? TYPED,
  marking: chosen.marking,
  dateCode: chosen.dateCode ?? '',
  limit: chosen.seatLimitKpa === null ? '' : writeKpa(chosen.seatLimitKpa),
  lightMark: chosen.lightMark,
  tread: chosen.tread,
  arrows: chosen.arrows,
  takeOff: chosen.takeOff,
  treadMm: chosen.treadMm,
  tube: chosen.tube,
  doubled: chosen.doubled,
  tubeId: chosen.tubeId ?? '',
});
