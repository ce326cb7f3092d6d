import { InputError } from '../../base/errors';
import { count, oneOf, quantity, ruleValues } from '../../base/fields';
import { ruleNumber, type RuleValues } from '../../base/rules';
import { defineWorking, reason, worstOf, type Reason } from '../../base/working';
import { BOLT_NAMES, GRADE_NAMES, type BoltName, type GradeName } from '../../fit/wheels';
import { LUBRICANTS, TORQUE_FACTOR, type Lubricant } from '../torque';
import { BOLTS, GRADES } from './bolts';

interface Input {
  torqueNm: number;
  bolt: BoltName;
  grade: GradeName;
  lubricant: Lubricant;
  bolts: number;
  ringDiameterMm: number;
  rules?: RuleValues;
}

export interface ClampForce {
  forcePerBoltN: number;
  /** All bolts together, for each millimetre once round the ring, N/mm. */
  forcePerMm: number;
  /** The load a bolt stands before it stretches for good. */
  proofN: number;
  shareOfProof: number;
  /** The torque that reaches the rule's share of the proof load. */
  mostNm: number;
  reasons: Reason[];
}

/**
 * The clamp force of a ring at a torque, and how near its bolts are to stretching for good.
 *
 * Torque 0.5 to 300 N·m; bolt size, grade and lubricant from the tables; 3 to 48 bolts on a ring
 * 100 to 700 mm across. Throws `InputError` for a grade that such a bolt is not made in. Source:
 * Shigley, F = T / (K d) and torque factors; SAE J429, ISO 898-1 for proof strength; stress areas
 * from memory. The maker's figure binds.
 */
export const clampForce = defineWorking<Input, ClampForce>({
  name: 'clamp-force',
  title: 'Ring clamp and proof load',
  input: () => ({
    torqueNm: quantity('Nm', 0.5, 300, 'Torque at each bolt'),
    bolt: oneOf(BOLT_NAMES, 'Size of the bolts'),
    grade: oneOf(GRADE_NAMES, 'Grade or class, from the head'),
    lubricant: oneOf(LUBRICANTS, 'On the threads'),
    bolts: count(3, 48, 'Bolts of the ring'),
    ringDiameterMm: quantity('mm', 100, 700, 'Bolt circle'),
    rules: ruleValues(),
  }),
  example: {
    torqueNm: 18,
    bolt: '5/16-18',
    grade: '8',
    lubricant: 'anti-seize',
    bolts: 16,
    ringDiameterMm: 330,
  },
  work({ torqueNm, bolt, grade, lubricant, bolts, ringDiameterMm, rules }, show) {
    const { diameterMm, stressMm2, thread } = BOLTS[bolt];
    const { proofMpa, thread: ofThread, from } = GRADES[grade];
    if (thread !== ofThread)
      throw new InputError(
        'grade',
        `A ${bolt} bolt is not made in ${grade}.`,
        thread === 'inch' ? 'Choose grade 5 or 8' : 'Choose class 8.8 or 10.9',
      );
    const k = show.line('torque factor K', lubricant, TORQUE_FACTOR[lubricant]);
    const forceOf = (nm: number) => nm / ((k * diameterMm) / 1000);
    const forcePerBoltN = show.line('clamp of a bolt', 'F = T / (K d)', forceOf(torqueNm), 'N');
    const forcePerMm = show.line(
      'newtons per millimeter of ring',
      'bolts × F / (π × circle)',
      (bolts * forcePerBoltN) / (Math.PI * ringDiameterMm),
    );
    const proofN = show.line(
      'proof load',
      `${stressMm2} mm² × ${proofMpa.toFixed(0)} MPa`,
      stressMm2 * proofMpa,
      'N',
    );
    const shareOfProof = forcePerBoltN / proofN;
    show.line('share of it', 'F / proof load', 100 * shareOfProof, 'pct');
    const mayPct = ruleNumber('clamp.proofPct', rules, show);
    const mostNm = show.line(
      'torque that reaches the share',
      'rule',
      (torqueNm * mayPct) / (100 * shareOfProof),
      'Nm',
    );
    show.basis(
      'published',
      'Shigley: torque factors and F = T / (K d), which scatters by a quarter either way',
    );
    show.basis('published', from);
    show.basis('memory', `stress area of ${bolt}: ${stressMm2} mm²`);
    const newtons = [
      { value: forcePerBoltN, unit: 'N' as const },
      { value: proofN, unit: 'N' as const },
    ];
    const reasons =
      shareOfProof > 1
        ? [reason('stop', 'Past proof load: {0} on a bolt that yields at {1}.', newtons)]
        : shareOfProof > mayPct / 100 + 1e-9
          ? [
              reason(
                'stop',
                `{0} is ${(100 * shareOfProof).toFixed(0)}% of the proof load of {1}; the rule stops at ${mayPct}%.`,
                newtons,
              ),
            ]
          : [reason('good', '{0} on a bolt with a proof load of {1}.', newtons)];
    if (shareOfProof > mayPct / 100 + 1e-9)
      reasons.push(
        reason(
          'check',
          `At most {0} with ${lubricant} on the threads, or another bolt. Read the maker’s sheet: bolt, grade and lubricant go with its figure.`,
          [{ value: mostNm, unit: 'Nm', digits: 1 }],
        ),
      );
    show.verdict(worstOf(reasons));
    show.caution(
      'The maker’s spec comes first. A torque means nothing without bolt, grade and lubricant.',
    );
    show.caution('Power tools may run bolts down; only a torque wrench finishes.');
    return { forcePerBoltN, forcePerMm, proofN, shareOfProof, mostNm, reasons };
  },
});
