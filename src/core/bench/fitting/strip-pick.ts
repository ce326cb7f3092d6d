import {
  count,
  uniqueBy,
  listOf,
  oneOf,
  quantity,
  record,
  ruleValues,
  text,
} from '../../base/fields';
import { ruleNumber, type RuleValues } from '../../base/rules';
import { INCH_IN_MM } from '../../base/units';
import { BUILDS, type Build } from '../../fit/wheels';
import { defineWorking, reason, worstOf, type Reason } from '../../base/working';

interface StripStock {
  id: string;
  material: 'rubber' | 'tape';
  widthMm: number;
  rimFromIn: number;
  rimToIn: number;
  count: number;
}

interface Input {
  build: Build;
  sealed: 'yes' | 'no';
  rimWidthIn: number;
  rimDiameterIn: number;
  rimLocks: number;
  strips: StripStock[];
  rules?: RuleValues;
}

interface StripPick {
  /** Strips, or layers of tape. */
  wanted: number;
  stripId: string | null;
  material: 'rubber' | 'tape' | null;
  /** The parts in the order they go on. */
  order: string[];
  reasons: Reason[];
}

/** Layers of tape that stand for a strip. Common practice. */
const TAPE_LAYERS = 2;

/**
 * The rim strip that goes over the spoke nipples, how many, and in which order with the rim lock.
 *
 * `rimWidthIn` 1 to 14, `rimDiameterIn` 4 to 23. A strip is no wider than the rim inside its flanges.
 * Common practice: a snug strip stays put, a loose one wanders; without a strip, two layers of
 * strong cloth tape.
 */
export const stripPick = defineWorking<Input, StripPick>({
  name: 'strip-pick',
  title: 'Rim strip for a wheel',
  input: () => ({
    build: oneOf(BUILDS, 'Rim build'),
    sealed: oneOf(['yes', 'no'], 'Spokes sealed by design'),
    rimWidthIn: quantity('in', 1, 14, 'Stamped rim width'),
    rimDiameterIn: quantity('in', 4, 23, 'Stamped rim diameter'),
    rimLocks: count(0, 3, 'Rim locks'),
    strips: uniqueBy(
      listOf(
        record(
          {
            id: text(60, 'Name of the strip'),
            material: oneOf(['rubber', 'tape'], 'Made of'),
            widthMm: quantity('mm', 8, 80, 'Width'),
            rimFromIn: quantity('in', 4, 23, 'Smallest rim'),
            rimToIn: quantity('in', 4, 23, 'Largest rim'),
            count: count(0, 10_000, 'In stock'),
          },
          'A strip',
        ),
        200,
        'Strips in stock',
      ),
      'id',
    ),
    rules: ruleValues(),
  }),
  example: {
    build: 'spoked',
    sealed: 'no',
    rimWidthIn: 2.15,
    rimDiameterIn: 19,
    rimLocks: 1,
    strips: [{ id: 'a', material: 'rubber', widthMm: 28, rimFromIn: 18, rimToIn: 19, count: 5 }],
  },
  work({ build, sealed, rimWidthIn, rimDiameterIn, rimLocks, strips, rules }, show) {
    show.basis(
      'practice',
      'a rim strip keeps the tube off the spoke nipples; one strip may serve two rim diameters',
    );
    const none = (why: string): StripPick => {
      show.line('wanted', why, 0);
      show.verdict('good');
      return {
        wanted: 0,
        stripId: null,
        material: null,
        order: [],
        reasons: [reason('good', why)],
      };
    };
    if (build !== 'spoked') return none('No spoke nipples: no strip.');
    if (sealed === 'yes') return none('Sealed spokes: the maker’s seal takes no strip.');
    const wanted = show.line('wanted', 'rule', ruleNumber('strip.count', rules, show));
    const insideMm = show.line(
      'rim inside the flanges',
      `${rimWidthIn} in × 25.4`,
      rimWidthIn * INCH_IN_MM,
      'mm',
    );
    const serves = strips
      .filter(
        (s) =>
          s.count > 0 &&
          s.rimFromIn <= rimDiameterIn &&
          s.rimToIn >= rimDiameterIn &&
          s.widthMm <= insideMm,
      )
      .sort((a, b) => b.widthMm - a.widthMm || a.rimToIn - a.rimFromIn - (b.rimToIn - b.rimFromIn));
    const rubber = serves.find((s) => s.material === 'rubber');
    const tape = serves.find((s) => s.material === 'tape');
    const reasons: Reason[] = [];
    const mm = (value: number) => [{ value, unit: 'mm' as const }];
    if (rubber) {
      reasons.push(
        reason(
          'good',
          `A rubber strip, {0} wide, for rims of ${rubber.rimFromIn} to ${rubber.rimToIn} inch.`,
          mm(rubber.widthMm),
        ),
      );
      if (rubber.count < wanted)
        reasons.push(reason('check', `${rubber.count} in stock, ${wanted} needed.`));
    } else if (tape)
      reasons.push(
        reason(
          'good',
          `No strip of that size: ${TAPE_LAYERS} layers of cloth tape, {0} wide.`,
          mm(tape.widthMm),
        ),
      );
    else {
      const loose = strips.find(
        (s) => s.material === 'rubber' && s.count > 0 && s.rimFromIn > rimDiameterIn,
      );
      const larger = loose ? '; a larger one is loose, wanders and gets caught under the bead' : '';
      const tape =
        'Two layers of strong cloth tape will do. With nothing, the nipples chafe through the tube.';
      reasons.push(
        reason('check', `None in stock for a ${rimDiameterIn} inch rim${larger}. ${tape}`),
      );
    }
    const material = rubber ? 'rubber' : tape ? 'tape' : null;
    const order = [
      `${material === 'tape' ? 'Tape' : 'Strip'} on, its large hole at the valve`,
      ...(rimLocks > 0
        ? [material === 'tape' ? 'Rim lock through a hole in the tape' : 'Rim lock under the band']
        : []),
      'Then the tube',
    ];
    order.forEach((says, i) => show.line(`order ${i + 1}`, 'strip, lock, tube', says));
    show.verdict(worstOf(reasons));
    return {
      wanted: material === 'tape' ? TAPE_LAYERS : wanted,
      stripId: (rubber ?? tape)?.id ?? null,
      material,
      order,
      reasons,
    };
  },
});
