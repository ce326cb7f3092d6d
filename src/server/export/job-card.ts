import PDFDocument from 'pdfkit';
import { dialMarks, foldJob, jobCard, type Entry, type JobCard, type JobSummary } from '../../core/job';
import { dayOf, formatQuantity, type UnitPreferences } from '../../core/units';
import { wheelDial } from '../../core/wheels';
import { packageFile } from '../paths';
import { INK, lineWidth, PRINT, SOFT } from './print-colors';

const FONT_DIR = '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin';
const LINE = '#b7a68b';
const PAGE = { left: 48, right: 547, width: 499, bottom: 790 };
const DIAL = { x: 330, y: 108, scale: 0.36 };

type Doc = PDFKit.PDFDocument;

const drawDial = (doc: Doc, shapes: ReturnType<typeof wheelDial>): void => {
  doc.save().translate(DIAL.x, DIAL.y).scale(DIAL.scale);
  for (const shape of shapes) {
    const color = PRINT[shape.role];
    if (shape.kind === 'text') {
      const size = shape.size * 1.15;
      doc.font('bold').fontSize(size).fillColor(color);
      const width = doc.widthOfString(shape.text);
      const x = shape.anchor === 'middle' ? shape.x - width / 2 : shape.anchor === 'end' ? shape.x - width : shape.x;
      doc.text(shape.text, x, shape.y - size * 0.8, { lineBreak: false });
      continue;
    }
    if (shape.kind === 'circle') doc.circle(shape.cx, shape.cy, shape.r);
    else doc.path(shape.d);
    if (shape.filled) doc.fill(color);
    else doc.lineWidth(lineWidth(shape.role)).stroke(color);
  }
  doc.restore();
  const width = 600 * DIAL.scale;
  doc
    .font('regular')
    .fontSize(8.5)
    .fillColor(SOFT)
    .text('seen from the disc side, valve at 12', DIAL.x, DIAL.y + width + 4, { width, align: 'center' });
};

const heading = (doc: Doc, text: string, y: number): number => {
  doc
    .moveTo(PAGE.left, y)
    .lineTo(PAGE.left + 262, y)
    .lineWidth(0.8)
    .stroke(LINE);
  doc
    .font('bold')
    .fontSize(10.5)
    .fillColor(INK)
    .text(text, PAGE.left, y + 5);
  return y + 20;
};

const rows = (doc: Doc, list: [string, string][], from: number): number => {
  let y = from;
  for (const [label, value] of list) {
    if (y > PAGE.bottom - 30) {
      doc.addPage();
      y = 48;
    }
    doc.font('regular').fontSize(9.5).fillColor(SOFT).text(label, PAGE.left, y, { width: 105 });
    const labelBottom = doc.y;
    doc.fillColor(INK).text(value, PAGE.left + 110, y, { width: 152 });
    y = Math.max(doc.y, labelBottom) + 2;
  }
  return y + 6;
};

const list = (doc: Doc, title: string, items: string[]): void => {
  if (items.length === 0) return;
  if (doc.y > PAGE.bottom - 60) doc.addPage();
  doc.moveDown(0.6).font('bold').fontSize(10.5).fillColor(INK).text(title, PAGE.left, doc.y, { width: PAGE.width });
  doc.font('regular').fontSize(9.5);
  for (const item of items) doc.text(`– ${item}`, PAGE.left, doc.y + 1, { width: PAGE.width });
};

const drawCard = (doc: Doc, card: JobCard): void => {
  let y = 108;
  for (const section of card.sections) y = rows(doc, section.rows, heading(doc, section.title, y));
  doc.y = Math.max(y, DIAL.y + 600 * DIAL.scale + 20);
  doc.x = PAGE.left;
  list(doc, 'Mind this', card.despite ? [card.despite] : []);
  list(
    doc,
    'Look again',
    card.rechecks.map((r) => `${r.onDate}: ${r.what}`),
  );
  list(doc, 'Doubtful', card.doubts);
  list(doc, 'Missing in the log', card.missing);
  list(doc, 'Notes', card.notes);
  list(doc, 'Safety', [
    'Pump the brake until it is firm before the machine rolls. Ride gently at first; new tires are slippery.',
    'The maker’s manual and local codes come before this card.',
  ]);
};

/** What a job card is printed from. */
export interface CardInput {
  job: JobSummary;
  entries: readonly Entry[];
  units: UnitPreferences;
  shopName: string;
  on: Date;
}

/** The job card as a PDF file, A4, in the fitter's units. */
export const jobCardPdf = (input: CardInput): Promise<Buffer> =>
  new Promise((resolve, reject) => {
    const state = foldJob(input.entries);
    const card = jobCard(state, dayOf(input.on), input.units);
    const doc = new PDFDocument({
      size: 'A4',
      margin: 48,
      info: {
        Title: `Job ${input.job.number}: ${card.title}`,
        Author: input.shopName || 'Tough Rimstone',
        CreationDate: input.on,
      },
    });
    const chunks: Buffer[] = [];
    doc.on('data', (chunk: Buffer) => chunks.push(chunk));
    doc.on('end', () => resolve(Buffer.concat(chunks)));
    doc.on('error', reject);
    doc.registerFont('regular', packageFile(`${FONT_DIR}-400-normal.woff`));
    doc.registerFont('bold', packageFile(`${FONT_DIR}-700-normal.woff`));
    doc.font('bold').fontSize(18).fillColor(INK).text(card.title, PAGE.left, 44);
    doc.font('regular').fontSize(10).fillColor(SOFT).text(card.subtitle);
    doc.text(
      `Job ${input.job.number} · opened ${input.job.openedAt.slice(0, 10)}${input.shopName ? ` · ${input.shopName}` : ''}`,
    );
    const mass = (g: number) => {
      const { text, label } = formatQuantity(g, 'g', input.units);
      return `${text} ${label}`;
    };
    if (state.wheel)
      drawDial(
        doc,
        wheelDial({
          wheel: state.wheel,
          marks: dialMarks(state, 'hand-over', { say: mass }),
          sideUp: 'disc',
          tireOn: true,
        }),
      );
    drawCard(doc, card);
    doc.end();
  });
