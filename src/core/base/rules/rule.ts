import type { BasisKind } from '../basis';
import type { Unit } from '../units';

/** A threshold or choice that a shop may see differently. */
export interface Rule {
  /** Dotted name, unit at the end: `seat.shopCeilingKpa`. */
  key: string;
  /** The setting that it decides, in the fitter's words. */
  says: string;
  group: string;
  value: number | string;
  unit: Unit | null;
  /** A changed rule's basis becomes `shop rule`. */
  basis: BasisKind;
  note: string;
  /** Bounds of a number rule. */
  min?: number;
  max?: number;
  /** A number of things: no fraction. */
  whole?: boolean;
  /** The words a choice rule may hold. */
  choices?: readonly string[];
}

/** Whether a rule holds an amount in the smallest coin: it is read and typed as money. */
export const isMoneyRule = ({ key }: Pick<Rule, 'key'>): boolean => key.endsWith('Minor');

/** A rule as the shop has it, with who changed it and why. */
export interface ShopRule extends Rule {
  shipped: Rule['value'];
  changedBy: string | null;
  reason: string | null;
  changedAt: string | null;
}

/** Values by key with their basis, as a job or a caller hands them in. */
export type RuleValues = Readonly<Record<string, number | string>>;
