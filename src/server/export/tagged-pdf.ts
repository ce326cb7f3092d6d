import PDFDocument from 'pdfkit';
import { arcLetters, boxOf, type DrawnShape } from '../../core/fit/drawing';
import { mixedText, type Weight } from './mixed-text';
import type { PrintPage } from './print-page';
import { INK, lineWidth, PRINT, SOFT } from './print-colors';

const LINE = '#b7a68b';

type Doc = PDFKit.PDFDocument;
/** Left out of the library's types. */
interface Opener {
  openImage(bytes: Buffer): unknown;
}
type Block = 'H1' | 'H2' | 'P' | 'LI' | 'Caption';

/**
 * A paper that reads itself out: every piece of text is a heading, a paragraph or an item, every
 * picture has words.
 */
interface TaggedPdf {
  /** The number of pages so far. */
  pageCount(): number;
  /** The place of the next thing. */
  y(): number;
  moveTo(y: number): void;
  /** What follows stands in a column, from `left` and so wide; the whole page at first. */
  column(left: number, widthPt: number): void;
  /** A new page where less than so much is left. */
  need(heightPt: number): void;
  title(text: string): void;
  heading(text: string, widthPt?: number): void;
  text(text: string, options?: { soft?: boolean; widthPt?: number; size?: number }): void;
  /** A word and what it holds, side by side. */
  rows(list: readonly (readonly [string, string])[], widthPt?: number): void;
  list(items: readonly string[]): void;
  /** A drawing in a square, with words for who cannot see it. */
  drawing(
    shapes: readonly DrawnShape[],
    place: { x: number; y: number; sizePt: number },
    says: string,
  ): void;
  /** A photograph; false where it cannot be drawn. */
  photo(
    bytes: Uint8Array,
    place: { x: number; y: number; widthPt: number; heightPt: number },
    says: string,
  ): boolean;
  end(): Promise<Buffer>;
}

const drawShape = (doc: Doc, written: ReturnType<typeof mixedText>, shape: DrawnShape): void => {
  const color = PRINT[shape.role];
  if (shape.kind === 'text') {
    // The paper's face is wider than the one that room was found for.
    const room = boxOf(shape.text, shape.size, 0, 0).halfW * 2;
    const size = shape.size * Math.min(1, room / written.widthOf(shape.text, 'bold', shape.size));
    const width = written.widthOf(shape.text, 'bold', size);
    const x =
      shape.anchor === 'middle'
        ? shape.x - width / 2
        : shape.anchor === 'end'
          ? shape.x - width
          : shape.x;
    written.draw(
      written.layOut(shape.text, 'bold', size, Infinity),
      'bold',
      size,
      color,
      x,
      shape.y - size * 0.8,
    );
    return;
  }
  if (shape.kind === 'arc-text') {
    for (const { letter, x, y, turnDeg } of arcLetters(shape)) {
      const outline = written.outline(letter, 'bold');
      if (!outline?.d) continue;
      const scale = shape.size / outline.perEm;
      doc
        .save()
        .translate(x, y)
        .rotate(turnDeg)
        .scale(scale, -scale)
        .translate(-outline.width / 2, 0)
        .path(outline.d)
        .fill(color)
        .restore();
    }
    return;
  }
  if (shape.kind === 'circle') doc.circle(shape.cx, shape.cy, shape.r);
  else doc.path(shape.d);
  if (shape.filled) doc.fill(color);
  else doc.lineWidth(lineWidth(shape)).stroke(color);
};

/**
 * An empty paper with title, language and tags; `author` is the shop, `textScale` shrinks its
 * letters.
 */
