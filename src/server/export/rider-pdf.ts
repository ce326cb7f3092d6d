import { dateText, type UnitPreferences } from '../../core/base/units';
import type { RiderPaper } from '../../core/reports/papers';
import { wheelDial } from '../../core/fit/drawing';
import { PAPER_LETTERS, pageFor } from './print-page';
import { taggedPdf } from './tagged-pdf';

/** The input of a printed rider's sheet; `photos` by their id, those that are there. */
export interface RiderInput {
  paper: RiderPaper;
  photos: Record<string, Uint8Array>;
  shopName: string;
  on: Date;
  /** The units of the sheet, which decide its paper. */
  units: UnitPreferences;
}

const DIAL_PT = 176;
const BESIDE_DIAL_PT = 300;
const PHOTO_PT = { width: 158, height: 118, gap: 12 } as const;
const PHOTOS_ABREAST = 3;

/**
 * The rider's sheet as a PDF file, tagged: headings, paragraphs, and words for every picture.
 */
export const riderPdf = ({ paper, photos, shopName, on, units }: RiderInput): Promise<Buffer> => {
  const page = pageFor(units);
  const pdf = taggedPdf({ title: `${paper.title}: for the rider`, author: shopName, on, page });
  pdf.title(paper.title);
  pdf.text(paper.subtitle, { soft: true });
  if (paper.wanted) pdf.text(`Requested: ${paper.wanted}`);
  if (paper.despite.length > 0) {
    pdf.heading('Cautions');
    pdf.list(paper.despite);
  }
  for (const wheel of paper.wheels) {
    pdf.need(DIAL_PT + 40);
    pdf.heading(wheel.title);
    const top = pdf.y();
    pdf.drawing(
      wheelDial({ ...wheel.dial, sideUp: 'disc', tireOn: true, letters: PAPER_LETTERS }),
      { x: page.right - DIAL_PT, y: top, sizePt: DIAL_PT },
      wheel.dial.says,
    );
    pdf.rows(wheel.rows, BESIDE_DIAL_PT);
    pdf.moveTo(Math.max(pdf.y(), top + DIAL_PT + 4));
    if (wheel.found.length > 0) {
      pdf.text('Found');
      pdf.list(wheel.found);
    }
    if (wheel.declined.length > 0) {
      pdf.text('Recommended, declined');
      pdf.list(wheel.declined);
    }
    const there = wheel.photos.filter((p) => photos[p.photoId]);
    there.forEach((photo, i) => {
      const column = i % PHOTOS_ABREAST;
      if (column === 0) {
        pdf.need(PHOTO_PT.height + 24);
        pdf.moveTo(pdf.y() + 6);
      }
      const y = pdf.y();
      const x = page.left + column * (PHOTO_PT.width + PHOTO_PT.gap);
      pdf.photo(
        photos[photo.photoId]!,
        { x, y, widthPt: PHOTO_PT.width, heightPt: PHOTO_PT.height },
        photo.says,
      );
      const isLast = column === PHOTOS_ABREAST - 1 || i === there.length - 1;
      if (!isLast) return;
      pdf.moveTo(y + PHOTO_PT.height + 2);
      pdf.text(
        there
          .slice(i - column, i + 1)
          .map((p) => p.says)
          .join('  ·  '),
        { soft: true, size: 8.5 },
      );
    });
  }
  const once = [paper.ride && `Test ride: ${paper.ride}`, paper.taught].filter((t): t is string =>
    Boolean(t),
  );
  if (once.length > 0) {
    pdf.heading('Final check');
    pdf.list(once);
  }
  pdf.heading('Rechecks');
  pdf.list(paper.lookAgain.map(({ onDate, what, why }) => `${dateText(onDate)}: ${what}: ${why}`));
  pdf.heading('Ride safely');
  pdf.list(paper.cautions);
  return pdf.end();
};
