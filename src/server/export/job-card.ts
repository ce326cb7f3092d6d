import { dialMarks, foldJob, jobCard, type Entry, type JobSummary } from '../../core/job';
import { dayOf, formatQuantity, type UnitPreferences, dateText } from '../../core/base/units';
import { wheelDial } from '../../core/fit/wheels';
import { PAGE, taggedPdf } from './tagged-pdf';

const DIAL_PT = 216;
const BESIDE_DIAL_PT = 262;

/** The input of a printed job card. */
export interface CardInput {
  job: JobSummary;
  entries: readonly Entry[];
  units: UnitPreferences;
  shopName: string;
  on: Date;
}

/** The job card as a PDF file, A4, tagged, in the fitter's units. */
export const jobCardPdf = ({ job, entries, units, shopName, on }: CardInput): Promise<Buffer> => {
  const state = foldJob(entries);
  const card = jobCard(state, dayOf(on), units);
  const pdf = taggedPdf({ title: `Job ${job.number}: ${card.title}`, author: shopName, on });
  pdf.title(card.title);
  pdf.text(card.subtitle, { soft: true });
  pdf.text(
    `Job ${job.number} · opened ${dateText(job.openedAt)}${shopName ? ` · ${shopName}` : ''}`,
    { soft: true },
  );
  if (card.despite) {
    pdf.heading('Cautions');
    pdf.text(card.despite);
  }
  const top = pdf.y() + 8;
  const mass = (g: number) => {
    const { text, label } = formatQuantity(g, 'g', units);
    return `${text} ${label}`;
  };
  if (state.wheel)
    pdf.drawing(
      wheelDial({
        wheel: state.wheel,
        marks: dialMarks(state, 'hand-over', { say: mass }),
        sideUp: 'disc',
        tireOn: true,
      }),
      { x: PAGE.right - DIAL_PT, y: top, sizePt: DIAL_PT },
      `${card.title}, seen from the disc side, valve at 12`,
    );
  for (const { title, rows } of card.sections) {
    pdf.heading(title, BESIDE_DIAL_PT);
    pdf.rows(rows, BESIDE_DIAL_PT);
  }
  // Below the dial, where it stands on this page.
  if (pdf.y() > top) pdf.moveTo(Math.max(pdf.y(), top + DIAL_PT + 12));
  const list = (title: string, items: readonly string[]): void => {
    if (items.length === 0) return;
    pdf.heading(title);
    pdf.list(items);
  };
  list(
    'Rechecks',
    card.rechecks.map((r) => `${dateText(r.onDate)}: ${r.what}`),
  );
  list('To check', card.doubts);
  list('Not recorded', card.missing);
  list('Notes', card.notes);
  list('Safety', [
    'Pump the brake until it is firm before the machine rolls. Ride gently at first; new tires are slippery.',
    'The maker’s manual and local codes come before this card.',
  ]);
  return pdf.end();
};
