import { InputError } from '../errors';
import { count, listOf, marking, record, text } from '../fields';
import { readTire } from '../tires';
import { defineWorking } from '../working';
import { parseTubeLabel } from './tube-label';

/** A tube on the shelf. */
export interface TubeStock {
  id: string;
  label: string;
  count: number;
}

/** How one tube suits the tire, with the reason in words. */
export interface TubeFit {
  id: string;
  label: string;
  fit: 'covers' | 'near' | 'no';
  reason: string;
  inStock: number;
}

export interface TubePick {
  /** The best tube in stock, or null when none will do. */
  bestId: string | null;
  fits: TubeFit[];
}

/** A tire this much outside the label's widths is near enough to say so, not to fit unasked. */
const NEAR_MM = 6;
const FIT_RANK = { covers: 0, near: 1, no: 2 } as const;

const judge = (rimDiameterIn: number, widthMm: number, tube: TubeStock): TubeFit & { offMm: number } => {
  const range = parseTubeLabel(tube.label);
  const middleMm = (range.minWidthMm + range.maxWidthMm) / 2;
  const offMm = Math.abs(widthMm - middleMm);
  const common = { id: tube.id, label: tube.label, inStock: tube.count, offMm };
  if (range.rimDiameterIn !== rimDiameterIn)
    return { ...common, fit: 'no', reason: `for a ${range.rimDiameterIn} inch rim` };
  const span = `${Math.round(range.minWidthMm)} to ${Math.round(range.maxWidthMm)} mm`;
  const under = range.minWidthMm - widthMm;
  const over = widthMm - range.maxWidthMm;
  // A label rounds: 3.00 in and 76 mm are the same tire.
  if (Math.max(under, over) <= 1) return { ...common, fit: 'covers', reason: `label covers ${span}` };
  if (under > 0)
    return {
      ...common,
      fit: under <= NEAR_MM ? 'near' : 'no',
      reason: `label ${span} is for a wider tire: it can fold, and a fold pinches`,
    };
  return {
    ...common,
    fit: over <= NEAR_MM ? 'near' : 'no',
    reason: `label ${span} is for a narrower tire: stretched it runs thin and hot`,
  };
};

/**
 * The tube whose label covers a tire, from the stock at hand.
 *
 * `tire` as printed on the sidewall; `tubes` at most 500. Throws `InputError` naming the tube with a bad label.
 * Common practice: pick the label that covers the tire.
 */
export const tubePick = defineWorking<{ tire: string; tubes: TubeStock[] }, TubePick>({
  name: 'tube-pick',
  says: 'Which tube in stock covers a tire',
  input: {
    tire: marking('The tire that goes on'),
    tubes: listOf(
      record(
        { id: text(60, 'Name of the tube'), label: text(80, 'The sizes on its label'), count: count(0, 10_000, 'How many are in stock') },
        'A tube',
      ),
      500,
      'The tubes to pick from',
    ),
  },
  example: {
    tire: '110/90-19',
    tubes: [
      { id: 'a', label: '100/90-19, 110/90-19', count: 2 },
      { id: 'b', label: '2.75/3.00-21', count: 4 },
    ],
  },
  work({ tire, tubes }, show) {
    const { rimDiameterIn, sectionWidthMm } = readTire(tire);
    show.line('tire', 'section width', sectionWidthMm, 'mm');
    show.line('rim', 'as printed', rimDiameterIn, 'in');
    const judged = tubes.map((tube, i) => {
      try {
        return judge(rimDiameterIn, sectionWidthMm, tube);
      } catch (error) {
        if (error instanceof InputError) throw new InputError(`tubes[${i}].label`, error.message, error.expected);
        throw error;
      }
    });
    judged.sort(
      (a, b) =>
        FIT_RANK[a.fit] - FIT_RANK[b.fit] || Number(b.inStock > 0) - Number(a.inStock > 0) || a.offMm - b.offMm,
    );
    show.basis('practice', 'the tube whose label covers the tire');
    show.basis('memory', `within ${NEAR_MM} mm of the label counts as near`);
    const best = judged.find((f) => f.fit === 'covers' && f.inStock > 0);
    const near = judged.find((f) => f.fit === 'near' && f.inStock > 0);
    show.verdict(best ? 'good' : near ? 'check' : 'stop');
    if (!best && near) show.caution(`No label covers this tire. ${near.label} is near: lay it flat and measure.`);
    if (!best && !near) show.caution('No tube in stock serves this tire.');
    for (const f of judged.slice(0, 6)) show.line(f.label, f.reason, f.fit);
    const fits = judged.map((f): TubeFit => ({ id: f.id, label: f.label, fit: f.fit, reason: f.reason, inStock: f.inStock }));
    return { bestId: best?.id ?? near?.id ?? null, fits };
  },
});
