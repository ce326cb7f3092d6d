import { InputError } from '../../base/errors';
import { INCH_IN_MM } from '../../base/units';

/** The tires that a label says the tube serves. */
interface TubeRange {
  rimDiameterIn: number;
  minWidthMm: number;
  maxWidthMm: number;
}

const RIGHT = 'a label such as 2.75/3.00-21 or 100/100-18, 110/90-18';
/** Widths in inches, one or several: `2.75/3.00-21`, `3.25/3.50/4.00-19`. */
const INCHES = /^(\d{1,2}\.\d{1,2}(?:\s*\/\s*\d{1,2}\.\d{1,2}){0,3})\s*[-xR]\s*(\d{1,2})(?!\d)/i;
const METRIC = /^(\d{2,3})\s*\/\s*(\d{2,3})\s*[-xR]\s*(\d{1,2})(?!\d)/i;
const SEPARATOR = /^(?:\s*[,;+&/]\s*|\s*\b(?:with|and|or)\b\s*|\s+)/i;

const wrong = (text: string) =>
  new InputError('label', `"${text.slice(0, 20)}" is not a tube label.`, RIGHT);

/** The size at the start of a text, and what follows it. */
const first = (text: string): { range: TubeRange; rest: string } => {
  const inch = INCHES.exec(text);
  if (inch) {
    const widths = inch[1]!.split('/').map((w) => Number(w) * INCH_IN_MM);
    return {
      range: {
        rimDiameterIn: Number(inch[2]),
        minWidthMm: Math.min(...widths),
        maxWidthMm: Math.max(...widths),
      },
      rest: text.slice(inch[0].length),
    };
  }
  const metric = METRIC.exec(text);
  if (metric) {
    const width = Number(metric[1]);
    return {
      range: { rimDiameterIn: Number(metric[3]), minWidthMm: width, maxWidthMm: width },
      rest: text.slice(metric[0].length),
    };
  }
  throw wrong(text);
};

/**
 * The range of tires on a tube's label: one or more sizes, inch or metric or both, separated by
 * commas, spaces or words. Throws `InputError` where a size makes no sense or the sizes are for
 * different rims.
 */
export const parseTubeLabel = (label: string): TubeRange => {
  let text = label.trim().replace(/[–—−]/g, '-').replace(/[×*]/g, 'x');
  const ranges: TubeRange[] = [];
  do {
    const { range, rest } = first(text);
    ranges.push(range);
    const gap = SEPARATOR.exec(rest);
    if (rest !== '' && (!gap || gap[0] === rest)) throw wrong(rest);
    text = rest.slice(gap?.[0].length ?? 0);
  } while (text !== '');
  const rimDiameterIn = ranges[0]!.rimDiameterIn;
  if (ranges.some((r) => r.rimDiameterIn !== rimDiameterIn))
    throw new InputError('label', 'The label names more than one rim diameter.', RIGHT);
  return {
    rimDiameterIn,
    minWidthMm: Math.min(...ranges.map((r) => r.minWidthMm)),
    maxWidthMm: Math.max(...ranges.map((r) => r.maxWidthMm)),
  };
};
