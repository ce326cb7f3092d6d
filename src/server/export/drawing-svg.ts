import {
  arcLetters,
  mergedShapes,
  wheelDial,
  type DrawnShape,
  type DrawnWheel,
} from '../../core/fit/drawing';
import { type Colors, ICON_COLORS, lineWidth, PRINT } from './print-colors';

/** The part of the field that a dial's wheel takes. */
const WHEEL_BOX = '46 46 508 508';

const ESCAPES: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
const escaped = (text: string): string => text.replace(/[&<>"]/g, (c) => ESCAPES[c]!);

const element = (shape: DrawnShape, colors: Colors): string => {
  const color = colors[shape.role];
  if (shape.kind === 'text')
    return `<text x="${shape.x}" y="${shape.y}" font-size="${shape.size}" text-anchor="${shape.anchor}" fill="${color}">${escaped(shape.text)}</text>`;
  if (shape.kind === 'arc-text')
    return arcLetters(shape)
      .map(
        ({ letter, x, y, turnDeg }) =>
          `<text x="${x}" y="${y}" font-size="${shape.size}" text-anchor="middle" fill="${color}" transform="rotate(${turnDeg} ${x} ${y})">${escaped(letter)}</text>`,
      )
      .join('');
  const paint = shape.filled
    ? `fill="${color}"`
    : `fill="none" stroke="${color}" stroke-width="${lineWidth(shape)}"`;
  return shape.kind === 'circle'
    ? `<circle cx="${shape.cx}" cy="${shape.cy}" r="${shape.r}" ${paint}/>`
    : `<path d="${shape.d}" ${paint}/>`;
};

/** A drawing as an SVG 1.1 file that stands alone, in print colors on white, named by `title`. */
export const drawingSvg = (
  shapes: readonly DrawnShape[],
  field: { width: number; height: number },
  title: string,
): string =>
  [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${field.width} ${field.height}" font-family="sans-serif" role="img">`,
    `<title>${escaped(title)}</title>`,
    `<rect width="${field.width}" height="${field.height}" fill="#ffffff"/>`,
    ...shapes.map((shape) => element(shape, PRINT)),
    '</svg>',
    '',
  ].join('\n');

/** A wheel as a small picture for a list, by day or by night, without a ground of its own. */
export const wheelIconSvg = (wheel: DrawnWheel, theme: keyof typeof ICON_COLORS): string => {
  const shapes = wheelDial({
    wheel,
    marks: [],
    sideUp: 'disc',
    tireOn: true,
    small: true,
    letters: 0,
  });
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${WHEEL_BOX}">`,
    ...mergedShapes(shapes).map((shape) => element(shape, ICON_COLORS[theme])),
    '</svg>',
  ].join('');
};
