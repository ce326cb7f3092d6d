import { packageFile } from '../paths';

type Doc = PDFKit.PDFDocument;
export type Weight = 'regular' | 'bold';

/** Left out of the library's types: the font that was chosen last. */
interface Chosen {
  _font: {
    ascender: number;
    font: {
      unitsPerEm: number;
      hasGlyphForCodePoint(code: number): boolean;
      layout(text: string): { glyphs: { advanceWidth: number; path: { toSVG(): string } }[] };
    };
  };
}

/** A letter as a shape, in units of which `perEm` are its size, upward from where it stands. */
interface LetterOutline {
  d: string;
  perEm: number;
  width: number;
}

const HOUSE = '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next';
const WIDE = '@fontsource/noto-sans/files/noto-sans';
/**
 * The face of the house, and what writes the letters that it has not, in the order in which they
 * are asked.
 */
const FACES: readonly string[] = [
  `${HOUSE}-latin`,
  `${HOUSE}-latin-ext`,
  `${WIDE}-latin-ext`,
  `${WIDE}-vietnamese`,
  `${WIDE}-greek`,
  `${WIDE}-greek-ext`,
  `${WIDE}-cyrillic`,
  `${WIDE}-cyrillic-ext`,
];
const FILE_WEIGHT: Record<Weight, number> = { regular: 400, bold: 700 };

/** A number and its unit stand on one line: the space between them is no place to break. */
const UNITS = /(\d) (?=(?:g|kg|oz|mm|in|km|km\/h|psi|kPa|bar|N·m|ft-lb|°C|°F)(?![\p{L}]))/gu;
const HELD = '\u00a0';
const BREAKS = new RegExp(`[^\\S${HELD}]+`);

/** Letters that one face writes. */
interface Run {
  face: string;
  text: string;
}

/** Text laid out in lines, each of runs. */
interface LaidOut {
  lines: readonly Run[][];
  heightPt: number;
}

/**
 * Text in the letters in which names are written: Latin with all its marks, Greek and Cyrillic,
 * each by the first face that has it. A letter that no face has is drawn as the house's sign for
 * that.
 */
export const mixedText = (doc: Doc) => {
  const opened = new Set<string>();
  const nameOf = (face: string, weight: Weight): string => `${face} ${weight}`;
  const choose = (face: string, weight: Weight): void => {
    const name = nameOf(face, weight);
    if (!opened.has(name))
      doc.registerFont(name, packageFile(`${face}-${FILE_WEIGHT[weight]}-normal.woff`));
    opened.add(name);
    doc.font(name);
  };
  const known = new Map<string, string>();
  const faceOf = (letter: string, weight: Weight): string => {
    const key = `${weight} ${letter}`;
    const face =
      known.get(key) ??
      FACES.find((one) => {
        choose(one, weight);
        return (doc as unknown as Chosen)._font.font.hasGlyphForCodePoint(letter.codePointAt(0)!);
      }) ??
      FACES[0]!;
    known.set(key, face);
    return face;
  };
  const runsOf = (text: string, weight: Weight): Run[] => {
    const runs: Run[] = [];
    for (const letter of text) {
      const last = runs.at(-1);
      // A space, or a mark over the letter before it, is written with it.
      const joins = last !== undefined && /^[\s\p{M}]$/u.test(letter);
      const face = joins ? last.face : faceOf(letter, weight);
      if (last?.face === face) last.text += letter;
      else runs.push({ face, text: letter });
    }
    return runs;
  };
  const widthOf = (text: string, weight: Weight, size: number): number =>
    runsOf(text, weight).reduce((sum, run) => {
      choose(run.face, weight);
      return sum + doc.fontSize(size).widthOfString(run.text);
    }, 0);

  /** A word that is longer than a line, in pieces that are not. */
  const pieces = (word: string, weight: Weight, size: number, widthPt: number): string[] => {
    if (widthOf(word, weight, size) <= widthPt) return [word];
    const parts: string[] = [''];
    for (const letter of word) {
      const longer = parts.at(-1)! + letter;
      if (parts.at(-1) === '' || widthOf(longer, weight, size) <= widthPt)
        parts[parts.length - 1] = longer;
      else parts.push(letter);
    }
    return parts;
  };
  const linesOf = (text: string, weight: Weight, size: number, widthPt: number): string[] => {
    const lines: string[] = [];
    for (const paragraph of text.normalize('NFC').replace(UNITS, `$1${HELD}`).split(/\r?\n/)) {
      let line = '';
      for (const word of paragraph.split(BREAKS).flatMap((w) => pieces(w, weight, size, widthPt))) {
        const longer = line === '' ? word : `${line} ${word}`;
        if (line !== '' && widthOf(longer, weight, size) > widthPt) {
          lines.push(line);
          line = word;
        } else line = longer;
      }
      lines.push(line);
    }
    return lines.map((line) => line.replaceAll(HELD, ' '));
  };
  const lineHeight = (weight: Weight, size: number): number => {
    choose(FACES[0]!, weight);
    return doc.fontSize(size).currentLineHeight(true);
  };
  /**
   * From the top of a line to where its letters stand: the same for all faces, or a name would hop.
   */
  const toBaseline = (weight: Weight, size: number): number => {
    choose(FACES[0]!, weight);
    return ((doc as unknown as Chosen)._font.ascender / 1000) * size;
  };
  return {
    widthOf,
    /** A letter of a drawing as its outline: seen, and not read out or copied as text. */
    outline(letter: string, weight: Weight): LetterOutline | null {
      choose(faceOf(letter, weight), weight);
      const { font } = (doc as unknown as Chosen)._font;
      const glyph = font.layout(letter).glyphs[0];
      if (!glyph) return null;
      return { d: glyph.path.toSVG(), perEm: font.unitsPerEm, width: glyph.advanceWidth };
    },
    layOut(text: string, weight: Weight, size: number, widthPt: number): LaidOut {
      const lines = linesOf(text, weight, size, widthPt).map((line) => runsOf(line, weight));
      return { lines, heightPt: lines.length * lineHeight(weight, size) };
    },
    /** Draws what was laid out with the same weight and size, from its upper left corner. */
    draw(
      { lines }: LaidOut,
      weight: Weight,
      size: number,
      color: string,
      x: number,
      y: number,
    ): void {
      const heightPt = lineHeight(weight, size);
      const baseY = y + toBaseline(weight, size);
      lines.forEach((runs, i) => {
        let at = x;
        for (const { face, text } of runs) {
          choose(face, weight);
          doc.fontSize(size).fillColor(color);
          doc.text(text, at, baseY + i * heightPt, { lineBreak: false, baseline: 'alphabetic' });
          at += doc.widthOfString(text);
        }
      });
    },
  };
};
