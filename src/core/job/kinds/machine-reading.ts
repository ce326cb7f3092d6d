import { angle, quantity } from '../../base/fields';
import { placeText } from '../../base/units';
import { type BalanceLog, observe } from '../balance-log';
import { defineEntry, WHEEL_WORK } from '../define-entry';

/** The reading of a balancing machine, with its finest steps. */
interface MachineReadingData {
  massG: number;
  deg: number;
  stepG: number;
  stepDeg: number;
}

export const machineReadingEntry = defineEntry<MachineReadingData, object, { balance: BalanceLog }>(
  {
    ...WHEEL_WORK,
    schema: () => ({
      massG: quantity('g', 0, 2000, 'What the machine says'),
      deg: angle('Where it is heavy'),
      stepG: quantity('g', 0.1, 50, 'Its finest step'),
      stepDeg: quantity('deg', 0.1, 45, 'Its finest step of the turn'),
    }),
    text: ({ massG, deg }, { q }) => `The machine says ${q(massG, 'g')} heavy at ${placeText(deg)}`,
    initial: {},
    apply: ({ balance }, { data, id }) => ({
      balance: observe(balance, id, { kind: 'machine', ...data, weights: balance.on }),
    }),
  },
);