export const taggedPdf = ({
  title,
  author,
  on,
  page,
  textScale = 1,
}: {
  title: string;
  author: string;
  on: Date;
  page: PrintPage;
  textScale?: number;
}): TaggedPdf => {
  const doc = new PDFDocument({
    size: page.paper,
    margin: page.left,
    pdfVersion: '1.7',
    tagged: true,
    lang: 'en',
    displayTitle: true,
    info: { Title: title, Author: author || 'Tough Rimstone', CreationDate: on },
  });
  const chunks: Buffer[] = [];
  doc.on('data', (chunk: Buffer) => chunks.push(chunk));
  const done = new Promise<Buffer>((resolve, reject) => {
    doc.on('end', () => resolve(Buffer.concat(chunks)));
    doc.on('error', reject);
  });
  const written = mixedText(doc);
  const root = doc.struct('Document');
  doc.addStructure(root);
  let at = page.top;
  let pages = 1;
  let column = { left: page.left, width: page.width };

  const block = (kind: Block, draw: () => void): void => void root.add(doc.struct(kind, {}, draw));
  const need = (heightPt: number): void => {
    if (at + heightPt <= page.bottom) return;
    doc.addPage();
    pages++;
    at = page.top;
  };
  const write = (
    kind: Block,
    text: string,
    font: Weight,
    size: number,
    color: string,
    widthPt: number,
  ) => {
    const sizePt = size * textScale;
    const laid = written.layOut(text, font, sizePt, widthPt);
    need(laid.heightPt);
    const from = at;
    block(kind, () => written.draw(laid, font, sizePt, color, column.left, from));
    at = from + laid.heightPt;
  };
  return {
    pageCount: () => pages,
    y: () => at,
    moveTo: (y) => void (at = y),
    column: (left, width) => void (column = { left, width }),
    need,
    title(text) {
      write('H1', text, 'bold', 18, INK, column.width);
    },
    heading(text, widthPt = column.width) {
      need(46);
      at += 8;
      doc.markContent('Artifact', { type: 'Layout' });
      doc
        .moveTo(column.left, at)
        .lineTo(column.left + widthPt, at)
        .lineWidth(0.8)
        .stroke(LINE);
      doc.endMarkedContent();
      at += 5;
      write('H2', text, 'bold', 11, INK, widthPt);
      at += 3;
    },
    text(text, { soft = false, widthPt = column.width, size = 10 } = {}) {
      write('P', text, 'regular', size, soft ? SOFT : INK, widthPt);
    },
    rows(list, widthPt = column.width) {
      const labelPt = 105;
      const sizePt = 10 * textScale;
      for (const [label, value] of list) {
        const name = written.layOut(label, 'regular', sizePt, labelPt);
        const held = written.layOut(value, 'regular', sizePt, widthPt - labelPt - 6);
        const heightPt = Math.max(name.heightPt, held.heightPt) + 2;
        need(heightPt);
        const from = at;
        block('P', () => {
          written.draw(name, 'regular', sizePt, SOFT, column.left, from);
          written.draw(held, 'regular', sizePt, INK, column.left + labelPt + 6, from);
        });
        at = from + heightPt;
      }
    },
    list(items) {
      for (const item of items) {
        write('LI', `– ${item}`, 'regular', 10, INK, column.width);
        at += 1;
      }
    },
    drawing(shapes, { x, y, sizePt }, says) {
      root.add(
        doc.struct('Figure', { alt: says }, () => {
          doc
            .save()
            .translate(x, y)
            .scale(sizePt / 600);
          for (const shape of shapes) drawShape(doc, written, shape);
          doc.restore();
        }),
      );
    },
    photo(bytes, { x, y, widthPt, heightPt }, says) {
      try {
        // What cannot be read is found before anything is drawn of it.
        const image = (doc as unknown as Opener).openImage(Buffer.from(bytes));
        root.add(
          doc.struct(
            'Figure',
            { alt: says },
            () => void doc.image(image as never, x, y, { fit: [widthPt, heightPt] }),
          ),
        );
        return true;
      } catch {
        return false;
      }
    },
    end() {
      root.end();
      doc.end();
      return done;
    },
  };
};
