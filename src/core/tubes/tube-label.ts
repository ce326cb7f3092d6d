import { InputError } from '../errors';
import { INCH_IN_MM } from '../units';

/** The tires that a label says the tube serves. */
export interface TubeRange {
  rimDiameterIn: number;
  minWidthMm: number;
  maxWidthMm: number;
}

const RIGHT = 'a label such as 2.75/3.00-21 or 100/100-18, 110/90-18';
const INCH_RANGE = /^(\d{1,2}\.\d{1,2})(?:\s*\/\s*(\d{1,2}\.\d{1,2}))?\s*[-xR]\s*(\d{1,2})$/i;
const METRIC = /^(\d{2,3})\/(\d{2,3})\s*[-xR]\s*(\d{1,2})$/i;

const part = (text: string): TubeRange => {
  const inch = INCH_RANGE.exec(text);
  if (inch) {
    const widths = [Number(inch[1]), Number(inch[2] ?? inch[1])].map((w) => w * INCH_IN_MM);
    return { rimDiameterIn: Number(inch[3]), minWidthMm: Math.min(...widths), maxWidthMm: Math.max(...widths) };
  }
  const metric = METRIC.exec(text);
  if (metric) {
    const width = Number(metric[1]);
    return { rimDiameterIn: Number(metric[3]), minWidthMm: width, maxWidthMm: width };
  }
  throw new InputError('label', `"${text.slice(0, 20)}" is not a tube label.`, RIGHT);
};

/**
 * The range of tires on a tube's label, one or more sizes separated by commas, in inch or metric notation.
 * Throws `InputError` where a size makes no sense or the sizes are for different rims.
 */
export const parseTubeLabel = (label: string): TubeRange => {
  const ranges = label.split(',').map((p) => part(p.trim()));
  const rimDiameterIn = ranges[0]!.rimDiameterIn;
  if (ranges.some((r) => r.rimDiameterIn !== rimDiameterIn))
    throw new InputError('label', 'The label names more than one rim diameter.', RIGHT);
  return {
    rimDiameterIn,
    minWidthMm: Math.min(...ranges.map((r) => r.minWidthMm)),
    maxWidthMm: Math.max(...ranges.map((r) => r.maxWidthMm)),
  };
};
