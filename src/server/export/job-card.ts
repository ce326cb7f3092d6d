import {
  dialMarks,
  drawnDriveOf,
  drawnWheelAt,
  foldJob,
  jobCard,
  type Entry,
  type JobState,
  type JobSummary,
} from '../../core/job';
import { dayOf, formatQuantity, type UnitPreferences, dateText } from '../../core/base/units';
import { wheelDial } from '../../core/fit/drawing';
import { PAPER_LETTERS, pageFor } from './print-page';
import { taggedPdf } from './tagged-pdf';

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

const COLUMN_GAP_PT = 16;
const BELOW_DIAL_PT = 12;

/** Where the lists stand: beside the facts under the dial, or below both over the whole width. */
interface Layout {
  lists: 'beside' | 'below';
  textScale: number;
}
/** Layouts on one page, in the order in which they are tried. Text scales: memory. */
const ON_ONE_PAGE: readonly Layout[] = [
  { lists: 'beside', textScale: 1 },
  { lists: 'beside', textScale: 0.94 },
  { lists: 'beside', textScale: 0.88 },
];
const ON_SEVERAL: Layout = { lists: 'below', textScale: 1 };

type Card = ReturnType<typeof jobCard>;

const cardAs = (
  { lists, textScale }: Layout,
  { job, units, shopName, on }: CardInput,
  state: JobState,
  card: Card,
) => {
  const page = pageFor(units);
  const pdf = taggedPdf({
    title: `Job ${job.number}: ${card.title}`,
    author: shopName,
    on,
    page,
    textScale,
  });
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
        wheel: drawnWheelAt(state, 'hand-over') ?? state.wheel,
        drive: drawnDriveOf(state),
        marks: dialMarks(state, 'hand-over', { say: mass }),
        sideUp: 'disc',
        tireOn: true,
        letters: PAPER_LETTERS,
      }),
      { x: page.right - DIAL_PT, y: top, sizePt: DIAL_PT },
      `${card.title}, seen from the disc side, valve at 12`,
    );
  for (const { title, rows } of card.sections) {
    pdf.heading(title, BESIDE_DIAL_PT);
    pdf.rows(rows, BESIDE_DIAL_PT);
  }
  const underDial = top + DIAL_PT + BELOW_DIAL_PT;
  if (lists === 'beside' && pdf.pageCount() === 1) {
    const left = page.left + BESIDE_DIAL_PT + COLUMN_GAP_PT;
    pdf.column(left, page.right - left);
    pdf.moveTo(underDial);
  } else if (pdf.y() > top) pdf.moveTo(Math.max(pdf.y(), underDial));
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
  return pdf;
};

/**
 * The job card as a PDF file, tagged, in the fitter's units and on their paper: on one page if it
 * fits.
 */
export const jobCardPdf = (input: CardInput): Promise<Buffer> => {
  const state = foldJob(input.entries);
  const card = jobCard(state, dayOf(input.on), input.units);
  for (const layout of ON_ONE_PAGE) {
    const pdf = cardAs(layout, input, state, card);
    if (pdf.pageCount() === 1) return pdf.end();
  }
  return cardAs(ON_SEVERAL, input, state, card).end();
};
