import type { Rule } from './rule';

/** The choices that a shop makes once for all its devices. */
export const SHOP_RULES: readonly Rule[] = [
  {
    key: 'shop.units',
    says: 'Shop units',
    group: 'Shop',
    value: 'US',
    unit: null,
    basis: 'shop rule',
    choices: ['US', 'metric'],
    note: 'US: psi, in, g, lb, ft-lb, °F, miles. Metric: bar, mm, g, kg, N·m, °C, km. Each device can change one under the initials, top right.',
  },
];
