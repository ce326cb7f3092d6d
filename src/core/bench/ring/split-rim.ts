import { count, oneOf, quantity, ruleValues, boolean } from '../../base/fields';
import { type RuleValues } from '../../base/rules';
import { defineWorking, reason, worstOf, type Reason } from '../../base/working';
import { ringMoves, RING_SCHOOLS, type RingMove, type RingSchool } from './ring-order';

interface Input {
  silent: boolean;
  gaugeKpa: number | null;
  coreOut: boolean;
  bolts: number;
  torqueNm: number | null;
  tube: boolean;
  sealed: boolean;
  sealRenewed?: boolean;
  /** A ring of a beadlock in place of halves. */
  ring?: boolean;
  school?: RingSchool;
  rules?: RuleValues;
}

export interface SplitRim {
  /** Whether a rim bolt may be touched. */
  mayUndo: boolean;
  /** The steps still missing before that, in the order they are done. */
  missing: string[];
  /** Order of the bolts on the way back: by hand, then torque, then torque again. */
  moves: RingMove[];
  reasons: Reason[];
}

/** A gauge that shows no more shows nothing. */
const NOUGHT_KPA = 0.5;
const STAGES = ['by hand', 'torque', 'torque again'] as const;

/**
 * Whether the bolts of a split rim may be touched, and how they go back.
 *
 * All three have to be true and noted: nothing hisses, the gauge reads zero, the core is out.
 * `gaugeKpa` null where it was not read, `torqueNm` null where the manual's value is not known.
 * Common practice: deflate fully before a rim bolt is undone. The maker's manual and local codes
 * come first.
 */
export const splitRim = defineWorking<Input, SplitRim>({
  name: 'split-rim',
  title: 'Split rim bolts',
  input: () => ({
    silent: boolean('No hiss'),
    gaugeKpa: quantity('kPa', 0, 1000, 'The gauge on the valve').allow(null),
    coreOut: boolean('The valve core is out'),
    bolts: count(3, 16, 'Rim bolts'),
    torqueNm: quantity('Nm', 0.5, 200, 'Torque in the manual').allow(null),
    tube: boolean('With a tube'),
    sealed: boolean('Sealed by design, with a seal between the halves'),
    sealRenewed: boolean('The seal is new').optional(),
    ring: boolean('A ring in place of halves').optional(),
    school: oneOf(RING_SCHOOLS, 'Order of the bolts').optional(),
    rules: ruleValues(),
  }),
  example: {
    silent: true,
    gaugeKpa: 0,
    coreOut: true,
    bolts: 5,
    torqueNm: 24,
    tube: true,
    sealed: false,
  },
  work(
    {
      silent,
      gaugeKpa,
      coreOut,
      bolts,
      torqueNm,
      tube,
      sealed,
      sealRenewed,
      ring = false,
      school = 'crossing',
    },
    show,
  ) {
    const empty = gaugeKpa !== null && gaugeKpa <= NOUGHT_KPA;
    show.line('core', 'as noted', coreOut ? 'out' : 'in');
    show.line(
      'gauge',
      'as noted',
      gaugeKpa === null ? 'not read' : gaugeKpa,
      ...(gaugeKpa === null ? [] : (['kPa'] as const)),
    );
    show.line('ear', 'as noted', silent ? 'silent' : 'hisses, or not checked');
    const missing = [
      ...(coreOut ? [] : ['the valve core out']),
      ...(silent ? [] : ['silence at the valve']),
      ...(empty ? [] : ['the gauge at zero']),
    ];
    const mayUndo = missing.length === 0;
    const reasons: Reason[] = [
      mayUndo
        ? reason('good', 'Air is out: silent, gauge at zero, core out. You may undo the bolts.')
        : reason('stop', `Do not touch a bolt. Missing: ${missing.join(', ')}.`),
    ];
    if (torqueNm === null)
      reasons.push(
        reason(
          'check',
          `The torque of the ${ring ? 'ring' : 'rim'} bolts is not known: look it up before they go back.`,
        ),
      );
    if (!tube && !sealed)
      reasons.push(
        reason(
          'stop',
          'Without a tube and without a seal by design the halves do not hold air: a tube.',
        ),
      );
    if (!tube && sealed && sealRenewed !== true)
      reasons.push(reason('check', 'A new seal between the halves, with every tire.'));
    show.basis(
      'practice',
      ring
        ? 'deflate fully before undoing any ring bolt'
        : 'deflate fully before undoing any rim bolt',
    );
    show.verdict(worstOf(reasons));
    show.caution(
      ring
        ? 'A ring under air comes off with force. Deflate fully before undoing any ring bolt.'
        : 'A split rim under air throws its halves. Deflate fully before undoing any rim bolt.',
    );
    show.caution('The maker’s manual and local codes come before this screen.');
    return { mayUndo, missing, moves: ringMoves(bolts, school, STAGES), reasons };
  },
});
