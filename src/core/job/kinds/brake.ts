import { type Spin, SPIN_WORDS, SPINS } from '../../bench/brake';
import { oneOf, quantity, boolean } from '../../base/fields';
import { PROOF_STEPS } from '../procedure';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import { maybe } from '../entry-fields';

/** The brake, pumped, and the wheel, spun with it released; pulls at the tread where measured. */
interface BrakeData {
  firm: boolean;
  spin: Spin;
  pullN?: number | null;
  freePullN?: number | null;
  radiusMm?: number | null;
}

/** The wheel is spun by hand: free, and nothing rubs. */
const SPIN_STEP = 'back-spin';

/** The readings of hand and scale, as the calculator takes them. */
export const brakeInput = ({ firm, spin, pullN, freePullN, radiusMm }: BrakeData) => ({
  firm,
  spin,
  ...(pullN == null ? {} : { pullN }),
  ...(freePullN == null ? {} : { freePullN }),
  ...(radiusMm == null ? {} : { radiusMm }),
});

export const brakeEntry = defineEntry<BrakeData, { brake: BrakeData | null }>({
  ...WHEEL_WORK,
  schema: () => ({
    firm: boolean('Firm'),
    spin: oneOf(SPINS, 'How the wheel turns'),
    pullN: maybe(quantity('N', 0, 500, 'Pull at the tread'))
      .optional()
      .default(null),
    freePullN: maybe(quantity('N', 0, 500, 'Pull with the pads apart'))
      .optional()
      .default(null),
    radiusMm: maybe(quantity('mm', 80, 500, 'Axle to tread'))
      .optional()
      .default(null),
  }),
  text: ({ firm, spin, pullN }, { q }) =>
    `Brake ${firm ? 'firm' : 'not firm'}; the wheel ${SPIN_WORDS[spin]}${pullN == null ? '' : `, ${q(pullN, 'N')} at the tread`}`,
  initial: { brake: null },
  apply: (_, { data }) => ({ brake: data }),
  steps: ({ firm, spin }) => [
    ...(firm ? [PROOF_STEPS.brake, PROOF_STEPS.pedal] : []),
    ...(spin === 'free' ? [SPIN_STEP] : []),
  ],
});
