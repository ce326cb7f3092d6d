import type { UnitPreferences } from '../../core/base/units';

/** A page's paper and the box inside its margins, in points. */
export interface PrintPage {
  paper: 'A4' | 'LETTER';
  left: number;
  right: number;
  width: number;
  top: number;
  bottom: number;
}

const MARGIN_PT = 48;
const SIZES_PT = { A4: [595, 842], LETTER: [612, 792] } as const;

const pageOf = (paper: PrintPage['paper']): PrintPage => {
  const [width, height] = SIZES_PT[paper];
  return {
    paper,
    left: MARGIN_PT,
    right: width - MARGIN_PT,
    width: width - 2 * MARGIN_PT,
    top: MARGIN_PT,
    bottom: height - MARGIN_PT - 4,
  };
};

/** The paper that goes with the units of a print: Letter with inches, A4 (ISO 216) with millimeters. */
export const pageFor = ({ length }: Pick<UnitPreferences, 'length'>): PrintPage =>
  pageOf(length === 'in' ? 'LETTER' : 'A4');

/** Words on a printed dial, so many times larger than on a station's. */
export const PAPER_LETTERS = 1.5;
